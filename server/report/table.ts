import type { Content } from 'pdfmake/interfaces.js';

/** What stands in one field of a table. */
export type Cell = string | { text: string; bold?: boolean; alignment?: 'right' };
export const bold = (text: string): Cell => ({ text, bold: true });
export const right = (text: string): Cell => ({ text, alignment: 'right' });

/** A table with its head repeated on every page; words instead where there is nothing. */
export function table(head: string[], widths: (string | number)[], rows: Cell[][]): Content {
  if (rows.length === 0) return { text: 'Nothing logged.', color: '#4A5355', margin: [0, 0, 0, 6] };
  return {
    table: { headerRows: 1, widths, body: [head.map(bold), ...rows] },
    layout: 'rules',
    margin: [0, 2, 0, 8],
  };
}
