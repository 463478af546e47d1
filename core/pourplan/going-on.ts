import { type ForecastInput, forecastInput } from './forecast-model.ts';
import { medianArrivals, timetableOf } from './timetable.ts';
import { goingOf } from './underway.ts';

/** With no spread: every load at its medians, and one that should be here by now at once. */
export function laterThan(
  nowMin: number,
  simulation: Parameters<typeof medianArrivals>[0],
  underway: ReturnType<typeof goingOf>['underway'],
) {
  const arrivals = medianArrivals(simulation);
  return {
    ...arrivals,
    arriveMin: arrivals.arriveMin.map((t, i) =>
      underway.loads[i]?.coming ? Math.max(t, nowMin) : t,
    ),
  };
}

/** Seams and cells in the order of the list, whatever order they were filled in. */
export function inOrder(
  t: ReturnType<typeof timetableOf>,
  cells: readonly { id: string }[],
): ReturnType<typeof timetableOf> {
  const at = new Map(cells.map((c, i) => [c.id, i]));
  const by = (id: string) => at.get(id) ?? 0;
  return {
    ...t,
    seams: [...t.seams].sort((a, b) => by(a.above) - by(b.above)),
    cells: [...t.cells].sort((a, b) => by(a.id) - by(b.id)),
  };
}

/**
 * The one timetable of the rest of a pour whose loads come when they are expected: what
 * `pour-forecast` gives where nothing is spread, without its mornings.
 * @returns null for an input that it cannot be worked out of
 */
export function timetableFrom(input: ForecastInput): ReturnType<typeof timetableOf> | null {
  const v = forecastInput.safeParse(input).data;
  if (!v) return null;
  const { simulation, underway } = goingOf(v);
  return inOrder(
    timetableOf(simulation, laterThan(v.nowMin, simulation, underway), underway),
    v.cells,
  );
}
