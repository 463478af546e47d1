import { latest, type LogEvent, type PourState } from '#core/log';

/** A load of the plan: its name and what is planned for it. */
export interface PlannedLoad {
  id: string;
  volumeM3: number;
}
/** A load as it was ordered, and when it is to be batched. */
export interface OrderedLoad extends PlannedLoad {
  batchAt: string;
}

/** How an order stands: nothing ordered, told to the plant and not answered, taken, not taken, or settled by telephone. */
type OrderState = 'none' | 'asked' | 'confirmed' | 'refused' | 'settled';

/** What was ordered, as it stands now. What nobody ordered is not on order. */
export interface StandingOrder {
  state: OrderState;
  /** An order that is not coming any more: put off, or called off. */
  ended: 'put-off' | 'cancel' | null;
  loads: readonly OrderedLoad[];
  orderedM3: number | null;
  number: string | null;
  /** The entry that says so; null where nothing was ever ordered. */
  entry: LogEvent<'order'> | null;
}

const NOTHING: StandingOrder = {
  state: 'none',
  ended: null,
  loads: [],
  orderedM3: null,
  number: null,
  entry: null,
};

/** The order of a pour as its log has it last. */
export function orderOf(state: PourState): StandingOrder {
  const entry = latest(state, 'order');
  if (!entry) return NOTHING;
  const { act, loads, number } = entry.body;
  if (act === 'put-off' || act === 'cancel') return { ...NOTHING, ended: act, entry };
  return {
    state: number === null ? 'settled' : 'confirmed',
    ended: null,
    loads,
    orderedM3: loads.reduce((sum, l) => sum + l.volumeM3, 0),
    number,
    entry,
  };
}
