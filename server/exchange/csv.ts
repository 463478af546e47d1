import Papa from 'papaparse';
import type { Table } from '#core/exchange';

/** Cells that a spreadsheet would take for a formula are text: names come from people. */
export const csvOf = ({ head, rows }: Table): string =>
  // With a byte-order mark a spreadsheet knows that feet, fractions and accents are UTF-8.
  `\uFEFF${Papa.unparse({ fields: head, data: rows }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
