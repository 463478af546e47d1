import { simulationInput, type SimulationInput } from '#core/pourplan';

/** A wall ring of `around` cells in `lifts` lifts, with late trucks and one break: every rule has work to do. */
export function ringPour(around: number, lifts: number, loads: number): SimulationInput {
  const cells = Array.from({ length: around * lifts }, (_, i) => {
    const lift = Math.floor(i / around);
    const k = i % around;
    const beside = k > 0 ? [`${lift}.${k - 1}`] : [];
    if (k === around - 1) beside.push(`${lift}.0`);
    return {
      id: `${lift}.${k}`,
      volumeM3: 0.33,
      heightM: 2.7 / lifts,
      bottomM: (lift * 2.7) / lifts,
      moveMin: k % 10 === 0 ? 1 : 0,
      beside,
      ...(lift > 0 ? { below: `${lift - 1}.${k}` } : {}),
    };
  });
  const needed = around * lifts * 0.33 * 1.04 + 0.3;
  return simulationInput.parse({
    startMin: 450,
    cells,
    placingRateM3PerH: 18,
    changeOverMin: 4,
    leftBehindM3: 0.3,
    breaks: [{ fromMin: 600, toMin: 615 }],
    tempC: 19,
    ratingKPa: 42,
    maxAgeMin: 90,
    duskMin: 1100,
    loads: Array.from({ length: loads }, (_, i) => ({
      id: `L${i + 1}`,
      volumeM3: needed / loads,
      batchMin: 405 + (i * needed * 60) / loads / 18,
      plantDelay: { medianMin: 6, p90Min: 20 },
      travel: { medianMin: 35, p90Min: 48 },
    })),
    trials: 200,
    seed: 11,
  });
}
