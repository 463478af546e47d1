import 'fake-indexeddb/auto';
import { describe, expect, jest, test } from '@jest/globals';
import { act, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { cellsOf } from '../../core/pourplan/cells.ts';
import { routeOf } from '../../core/pourplan/route.ts';
import { demoPour } from '../../core/testdata/demo.ts';
import { entriesFrom } from '../../core/testdata/entries.ts';
import { dayOf, renderInPour } from '../testing/pour.tsx';
import { CheckBench } from './check/CheckBench.tsx';
import { CureBench } from './cure/CureBench.tsx';
import HowBench from './plan/how/HowBench.tsx';
import { MuchBench } from './plan/much/MuchBench.tsx';
import { PlannedProvider } from './plan/planned.tsx';
import WayBench from './plan/way/WayBench.tsx';
import WhenBench from './plan/when/WhenBench.tsx';
import WhoBench from './plan/who/WhoBench.tsx';
import { PourBench } from './pour/PourBench.tsx';
import { HerePanel } from './setout/HerePanel.tsx';
import { LevelsPanel } from './setout/LevelsPanel.tsx';
import { ListsPanel } from './setout/ListsPanel.tsx';
import { SchedulePanel } from './setout/SchedulePanel.tsx';

/** Every bench of every station, on every pour of both sites: it stands, and speaks in the units of its site alone. */

const POURS = [
  ['quillback', 'P1'],
  ['quillback', 'P2'],
  ['quillback', 'P3'],
  ['quillback', 'P4'],
  ['kestrel', 'K1'],
  ['kestrel', 'K2'],
] as const;
/** Units that a site of the one kind never shows. Figures only: “D1 in K2” is a door in a wall. */
const OTHERS_UNITS = {
  us: /\d (m³|mm|cm|m|°C|MPa|kPa|km\/h|kg|L)\b/,
  metric: /(?<![A-Z]\d?)\d (ft|yd³|in(?! \d)|psi|psf|°F|mph|lb|gal)\b/,
} as const;

/** The whole pour placed face by face, a minute each, from seven on. */
function placed(file: 'quillback' | 'kestrel', code: string) {
  const { site, pour } = demoPour(file, code);
  const { entry } = entriesFrom(dayOf(file, code), 'I. Brandvold');
  const faces = new Map(
    cellsOf(routeOf(site, pour)).map((c) => [`${c.elementId}/${c.lift}`, c] as const),
  );
  return [...faces.values()].flatMap(({ elementId, lift }, i) => [
    entry('place-start', { elementId, lift }, 420 + i),
    entry('place-stop', { elementId, lift, filledRatio: 1 }, 421 + i),
  ]);
}

/** Draws a bench, waits for its parts, and answers what stands there. */
async function wordsOf(
  ui: ReactNode,
  options: Parameters<typeof renderInPour>[1],
): Promise<string> {
  const wrong = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  renderInPour(<PlannedProvider>{ui}</PlannedProvider>, options);
  await act(async () => {
    await new Promise((r) => setTimeout(r, 0));
  });
  const faults = wrong.mock.calls.filter(([said]) => /Error:/.test(String(said)));
  wrong.mockRestore();
  expect(faults).toEqual([]);
  return document.body.textContent;
}

describe.each(POURS)('%s %s', (file, code) => {
  const { site, pour } = demoPour(file, code);
  const first = pour.elements[0] ?? '';
  const BENCHES: Record<string, ReactNode> = {
    'Set out, here': <HerePanel id={first} />,
    'Set out, schedule': <SchedulePanel currentMark={null} />,
    'Set out, levels': <LevelsPanel />,
    'Set out, lists': <ListsPanel selected={first} />,
    Check: <CheckBench />,
    'Plan, how much': <MuchBench />,
    'Plan, when': <WhenBench />,
    'Plan, how': <HowBench />,
    'Plan, way round': <WayBench />,
    'Plan, who': <WhoBench />,
    Pour: <PourBench />,
    Cure: <CureBench />,
  };

  test.each(Object.entries(BENCHES))('%s stands before the pour', async (_, ui) => {
    const said = await wordsOf(ui, { file, code });
    expect(said.length).toBeGreaterThan(20);
    expect(OTHERS_UNITS[site.units].exec(said)?.[0]).toBeUndefined();
    expect(said).not.toMatch(/NaN|undefined|Infinity|\[object/);
  });

  test.each(['Check', 'Plan, how much', 'Pour', 'Cure'])('%s stands after it', async (name) => {
    const nowMs = dayOf(file, code) + 14 * 3_600_000;
    const said = await wordsOf(BENCHES[name], { file, code, entries: placed(file, code), nowMs });
    expect(OTHERS_UNITS[site.units].exec(said)?.[0]).toBeUndefined();
    expect(said).not.toMatch(/NaN|undefined|Infinity|\[object/);
  });

  test('says after it that all is placed, and when', async () => {
    const nowMs = dayOf(file, code) + 14 * 3_600_000;
    await wordsOf(<PourBench />, { file, code, entries: placed(file, code), nowMs });
    expect(screen.getByText(/^All placed at \d\d:\d\d/)).toBeTruthy();
  });
});
