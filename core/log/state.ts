import type { EventKind, LogEvent } from './events.ts';
import { asCounted, writtenMs } from './time.ts';

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
export function step(state: PourState, entry: LogEvent): PourState {
  if (state.seen.has(entry.id)) return state;
  const event = asCounted(entry);
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

/**
 * Entries in the order of their time and id; each time is read once, since reading it takes longer
 * than all the rest.
 */
function inOrder(events: readonly LogEvent[]): LogEvent[] {
  return events
    .map((e) => ({ e, ms: Date.parse(e.at) }))
    .sort((a, b) => a.ms - b.ms || (a.e.id < b.e.id ? -1 : 1))
    .map((x) => x.e);
}

/** Many entries at once, as if taken in one by one: what it takes grows with their number, and no faster. */
export function replay(events: Iterable<LogEvent>, from: PourState = EMPTY_STATE): PourState {
  const seen = new Map(from.seen);
  const superseded = new Map(from.superseded);
  const touched = new Set<EventKind>();
  for (const entry of events) {
    if (seen.has(entry.id)) continue;
    const e = asCounted(entry);
    seen.set(e.id, e);
    touched.add(e.kind);
    if (e.supersedes) superseded.set(e.supersedes, e.id);
  }
  if (seen.size === from.seen.size) return from;
  for (const id of superseded.keys()) {
    const kind = seen.get(id)?.kind;
    if (kind && !from.superseded.has(id)) touched.add(kind);
  }
  const lists = new Map<EventKind, LogEvent[]>([...touched].map((kind) => [kind, []]));
  for (const e of seen.values()) if (!superseded.has(e.id)) lists.get(e.kind)?.push(e);
  const active: Record<string, readonly LogEvent[] | undefined> = { ...from.active };
  for (const [kind, list] of lists) active[kind] = inOrder(list);
  return { active, seen, superseded };
}

/**
 * The log as it stood at a moment: what was written later is not there, though it happened before,
 * and so has corrected nothing yet.
 * @param ms epoch ms
 */
export const stateAt = (state: PourState, ms: number): PourState =>
  replay([...state.seen.values()].filter((e) => writtenMs(e) <= ms));

/** Entries of a kind that count, oldest first. */
export function entries<K extends EventKind>(state: PourState, kind: K): readonly LogEvent<K>[] {
  return (
    ((state.active as Record<string, readonly LogEvent[] | undefined>)[kind] as
      readonly LogEvent<K>[] | undefined) ?? []
  );
}

/**
 * By what others name an entry: the id it had first. A correction stands in the place of what it
 * corrects, for those that speak of it too.
 */
export function firstId(state: PourState, e: LogEvent): string {
  let first = e;
  for (;;) {
    const before = first.supersedes ? state.seen.get(first.supersedes) : undefined;
    if (!before || before.kind !== e.kind) return first.id;
    first = before;
  }
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
  return inOrder([...state.seen.values()].filter((e) => !state.superseded.has(e.id)));
}

/** True when the pour has been closed and not opened again since. */
export function isClosed(state: PourState): boolean {
  const closed = latest(state, 'close');
  const opened = latest(state, 'reopen');
  return closed !== undefined && (opened === undefined || before(opened, closed));
}
