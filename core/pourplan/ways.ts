import type { Conveyance, PourDoc } from '#core/model';
import type { ForecastInput } from './forecast-model.ts';
import type { OddsPrices } from './odds.ts';

/** What can be done when something goes wrong. */
export type WayId =
  | 'go-on-elsewhere'
  | 'stand'
  | 'close-off'
  | 'other-conveyance'
  | 'bulkhead-here'
  | 'slow-down'
  | 'another-truck'
  | 'wait'
  | 'go-on';

/**
 * A way on: how the rest of the pour would be, what it costs beside what the mornings cost, and
 * what it leaves undone.
 */
export interface Way {
  id: WayId;
  input: ForecastInput;
  extraCost: number;
  /** Minutes it stands, the conveyance that is taken instead, where it is closed off: what its words need. */
  standMin: number | null;
  conveyance: string | null;
}

/** What these things usually take, min; house values, to be ruled over by who is there. */
const BRACE_MIN = 30;
const PUMP_MIN = 45;
const CLEAR_MIN = 20;
const SPARE_MIN = 15;
const MOVE_MIN = 4;
/** So fast a crew places that works it in with rods, or feeds a seam only to keep it alive. */
const BY_HAND = 0.5;
const KEEP_ALIVE = 0.6;

/** Something went wrong, where, and what there is to go on with. */
interface Trouble {
  input: ForecastInput;
  what:
    'form-open' | 'pump-down' | 'load-late' | 'load-lost' | 'hose-blocked' | 'rain' | 'vibrator';
  /** Where it is, when it is somewhere. */
  elementId: string | null;
  /** Ways of conveying that could take over. */
  others: readonly Conveyance[];
  /** How long the plant takes from a call to a load at the gate, min. */
  callLeadMin: number;
  truckM3: PourDoc['settings']['truckM3'];
}
export interface TroubleAsk extends Trouble {
  money: OddsPrices;
  noGoFromMin: number | null;
  trials: number;
}

const elementOf = (v: ForecastInput, cellId: string): string | undefined =>
  v.cells.find((c) => c.id === cellId)?.elementId;

/** Standing still from now for so long. */
const standing = (v: ForecastInput, minutes: number): ForecastInput => ({
  ...v,
  breaks: [...v.breaks, { fromMin: v.nowMin, toMin: v.nowMin + minutes }],
});

/** What is not begun yet is left for another day: the pour ends where it stands. */
function endingHere(v: ForecastInput, drop: (cellId: string) => boolean): ForecastInput {
  const done = new Map<string, number>();
  for (const p of v.placed) done.set(p.cellId, (done.get(p.cellId) ?? 0) + p.volumeM3);
  const kept = v.cells.flatMap((c) => {
    const m3 = done.get(c.id) ?? 0;
    if (!drop(c.id)) return [c];
    // What is in it stays in it, to the bulkhead.
    return m3 > 1e-6 ? [{ ...c, volumeM3: m3 }] : [];
  });
  const ids = new Set(kept.map((c) => c.id));
  return {
    ...v,
    cells: kept.map(({ below, ...c }) => ({
      ...c,
      ...(below !== undefined && ids.has(below) ? { below } : {}),
      beside: c.beside.filter((b) => ids.has(b)),
    })),
  };
}

/** What is not begun of an element comes after all that could be placed meanwhile on its lift. */
function elsewhereFirst(v: ForecastInput, elementId: string): ForecastInput | null {
  const waits = v.cells.filter((c) => c.elementId === elementId && !isFull(v, c.id));
  const waiting = new Set(waits.map((c) => c.id));
  // What stands on what waits, waits with it.
  for (const c of v.cells) if (c.below !== undefined && waiting.has(c.below)) waiting.add(c.id);
  const now = v.cells.filter((c) => !waiting.has(c.id));
  const open = now.filter((c) => !isFull(v, c.id));
  if (open.length === 0 || waits.length === 0) return null;
  const cells = [...now, ...v.cells.filter((c) => waiting.has(c.id))];
  const [first] = open;
  return {
    ...v,
    cells: cells.map((c) => (c.id === first?.id ? { ...c, moveMin: c.moveMin + MOVE_MIN } : c)),
  };
}

function isFull(v: ForecastInput, id: string): boolean {
  const cell = v.cells.find((c) => c.id === id);
  const m3 = v.placed.reduce((s, p) => (p.cellId === id ? s + p.volumeM3 : s), 0);
  return cell !== undefined && m3 >= cell.volumeM3 * (1 - 1e-6);
}

const rateOf = (v: ForecastInput): number => v.rateM3PerH ?? v.placingRateM3PerH;
const atRate = (v: ForecastInput, share: number): ForecastInput => ({
  ...v,
  rateM3PerH: Math.max(0.1, rateOf(v) * share),
});

/** One load more, called now. */
function withAnother({ input: v, callLeadMin, truckM3 }: Trouble): ForecastInput {
  const like = v.loads.at(-1);
  if (!like) return v;
  const batchMin = v.nowMin + Math.max(0, callLeadMin - like.travel.medianMin);
  return {
    ...v,
    loads: [...v.loads, { ...like, id: 'another', volumeM3: truckM3, batchMin }],
  };
}

const plain = (id: WayId, input: ForecastInput, extraCost = 0): Way => ({
  id,
  input,
  extraCost,
  standMin: null,
  conveyance: null,
});
const stood = (id: WayId, input: ForecastInput, minutes: number): Way => ({
  ...plain(id, standing(input, minutes)),
  standMin: minutes,
});
const closedHere = ({ input, money }: TroubleAsk): Way =>
  plain(
    'bulkhead-here',
    endingHere(input, (id) => !isFull(input, id)),
    money.prices.coldSeam,
  );

/** Another conveyance in place of the one that is down, at its own rate. */
function otherConveyance({ input, others }: TroubleAsk): Way[] {
  const best = [...others].sort((a, b) => b.rateM3PerH - a.rateM3PerH)[0];
  if (!best) return [];
  const rateM3PerH = Math.max(0.1, Math.min(rateOf(input), best.rateM3PerH));
  return [
    {
      ...plain('other-conveyance', standing({ ...input, rateM3PerH }, CLEAR_MIN), best.hire ?? 0),
      standMin: CLEAR_MIN,
      conveyance: best.label,
    },
  ];
}

/** What can be done about each, the ways that come to mind first in front. */
export const WAYS_OF: Record<TroubleAsk['what'], (ask: TroubleAsk) => Way[]> = {
  'form-open': (ask) => {
    const { input, elementId, money } = ask;
    const elsewhere = elementId === null ? null : elsewhereFirst(input, elementId);
    return [
      ...(elsewhere ? [plain('go-on-elsewhere', elsewhere)] : []),
      stood('stand', input, BRACE_MIN),
      plain(
        'close-off',
        endingHere(
          input,
          (id) => (elementId === null || elementOf(input, id) === elementId) && !isFull(input, id),
        ),
        money.prices.coldSeam,
      ),
    ];
  },
  'pump-down': (ask) => [
    stood('wait', ask.input, PUMP_MIN),
    ...otherConveyance(ask),
    closedHere(ask),
  ],
  'hose-blocked': (ask) => [
    stood('wait', ask.input, CLEAR_MIN),
    ...otherConveyance(ask),
    closedHere(ask),
  ],
  'load-late': (ask) => [
    plain('slow-down', atRate(ask.input, KEEP_ALIVE)),
    plain('another-truck', withAnother(ask), ask.truckM3 * ask.money.costs.costPerM3),
    plain('go-on', ask.input),
  ],
  'load-lost': (ask) => [
    plain('another-truck', withAnother(ask)),
    plain('slow-down', atRate(withAnother(ask), KEEP_ALIVE)),
    closedHere(ask),
  ],
  rain: (ask) => [plain('go-on', ask.input), stood('wait', ask.input, BRACE_MIN), closedHere(ask)],
  vibrator: (ask) => [
    plain('slow-down', atRate(ask.input, BY_HAND)),
    stood('wait', ask.input, SPARE_MIN),
    closedHere(ask),
  ],
};

/** Prices say nothing of how the rest goes. */
const NO_MONEY = { prices: { coldSeam: 0 }, costs: { costPerM3: 0 } } as OddsPrices;

/**
 * How the rest of a pour is with a way on that was chosen: what it stands for is counted from when
 * it was chosen, and not anew at every moment. Null for a way that is not known.
 * @param fromMin when it was chosen, minutes after midnight
 */
export function wayInput(
  trouble: Trouble & { way: string; fromMin: number },
): ForecastInput | null {
  const { input, way, fromMin } = trouble;
  const ask = { ...trouble, money: NO_MONEY, noGoFromMin: null, trials: 1 };
  const found = WAYS_OF[trouble.what](ask).find((w) => w.id === way);
  if (!found) return null;
  if (found.standMin === null) return found.input;
  const until = fromMin + found.standMin;
  const breaks = input.breaks.filter((b) => b.fromMin !== input.nowMin);
  return {
    ...found.input,
    breaks: until > input.nowMin ? [...breaks, { fromMin: input.nowMin, toMin: until }] : breaks,
  };
}
