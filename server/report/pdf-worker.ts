import { createRequire } from 'node:module';
import path from 'node:path';
import { parentPort, workerData } from 'node:worker_threads';
import pdfmake from 'pdfmake';
import { reportDocument, type ReportInput } from './document.ts';

/** Sets the report in type away from the server's own thread. Fonts come from the installed package; no address is ever fetched. */
const fonts = path.join(
  path.dirname(createRequire(import.meta.url).resolve('@ibm/plex-sans/package.json')),
  'fonts/complete/woff',
);
const face = (name: string): string => path.join(fonts, `IBMPlexSans-${name}.woff`);

pdfmake.setUrlAccessPolicy(() => false);
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
const buffer = await pdfmake.createPdf(reportDocument(workerData as ReportInput)).getBuffer();
parentPort?.postMessage(buffer);
