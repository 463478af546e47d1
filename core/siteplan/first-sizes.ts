import {
  type Anchor,
  type FootingType,
  footingTypeSchema,
  type FormSystem,
  formSystemSchema,
  type Opening,
  type Pad,
  padUnder,
  type Pier,
  pierHeightM,
  type Run,
  type SitePlan,
  type Spot,
  wallHeightM,
  type WallType,
  wallTypeSchema,
} from '#core/model';
import type { UnitSystem } from '#core/units';

/**
 * What an object measures when it is put in and nobody has said anything: like the last one of its
 * kind on the plan, else of a size that is common and plainly to be changed. Source: site practice;
 * the drawing rules.
 */

/** Sides and depth of a pad, across and height of a pier, m. */
const PAD = {
  us: { widthM: 0.9144, lengthM: 0.9144, depthM: 0.3048 },
  metric: { widthM: 0.9, lengthM: 0.9, depthM: 0.3 },
};
const PIER = {
  us: { diameterM: 0.3048, heightM: 0.9144 },
  metric: { diameterM: 0.3, heightM: 0.9 },
};

/** A pad at a spot, its bottom on the level given where there is no other to take after. */
export function padAt(
  plan: Pick<SitePlan, 'pads'>,
  units: UnitSystem,
  id: string,
  { xM, yM }: Spot,
  bottomM: number,
): Pad {
  return { ...(plan.pads.at(-1) ?? { ...PAD[units], bottomM }), id, xM, yM, label: undefined };
}

/** A pier at a spot: on the pad that lies there, else on the level given. */
export function pierAt(
  plan: Pick<SitePlan, 'pads' | 'piers'>,
  units: UnitSystem,
  id: string,
  spot: Spot,
  levelM: number,
): Pier {
  const pad = padUnder(plan.pads, spot);
  const bottomM = pad ? pad.bottomM + pad.depthM : levelM;
  const like = plan.piers.at(-1);
  return {
    ...(like ?? { diameterM: PIER[units].diameterM }),
    id,
    xM: spot.xM,
    yM: spot.yM,
    bottomM,
    topM: bottomM + (like ? pierHeightM(like) : PIER[units].heightM),
    label: undefined,
  };
}

/** Width of an opening, m; a sleeve is as high as wide, and so is a pocket, which lies at the top of its wall. */
const WIDE: Record<Opening['kind'], number> = { window: 1, door: 1, pocket: 0.25, sleeve: 0.15 };
const [DOOR_HIGH, WINDOW_HIGH, POCKET_DEEP] = [2.1, 0.6, 0.127];

/** An opening with its middle at `middleM` along a wall, never higher than the wall. */
export function openingAt(
  wall: Pick<Run, 'topM' | 'bottomM'>,
  kind: Opening['kind'],
  middleM: number,
): Opening {
  const heightM = wallHeightM(wall);
  const widthM = WIDE[kind];
  const sillM = { door: 0, pocket: Math.max(0, heightM - widthM) }[kind as string] ?? heightM / 2;
  const headM = Math.min(
    heightM,
    kind === 'door' ? DOOR_HIGH : sillM + (kind === 'window' ? WINDOW_HIGH : widthM),
  );
  return {
    kind,
    atM: Math.max(0, middleM - widthM / 2),
    widthM,
    sillM,
    headM,
    ...(kind === 'pocket' ? { depthM: POCKET_DEEP } : {}),
  };
}

/** An anchor as most are drawn: ⅝ in, 7 in deep, 2½ in out; 16, 180 and 65 mm. */
const FIRST_ANCHOR: Record<
  UnitSystem,
  Pick<Anchor, 'diameterMm' | 'embedmentMm' | 'projectionMm'>
> = {
  us: { diameterMm: 15.875, embedmentMm: 177.8, projectionMm: 63.5 },
  metric: { diameterMm: 16, embedmentMm: 180, projectionMm: 65 },
};

/**
 * An anchor like the last of its kind on the same element, else on the plan; else a 5/8 in bolt, 7
 * in deep and 2½ in out.
 */
export function anchorAt(
  plan: Pick<SitePlan, 'anchors'>,
  units: UnitSystem,
  kind: Anchor['kind'],
  id: string,
  elementId: string,
  atM: number,
): Anchor {
  const same = plan.anchors.filter((a) => a.kind === kind);
  return {
    ...(same.findLast((a) => a.elementId === elementId) ??
      same.at(-1) ?? { ...FIRST_ANCHOR[units], wetSet: false }),
    id,
    elementId,
    kind,
    atM,
  };
}

/** Height of a wall when nothing says its top, m. */
export const FIRST_WALL_M = 2.4;
/** Bars of a first type, in the names of the site's units. */
const BAR = {
  us: { footing: '#5', wall: '#4' },
  metric: { footing: '16mm', wall: '12mm' },
} as const;

/** A row of the footing schedule like the last, else of a common size in the site's bars. */
export const nextFootingType = (
  plan: Pick<SitePlan, 'footingTypes'>,
  units: UnitSystem,
  mark: string,
): FootingType => ({
  ...(plan.footingTypes.at(-1) ??
    footingTypeSchema.parse({
      mark,
      widthM: 0.6,
      depthM: 0.3,
      continuous: { bar: BAR[units].footing, count: 2 },
      transverse: null,
      coverBottomMm: 75,
      coverSideMm: 75,
      coverTopMm: 50,
    })),
  mark,
});

/** A row of the wall schedule like the last, else of a common size in the site's bars. */
export const nextWallType = (
  plan: Pick<SitePlan, 'wallTypes'>,
  units: UnitSystem,
  mark: string,
): WallType => ({
  ...(plan.wallTypes.at(-1) ??
    wallTypeSchema.parse({
      mark,
      thicknessM: 0.2,
      mats: 1,
      vertical: { bar: BAR[units].wall, spacingM: 0.4 },
      horizontal: { bar: BAR[units].wall, spacingM: 0.4 },
      coverInsideMm: 40,
      coverOutsideMm: 50,
    })),
  mark,
});

/** Forms of a common panel: what they hold, kPa, and their width, m; braces with what one turn moves, mm. */
const FORMS = {
  us: {
    ratingKPa: 47.88,
    panelWidthM: 0.6096,
    tiesPerJoint: 4,
    walers: 2,
    brace: { spacingM: 2.4384, attachM: 1.8288, angleDeg: 55, pitchMmPerTurn: 6.35 },
  },
  metric: {
    ratingKPa: 60,
    panelWidthM: 0.9,
    tiesPerJoint: 3,
    walers: 2,
    brace: { spacingM: 2.5, attachM: 1.8, angleDeg: 55, pitchMmPerTurn: 6 },
  },
};

/** A form system like the last, else of a common size: the maker's own figures are to be typed over it. */
export const nextForms = (
  plan: Pick<SitePlan, 'formSystems'>,
  units: UnitSystem,
  mark: string,
): FormSystem => ({
  ...(plan.formSystems.at(-1) ?? formSystemSchema.parse({ mark, ...FORMS[units] })),
  mark,
  label: undefined,
});
