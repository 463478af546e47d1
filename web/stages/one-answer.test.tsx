import 'fake-indexeddb/auto';
import fs from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import type { LogEvent } from '../../core/log/events.ts';
import { replay } from '../../core/log/state.ts';
import { volume } from '../../core/units/format.ts';
import { figuresOf } from '../../core/view/figures.ts';
import { nextLine } from '../../core/view/stages/index.ts';
import { renderInPour } from '../testing/pour.tsx';
import { PourBench } from './pour/PourBench.tsx';

/** The screens of a moment say what its figures say: no bench works out one of its own. */

const log = fs
  .readFileSync(path.resolve(import.meta.dirname, '../../demo/logs/quillback.P1.jsonl'), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as LogEvent)
  .filter((e) => 'kind' in e);
const after = (kind: string, n: number): number => {
  const found = log.filter((e) => e.kind === kind)[n];
  if (!found) throw new Error(`the demo has no ${kind} ${n}`);
  return Date.parse(found.at) + 1000;
};
const MOMENTS: [string, number][] = [
  ['the first load is here', after('load-arrived', 0)],
  ['the first run is full', after('place-stop', 0)],
  ['the second load is here', after('load-arrived', 1)],
  ['all is placed', after('load-end', 1)],
];

async function saidAt(nowMs: number) {
  const entries = log.filter((e) => Date.parse(e.at) <= nowMs);
  const { view } = renderInPour(<PourBench />, { code: 'P1', entries, nowMs });
  await screen.findByRole('region', { name: 'Balance' });
  const figures = figuresOf(view.record, replay(entries), nowMs, []);
  if (!figures) throw new Error('no figures');
  return { view, figures, said: document.body.textContent };
}
const yd3 = (m3: number) => volume(m3, 'us', 1).value;

describe.each(MOMENTS)('when %s', (_, nowMs) => {
  test('page and figures are one', async () => {
    const { view, figures, said } = await saidAt(nowMs);
    const { balance, loads, next, stage, alarms } = figures;
    expect(said).toContain(
      `${yd3(balance.placedM3)} placed${yd3(view.progress.toFillM3)} to fill${yd3(balance.hereM3)} here${yd3(balance.onOrderM3)} on order`,
    );
    for (const l of loads.filter((x) => x.arrivedAt !== null))
      expect(said).toContain(`${yd3(l.volumeM3 ?? 0)} yd³, ticket`);
    for (const a of alarms) expect(said).toContain(a.text);
    const station = stage === 'setOut' || stage === 'closed' ? 'cure' : stage;
    expect(nextLine(view, station).sentence).toBe(next.text);
  });
});
