import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { fillJobs, jobsNeeded, mixerNeeds, wayNotes } from '#core/pourplan';
import { clockText, distanceText, lengthText, quantityText, textOf, volume } from '#core/units';
import { dueOf } from '#core/view';
import { batchLines, holdText, mixerSentence, wayNoteText } from '#core/words';
import { contextOf, type ReportContext, type ReportInput } from './context.ts';
import { sequenceDrawing } from './sequence-drawing.ts';
import { bold, table } from './table.ts';

const GREY = '#4A5355';
const h2 = (text: string): Content => ({ text, style: 'h2' });

const conveyanceOf = ({ record: { site, pour } }: ReportContext) =>
  site.conveyances.find((c) => c.id === pour.settings.conveyance);

/** What is ordered, what it has to be like at the truck and at the hose. */
function orderPart(c: ReportContext): Content[] {
  const { view, units } = c;
  const { mix, plant, plan, order } = view;
  const ordered = order.state === 'none' && !plant.mixer ? 'NOT ORDERED. ' : '';
  const by = conveyanceOf(c);
  const loss = by?.slumpLossMm ?? 0;
  const slump =
    loss > 0
      ? `Slump ${lengthText(mix.slumpMm, units)} at the truck, ${lengthText(Math.max(0, mix.slumpMm - loss), units)} at the hose.`
      : `Slump ${lengthText(mix.slumpMm, units)}.`;
  return [
    h2('Order'),
    {
      text: `${ordered}${textOf(volume(order.orderedM3 ?? plan.orderedM3, units))} of ${mix.label} from ${plant.label}${plant.contact === undefined ? '' : `, ${plant.contact}`}. ${slump} No load older than ${mix.maxAgeMin} min.`,
    },
    ...mixingPart(c),
    { text: by ? `By ${by.label}.` : 'How it is conveyed is not settled.' },
  ];
}

/** Loads that are listed each; a mixer's batches come one like the other. */
const MOST_LOADS = 16;

/** A load with its times of the day: as it was ordered, else as it is planned. */
function cardLoads({ view }: ReportContext) {
  const { plan } = view;
  const ordered = view.loads.flatMap((l) => {
    const due = dueOf(view, l);
    return due ? [{ id: l.id, ...due }] : [];
  });
  return ordered.length
    ? ordered
    : plan.trucks.result.loads.map((l, i) => ({ id: plan.loadIds[i] ?? '', ...l }));
}

function loadsPart(c: ReportContext): Content[] {
  const { plan } = c.view;
  const { units } = c;
  const loads = cardLoads(c);
  return [
    h2('Loads'),
    table(
      ['', 'batch', 'here', units === 'us' ? 'yd³' : 'm³'],
      [24, 56, 56, 60],
      loads
        .slice(0, MOST_LOADS)
        .map((l) => [
          bold(l.id),
          clockText(l.batchMin),
          clockText(l.arriveMin),
          volume(l.volumeM3, units).value,
        ]),
    ),
    {
      text: `${loads.length > MOST_LOADS ? `${loads.length - MOST_LOADS} more, as far apart. ` : ''}Last placed ${clockText(plan.timetable.finishMin)}.`,
    },
  ];
}

/** More than this of what is met on the way does not fit the page. */
const MOST_NOTES = 10;

function wayPart({ record: { site }, view: { plan }, units }: ReportContext): Content[] {
  const notes = wayNotes(site, plan);
  if (notes.length === 0) return [];
  return [
    h2('Along the way'),
    {
      ul: notes
        .slice(0, MOST_NOTES)
        .map((n) => `${distanceText(n.atM, units)}: ${wayNoteText(n, units)}`),
    },
  ];
}

/** What is mixed here instead of ordered: bags, trips, and what goes into a batch. */
function mixingPart({ view: { plant, plan }, units }: ReportContext): Content[] {
  if (!plant.mixer) return [];
  const mixing = mixerNeeds(plant.mixer, plan.orderedM3);
  const batch = batchLines(mixing, units);
  return [
    { text: `${mixerSentence(mixing, plant.mixer.by)}.` },
    ...(batch.length
      ? [{ text: `A batch: ${batch.map((l) => `${l.what} ${l.much}`).join(', ')}.` }]
      : []),
  ];
}

function crewPart(c: ReportContext): Content[] {
  const { site, pour } = c.record;
  const needs = jobsNeeded(
    c.view.plan.route,
    conveyanceOf(c),
    site.formSystems.find((f) => f.mark === pour.forms),
  );
  const filled = fillJobs(needs, site.crew, pour.settings.crew);
  return [
    h2('Crew'),
    table(
      ['job', 'who'],
      [70, '*'],
      filled.map((f) => [bold(f.job), f.name ?? 'nobody yet']),
    ),
  ];
}

/** More than this of what is not as it must be does not fit the page. */
const MOST_WRONG = 8;

/** The most that presses on the forms as it is planned, and what of the plan is not as it must be. */
function planWatch(c: ReportContext): string[] {
  const { plan, gate } = c.view;
  const worst = [...plan.pressure].sort((a, b) => b.maxKPa - a.maxKPa)[0];
  const kPa = (x: number) => quantityText(x, 'KPa', c.units);
  const wrong = gate.rows.filter((r) => r.kind === 'pressure' || r.kind === 'reach');
  return [
    ...wrong.slice(0, MOST_WRONG).map((r) => `NOT SO: ${holdText({ ...c.view, ...c }, r)}.`),
    ...(wrong.length > MOST_WRONG
      ? [`NOT SO: ${wrong.length - MOST_WRONG} more, as the plan says.`]
      : []),
    ...(worst
      ? [
          `Forms: up to ${kPa(worst.maxKPa)} at ${worst.elementId} as planned, rated ${kPa(c.record.pour.settings.ratingKPa)}. No faster, no shorter waits.`,
        ]
      : []),
  ];
}

/** What can hurt, from what is planned; and the usual deference. */
function hazards(c: ReportContext): string[] {
  const by = conveyanceOf(c);
  const walls = c.view.plan.route.legs.some((l) => l.wall);
  return [
    ...planWatch(c),
    ...(by?.kind === 'boom'
      ? ['Nobody under the boom; a spotter for wires; pads under every leg.']
      : []),
    ...(by?.kind === 'boom' || by?.kind === 'line'
      ? ['Stand clear of the hose end while it starts and when a blockage clears.']
      : []),
    ...(walls ? ['Nobody in the line of the wall while it is filled; watch ties and braces.'] : []),
    'Trucks keep off the edge of the excavation. One person backs them in.',
    'Fresh concrete burns: gloves, glasses, boots; wash off at once.',
  ];
}

function placesPart(c: ReportContext): Content[] {
  const { settings } = c.record.pour;
  return [
    h2('Left over and washout'),
    {
      text: settings.leftOver
        ? `${settings.leftOver.what}, takes ${textOf(volume(settings.leftOver.volumeM3, c.units))}.`
        : 'No place for what is left over yet.',
    },
    { text: 'Wash out only where it is lined and marked.' },
  ];
}

/** More than this of the order in which runs are filled does not fit the page. */
const MOST_LEGS = 120;
const orderText = (legs: readonly string[]): string =>
  `${legs
    .slice(0, MOST_LEGS)
    .map((l, i) => `${i + 1} ${l}`)
    .join(
      ', ',
    )}${legs.length > MOST_LEGS ? `, and ${legs.length - MOST_LEGS} more, as the plan has them` : ''}`;

/** The card of a pour: one page that hangs at the form. */
export function cardDocument(input: ReportInput): TDocumentDefinitions {
  const c = contextOf(input);
  const { pour, site } = c.record;
  const legs = c.view.plan.route.legs.map((l) => l.elementId);
  return {
    pageSize: c.units === 'us' ? 'LETTER' : 'A4',
    pageMargins: [40, 36, 40, 36],
    defaultStyle: { font: 'Plex', fontSize: 9.5, lineHeight: 1.15 },
    styles: {
      h1: { fontSize: 22, bold: true },
      h2: { fontSize: 12, bold: true, margin: [0, 8, 0, 2] },
    },
    info: { title: `${pour.code} card`, subject: site.name, creator: 'Jactum' },
    content: [
      { text: `${pour.code} ${pour.title}`, style: 'h1' },
      {
        text: `${site.name}. ${pour.date ?? 'No day yet'}, first load ${clockText(pour.settings.firstLoadMin)}. Made ${c.stamp(c.nowMs)}.`,
      },
      {
        columns: [
          { width: '*', stack: [...orderPart(c), ...loadsPart(c), ...wayPart(c)] },
          {
            width: 250,
            stack: [
              h2('Sequence'),
              { svg: sequenceDrawing(site, legs), width: 240 },
              { text: orderText(legs), fontSize: 8 },
              ...crewPart(c),
            ],
          },
        ],
        columnGap: 18,
      },
      h2('Watch'),
      { ul: hazards(c) },
      ...placesPart(c),
      {
        text: 'Engineer, inspector, manufacturers and local code rule where this card differs.',
        margin: [0, 8, 0, 0],
        fontSize: 8,
        color: GREY,
      },
    ],
  };
}
