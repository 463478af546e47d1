import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { isClosed } from '#core/log';
import { counted } from '#core/units';
import { verifyLines } from '../log/chain.ts';
import { checkSections, gateSection } from './checks.ts';
import { contextOf, type ReportContext, type ReportInput } from './context.ts';
import { cureSection, planSection, workedSection } from './figures.ts';
import { photoSection } from './photo-pages.ts';
import { planDrawing } from './plan-drawing.ts';
import { againstSection, daySection, loadSection, taskSection } from './pour-day.ts';

const GREY = '#4A5355';

function headSection({ record, view, state, nowMs, stamp, under }: ReportContext): Content[] {
  const { pour, site } = record;
  const open = isClosed(state) ? 'pour closed' : 'pour open';
  return [
    { text: `${pour.code} ${pour.title}`, style: 'h1' },
    {
      text: `${site.name}. Pour date ${pour.date ?? 'not set'}. Mix ${view.mix.label}. Made ${stamp(nowMs)}, ${open}.`,
      margin: [0, 2, 0, 8],
    },
    {
      svg: planDrawing(site, pour.elements, view.points, under),
      width: 500,
      alignment: 'center',
      margin: [0, 0, 0, 6],
    },
  ];
}

/** How long the log is and whether its chain is whole, and who rules where the report differs. */
function logSection({ events }: ReportContext): Content[] {
  const chain = verifyLines(events.map((e) => JSON.stringify(e)));
  const whole = chain.ok
    ? `chain whole, last hash ${chain.lastHash}`
    : `CHAIN BROKEN at entry ${chain.line}: it ${chain.message}`;
  return [
    { text: 'Log', style: 'h2' },
    {
      text: `${counted(events.length, 'entry', 'entries')}, ${whole}. Corrected entries stay in the log; the export can be checked without the server.`,
    },
    {
      text: 'Jactum helps to measure, work out and record. It does not design structures or formwork; engineer, inspector, manufacturers and local code rule where they differ.',
      margin: [0, 10, 0, 0],
      fontSize: 8,
      color: GREY,
    },
  ];
}

/** The report of one pour as a pdfmake document: everything planned, checked, placed and cured, from the core. */
export function reportDocument(input: ReportInput): TDocumentDefinitions {
  const c = contextOf(input);
  const { pour, site } = c.record;
  return {
    pageSize: c.units === 'us' ? 'LETTER' : 'A4',
    pageMargins: [44, 48, 44, 52],
    defaultStyle: { font: 'Plex', fontSize: 9, lineHeight: 1.15 },
    styles: {
      h1: { fontSize: 20, bold: true },
      h2: { fontSize: 12, bold: true, margin: [0, 10, 0, 3] },
    },
    info: { title: `${pour.code} ${pour.title}`, subject: site.name, creator: 'Jactum' },
    footer: (page, pages) => ({
      columns: [
        { text: `${pour.code} ${pour.title}, ${site.name}` },
        { text: `${page} of ${pages}`, alignment: 'right' },
      ],
      margin: [44, 16, 44, 0],
      fontSize: 8,
      color: GREY,
    }),
    content: [
      ...headSection(c),
      ...planSection(c),
      ...againstSection(c),
      ...gateSection(c),
      ...checkSections(c),
      ...photoSection(c.state, c.photos, c.units, c.time),
      ...loadSection(c),
      ...taskSection(c),
      ...daySection(c),
      ...workedSection(c),
      ...cureSection(c),
      ...logSection(c),
    ],
  };
}
