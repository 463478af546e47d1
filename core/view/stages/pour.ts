import {
  type LoadState,
  speaksAgainst,
  troublesOf,
  TURNS_AFTER_WATER,
  waterFor,
} from '#core/pourlog';
import { liftName } from '#core/pourplan';
import {
  clockText,
  counted,
  lengthText,
  quantityText,
  temperatureFigure,
  textOf,
  loadVolume,
  volume,
} from '#core/units';
import { gaugedL, peopleFirst, supplyWords, waterText } from '#core/words';
import { dueOf, lateMin } from '../due.ts';
import { placedFrom } from '../placed-from.ts';
import { momentText } from './moment.ts';
import type { NextLine, PourNow, Stage } from './stage.ts';

const numberOf = (load: { id: string }): string => load.id.replace('L', '');
const pourLine = (sentence: string, label: string, sheet: string): NextLine => ({
  sentence,
  label,
  stage: 'pour',
  focus: { sheet },
});

function nextLeg(v: PourNow): string {
  const [leg] = v.progress.startable;
  return leg ? `Start with ${liftName(v.plan.route, leg.elementId, leg.lift)}.` : 'All is filled.';
}

/** Water that would make a stiff load good, in words; null where none may go in. */
function waterOf(v: PourNow, here: LoadState): string | null {
  const advice = waterFor(here, v.mix, v.record.site.ruleProfile, placedFrom(v, here.id));
  const addL = advice?.result.addL ?? 0;
  return gaugedL(addL, v.units) > 0 ? waterText(addL, v.units) : null;
}

/** By when concrete has to be at the first seam. */
function byWhen(v: PourNow): string {
  const [seam] = v.progress.seams;
  return seam && !seam.cold
    ? ` Concrete must reach ${seam.elementId} by ${momentText(v, seam.shutsMs)}.`
    : '';
}

/** Water that makes a stiff load good. */
function waterLine(v: PourNow, here: LoadState): NextLine | null {
  const add = waterOf(v, here);
  return add
    ? pourLine(
        `Add ${add} to ${supplyWords(v.plant).one} ${numberOf(here)}, ${TURNS_AFTER_WATER} turns, slump again.${byWhen(v)}`,
        `Add ${add}`,
        `water:${here.id}`,
      )
    : null;
}

/** Something speaks against the load that stands here, and nobody has decided yet. */
function decideLine(v: PourNow, here: LoadState): NextLine | null {
  const { load: name } = supplyWords(v.plant);
  const load = `${name} ${numberOf(here)}`;
  const decide = (sentence: string) => pourLine(sentence, 'Decide', `decide:${here.id}`);
  if (here.advice === 'tooOld')
    return decide(
      `${load} is past ${v.mix.maxAgeMin} minutes. Send it back, or decide and say why.`,
    );
  if (here.decision !== null) return null;
  const degrees = (c: number) => textOf(temperatureFigure(c, v.units));
  const read = degrees(here.concreteTempC ?? 0);
  const off = lengthText(Math.abs(here.slump?.marginMm ?? 0), v.units);
  const air = (ratio: number) => quantityText(ratio, 'Ratio', v.units);
  // A reading that is out is taken once more, of a new sample, before anything is decided by it.
  const again = (sentence: string, label: string, sheet: string) =>
    pourLine(
      `${sentence} Try it once more on a new sample before it goes back.`,
      label,
      `${sheet}:${here.id}`,
    );
  const outOf = (sentence: string) =>
    (here.slump?.tries ?? 0) < 2
      ? again(sentence, 'Slump', 'slump')
      : decide(`${sentence} Decide before it goes in.`);
  switch (here.advice) {
    case 'wrongMix':
      return decide(
        `${load} is ${here.mix ?? 'another mix'}, ordered is ${v.mix.mark}. Send it back, or ask the engineer.`,
      );
    case 'airOff':
      if (here.airTries < 2)
        return again(
          `${load} has ${air(here.airRatio ?? 0)} air, ordered ${air(v.mix.airRatio ?? 0)}.`,
          'Air',
          'fresh',
        );
      return decide(
        `${load} has ${air(here.airRatio ?? 0)} air, ordered ${air(v.mix.airRatio ?? 0)}. Decide before it goes in.`,
      );
    case 'tooHot':
      return decide(
        `${load} is too hot: ${read}, taken to ${degrees(v.mix.hottestC)}. Decide before it goes in.`,
      );
    case 'tooCold':
      return decide(
        `${load} is too cold: ${read}, taken from ${degrees(v.mix.coldestC)}. Decide before it goes in.`,
      );
    case 'tooStiff':
      return waterLine(v, here) ?? outOf(`${load} is ${off} too stiff.`);
    case 'tooWet':
      return outOf(`${load} is ${off} too wet.`);
    default:
      return null;
  }
}

function hereLine(v: PourNow, here: LoadState): NextLine {
  const { load: name, one } = supplyWords(v.plant);
  const load = `${name} ${numberOf(here)}`;
  const decide = decideLine(v, here);
  if (decide) return decide;
  if (here.advice === 'slump')
    return pourLine(
      `${load} is ${v.plant.mixer ? 'mixed' : 'at the chute'}. Take its slump: ${lengthText(v.mix.slumpMm, v.units)} ${v.plant.mixer ? 'wanted' : 'ordered'}.`,
      'Slump',
      `slump:${here.id}`,
    );
  if (here.advice === 'air')
    return pourLine(
      `${load} is the first. Read its air: ${quantityText(v.mix.airRatio ?? 0, 'Ratio', v.units)} ordered.`,
      'Air',
      `fresh:${here.id}`,
    );
  const { current } = v.progress;
  if (current)
    return pourLine(
      `Placing ${current.elementId} from ${one} ${numberOf(here)}. Say when you stop.`,
      'Stop',
      'stop',
    );
  const taken = speaksAgainst(here.advice) ? 'taken as it is' : 'good';
  return pourLine(`${load} is ${taken}. ${nextLeg(v)}`, 'Start placing', 'start');
}

/** Nothing stands here: what comes next, or that nothing does. */
function waitLine(v: PourNow): NextLine | null {
  const wait = v.loads.find((l) => l.stage === 'due');
  const due = wait ? dueOf(v, wait) : null;
  if (wait && due) {
    const size = textOf(loadVolume(due.volumeM3, v.units));
    const late = lateMin(v, wait, v.nowMs);
    const words = supplyWords(v.plant);
    const load = `${words.load} ${numberOf(wait)}, ${size},`;
    const ask = v.plant.mixer ? '' : ' Ask the plant where it is.';
    return pourLine(
      late > 0
        ? `${load} is ${Math.round(late)} min late.${ask}`
        : `${load} is due ${clockText(due.arriveMin)}. Log it when it ${v.plant.mixer ? 'is mixed' : 'comes'}.`,
      words.isHere,
      `load:${wait.id}`,
    );
  }
  if (v.progress.toFillM3 <= 0) return null;
  if (v.order.state === 'none' && !v.plant.mixer && v.progress.startedMs === null)
    return {
      sentence: 'Not ordered. Nothing is coming.',
      label: 'Order',
      stage: 'plan',
      focus: { sheet: 'order' },
    };
  const needed = textOf(volume(v.progress.neededM3, v.units, 1));
  return pourLine(
    `${needed} still to come and no load on the way. Order it now.`,
    'Log a load',
    'load:next',
  );
}

/** Something went wrong and nobody has said yet how it goes on: people first. */
function troubleLine(v: PourNow): NextLine | null {
  const open = troublesOf(v.state).find((t) => t.over === null && t.way === null);
  if (!open) return null;
  const { what, elementId } = open.entry.body;
  return {
    sentence: `${peopleFirst(what, elementId ?? '').first} Then choose a way on.`,
    label: 'Ways on',
    stage: 'pour',
    focus: { tab: 'trouble', sheet: null },
  };
}

/** All is placed, and more is still coming. */
function callOffLine({ loads, plant }: PourNow): NextLine | null {
  const coming = loads.filter((l) => l.stage === 'due').length;
  return coming > 0 && !plant.mixer
    ? {
        sentence: `All placed. ${counted(coming, 'load')} still on order: call ${coming === 1 ? 'it' : 'them'} off.`,
        label: 'Call off',
        stage: 'plan',
        focus: { sheet: 'order' },
      }
    : null;
}

function next(v: PourNow): NextLine | null {
  const { progress, loads } = v;
  if (progress.finishedMs !== null) return callOffLine(v);
  const trouble = troubleLine(v);
  if (trouble) return trouble;
  // Before anything is here, what holds the gate is the next act.
  if (!v.gate.ready && progress.startedMs === null && loads.every((l) => l.arrivedAt === null))
    return null;
  const here = loads.find(
    (l) => l.arrivedAt !== null && l.endedAt === null && l.decision !== 'reject',
  );
  if (here) return hereLine(v, here);
  if (progress.current)
    return pourLine(
      `Placing ${progress.current.elementId}, with no load here. Say when you stop.`,
      'Stop',
      'stop',
    );
  return waitLine(v);
}

function figure({ plan, progress, record, units, order, plant }: PourNow): {
  text: string;
  done: number;
} {
  const done = plan.route.volumeM3 ? progress.placedM3 / plan.route.volumeM3 : 0;
  const placed = `${textOf(volume(progress.placedM3, units, 1))} placed`;
  if (progress.finishedMs !== null) return { text: placed, done: 1 };
  const seam = progress.seams[0];
  if (seam)
    return { text: seam.cold ? 'seam cold' : `seam ${Math.floor(seam.minutesLeft)} min`, done };
  if (progress.startedMs !== null) return { text: placed, done };
  if (order.state === 'none' && !plant.mixer) return { text: 'not ordered', done };
  return { text: `first load ${clockText(record.pour.settings.firstLoadMin)}`, done };
}

export const pour: Stage = { id: 'pour', name: 'Pour', figure, next };
