import fs from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import type Pdfmake from 'pdfmake';
import type { CustomTableLayout, TDocumentDefinitions } from 'pdfmake/interfaces';
import { cardDocument } from '../report/card.ts';
import type { ReportInput } from '../report/context.ts';
import { reportDocument } from '../report/document.ts';
import type { Reader } from './reader.ts';

/**
 * The report's fonts stand unpacked beside the built server; run from the sources they come packed
 * from the installed package, and every table of them is unpacked anew for each report, which is
 * half of its time. No address is ever fetched.
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

/** Tables have thin rules and no sides. */
const RULES: CustomTableLayout = {
  hLineWidth: (i) => (i < 2 ? 0.9 : 0.35),
  vLineWidth: () => 0,
  hLineColor: (i) => (i < 2 ? '#000' : '#8A8F8C'),
  paddingLeft: () => 0,
  paddingRight: () => 8,
  paddingTop: () => 2,
  paddingBottom: () => 2,
};

/** The maker of PDFs, with our fonts and lines; read when the first one is asked for. */
let made: Promise<typeof Pdfmake> | null = null;
const maker = () => {
  made ??= import('pdfmake').then(({ default: pdfmake }) => {
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
    pdfmake.setTableLayouts({ rules: RULES });
    return pdfmake;
  });
  return made;
};

const pdfOf = async (document: TDocumentDefinitions): Promise<Uint8Array> =>
  (await maker()).createPdf(document).getBuffer();

/** The report of a pour, as a PDF. */
export async function report(reader: Reader, pourId: string): Promise<Uint8Array> {
  const { record, log, state } = await reader.logged(pourId);
  const input: ReportInput = {
    record,
    events: log,
    nowMs: reader.nowMs,
    under: await reader.underlays.onReport(record.siteId),
    air: await reader.air(record, state),
    photos: await reader.photos.smallOnes(
      record.id,
      log.flatMap((e) => (e.kind === 'photo' ? [e.body.photoId] : [])),
    ),
  };
  return pdfOf(reportDocument(input));
}

/** The card of a pour, one page. */
export async function card(reader: Reader, pourId: string): Promise<Uint8Array> {
  const { record, log } = await reader.logged(pourId);
  const input: ReportInput = { record, events: log, nowMs: reader.nowMs, air: [], photos: {} };
  return pdfOf(cardDocument(input));
}
