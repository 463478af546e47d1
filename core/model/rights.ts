import type { EventKind } from './events.ts';
import type { Hold } from './pour.ts';

/** What a person may do with the log, by their role. */
export const ROLES = ['foreman', 'crew', 'inspector', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

/** What a crew hand may log: readings and what happens on pour day, but no sign-off, override or closing. */
const CREW: readonly EventKind[] = [
  'reading',
  'mark',
  'fix',
  'question',
  'note',
  'weather',
  'load-arrived',
  'slump',
  'load-end',
  'place-start',
  'place-stop',
  'incident',
  'probe',
  'defect',
  'worked',
  'item',
  'photo',
  'seen',
  'setup',
  'level',
  'square',
  'line',
  'task',
  'supersede',
];
/** An inspector passes or rejects their hold points and may leave a note, and take back what is theirs. */
const INSPECTOR: readonly EventKind[] = ['sign', 'note', 'photo', 'supersede'];

/** What of an entry the rights hang on. */
export interface WrittenEntry {
  kind: EventKind;
  actor: string;
  /** The hold point, when it is a sign-off. */
  hold: Hold | null;
}

/** Whether a role may write an entry: of its kind, and of the hold point it signs. */
export function mayWrite(role: Role, kind: EventKind, hold: Hold | null): boolean {
  if (role === 'viewer') return false;
  if (role === 'crew') return CREW.includes(kind);
  if (role === 'inspector') return INSPECTOR.includes(kind) && hold !== 'own';
  return hold === null || hold === 'own';
}

/**
 * Whether somebody may take an entry back or correct it: whoever may not write a kind may not take one back, nobody but its
 * author or the foreman takes back another's, and an inspector's sign-off is taken back by an inspector alone.
 */
export function mayTakeBack(who: { role: Role; name: string }, entry: WrittenEntry): boolean {
  if (!mayWrite(who.role, entry.kind, entry.hold)) return false;
  if (entry.kind === 'sign' && entry.hold !== 'own') return true;
  return who.role === 'foreman' || who.name === entry.actor;
}

/** Whether an entry of one kind may stand in the place of another: its own kind corrects it, a taking back takes it back. */
export const mayStandFor = (kind: EventKind, target: EventKind): boolean =>
  kind === 'supersede' || kind === target;
