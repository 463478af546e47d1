import { z } from 'zod';
import { nonNegative, positive } from '#core/kit';
import { checkSimulation, placementSchema, simulationShape } from './simulation-model.ts';

/** A moment of a load, or null for what has not happened. */
const moment = () => nonNegative().nullable().default(null);

const shape = simulationShape.extend({
  nowMin: nonNegative(),
  /** What has been placed, in order; the one under way ends at now. */
  placed: z.array(placementSchema).max(20_000, 'must hold at most 20 000').default([]),
  loadsNow: z
    .array(
      z.object({
        id: z.string().min(1),
        arriveMin: moment(),
        startMin: moment(),
        endMin: moment(),
        sentBack: z.boolean({ error: 'must be true or false' }).default(false),
      }),
    )
    .default([]),
  yieldRatio: positive()
    .gte(0.2, 'must be from 0.2 to 5')
    .lte(5, 'must be from 0.2 to 5')
    .default(1),
  rateM3PerH: positive().lte(400, 'must be 400 or less').optional(),
});
export type ForecastInput = z.output<typeof shape>;
type Say = (path: (string | number)[], message: string) => void;

/** Whole minutes and volumes come with their last digits cut: so much apart is the same. */
const SAME = 1e-6;

function checkPlaced(v: ForecastInput, say: Say): void {
  const cells = new Map(v.cells.map((c) => [c.id, c]));
  const loads = new Set(v.loads.map((l) => l.id));
  const sum = new Map<string, number>();
  v.placed.forEach((p, i) => {
    const cell = cells.get(p.cellId);
    if (!cell) say(['placed', i, 'cellId'], `${p.cellId} is not a cell of the list`);
    if (!loads.has(p.loadId)) say(['placed', i, 'loadId'], `${p.loadId} is not a load of the list`);
    if (!(p.volumeM3 >= 0)) say(['placed', i, 'volumeM3'], 'must not be below 0');
    if (p.toMin < p.fromMin) say(['placed', i, 'toMin'], 'is before fromMin');
    if (p.toMin > v.nowMin + SAME) say(['placed', i, 'toMin'], 'is after now');
    const before = v.placed[i - 1];
    if (before && p.fromMin < before.toMin - SAME)
      say(['placed', i, 'fromMin'], 'is before the placement before it ended: there is one hose');
    const so = (sum.get(p.cellId) ?? 0) + p.volumeM3;
    sum.set(p.cellId, so);
    if (cell && so > cell.volumeM3 * (1 + SAME))
      say(['placed', i, 'volumeM3'], `fills ${p.cellId} over its volume`);
  });
}

function checkLoads(v: ForecastInput, say: Say): void {
  const known = new Set(v.loads.map((l) => l.id));
  const seen = new Set<string>();
  v.loadsNow.forEach((l, i) => {
    const at = (field: string, message: string) => {
      say(['loadsNow', i, field], message);
    };
    if (!known.has(l.id)) at('id', `${l.id} is not a load of the list`);
    if (seen.has(l.id)) at('id', `${l.id} is used twice`);
    seen.add(l.id);
    const moments = [
      ['arriveMin', l.arriveMin],
      ['startMin', l.startMin],
      ['endMin', l.endMin],
    ] as const;
    moments.forEach(([field, t], k) => {
      if (t === null) return;
      const before = k > 0 ? moments[k - 1]?.[1] : t;
      if (before == null) at(field, `has none without ${moments[k - 1]?.[0] ?? ''}`);
      else if (t < before - SAME) at(field, `is before ${moments[k - 1]?.[0] ?? ''}`);
      if (t > v.nowMin + SAME) at(field, 'is after now');
    });
  });
  const open = v.loadsNow.filter((l) => l.startMin !== null && l.endMin === null && !l.sentBack);
  if (open.length > 1)
    say(['loadsNow'], `hold ${open.length} loads that are under way: one at most`);
}

/** Input of `pour-forecast`: a pour as it was planned, and what has become of it by now. */
export const forecastInput = shape.superRefine((v, ctx) => {
  const say: Say = (path, message) => {
    ctx.addIssue({ code: 'custom', path, message });
  };
  checkSimulation(v, say);
  checkPlaced(v, say);
  checkLoads(v, say);
});
