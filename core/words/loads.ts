import {
  FAULT_WORDS,
  type LoadStage,
  type LoadState,
  speaksAgainst,
  unreadWithSet,
} from '#core/pourlog';
import {
  lengthText,
  quantityText,
  temperatureFigure,
  textOf,
  type UnitSystem,
  loadVolume,
} from '#core/units';

/** What is to be done with a load, in a few words, and how that is marked. */
export const LOAD_ADVICE: Record<
  LoadState['advice'],
  { tone: 'unread' | 'good' | 'out' | 'waived'; text: string }
> = {
  await: { tone: 'unread', text: 'on the road' },
  slump: { tone: 'unread', text: 'take its slump' },
  air: { tone: 'unread', text: 'read its air' },
  accept: { tone: 'good', text: 'good to place' },
  tooStiff: { tone: 'out', text: 'too stiff' },
  tooWet: { tone: 'out', text: 'too wet' },
  wrongMix: { tone: 'out', text: 'not the mix that was ordered' },
  airOff: { tone: 'out', text: 'its air is off' },
  tooOld: { tone: 'out', text: 'too old' },
  tooHot: { tone: 'out', text: 'too hot' },
  tooCold: { tone: 'out', text: 'too cold' },
  done: { tone: 'good', text: 'placed' },
  sentBack: { tone: 'waived', text: 'sent back' },
};

/** How far apart loads come; nothing of one that comes alone. */
export const apartText = (loads: number, spacingMin: number): string =>
  loads > 1 ? `, ${spacingMin.toFixed(0)} min apart` : '';

/** What is known of a load at the gate: its volume and ticket, how old it is, how warm, its slump. */
export function loadFactsText(
  load: LoadState,
  mix: { maxAgeMin: number },
  units: UnitSystem,
): string {
  const { slump, concreteTempC } = load;
  return [
    textOf(loadVolume(load.volumeM3 ?? 0, units)),
    ...(load.ticket === null ? [] : [`ticket ${load.ticket}`]),
    `${Math.round(load.ageMin ?? 0)} of ${mix.maxAgeMin} min old`,
    ...(concreteTempC === null ? [] : [textOf(temperatureFigure(concreteTempC, units))]),
    slump ? `slump ${lengthText(slump.measuredMm, units)} at the ${slump.where}` : 'slump not read',
  ].join(', ');
}

/** The verdict on a load with the figure that decides it, in the site's units: "too stiff, ½ in outside". */
export function loadVerdictText(load: LoadState, units: UnitSystem): string {
  const said = firstVerdict(load, units);
  const others = load.faults.slice(1).map((f) => FAULT_WORDS[f]);
  return speaksAgainst(load.advice) && others.length ? `${said}, and ${others.join(', ')}` : said;
}

/** What speaks against a load first. */
function firstVerdict(load: LoadState, units: UnitSystem): string {
  const { text } = LOAD_ADVICE[load.advice];
  if ((load.advice === 'tooHot' || load.advice === 'tooCold') && load.concreteTempC !== null)
    return `${text}, ${textOf(temperatureFigure(load.concreteTempC, units))}`;
  if ((load.advice === 'tooStiff' || load.advice === 'tooWet') && load.slump)
    return `${text}, ${lengthText(-load.slump.marginMm, units)} outside`;
  if (load.advice === 'airOff' && load.airRatio !== null)
    return `${text}, ${quantityText(load.airRatio, 'Ratio', units)}`;
  return text;
}

const STAGE_WORDS: Record<LoadStage, string> = {
  due: 'due',
  gate: 'at the gate',
  chute: 'at the chute',
  empty: 'empty',
  washed: 'washed out',
  back: 'sent back',
};

/** Where a load is, in a few words; a batch of the site's own drum has no ticket, and no gate. */
export const stageText = (load: Pick<LoadState, 'stage' | 'ticket'>): string =>
  load.ticket === null && load.stage === 'gate' ? 'mixed' : STAGE_WORDS[load.stage];

/** Where the plant says a load is that is not here yet: "left 08:12, here about 08:47". */
export function onTheRoadText(
  at: { batchedMs: number | null; dueMs: number },
  clock: (ms: number) => string,
): string {
  return at.batchedMs === null
    ? `not batched yet, here ${clock(at.dueMs)} at the soonest`
    : `left ${clock(at.batchedMs)}, here about ${clock(at.dueMs)}`;
}

/** The box that a set spends its first day in, by where the site is (ASTM C31; EN 12390-2). */
const BOX = { us: '60 to 80 °F', metric: '15 to 25 °C' } as const;

/** What goes with every set of cylinders: what of it is still to be read, and how it is kept. */
export function setAsksText(
  {
    loads,
    mix,
    units,
  }: { loads: readonly LoadState[]; mix: { airRatio?: number | undefined }; units: UnitSystem },
  id: string,
): string {
  const missing = unreadWithSet(
    mix,
    loads.find((l) => l.id === id),
  );
  const read = missing.length ? `Read with it: ${missing.join(', ')}. ` : '';
  return `${read}Box at ${BOX[units]} until they are fetched.`;
}
