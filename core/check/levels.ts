import { padUnder, type PourDoc, type SitePlan, standsOf } from '#core/model';
import { entries, firstId, type LogEvent, type PourState } from '#core/log';
import { atMost } from '#core/units';

/** A level that is wanted: the top of a form or the bottom of a dig, at a node, a pad or a pier. */
export interface LevelTarget {
  id: string;
  label: string;
  what: 'top' | 'bottom';
  xM: number;
  yM: number;
  wantedM: number;
  elementId: string;
}

interface LevelRead {
  target: LevelTarget | null;
  pointId: string;
  elevationM: number;
  deviationMm: number | null;
  ok: boolean | null;
  at: string;
  actor: string;
  entryId: string;
}
export interface SetUp {
  id: string;
  onId: string;
  backSightM: number;
  hiM: number;
  at: string;
  actor: string;
  reads: LevelRead[];
  /** How far the loop closes on the benchmark from here, mm. */ misclosureMm: number | null;
}

export interface Levels {
  targets: LevelTarget[];
  setups: SetUp[];
  /** The newest reading of each target. */ latest: Map<string, LevelRead>;
  /** Every point whose elevation is known, m. */ points: Map<string, number>;
  /** Whether the last time the rod came back to the benchmark it agreed; null when it has not come back. */ closes:
    boolean | null;
  misclosureMm: number | null;
}

/** Turning points that are not on the plan are called TP1, TP2 and so on, in the order they are read. */
export const isTurningPoint = (id: string): boolean => /^TP\d+$/.test(id);

/** The name of the next turning point. */
export const nextTurningPoint = (levels: Pick<Levels, 'points'>): string =>
  `TP${[...levels.points.keys()].filter(isTurningPoint).length + 1}`;

/** Tops of forms and bottoms of digs to be set out for a pour, once at each node and level. */
export function levelTargets(site: SitePlan, pour: Pick<PourDoc, 'elements'>): LevelTarget[] {
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  const out = new Map<string, LevelTarget>();
  const spots = new Set<string>();
  const runs = new Map(site.runs.map((r) => [r.id, r]));
  const stands = new Map(standsOf(site).map((s) => [s.id, s]));
  const add = (
    name: string,
    what: 'top' | 'bottom',
    xM: number,
    yM: number,
    wantedM: number,
    elementId: string,
  ) => {
    // Where runs of two levels meet, each has a point of its own there.
    const spot = `${name}|${what}|${wantedM.toFixed(6)}`;
    if (spots.has(spot)) return;
    spots.add(spot);
    // A second level at one node is told apart by its run.
    const second = out.has(`${name}/${what}`);
    const id = second ? `${name}/${what}/${elementId}` : `${name}/${what}`;
    const label = `${name} ${what === 'top' ? 'form top' : 'bottom'}${second ? `, ${elementId}` : ''}`;
    out.set(id, { id, label, what, xM, yM, wantedM, elementId });
  };
  for (const id of pour.elements) {
    const run = runs.get(id);
    const stand = stands.get(id);
    if (stand) {
      add(id, 'top', stand.xM, stand.yM, stand.topM, id);
      if (stand.kind === 'pad' || !padUnder(site.pads, stand))
        add(id, 'bottom', stand.xM, stand.yM, stand.bottomM, id);
    }
    if (!run) continue;
    const depth = site.footingTypes.find((t) => t.mark === run.type)?.depthM ?? 0;
    for (const n of [nodes.get(run.from), nodes.get(run.to)]) {
      if (!n) continue;
      add(n.id, 'top', n.xM, n.yM, run.topM ?? run.bottomM + depth, run.id);
      if (run.kind !== 'wall') add(n.id, 'bottom', n.xM, n.yM, run.bottomM, run.id);
    }
  }
  return [...out.values()];
}

interface Limits {
  topMm: number;
  bottomMm: number;
  closeMm: number;
}

/** A rod reading as the level it gives, and how far off it is. */
function readingOf(
  from: SetUp,
  e: LogEvent<'level'>,
  target: LevelTarget | null,
  { topMm, bottomMm }: Limits,
): LevelRead {
  const elevationM = from.hiM - e.body.rodM;
  const deviationMm = target ? (elevationM - target.wantedM) * 1000 : null;
  const mostMm = (target?.what === 'bottom' ? bottomMm : topMm) + 1e-9;
  return {
    target,
    pointId: e.body.pointId,
    elevationM,
    deviationMm,
    ok: deviationMm === null ? null : atMost(Math.abs(deviationMm), mostMm),
    at: e.at,
    actor: e.actor,
    entryId: e.id,
  };
}

/**
 * Levels from the log: each set-up stands on the benchmark or on a point read before, and every rod
 * reading from it is an elevation. Differential levelling: HI = known + back-sight, elevation = HI
 * − rod. A set-up on a point nobody read is left out.
 */
export function levelsOf(
  site: SitePlan,
  pour: Pick<PourDoc, 'elements'>,
  state: PourState,
  limits: Limits,
): Levels {
  const targets = levelTargets(site, pour);
  const byId = new Map(targets.map((t) => [t.id, t]));
  const known = new Map<string, number>();
  if (site.benchmark) known.set(site.benchmark.id, site.benchmark.elevationM);
  for (const p of site.points) if (p.zM !== undefined) known.set(p.id, p.zM);
  const setups: SetUp[] = [];
  const latest = new Map<string, LevelRead>();
  let misclosureMm: number | null = null;
  const log = [...entries(state, 'setup'), ...entries(state, 'level')].sort(
    (a, b) => Date.parse(a.at) - Date.parse(b.at) || a.id.localeCompare(b.id),
  );
  for (const e of log) {
    if (e.kind === 'setup') {
      const on = known.get(e.body.onId);
      if (on !== undefined)
        setups.push({
          id: firstId(state, e),
          onId: e.body.onId,
          backSightM: e.body.backSightM,
          hiM: on + e.body.backSightM,
          at: e.at,
          actor: e.actor,
          reads: [],
          misclosureMm: null,
        });
      continue;
    }
    const from = setups.find((s) => s.id === e.body.setupId);
    if (!from) continue;
    const target = byId.get(e.body.pointId) ?? null;
    const read = readingOf(from, e, target, limits);
    const { elevationM } = read;
    from.reads.push(read);
    if (e.body.pointId === site.benchmark?.id) {
      misclosureMm = (elevationM - site.benchmark.elevationM) * 1000;
      from.misclosureMm = misclosureMm;
      continue;
    }
    known.set(e.body.pointId, elevationM);
    if (target) latest.set(target.id, read);
  }
  return {
    targets,
    setups,
    latest,
    points: known,
    closes: misclosureMm === null ? null : atMost(Math.abs(misclosureMm), limits.closeMm + 1e-9),
    misclosureMm,
  };
}

/** Input of the registered calculation `level-loop`. */
export interface LoopInput {
  benchmarkM: number;
  setups: {
    backSightM: number;
    readings: { id: string; rodM: number; planM?: number }[];
    turnRodM?: number;
  }[];
  closingRodM: number;
  toleranceMm: number;
}

/**
 * The last loop from the benchmark and back to it, as `level-loop` takes it: every set-up with its
 * readings and the turning point it was left by. Null until the rod has come back, or where a
 * set-up does not stand on a point of the one before.
 */
export function loopOf(site: SitePlan, { setups }: Levels, closeMm: number): LoopInput | null {
  const bench = site.benchmark;
  const end = setups.findLastIndex((s) => s.misclosureMm !== null);
  if (!bench || end < 0) return null;
  const start = setups.slice(0, end + 1).findLastIndex((s) => s.onId === bench.id);
  if (start < 0) return null;
  const chain = setups.slice(start, end + 1);
  const rodOf = (s: SetUp, pointId: string): number | undefined => {
    const r = s.reads.findLast((x) => x.pointId === pointId);
    return r && s.hiM - r.elevationM;
  };
  const closingRodM = rodOf(chain.at(-1) as SetUp, bench.id);
  const turns = chain.slice(1).map((s, i) => rodOf(chain[i] as SetUp, s.onId));
  if (closingRodM === undefined || turns.includes(undefined)) return null;
  return {
    benchmarkM: bench.elevationM,
    closingRodM,
    toleranceMm: closeMm,
    setups: chain.map((s, i) => ({
      backSightM: s.backSightM,
      readings: s.reads.flatMap((r) =>
        r.target ? [{ id: r.pointId, rodM: s.hiM - r.elevationM, planM: r.target.wantedM }] : [],
      ),
      ...(turns[i] === undefined ? {} : { turnRodM: turns[i] }),
    })),
  };
}

/** How a level that was read is marked: null where none was, or where nothing is wanted of it. */
export function verdictOfLevel(ok: boolean | null): 'good' | 'out' | 'unread' {
  if (ok === null) return 'unread';
  return ok ? 'good' : 'out';
}
