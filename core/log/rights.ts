import type { Hold, Role } from '#core/model';
import { kindOf, type EventKind } from './events.ts';

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
  if (role === 'foreman') return hold === null || hold === 'own';
  if (role === 'inspector' && hold === 'own') return false;
  return kindOf(kind).writers.includes(role);
}

/**
 * Whether somebody may take an entry back or correct it: whoever may not write a kind may not take
 * one back, nobody but its author or the foreman takes back another's, and an inspector's sign-off
 * is taken back by an inspector alone.
 */
export function mayTakeBack(who: { role: Role; name: string }, entry: WrittenEntry): boolean {
  const { takenBackBy } = kindOf(entry.kind);
  if (takenBackBy === 'nobody' || !mayWrite(who.role, entry.kind, entry.hold)) return false;
  if (takenBackBy === 'signer' && entry.hold !== 'own') return true;
  return who.role === 'foreman' || who.name === entry.actor;
}

/**
 * Whether an entry of one kind may stand in the place of another: its own kind corrects it, a
 * taking back takes it back.
 */
export const mayStandFor = (kind: EventKind, target: EventKind): boolean =>
  kind === 'supersede' || kind === target;
