import { describe, expect, test } from '@jest/globals';
import fs from 'node:fs';
import { EVENT_KINDS, type EventKind } from './events.ts';
import type { Hold } from '../model/pour.ts';
import { rightsPage } from './rights-page.ts';
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

describe('rights that bear on safety, cell by cell', () => {
  const own = { foreman: 'A', crew: 'A', inspector: 'A', viewer: 'A' };
  const takers = (kind: EventKind, actor: string, hold: Hold | null = null) =>
    ROLES.filter((role) => mayTakeBack(who(role, own[role]), entry(kind, actor, hold)));
  const writers = (kind: EventKind, hold: Hold | null = null) =>
    ROLES.filter((role) => mayWrite(role, kind, hold));

  test('what was poured against the gate stands for good', () => {
    expect(writers('override')).toEqual(['foreman']);
    expect(takers('override', 'A')).toEqual([]);
    expect(takers('override', 'B')).toEqual([]);
  });
  test('crew undo no sign-off and no closing', () => {
    for (const hold of ['own', 'dowels', 'inspection'] as const)
      for (const actor of ['A', 'B']) expect(takers('sign', actor, hold)).not.toContain('crew');
    for (const kind of ['close', 'reopen'] as const) {
      expect(writers(kind)).toEqual(['foreman']);
      expect(takers(kind, 'A')).toEqual(['foreman']);
    }
  });
  test('each signs their own hold points', () => {
    expect(writers('sign', 'own')).toEqual(['foreman']);
    expect(writers('sign', 'inspection')).toEqual(['inspector']);
    expect(writers('sign', 'dowels')).toEqual(['inspector']);
  });
  test('a viewer writes and takes back nothing', () => {
    for (const kind of EVENT_KINDS) {
      expect(mayWrite('viewer', kind, null)).toBe(false);
      expect(mayTakeBack(who('viewer'), entry(kind))).toBe(false);
    }
  });
  test('docs/rights.md says what holds', () => {
    expect(fs.readFileSync('docs/rights.md', 'utf8')).toBe(rightsPage());
  });
});
