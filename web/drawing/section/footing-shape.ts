import { barNamed, type Hooks, type Pad, pierWidthM, type SitePlan } from '#core/model';
import { resultOf } from '#core/kit';
import { piersOn, wallsOn } from '#core/siteplan';
import { hook, lapCodeOf, padBars } from '#core/steel';
import { barText, lengthText } from '#core/units';

/**
 * What comes on a footing: its uprights stand in it. `leftMm`: its middle left of the footing's;
 * `leg` 1 or −1: which way a foot lies.
 */
interface Above {
  id: string;
  thickMm: number;
  leftMm: number;
  bar: string;
  spacingM: number | null;
  legMm: number;
  uprights: { atMm: number; leg: 1 | -1 }[];
}
/** A footing or pad as it is cut. Inside, the left of its line, is at the left. */
export interface FootingShape {
  widthM: number;
  depthM: number;
  bottomMm: number;
  sideMm: number;
  topMm: number;
  unformed: boolean;
  along: { bar: string; count: number; topCount: number };
  across: string | null;
  topAcross: boolean;
  words: string[];
  belowGradeM: number | null;
  above: Above | null;
  /** Legs of the hooks at the ends of the bars across, mm: at the left, at the right; 0 where they end straight. */
  acrossLegsMm: [number, number];
  /** What is formed or set into its top for the joint with the wall. */
  joint: ('keyway' | 'waterstop')[];
}

const legMm = (bar: string, { ruleProfile }: SitePlan): number =>
  resultOf(hook, { bar, code: lapCodeOf(ruleProfile) }).legMm;

function wallAbove(site: SitePlan, runId: string): Above | null {
  const run = site.runs.find((r) => r.id === runId);
  const [first] = run ? wallsOn(site, run) : [];
  const type = site.wallTypes.find((t) => t.mark === first?.wall.type);
  if (!run || !first || !type?.vertical) return null;
  const [f, w] = [run, first.wall].map((r) => {
    const [a, b] = [site.nodes.find((n) => n.id === r.from), site.nodes.find((n) => n.id === r.to)];
    return [(b?.xM ?? 0) - (a?.xM ?? 0), (b?.yM ?? 0) - (a?.yM ?? 0)] as const;
  }) as [readonly [number, number], readonly [number, number]];
  // A wall drawn the other way round has its inside on the other side.
  const same = f[0] * w[0] + f[1] * w[1] >= 0 ? 1 : -1;
  const [thickMm, d] = [type.thicknessM * 1000, barNamed(type.vertical.bar).diameterMm];
  const mats: { atMm: number; leg: 1 | -1 }[] = [
    { atMm: -thickMm / 2 + type.coverInsideMm + d / 2, leg: 1 },
    ...(type.mats === 2
      ? [{ atMm: thickMm / 2 - type.coverOutsideMm - d / 2, leg: -1 as const }]
      : []),
  ];
  return {
    id: first.wall.id,
    thickMm,
    leftMm: (same * first.wall.offsetM - run.offsetM) * 1000,
    bar: type.vertical.bar,
    spacingM: type.vertical.spacingM,
    legMm: legMm(type.vertical.bar, site),
    uprights: same > 0 ? mats : mats.map((m) => ({ atMm: -m.atMm, leg: m.leg === 1 ? -1 : 1 })),
  };
}

function pierAbove(site: SitePlan, padId: string): Above | null {
  const [pier] = piersOn(site, padId);
  const pad = site.pads.find((p) => p.id === padId);
  if (!pier?.steel || !pad) return null;
  const { vertical, coverMm, ties } = pier.steel;
  const half =
    (pierWidthM(pier) * 1000) / 2 -
    coverMm -
    (ties ? barNamed(ties.bar).diameterMm : 0) -
    barNamed(vertical.bar).diameterMm / 2;
  return {
    id: pier.id,
    thickMm: pierWidthM(pier) * 1000,
    leftMm: (pad.xM - pier.xM) * 1000,
    bar: vertical.bar,
    spacingM: null,
    legMm: legMm(vertical.bar, site),
    uprights: [
      { atMm: -half, leg: -1 },
      { atMm: half, leg: 1 },
    ],
  };
}

const acrossLegs = (
  site: SitePlan,
  steel: { bar: string; hooks?: Hooks | undefined } | null | undefined,
): [number, number] =>
  steel?.hooks
    ? [legMm(steel.bar, site), steel.hooks === 'both' ? legMm(steel.bar, site) : 0]
    : [0, 0];
const jointOf = (site: SitePlan, id: string): FootingShape['joint'] =>
  (['keyway', 'waterstop'] as const).filter((kind) =>
    site.embeds.some((e) => e.elementId === id && e.kind === kind),
  );

/** How deep a bottom lies in the ground, m; null where its level is not known. */
const belowGrade = (site: SitePlan, bottomM: number): number | null =>
  site.ground ? site.ground.gradeM - bottomM : null;

function padShape(site: SitePlan, pad: Pad): FootingShape {
  const { units } = site;
  const s = pad.steel;
  const bars = padBars(pad);
  // The cut goes across the width: what runs lengthwise is cut through.
  const cut = (mat: 'bottom' | 'top') =>
    bars.find((b) => b.mat === mat && b.way === 'lengthwise')?.count ?? 0;
  const bar = s?.eachWay.bar ?? '#5';
  const how = (mat: 'bottom' | 'top', m: NonNullable<typeof s>['eachWay']) =>
    m.count === undefined
      ? `${barText(m.bar)} at ${lengthText((m.spacingM ?? 0) * 1000, units)}`
      : `${cut(mat)} × ${barText(m.bar)}`;
  const words = s ? [`${how('bottom', s.eachWay)} each way`] : ['no steel'];
  if (s?.topEachWay) words.push(`top ${how('top', s.topEachWay)} each way`);
  return {
    widthM: pad.widthM,
    depthM: pad.depthM,
    bottomMm: s?.coverBottomMm ?? 0,
    sideMm: s?.coverSideMm ?? 0,
    topMm: s?.coverTopMm ?? s?.coverSideMm ?? 0,
    unformed: false,
    along: { bar, count: cut('bottom'), topCount: cut('top') },
    across: s ? bar : null,
    topAcross: s?.topEachWay !== undefined,
    words,
    belowGradeM: belowGrade(site, pad.bottomM),
    above: pierAbove(site, pad.id),
    acrossLegsMm: acrossLegs(site, s?.eachWay),
    joint: jointOf(site, pad.id),
  };
}

/** A footing run or a pad as its section shows it; null for anything else. */
export function footingShape(site: SitePlan, elementId: string): FootingShape | null {
  const { units } = site;
  const pad = site.pads.find((p) => p.id === elementId);
  if (pad) return padShape(site, pad);
  const run = site.runs.find((r) => r.id === elementId);
  const f = site.footingTypes.find((t) => t.mark === run?.type);
  if (!run || !f || run.kind === 'wall') return null;
  const top = f.continuous.topCount ? [`${f.continuous.topCount} at the top`] : [];
  return {
    widthM: f.widthM,
    depthM: f.depthM,
    bottomMm: f.coverBottomMm,
    sideMm: f.coverSideMm,
    topMm: f.coverTopMm,
    unformed: f.unformed,
    along: f.continuous,
    across: f.transverse?.bar ?? null,
    topAcross: false,
    words: [
      `${f.continuous.count} × ${barText(f.continuous.bar)} along`,
      ...(f.transverse
        ? [
            `${barText(f.transverse.bar)} at ${lengthText(f.transverse.spacingM * 1000, units)} across`,
          ]
        : []),
      ...top,
    ],
    belowGradeM: belowGrade(site, run.bottomM),
    above: wallAbove(site, run.id),
    acrossLegsMm: acrossLegs(site, f.transverse),
    joint: jointOf(site, run.id),
  };
}
