import type { Content } from 'pdfmake/interfaces.js';
import { stripWords } from '#core/cure';
import { attempt, resultRows, stepText } from '#core/kit';
import { entries, type LogEvent } from '#core/log';
import { calculationNamed } from '#core/register';
import { rulesOf, ruleText, sourceText } from '#core/rules';
import { area, clockText, counted, distanceText, strength, textOf, volume } from '#core/units';
import { acceptanceText, apartText, careTexts } from '#core/words';
import { careIn, curingIn } from '#core/view';
import type { ReportContext } from './context.ts';
import { right, table, type Cell } from './table.ts';

/** How much each run takes, and what was ordered. */
export function planSection({ view: { plan, order }, units }: ReportContext): Content[] {
  const v = (m3: number) => textOf(volume(m3, units));
  const { route, trucks } = plan;
  const loads = plan.loadIds.length;
  const takeoff = new Map(route.takeoff.elements.map((e) => [e.id, e]));
  const ordered = [
    `Neat ${v(route.volumeM3)}`,
    `needed ${v(plan.order.result.meanM3)}`,
    order.orderedM3 === null
      ? `not ordered; planned ${v(plan.orderedM3)} in ${counted(loads, 'load')}`
      : `ordered ${v(order.orderedM3)} in ${counted(order.loads.length, 'load')}`,
  ].join(', ');
  const apart = apartText(loads, trucks.result.spacingMin);
  const from = clockText(trucks.result.loads[0]?.arriveMin ?? 0);
  return [
    { text: 'Take-off and order', style: 'h2' },
    table(
      ['run', 'length', 'concrete', 'forms'],
      ['*', 'auto', 'auto', 'auto'],
      route.legs.map((l) => {
        const e = takeoff.get(l.elementId);
        return [
          l.elementId,
          // A pad or pier has none.
          right(e?.lengthM ? distanceText(e.lengthM, units) : ''),
          right(v(l.volumeM3)),
          right(textOf(area(e?.formM2 ?? 0, units))),
        ];
      }),
    ),
    {
      text: `${ordered}${apart} from ${from}.`,
      margin: [0, 0, 0, 8],
    },
  ];
}

/** The strength by temperature, with its working. */
export function cureSection({
  record,
  nowMs,
  view,
  state,
  air,
  units,
  stamp,
}: ReportContext): Content[] {
  const curing = curingIn(record, view, state, nowMs, air);
  if (!curing) return [{ text: 'Curing', style: 'h2' }, { text: 'Placing has not ended.' }];
  return [
    { text: 'Curing', style: 'h2' },
    {
      text: [
        `Placing ended ${stamp(curing.startMs)}.`,
        `Strength by temperature now ${textOf(strength(curing.strengthMPa, units))}`,
        `(${curing.measured ? 'temperatures as read, then toward the air' : 'temperatures as expected, none read'}).`,
        `Wanted ${textOf(strength(curing.stripMPa, units))} and not before ${curing.floorH} h.`,
        stripWords(curing, stamp, record.pour.elements, units).sentence,
        ...careTexts(careIn(record, view, curing, air, state), stamp, units, nowMs).map(
          (c) => c.text,
        ),
        ...(curing.acceptance ? [acceptanceText(curing.acceptance, units)] : []),
      ].join(' '),
      margin: [0, 0, 0, 4],
    },
    table(
      ['step', 'expression', 'value', 'unit'],
      ['auto', '*', 'auto', 'auto'],
      curing.working.steps.map((s) => [
        s.symbol,
        s.expression,
        right(typeof s.value === 'number' ? s.value.toPrecision(5) : String(s.value)),
        s.unit,
      ]),
    ),
  ];
}

/** A calculation kept with the pour, worked out anew from what was put in. */
function keptCalculation(e: LogEvent<'worked'>, { record, units, time }: ReportContext): Content[] {
  const calc = calculationNamed(e.body.calculation);
  if (!calc) return [];
  const { done } = attempt(calc, e.body.input);
  // Kept under an older form of its input: the entry stands, its figures cannot be worked out any more.
  if (!done)
    return [
      {
        text: `${calc.title}: kept by ${e.actor} ${time(e.at)}, no longer to be worked out from what was put in.`,
        margin: [0, 4, 0, 0],
      },
    ];
  const { result, steps } = done;
  const lines: Cell[][] = [
    ...resultRows(calc.id, result, units)
      .filter((r) => r.text !== null)
      .map((r): Cell[] => [r.label, '', right(r.text ?? '')]),
    ...steps.map((s): Cell[] => [
      s.symbol,
      s.expression,
      right(stepText(s, units, record.site.currency)),
    ]),
  ];
  return [
    {
      text: `${calc.title}${e.body.note ? `: ${e.body.note}` : ''} (${e.actor}, ${time(e.at)}). ${calc.source}.`,
      margin: [0, 4, 0, 0],
    },
    table(['', 'with the numbers put in (SI)', ''], ['auto', '*', 'auto'], lines),
  ];
}

/** Calculations kept with the pour, and the site's own values for rules. */
export function workedSection(c: ReportContext): Content[] {
  const { record, state, units } = c;
  const { site } = record;
  const kept = entries(state, 'worked').flatMap((e) => keptCalculation(e, c));
  const rules = rulesOf(site);
  const changed = [...new Set(site.ruleChanges.map((c) => c.rule))]
    .map((id) => rules.ruled(id))
    .filter((r) => r.change !== null);
  return [
    ...(changed.length
      ? [
          { text: 'Rules changed for this site', style: 'h2' },
          table(
            ['rule', 'value', 'source and change'],
            ['auto', 'auto', '*'],
            changed.map((r) => [
              r.title,
              right(ruleText(r.id, r.value, units)),
              sourceText(r, units),
            ]),
          ),
        ]
      : []),
    ...(kept.length ? [{ text: 'Worked out for this pour', style: 'h2' }, ...kept] : []),
  ];
}
