import {
  angleOf,
  type FormSystem,
  lengthOf,
  type PourDoc,
  type Run,
  runOf,
  runsAt,
  type SitePlan,
  wallHeightM,
} from '#core/model';

/** How the panels, ties and braces of a form system fall on a wall; the maker's manual rules over it. */

/** The form system of the pour, when the site names one. */
export const formSystemOf = ({
  site,
  pour,
}: {
  site: Pick<SitePlan, 'formSystems'>;
  pour: Pick<PourDoc, 'forms'>;
}): FormSystem | undefined => site.formSystems.find((f) => f.mark === pour.forms);

/** Leg of a corner piece along the wall, m (12 in: an assumption where the maker's is not known). */
const CORNER_M = 0.3048;
/** Walls that go on within this are one wall with a joint, degrees. */
const STRAIGHT_DEG = 1;

/** A joint between panels, or between a panel and a corner piece. */
export interface TieJoint {
  atM: number;
  label: string;
}

/** The walls of the pour that a run meets at one of its nodes, and whether each goes straight on. */
function metAt(
  site: SitePlan,
  pour: Pick<PourDoc, 'elements'>,
  run: Run,
  nodeId: string,
): { run: Run; straight: boolean }[] {
  const out = (r: Run) => (angleOf(site, r) + (r.from === nodeId ? 0 : 180)) % 360;
  return runsAt(site, nodeId)
    .filter((r) => r.id !== run.id && r.kind === 'wall' && pour.elements.includes(r.id))
    .map((r) => {
      const turn = Math.abs(((out(r) - out(run) + 540) % 360) - 180);
      return { run: r, straight: Math.abs(turn - 180) <= STRAIGHT_DEG };
    });
}

/**
 * Joints along a run where ties go through: between panels a panel's width apart, at the corner
 * pieces of its corners, and where it goes straight on into the next wall of the pour (counted with
 * the first of the two).
 */
export function tieJoints(
  site: SitePlan,
  pour: Pick<PourDoc, 'elements'>,
  run: Run,
  lengthM: number,
  panelWidthM: number,
): TieJoint[] {
  const order = (id: string) => pour.elements.indexOf(id);
  const end = (nodeId: string) => {
    const met = metAt(site, pour, run, nodeId);
    return {
      nodeId,
      corner: met.some((m) => !m.straight),
      seam: met.some((m) => m.straight && order(m.run.id) > order(run.id)),
    };
  };
  const [from, to] = [end(run.from), end(run.to)];
  const legM = Math.min(CORNER_M, lengthM / 3);
  const startM = from.corner ? legM : 0;
  const stopM = to.corner ? lengthM - legM : lengthM;
  const panels = Math.max(1, Math.ceil((stopM - startM) / panelWidthM - 1e-9));
  const between = Array.from({ length: panels - 1 }, (_, i) => startM + (i + 1) * panelWidthM);
  return [
    ...(from.corner ? [{ atM: startM, label: `corner ${from.nodeId}` }] : []),
    ...(from.seam && !from.corner ? [{ atM: 0, label: `joint at ${from.nodeId}` }] : []),
    ...between.map((atM, i) => ({ atM, label: `joint ${i + 1}` })),
    ...(to.corner ? [{ atM: stopM, label: `corner ${to.nodeId}` }] : []),
    ...(to.seam && !to.corner ? [{ atM: lengthM, label: `joint at ${to.nodeId}` }] : []),
  ];
}

/** Rows of something the maker counts for one panel height, on a wall of this height: in proportion, rounded up. */
const byHeight = (count: number, f: FormSystem, heightM: number): number =>
  f.panelHeightM === undefined || count === 0
    ? count
    : Math.max(1, Math.ceil((count * heightM) / f.panelHeightM - 1e-9));

/** Ties of one joint of a wall of this height, m; never fewer than two where there are any. */
export const tiesAtJoint = (f: FormSystem, heightM: number): number =>
  f.tiesPerJoint === 0 ? 0 : Math.max(2, byHeight(f.tiesPerJoint, f, heightM));
export const walerRows = (f: FormSystem, heightM: number): number => byHeight(f.walers, f, heightM);

/** Braces along a run: one within half a spacing of each end, none further apart than the spacing. */
export function bracePlaces(lengthM: number, spacingM: number): number[] {
  const n = Math.max(2, Math.ceil(lengthM / spacingM - 1e-9));
  return Array.from({ length: n }, (_, i) => (lengthM * (i + 0.5)) / n);
}

/** Courses of foam blocks up a wall, and blocks a course: both whole, the last ones cut. */
export function foamBlocks(
  f: FormSystem,
  run: Run,
  lengthM: number,
): { courses: number; blocks: number } {
  const courses = Math.ceil(wallHeightM(run) / (f.courseM ?? wallHeightM(run)) - 1e-9);
  return { courses, blocks: courses * Math.ceil(lengthM / f.panelWidthM - 1e-9) };
}

/** How the concrete is worked in these forms, in words. */
export const CONSOLIDATION_WORDS = {
  vibrator: 'Vibrator and a spare, tried.',
  smallVibrator: 'A vibrator with a head of 25 mm (1 in) at most and a spare, tried.',
  rod: 'Rods or a bladeless saw to hand: no vibrator inside these forms.',
  hammer: 'Hammers to tap the forms with: no vibrator inside these forms.',
} as const;

/** What of a form system is drawn on the face of a wall, metres along it and above its foot. */
export interface DrawnForms {
  joints: number[];
  walers: number[];
  /** Tops of foam courses. */
  courses: number[];
  braces: { atM: number; upM: number }[];
}

/** The forms of a run of this pour as they stand; null where no system is named or the run is no wall. */
export function drawnForms(
  site: SitePlan,
  pour: Pick<PourDoc, 'elements' | 'forms'>,
  elementId: string,
): DrawnForms | null {
  const f = formSystemOf({ site, pour });
  const run = runOf(site, elementId);
  if (!f || run?.kind !== 'wall') return null;
  const lengthM = lengthOf(site, run);
  const heightM = wallHeightM(run);
  const rows = walerRows(f, heightM);
  const courseM = f.kind === 'foam' ? f.courseM : undefined;
  const courses = courseM ? Math.ceil(heightM / courseM - 1e-9) - 1 : 0;
  return {
    joints: tieJoints(site, pour, run, lengthM, f.panelWidthM).map((j) => j.atM),
    walers: Array.from({ length: rows }, (_, i) => heightM * ((i + 0.6) / (rows + 0.4))),
    courses: Array.from({ length: courses }, (_, i) => (i + 1) * (courseM ?? 0)),
    braces: f.brace
      ? bracePlaces(lengthM, f.brace.spacingM).map((atM) => ({
          atM,
          upM: Math.min(heightM, f.brace?.attachM ?? heightM),
        }))
      : [],
  };
}
