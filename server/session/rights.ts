import type { NewEvent, Role } from '../../contract/index.ts';
import { HOLD_NAME } from '../../core/check/words.ts';
import type { EventKind } from '../../core/model/events.ts';
import { ProblemError } from '../problems.ts';

/** What a crew hand may log: readings and what happens on pour day, but no sign-off, override or closing. */
const CREW: EventKind[] = [
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
  'supersede',
];
/** An inspector passes or rejects their hold points and may leave a note. */
const INSPECTOR: EventKind[] = ['sign', 'note', 'photo'];

/** Refuses the whole batch when the role may not write one of its kinds. */
export function checkRights(role: Role, events: NewEvent[]): void {
  events.forEach((e, i) => {
    const may =
      role === 'foreman' ||
      (role === 'crew' && CREW.includes(e.kind)) ||
      (role === 'inspector' && INSPECTOR.includes(e.kind));
    const otherHold =
      e.kind === 'sign' &&
      ((role === 'inspector' && e.body.hold === 'own') ||
        (role === 'foreman' && e.body.hold !== 'own'));
    if (may && !otherHold) return;
    const detail = otherHold
      ? `The ${HOLD_NAME[e.body.hold].toLowerCase()} is not a ${role}'s to sign.`
      : `A ${role} may not log “${e.kind}”.`;
    throw new ProblemError(403, 'Not yours to do', detail, [
      { path: `events.${i}.kind`, message: 'is not for your role' },
    ]);
  });
}
