import fc from 'fast-check';
import { simulationInput, type SimulationInput } from '../pourplan/simulation-model.ts';

/** Pours of any kind, for laws that hold whatever the pour. */
export const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });

export const pours = fc
  .record({
    cells: fc.array(
      fc.record({
        volumeM3: num(0.2, 6),
        heightM: num(0.2, 1.5),
        moveMin: num(0, 8),
        stacked: fc.boolean(),
      }),
      { minLength: 1, maxLength: 9 },
    ),
    loads: fc.array(
      fc.record({ volumeM3: num(2, 8), batchMin: num(400, 560), travel: num(10, 50) }),
      { minLength: 1, maxLength: 6 },
    ),
    breaks: fc.array(fc.record({ fromMin: num(480, 620), length: num(1, 40) }), { maxLength: 2 }),
    rate: num(6, 40),
    changeOverMin: num(0, 10),
    leftBehindM3: num(0, 1.5),
  })
  .map((p): SimulationInput =>
    simulationInput.parse({
      startMin: 480,
      cells: p.cells.map((c, i) => ({
        id: `c${i}`,
        volumeM3: c.volumeM3,
        heightM: c.heightM,
        bottomM: 0,
        moveMin: c.moveMin,
        ...(c.stacked && i > 0 ? { below: `c${i - 1}` } : {}),
        beside: i > 0 && !c.stacked ? [`c${i - 1}`] : [],
      })),
      loads: p.loads.map((l, i) => ({
        id: `L${i}`,
        volumeM3: l.volumeM3,
        batchMin: l.batchMin,
        plantDelay: { medianMin: 0, p90Min: 0 },
        travel: { medianMin: l.travel, p90Min: l.travel },
      })),
      breaks: p.breaks.map((b) => ({ fromMin: b.fromMin, toMin: b.fromMin + b.length })),
      placingRateM3PerH: p.rate,
      changeOverMin: p.changeOverMin,
      leftBehindM3: p.leftBehindM3,
      tempC: 20,
      ratingKPa: 50,
      maxAgeMin: 90,
      duskMin: 1140,
      trials: 1,
      seed: 1,
    }),
  );
