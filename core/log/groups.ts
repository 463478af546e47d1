import { partsOfId } from './entry-kind.ts';
import type { EventKind, LogEvent } from './events.ts';

/** What kinds of entries are looked for together, in the order in which they are offered. */
export const LOG_GROUPS = [
  'loads',
  'placing',
  'tasks',
  'trouble',
  'weather',
  'people',
  'notes',
  'checks',
  'curing',
] as const;
type LogGroup = (typeof LOG_GROUPS)[number];

const GROUP: Record<EventKind, LogGroup> = {
  'load-arrived': 'loads',
  'load-step': 'loads',
  'load-verdict': 'loads',
  'load-end': 'loads',
  slump: 'loads',
  'fresh-test': 'loads',
  cylinders: 'loads',
  added: 'loads',
  water: 'loads',
  order: 'loads',
  'place-start': 'placing',
  'place-stop': 'placing',
  'seam-test': 'placing',
  task: 'tasks',
  line: 'tasks',
  template: 'tasks',
  trouble: 'trouble',
  'way-on': 'trouble',
  'trouble-over': 'trouble',
  incident: 'trouble',
  override: 'trouble',
  weather: 'weather',
  probe: 'weather',
  hand: 'people',
  visitor: 'people',
  note: 'notes',
  photo: 'notes',
  question: 'notes',
  answer: 'notes',
  worked: 'notes',
  supersede: 'notes',
  reading: 'checks',
  mark: 'checks',
  fix: 'checks',
  item: 'checks',
  seen: 'checks',
  setup: 'checks',
  level: 'checks',
  square: 'checks',
  sign: 'checks',
  strip: 'curing',
  defect: 'curing',
  'break-test': 'curing',
  close: 'curing',
  reopen: 'curing',
};

const groupOf = (kind: EventKind): LogGroup => GROUP[kind];

/** What an entry is about: a run, pad or pier, or a load; null where it is about the whole pour. */
export function placeOf({ body }: Pick<LogEvent, 'body'>): string | null {
  const b = body as Partial<Record<'elementId' | 'loadId' | 'checkId' | 'taskId', string>>;
  const id = b.checkId ?? b.taskId;
  return b.elementId ?? b.loadId ?? (id === undefined ? null : partsOfId(id).owner || null);
}

/** What is looked for in the log; what is null is not asked. */
export interface LogQuery {
  words: string;
  group: LogGroup | null;
  actor: string | null;
  place: string | null;
}

/** The entries that are looked for: all words must stand in what an entry says, whatever their case and order. */
export function filterLog<E extends Pick<LogEvent, 'kind' | 'body' | 'actor'>>(
  list: readonly E[],
  { words, group, actor, place }: LogQuery,
  said: (e: E) => string,
): E[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return list.filter((e) => {
    if (group !== null && groupOf(e.kind) !== group) return false;
    if (actor !== null && e.actor !== actor) return false;
    if (place !== null && placeOf(e) !== place) return false;
    if (wanted.length === 0) return true;
    const text = `${said(e)} ${e.actor}`.toLowerCase();
    return wanted.every((w) => text.includes(w));
  });
}
