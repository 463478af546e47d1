import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import type { Lane } from '#core/view';
import { BARN, NOW, open, pour } from '../../testing/pour-list.tsx';

/** A lane before its day: nothing read, nothing ordered. */
const LANE: Lane = {
  gate: { state: 'held', read: 0, out: 0, unread: 12, toFix: 12, questions: 0, changes: 0 },
  plan: { orderedM3: 9, loads: 2, firstBatchMin: 405, firstLoadMin: 450, finishMin: 520 },
  mixed: false,
  order: { state: 'none', ended: null, orderedM3: null, loads: 0 },
  progress: { startedMs: null, finishedMs: null, placedM3: 0 },
  alarm: null,
  closed: false,
  curing: null,
  cylinderMPa: 24,
};
const row = (code: string, lane: Lane | 'wait' | null, reason: string | null = null) => ({
  id: `barn-${code}`,
  version: 1,
  elements: ['N'],
  reason,
  lane,
});
/** What the lane of a pour says. */
const says = (code: string) => document.querySelector(`[data-pour="${code}"]`)?.textContent ?? '';

describe('how the pours of a site stand', () => {
  const POURS = [
    pour('barn', 'P1', { date: '2026-09-23' }),
    pour('barn', 'P2'),
    pour('barn', 'P3', { date: '2026-09-20' }),
    pour('barn', 'P4', { date: null }),
  ];

  test('comes in one request, each in its own words', async () => {
    const alarm = {
      kind: 'short',
      tone: 'out',
      name: 'Too little is here',
      sentence: 'Too little is here: order.',
    } as const;
    const { asked } = open([BARN], POURS, {
      'GET /api/sites/barn/lanes': {
        more: false,
        pours: [
          row('P1', {
            ...LANE,
            progress: { startedMs: Date.parse(NOW) - 9e5, finishedMs: null, placedM3: 3 },
            alarm,
          }),
          row('P2', LANE),
          row('P3', {
            ...LANE,
            curing: { startMs: 0, strip: 'may', strengthMPa: 10, curve: [] },
          }),
          row('P4', { ...LANE, gate: { ...LANE.gate, read: 4, out: 1, questions: 2 } }),
        ],
      },
    });
    await waitFor(() => {
      expect(says('P1')).toContain('3.9 yd³ placedToo little is here');
    });
    expect(says('P2')).toContain('Nothing read yetThu 24 Sept, 07:30, 11.8 yd³, not ordered');
    expect(says('P3')).toMatch(/Forms may come off1\s450 psi by temperature/);
    expect(says('P4')).toContain('12 things to fix first1 out, 2 questions, 12 to read. no date');
    expect(await screen.findByText('P1: Too little is here: order.')).not.toBeNull();
    expect(asked.filter((a) => a.path.endsWith('/lanes'))).toHaveLength(1);
    expect(asked.some((a) => a.path.includes('/api/pours/barn-P2'))).toBe(false);
  });

  test('is waited for where the server still works it out, and asked for again', async () => {
    let times = 0;
    open([BARN], POURS.slice(1, 2), {
      'GET /api/sites/barn/lanes': () => {
        times += 1;
        return { more: times === 1, pours: [row('P2', times === 1 ? 'wait' : LANE)] };
      },
    });
    await screen.findByText(/Reading…/);
    await screen.findByText('Nothing read yet', {}, { timeout: 5000 });
    expect(screen.queryByText(/Reading…/)).toBeNull();
  });
});
