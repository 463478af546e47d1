import { describe, expect, test } from '@jest/globals';
import { job } from '../testdata/jobs.ts';
import { layings } from './lay.ts';
import { movedLeg } from './moved-leg.ts';
import { planPour } from './plan.ts';
import { routeOf } from './route.ts';
import { seamSaver } from './save-seam.ts';

/** Four pads of 2 × 2 × 0.5 m in a row, each with a pier of 0.5 × 0.5 × 1.2 m on it. */
const PADS = [0, 1, 2, 3].map((i) => ({
  id: `B${i}`,
  xM: 6 * i,
  yM: 0,
  widthM: 2,
  lengthM: 2,
  depthM: 0.5,
  bottomM: 0,
}));
const PIERS = PADS.map((p, i) => ({
  id: `C${i}`,
  xM: p.xM,
  yM: 0,
  widthM: 0.5,
  lengthM: 0.5,
  bottomM: 0.5,
  topM: 1.7,
}));
const elements = [...PADS, ...PIERS].map((s) => s.id);
const FOLLOWED = ['B0', 'C0', 'B1', 'C1', 'B2', 'C2', 'B3', 'C3'];
const made = (settings: object = {}) => job({ pads: PADS, piers: PIERS, elements, settings });
const orderOf = ({ site, pour }: ReturnType<typeof made>) =>
  routeOf(site, pour).legs.map((l) => l.elementId);

describe('a pier and its pad', () => {
  test('pads go first unless it was told otherwise; a pier told before its pad waits for it', () => {
    expect(orderOf(made())).toEqual(elements);
    expect(orderOf(made({ sequence: FOLLOWED }))).toEqual(FOLLOWED);
    const wrong = ['C0', ...FOLLOWED.filter((id) => id !== 'C0')];
    expect(orderOf(made({ sequence: wrong })).indexOf('C0')).toBe(7);
  });

  test('stand each on each: cells follow the order told, and the pier is placed on its own pad', () => {
    const { site, pour, mix, plant } = made({ sequence: FOLLOWED });
    const { cells } = planPour(site, pour, mix, plant, 1140);
    expect([...new Set(cells.map((c) => c.elementId))]).toEqual(FOLLOWED);
    const under = cells.find((c) => c.elementId === 'C2' && c.lift === 0)?.below;
    expect(cells.find((c) => c.id === under)?.elementId).toBe('B2');
  });

  test('where pads first leave a pier too late, each pier right after its pad saves it', () => {
    // 2 m³ a pad at 4 m³/h: 90 min lie between the end of B0 and its pier, at 34 °C far too long.
    const { site, pour, mix, plant } = made({
      placingRateM3PerH: 4,
      concreteTempC: 34,
      concreteTempSaid: true,
    });
    const plan = planPour(site, pour, mix, plant, 1140);
    const coldOf = (p: typeof plan) => p.timetable.seams.filter((s) => s.verdict === 'cold').length;
    expect(coldOf(plan)).toBeGreaterThan(0);
    expect(layings(site, pour, mix, plant, 1140).map((l) => l.how)).toContain('pier-by-pad');
    const saver = seamSaver(site, pour, mix, plant, 1140, plan);
    expect(saver).toMatchObject({ how: 'pier-by-pad', change: { sequence: FOLLOWED } });
    const settings = { ...pour.settings, ...saver?.change };
    expect(coldOf(planPour(site, { ...pour, settings }, mix, plant, 1140))).toBe(0);
  });

  test('a pier dragged behind its pad stays there', () => {
    const { site, pour } = made();
    expect(movedLeg(site, pour, 4, 1)).toMatchObject({
      change: { sequence: ['B0', 'C0', 'B1', 'B2', 'B3', 'C1', 'C2', 'C3'] },
    });
  });
});
