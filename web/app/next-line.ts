import type { PointState } from '../../core/check/judge.ts';
import { typeChanges } from '../../core/check/points/index.ts';
import { nextStop } from '../../core/check/walk.ts';
import { wantedText } from '../../core/check/words.ts';
import { stripWords } from '../../core/cure/strip.ts';
import { liftName } from '../../core/pourplan/lifts.ts';
import { speaksAgainst } from '../../core/pourlog/loads.ts';
import {
  counted,
  clockText,
  lengthText,
  strength,
  temperatureFigure,
  textOf,
  volume,
} from '../../core/units/index.ts';
import type { PourView } from './pour-context.tsx';
import { momentText, type Stage } from './stages.ts';

/** One sentence: the next most useful act, and where its button goes. */
export interface NextLine {
  sentence: string;
  label: string;
  stage: Stage;
  focus: Record<string, string | number | null>;
}

const at = (p: PointState, place: number) => ({ run: p.point.elementId, check: p.point.id, place });

function checkLine(v: PourView): NextLine | null {
  const out = v.points.find((p) => p.places.some((x) => x.verdict === 'out'));
  if (out) {
    const i = out.places.findIndex((x) => x.verdict === 'out');
    const state = out.places[i];
    const what = `${out.point.elementId} ${out.point.title.toLowerCase()} is out. `;
    return {
      sentence: state?.fix
        ? `${what}Fixed: ${state.fix.body.what}. Read again.`
        : `${what}${out.point.advice}`,
      label: state?.fix ? 'Read again' : 'Fix',
      stage: 'check',
      focus: at(out, i),
    };
  }
  const unseen = new Set(v.gate.rows.flatMap((r) => (r.kind === 'change' ? [r.ref] : [])));
  const change = typeChanges(v.record.site, v.record.pour.elements).find((c) => unseen.has(c.id));
  if (change)
    return {
      sentence: `${change.toType} takes over from ${change.fromType} at ${change.nodeId}: ${change.words[0] ?? ''}. Look at it once.`,
      label: 'Look',
      stage: 'check',
      focus: { sheet: `change:${change.id}` },
    };
  const next = nextStop(v.points, v.walk, null);
  if (next) {
    const { point } = next.point;
    const left = next.point.wanted - next.point.read;
    return {
      sentence: `${v.elementName(point.elementId)}, ${point.title.toLowerCase()}: ${left} to read${point.wanted.type === 'eye' || point.wanted.type === 'bolts' ? '' : `, ${wantedText(point.wanted, v.units)} wanted`}. ${v.gate.counts.unread} left in all.`,
      label: point.wanted.type === 'eye' ? 'Look' : 'Read',
      stage: 'check',
      focus: at(next.point, next.place),
    };
  }
  const question = v.gate.rows.find((r) => r.kind === 'question');
  if (question)
    return {
      sentence: 'A question holds the pour. Get it answered.',
      label: 'Answer',
      stage: 'check',
      focus: { sheet: `answer:${question.ref}` },
    };
  if (v.gate.rows.some((r) => r.kind === 'loop'))
    return {
      sentence: 'The level loop does not close. Read it again from the benchmark.',
      label: 'Levels',
      stage: 'setout',
      focus: { tab: 'levels' },
    };
  const sign = v.gate.signs.find((s) => s.state !== 'passed');
  if (sign)
    return {
      sentence:
        sign.hold === 'own'
          ? `Everything is read${sign.state === 'reopened' ? ', and the plan has changed since you signed' : ''}. Sign your own check.`
          : `${sign.hold === 'dowels' ? 'The special inspector looks at the drilled dowels' : 'The inspector passes or rejects it'}${sign.state === 'rejected' ? ` again: ${sign.reason ?? ''}` : ''}.`,
      label: sign.hold === 'own' ? 'Sign' : 'Hand over',
      stage: 'check',
      focus: { sheet: `sign:${sign.hold}` },
    };
  return null;
}

function pourLine(v: PourView): NextLine | null {
  const { progress, loads } = v;
  if (progress.finishedMs !== null) return null;
  // Before anything is here, what holds the gate is the next act.
  if (!v.gate.ready && progress.startedMs === null && loads.every((l) => l.arrivedAt === null))
    return null;
  const here = loads.find(
    (l) => l.arrivedAt !== null && l.endedAt === null && l.decision !== 'reject',
  );
  if (here) {
    if (here.advice === 'tooOld')
      return {
        sentence: `Load ${here.id.replace('L', '')} is past ${v.mix.maxAgeMin} minutes. Send it back, or decide and say why.`,
        label: 'Decide',
        stage: 'pour',
        focus: { sheet: `decide:${here.id}` },
      };
    if ((here.advice === 'tooHot' || here.advice === 'tooCold') && here.decision === null)
      return {
        sentence: `Load ${here.id.replace('L', '')} is too ${here.advice === 'tooHot' ? 'hot' : 'cold'}: ${textOf(temperatureFigure(here.concreteTempC ?? 0, v.units))}, taken ${here.advice === 'tooHot' ? `to ${textOf(temperatureFigure(v.mix.hottestC, v.units))}` : `from ${textOf(temperatureFigure(v.mix.coldestC, v.units))}`}. Decide before it goes in.`,
        label: 'Decide',
        stage: 'pour',
        focus: { sheet: `decide:${here.id}` },
      };
    if (here.advice === 'slump')
      return {
        sentence: `Load ${here.id.replace('L', '')} is at the chute. Take its slump: ${lengthText(v.mix.slumpMm, v.units)} ordered.`,
        label: 'Slump',
        stage: 'pour',
        focus: { sheet: `slump:${here.id}` },
      };
    if ((here.advice === 'tooStiff' || here.advice === 'tooWet') && here.decision === null)
      return {
        sentence: `Load ${here.id.replace('L', '')} is ${lengthText(Math.abs(here.slump?.marginMm ?? 0), v.units)} too ${here.advice === 'tooWet' ? 'wet' : 'stiff'}. Decide before it goes in.`,
        label: 'Decide',
        stage: 'pour',
        focus: { sheet: `decide:${here.id}` },
      };
    if (progress.current)
      return {
        sentence: `Placing ${progress.current.elementId} from load ${here.id.replace('L', '')}. Say when you stop.`,
        label: 'Stop',
        stage: 'pour',
        focus: { sheet: 'stop' },
      };
    return {
      sentence: `Load ${here.id.replace('L', '')} is ${speaksAgainst(here.advice) ? 'taken as it is' : 'good'}. ${nextLeg(v)}`,
      label: 'Start placing',
      stage: 'pour',
      focus: { sheet: 'start' },
    };
  }
  if (progress.current)
    return {
      sentence: `Placing ${progress.current.elementId}, with no load here. Say when you stop.`,
      label: 'Stop',
      stage: 'pour',
      focus: { sheet: 'stop' },
    };
  const wait = loads.find((l) => l.arrivedAt === null);
  const index = wait ? v.plan.loadIds.indexOf(wait.id) : -1;
  if (wait && index >= 0) {
    const due = v.plan.trucks.result.loads[index];
    return {
      sentence: `Load ${wait.id.replace('L', '')}, ${textOf(volume(due?.volumeM3 ?? 0, v.units, 1))}, is due ${clockText(due?.arriveMin ?? 0)}. Log it when it comes.`,
      label: 'Load is here',
      stage: 'pour',
      focus: { sheet: `load:${wait.id}` },
    };
  }
  if (progress.toFillM3 > 0)
    return {
      sentence: `${textOf(volume(progress.neededM3, v.units, 1))} still to come and no load on the way. Order it now.`,
      label: 'Log a load',
      stage: 'pour',
      focus: { sheet: 'load:next' },
    };
  return null;
}

function nextLeg(v: PourView): string {
  const [leg] = v.progress.startable;
  return leg ? `Start with ${liftName(v.plan.route, leg.elementId, leg.lift)}.` : 'All is filled.';
}

function cureLine(v: PourView): NextLine | null {
  const c = v.curing;
  if (!c || v.closed) return null;
  if (!c.measured)
    return {
      sentence: `No temperature read since placing. Strength is reckoned at ${textOf(strength(c.strengthMPa, v.units))} from what was expected.`,
      label: 'Read temperature',
      stage: 'cure',
      focus: { sheet: 'probe' },
    };
  if (c.stripped.length < v.record.pour.elements.length) {
    if (c.strip === 'forecast')
      return {
        sentence: stripWords(c, (ms) => momentText(v, ms), v.record.pour.elements).sentence,
        label: 'Read temperature',
        stage: 'cure',
        focus: { sheet: 'probe' },
      };
    if (c.strip === 'may')
      return {
        sentence: `Past ${textOf(strength(c.stripMPa, v.units))} and past ${c.floorH} h. Forms may come off.`,
        label: 'Strip',
        stage: 'cure',
        focus: { sheet: 'strip' },
      };
    return {
      sentence: `Forms stay on until ${c.stripMs === null ? 'the strength is proved by test' : momentText(v, c.stripMs)}. Keep reading temperatures.`,
      label: 'Read temperature',
      stage: 'cure',
      focus: { sheet: 'probe' },
    };
  }
  return {
    sentence: 'Forms are off. Close the pour and keep its report.',
    label: 'Close',
    stage: 'cure',
    focus: { sheet: 'close' },
  };
}

/** The next line of the whole pour; each station shows its own first. */
export function nextLine(v: PourView, stage: Stage): NextLine {
  if (v.closed)
    return {
      sentence: `${v.record.pour.code} is closed, its log is whole. The report holds all of it.`,
      label: 'Report',
      stage: 'cure',
      focus: { sheet: 'report' },
    };
  const own: Partial<Record<Stage, () => NextLine | null>> = {
    check: () => checkLine(v),
    pour: () => pourLine(v),
    cure: () => cureLine(v),
  };
  const mine = own[stage]?.();
  if (mine) return mine;
  if (stage === 'plan' && v.record.pour.settings.orderM3 === null)
    return {
      sentence: `Order ${textOf(volume(v.plan.order.result.orderM3, v.units))} in ${counted(v.plan.loadIds.length, 'load')}, first at ${clockText(v.record.pour.settings.firstLoadMin)}.`,
      label: 'Order',
      stage: 'plan',
      focus: { sheet: 'order' },
    };
  return (
    cureLine(v) ??
    (v.progress.startedMs !== null ? pourLine(v) : null) ??
    checkLine(v) ??
    (v.record.pour.settings.orderM3 === null
      ? {
          sentence: 'Everything is checked. Settle the order.',
          label: 'Plan',
          stage: 'plan',
          focus: {},
        }
      : null) ??
    pourLine(v) ?? { sentence: 'Everything is placed.', label: 'Cure', stage: 'cure', focus: {} }
  );
}
