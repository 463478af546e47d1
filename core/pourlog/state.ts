import type { EventKind, LogEvent } from '../model/events.ts';

/**
 * The log, reduced. The state is a function of the *set* of events: entries that arrive late or twice leave the
 * same state as in order, so every list is kept sorted by device time and id, and a corrected entry drops out
 * whichever of the two comes first.
 */
export interface PourState {
  /** Entries that count, by kind, oldest first. */
  readonly active: { readonly [K in EventKind]?: readonly LogEvent<K>[] };
  /** Every entry seen, by id. */
  readonly seen: ReadonlyMap<string, LogEvent>;
  /** Ids that some entry corrects or takes back, and by which entry. */
  readonly superseded: ReadonlyMap<string, string>;
}

export const EMPTY_STATE: PourState = { active: {}, seen: new Map(), superseded: new Map() };

const before = (a: LogEvent, b: LogEvent): boolean =>
  a.at === b.at
    ? a.id < b.id
    : Date.parse(a.at) < Date.parse(b.at) || (Date.parse(a.at) === Date.parse(b.at) && a.id < b.id);

function withEntry(list: readonly LogEvent[], e: LogEvent): LogEvent[] {
  let at = list.length;
  while (at > 0 && before(e, list[at - 1] as LogEvent)) at -= 1;
  return [...list.slice(0, at), e, ...list.slice(at)];
}

/** Takes one entry into the state. The same entry twice changes nothing. */
export function step(state: PourState, event: LogEvent): PourState {
  if (state.seen.has(event.id)) return state;
  const seen = new Map(state.seen).set(event.id, event);
  let active: Record<string, readonly LogEvent[] | undefined> = { ...state.active };
  let superseded = state.superseded;
  if (event.supersedes) {
    superseded = new Map(superseded).set(event.supersedes, event.id);
    const old = state.seen.get(event.supersedes);
    if (old)
      active = { ...active, [old.kind]: (active[old.kind] ?? []).filter((e) => e.id !== old.id) };
  }
  if (!superseded.has(event.id)) active[event.kind] = withEntry(active[event.kind] ?? [], event);
  return { active: active, seen, superseded };
}

/** All of a log at once. */
export const replay = (events: Iterable<LogEvent>, from: PourState = EMPTY_STATE): PourState => {
  let state = from;
  for (const e of events) state = step(state, e);
  return state;
};

/** Entries of a kind that count, oldest first. */
export function entries<K extends EventKind>(state: PourState, kind: K): readonly LogEvent<K>[] {
  return (
    ((state.active as Record<string, readonly LogEvent[] | undefined>)[kind] as
      readonly LogEvent<K>[] | undefined) ?? []
  );
}

/** The newest entry of a kind that passes the test. */
export function latest<K extends EventKind>(
  state: PourState,
  kind: K,
  test: (e: LogEvent<K>) => boolean = () => true,
): LogEvent<K> | undefined {
  return entries(state, kind).findLast(test);
}

/** All entries that count, oldest first, for the day's page and for undo. */
export function timeline(state: PourState): LogEvent[] {
  return [...state.seen.values()]
    .filter((e) => !state.superseded.has(e.id))
    .sort((a, b) => (before(a, b) ? -1 : 1));
}

/** True when the pour has been closed and not opened again since. */
export function isClosed(state: PourState): boolean {
  const closed = latest(state, 'close');
  const opened = latest(state, 'reopen');
  return closed !== undefined && (opened === undefined || before(opened, closed));
}
