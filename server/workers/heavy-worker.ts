import fs from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import pdfmake from 'pdfmake';
import { attempt, type InputIssue } from '#core/kit';
import { calculationNamed } from '#core/register';
import { makeBackup } from '../backup/backup.ts';
import type { StoreCheck } from '../backup/verify.ts';
import { cardDocument } from '../report/card.ts';
import { reportDocument } from '../report/document.ts';
import { type ReportInput } from '../report/context.ts';

/**
 * What takes long, away from the server's own thread. The report's fonts stand unpacked beside the
 * built server; run from the sources they come packed from the installed package, and every table of
 * them is unpacked anew for each report, which is half of its time. No address is ever fetched.
 */
const unpacked = path.join(import.meta.dirname, 'fonts');
const built = fs.existsSync(unpacked);
const fonts = built
  ? unpacked
  : path.join(
      path.dirname(createRequire(import.meta.url).resolve('@ibm/plex-sans/package.json')),
      'fonts/complete/woff',
    );
const face = (name: string): string =>
  path.join(fonts, `IBMPlexSans-${name}.${built ? 'ttf' : 'woff'}`);

pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file) => file.startsWith(fonts));
pdfmake.setFonts({
  Plex: {
    normal: face('Regular'),
    bold: face('Bold'),
    italics: face('Italic'),
    bolditalics: face('BoldItalic'),
  },
});
pdfmake.setTableLayouts({
  rules: {
    hLineWidth: (i) => (i < 2 ? 0.9 : 0.35),
    vLineWidth: () => 0,
    hLineColor: (i) => (i < 2 ? '#000' : '#8A8F8C'),
    paddingLeft: () => 0,
    paddingRight: () => 8,
    paddingTop: () => 2,
    paddingBottom: () => 2,
  },
});
/** What the pool can be asked for. */
export interface HeavyWork {
  /** The report of a pour, as a PDF. */
  report: (input: ReportInput) => Promise<Uint8Array>;
  /** The card of a pour, one page. */
  card: (input: ReportInput) => Promise<Uint8Array>;
  /** A backup of a store into a file. */
  backup: (of: { dataDir: string; file: string }) => Promise<StoreCheck>;
  /** What is wrong with the input of a calculation that is to be kept; nothing when it can be worked out. */
  calculationIssues: (asked: { id: string; input: unknown }) => InputIssue[];
}

export const report: HeavyWork['report'] = (input) =>
  pdfmake.createPdf(reportDocument(input)).getBuffer();

export const card: HeavyWork['card'] = (input) =>
  pdfmake.createPdf(cardDocument(input)).getBuffer();

export const backup: HeavyWork['backup'] = ({ dataDir, file }) => makeBackup(dataDir, file);

export const calculationIssues: HeavyWork['calculationIssues'] = ({ id, input }) => {
  const calc = calculationNamed(id);
  return calc ? (attempt(calc, input).bad?.issues ?? []) : [];
};
