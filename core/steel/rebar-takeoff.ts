import { z } from 'zod';
import {
  barNamed,
  lengthOf,
  pierHeightM,
  type Run,
  type SitePlan,
  sitePlanSchema,
  wallHeightM,
} from '#core/model';
import { calculation, fig, nonNegative, positive, resultOf } from '#core/kit';
import { type DrawnLap, type Laid, type LapCode, lapOf, TOP_BAR_M } from './laps.ts';
import { padBars } from './pad-bars.ts';
import { END_MM } from './pier-ties.ts';
import { hook } from './hook.ts';
import { barsRequired } from './spacing-verdict.ts';

/** Bars of one kind in one element: how many, how long each is in the work, and what they weigh with their laps. */
const rowSchema = z.object({
  elementId: z.string(),
  role: z.enum(['along', 'top', 'across', 'vertical', 'horizontal', 'bottomMat', 'topMat', 'tie']),
  bar: z.string(),
  count: z.number(),
  lengthM: z.number(),
  /** Ends of each bar bent into a standard 90° hook; their steel is in its length. */ hooks:
    z.number(),
  laps: z.number(),
  /** The length of one lap; null for bars that may not be lapped. */
  lapM: z.number().nullable(),
  totalLengthM: z.number(),
  massKg: z.number(),
});
export type RebarRow = z.output<typeof rowSchema>;

interface Settings {
  stockLengthM: number;
  /** One lap for every bar; what each bar asks for when left out. */
  lapM?: number | undefined;
  endMm: number;
  fcMPa: number;
  fyMPa: number;
  /** The code whose laps rule where no drawing gives one. */
  lapsBy: LapCode;
}

/** What bears on the lap of a bar. */
interface Lapped extends Laid {
  drawn?: DrawnLap | undefined;
}
const lapMOf = (bar: string, s: Settings, lapped: Lapped): number | null => {
  if (s.lapM !== undefined) return s.lapM;
  const lap = lapOf({ bar, fcMPa: s.fcMPa, fyMPa: s.fyMPa, code: s.lapsBy, ...lapped });
  return lap && lap.lapMm / 1000;
};
/** A stock length gives at least this share of itself beyond its lap: a longer lap is asked about. */
const LEAST_GAIN = 0.1;

/** Laps, or couplers where a bar is not lapped, in one line of bar longer than a stock length. */
const lapsIn = (lengthM: number, lapM: number, stockM: number): number =>
  lengthM <= stockM + 1e-9
    ? 0
    : Math.ceil((lengthM - stockM) / Math.max(stockM - lapM, stockM * LEAST_GAIN) - 1e-9);

/** What a standard hook adds to a bar measured out to out, m: its extension and bend, less the corner it turns. */
function hookAddsM(bar: string, code: LapCode): number {
  const h = resultOf(hook, { bar, code });
  return (h.extensionMm + h.arcMm - h.bendDiameterMm / 2 - barNamed(bar).diameterMm) / 1000;
}

const HOOKED = { one: 1, both: 2 } as const;

function row(
  elementId: string,
  role: RebarRow['role'],
  bar: string,
  count: number,
  straightM: number,
  s: Settings,
  hooked?: keyof typeof HOOKED,
  lapped: Lapped = {},
): RebarRow {
  const hooks = hooked ? HOOKED[hooked] : 0;
  const lengthM = straightM + (hooks ? hooks * hookAddsM(bar, s.lapsBy) : 0);
  const lapM = lapMOf(bar, s, lapped);
  const laps = lapsIn(lengthM, lapM ?? 0, s.stockLengthM) * count;
  const totalLengthM = lengthM * count + laps * (lapM ?? 0);
  return {
    elementId,
    role,
    bar,
    count,
    lengthM,
    hooks,
    laps,
    lapM,
    totalLengthM,
    massKg: totalLengthM * barNamed(bar).massKgM,
  };
}

function wallRows(site: SitePlan, s: Settings, run: Run): RebarRow[] {
  const t = site.wallTypes.find((w) => w.mark === run.type);
  if (!t || run.topM === undefined) return [];
  const lengthM = lengthOf(site, run);
  const heightM = wallHeightM(run);
  const lap = { drawn: t.lap };
  const bars = (acrossM: number, spacingM: number) =>
    t.mats * barsRequired(acrossM * 1000, s.endMm, spacingM * 1000);
  const { vertical: v, horizontal: h } = t;
  const rows: RebarRow[] = [];
  if (v)
    rows.push(row(run.id, 'vertical', v.bar, bars(lengthM, v.spacingM), heightM, s, v.hooks, lap));
  if (h)
    rows.push(
      row(run.id, 'horizontal', h.bar, bars(heightM, h.spacingM), lengthM, s, h.hooks, {
        ...lap,
        levelInWall: true,
      }),
    );
  return rows;
}

function footingRows(site: SitePlan, s: Settings, run: Run): RebarRow[] {
  const t = site.footingTypes.find((f) => f.mark === run.type);
  if (!t) return [];
  const lengthM = lengthOf(site, run);
  const lap = { drawn: t.lap };
  const { bar, count, topCount, hooks } = t.continuous;
  const rows: RebarRow[] = [];
  if (count > 0) rows.push(row(run.id, 'along', bar, count, lengthM, s, hooks, lap));
  if (topCount > 0) {
    const topBar = t.depthM - t.coverTopMm / 1000 > TOP_BAR_M[s.lapsBy];
    rows.push(row(run.id, 'top', bar, topCount, lengthM, s, undefined, { ...lap, topBar }));
  }
  if (t.transverse) {
    const across = t.transverse;
    const n = barsRequired(lengthM * 1000, s.endMm, across.spacingM * 1000);
    const barM = t.widthM - (2 * t.coverSideMm) / 1000;
    rows.push(row(run.id, 'across', across.bar, n, barM, s, across.hooks, lap));
  }
  return rows;
}

const runRows = (site: SitePlan, s: Settings): RebarRow[] =>
  site.runs.flatMap((run) => (run.kind === 'wall' ? wallRows : footingRows)(site, s, run));

const padRows = (site: SitePlan, s: Settings): RebarRow[] =>
  site.pads.flatMap((p) =>
    padBars(p).map((b) => row(p.id, `${b.mat}Mat`, b.bar, b.count, b.barLengthM, s, b.hooks)),
  );

/** Straight end of a tie of 135° beyond its bend, m. */
const tieTailM = (bar: string, code: LapCode): number =>
  resultOf(hook, { bar, code, turnDeg: 135, tie: true }).extensionMm / 1000;
/** A round tie laps by this (ACI 318-19 §25.7.2.4), m. */
const ROUND_TIE_LAP_M = 0.15;

function pierRows(site: SitePlan, s: Settings): RebarRow[] {
  return site.piers.flatMap((p) => {
    if (!p.steel) return [];
    const { vertical, ties, coverMm } = p.steel;
    const heightM = pierHeightM(p);
    const inside = (m: number) => Math.max(0, m - (2 * coverMm) / 1000);
    const rows = [
      row(
        p.id,
        'vertical',
        vertical.bar,
        vertical.count,
        heightM - coverMm / 1000,
        s,
        vertical.hooks,
      ),
    ];
    if (ties) {
      const round =
        p.diameterM === undefined
          ? 2 * (inside(p.widthM ?? 0) + inside(p.lengthM ?? 0))
          : Math.PI * inside(p.diameterM) + ROUND_TIE_LAP_M;
      rows.push(
        row(
          p.id,
          'tie',
          ties.bar,
          barsRequired(heightM * 1000, s.endMm, ties.spacingM * 1000),
          round + 2 * tieTailM(ties.bar, s.lapsBy),
          s,
        ),
      );
    }
    return rows;
  });
}

/** Bars of every element, node to node, with laps by stock length. */
export const rebarTakeoff = calculation({
  id: 'rebar-takeoff',
  title: 'Bar take-off',
  purpose:
    'How many bars of which size and length each run, pad and pier takes, with laps by stock length, and their mass.',
  formula:
    'across: ⌈(length − 2·end)/spacing⌉ + 1; laps: ⌈(length − stock)/(stock − lap)⌉ a line, the lap the drawing’s where the type gives one, else by lap-length or lap-length-en; a 90° hook adds extension + arc − bend/2 − db; a tie is its perimeter at cover and two tails; mass = total length × mass per metre',
  source:
    'ASTM A615/A615M-22 and EN 10080 masses; counting as in spacing-verdict; laps ACI 318-19 §25.5.2 or EN 1992-1-1 §8.7.3; hooks as in hook',
  limits:
    'Lines run node to node through openings: what an opening cuts is not taken off, and bars beside it are not added. Hooks only where a type says so. Corner bars and chairs are not in it.',
  input: z
    .object({
      site: sitePlanSchema,
      stockLengthM: positive().default(6.096),
      lapM: positive().optional(),
      endMm: nonNegative().default(END_MM),
      fcMPa: positive().default(24.13165),
      fyMPa: positive().default(413.685),
      /** The code whose laps rule where no drawing gives one; fcMPa is of cylinders under en. */
      lapsBy: z.enum(['aci', 'en'], { error: 'must be aci or en' }).default('aci'),
    })
    .superRefine((v, ctx) => {
      if (v.lapM !== undefined && v.lapM >= v.stockLengthM)
        ctx.addIssue({
          code: 'custom',
          path: ['lapM'],
          message: 'is not shorter than the stock length',
        });
    }),
  output: z.object({ rows: z.array(rowSchema), massKg: z.number() }),
  compute({ site, ...s }, trace) {
    if (site.runs.some((r) => r.openings.length > 0))
      trace.caution('Openings are not taken off, and bars beside them are not added.');
    const rows = [...runRows(site, s), ...padRows(site, s), ...pierRows(site, s)];
    if (rows.some((r) => r.laps > 0 && (r.lapM ?? 0) > s.stockLengthM * (1 - LEAST_GAIN)))
      trace.caution(
        'A lap takes nearly a whole stock length: ask for longer stock, or for couplers.',
      );
    for (const r of rows)
      trace.step(
        `${r.elementId} ${r.role}`,
        `${r.count} × ${r.bar} of ${fig(r.lengthM)} m${r.hooks ? `, ${r.hooks} hooks each` : ''}, ${r.laps} laps`,
        r.totalLengthM,
        'm',
      );
    const massKg = rows.reduce((sum, r) => sum + r.massKg, 0);
    trace.step('mass', 'Σ length × mass per metre', massKg, 'kg');
    return { rows, massKg };
  },
});
