import { describe, expect, test } from '@jest/globals';
import { EVENT_KINDS, type EventKind } from './events.ts';
import type { Hold } from '../model/pour.ts';
import { mayStandFor, mayTakeBack, mayWrite } from './rights.ts';
import { ROLES, type Role } from '../model/roles.ts';

const who = (role: Role, name = 'A') => ({ role, name });
const entry = (kind: EventKind, actor = 'A', hold: Hold | null = null) => ({ kind, actor, hold });

describe('who may take back what', () => {
  test('nobody takes back a kind they may not write, whoever wrote it', () => {
    for (const role of ROLES)
      for (const kind of EVENT_KINDS)
        if (!mayWrite(role, kind, null)) expect(mayTakeBack(who(role), entry(kind))).toBe(false);
    expect(mayTakeBack(who('crew'), entry('close'))).toBe(false);
    expect(mayTakeBack(who('viewer'), entry('note'))).toBe(false);
  });
  test.each([
    ['a crew hand their own reading', who('crew'), entry('reading'), true],
    ['a crew hand another’s reading', who('crew', 'B'), entry('reading'), false],
    ['the foreman anybody’s reading', who('foreman', 'B'), entry('reading'), true],
    ['the foreman their own check', who('foreman'), entry('sign', 'A', 'own'), true],
    [
      'the foreman an inspector’s sign-off',
      who('foreman'),
      entry('sign', 'B', 'inspection'),
      false,
    ],
    ['a crew hand an inspector’s sign-off', who('crew'), entry('sign', 'B', 'inspection'), false],
    ['another inspector the sign-off', who('inspector', 'C'), entry('sign', 'B', 'dowels'), true],
    ['an inspector the own check', who('inspector'), entry('sign', 'A', 'own'), false],
    ['an inspector another’s note', who('inspector', 'C'), entry('note', 'B'), false],
  ])('%s', (_, person, target, may) => {
    expect(mayTakeBack(person, target)).toBe(may);
  });
  test('only its own kind corrects an entry, and a taking back takes it back', () => {
    expect(mayStandFor('note', 'sign')).toBe(false);
    expect(mayStandFor('reading', 'reading')).toBe(true);
    expect(mayStandFor('supersede', 'sign')).toBe(true);
  });
});
