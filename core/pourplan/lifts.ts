import { type PourDoc, runOf, type SitePlan, wallHeightM } from '#core/model';
import { concreteBetween, type Takeoff } from '#core/takeoff';

/** More lifts than this are not placed in one pour. */
export const MOST_LIFTS = 12;

/** Fewest lifts of a wall of this height, m, that keep to the greatest lift its forms allow; 1 where they name none. */
export const fewestLifts = (heightM: number, greatestLiftM: number | undefined): number =>
  greatestLiftM === undefined
    ? 1
    : Math.min(MOST_LIFTS, Math.max(1, Math.ceil(heightM / greatestLiftM - 1e-9)));

/**
 * In how many lifts an element of a pour is filled. What the foreman told for it rules; else a wall
 * takes the count told for walls, or as few lifts as its height and the form system's greatest lift
 * allow; footings, grade beams, pads and piers take one.
 */
export function liftsOf(
  site: Pick<SitePlan, 'runs' | 'formSystems'>,
  pour: Pick<PourDoc, 'forms' | 'settings'>,
  elementId: string,
): number {
  const tops = pour.settings.liftTopsByElement[elementId];
  if (tops !== undefined) return tops.length + 1;
  const told = pour.settings.liftsByElement[elementId];
  if (told !== undefined) return told;
  const run = runOf(site, elementId);
  if (run?.kind !== 'wall') return 1;
  const forms = site.formSystems.find((f) => f.mark === pour.forms);
  return pour.settings.lifts ?? fewestLifts(wallHeightM(run), forms?.greatestLiftM);
}

/** One lift of a leg: from where to where it goes up, m above the leg's foot, and its neat concrete, m³. */
export interface Lift {
  fromM: number;
  toM: number;
  volumeM3: number;
}

/**
 * The lifts of an element with their heights and their own concrete, openings taken off where they
 * lie: heights told for it rule, else all are alike.
 * @param volumeM3 the element's neat volume, which the lifts add up to
 */
export function liftsWithVolume(
  pour: Pick<PourDoc, 'settings'>,
  takeoff: Takeoff,
  leg: { elementId: string; bottomM: number; heightM: number; volumeM3: number },
  count: number,
): Lift[] {
  const told = pour.settings.liftTopsByElement[leg.elementId] ?? [];
  const within = told.filter((m) => m > 1e-6 && m < leg.heightM - 1e-6);
  const tops =
    told.length > 0
      ? [...within, leg.heightM]
      : Array.from({ length: count }, (_, i) => (leg.heightM * (i + 1)) / count);
  const lifts = tops.map((toM, i) => ({ fromM: tops[i - 1] ?? 0, toM }));
  const between = lifts.map((l) =>
    concreteBetween(takeoff, leg.elementId, leg.bottomM + l.fromM, leg.bottomM + l.toM),
  );
  const sum = between.reduce((a, b) => a + b, 0);
  // What lies beside its height (a step's lap) is spread over all; one that is all opening has a little still.
  const shares =
    sum > 0 && between.every((m3) => m3 > 0)
      ? between.map((m3) => m3 / sum)
      : lifts.map((l) => (l.toM - l.fromM) / leg.heightM);
  return lifts.map((l, i) => ({ ...l, volumeM3: leg.volumeM3 * (shares[i] as number) }));
}

/** Neat concrete of one lift of a route, m³; 0 for one that it does not have. */
export const liftVolumeM3 = (
  route: { legs: { elementId: string; liftSpans: readonly Lift[] }[] },
  elementId: string,
  lift: number,
): number => route.legs.find((l) => l.elementId === elementId)?.liftSpans[lift]?.volumeM3 ?? 0;

type Legs = {
  legs: {
    elementId: string;
    lifts: number;
    heightM: number;
    wall: boolean;
    liftSpans?: readonly Lift[];
  }[];
};

/** The most lifts any element of a route is filled in. */
export const mostLifts = (route: Legs): number => Math.max(1, ...route.legs.map((l) => l.lifts));

/** A lift as it is spoken: "E1", or "E1, lift 2" where the run takes several. Lifts are counted from 0. */
export function liftName(route: Legs, elementId: string, lift: number): string {
  const lifts = route.legs.find((l) => l.elementId === elementId)?.lifts ?? 1;
  return lifts > 1 ? `${elementId}, lift ${lift + 1}` : elementId;
}

/** A wall whose lifts are higher than its forms allow, m. */
export interface HighLift {
  elementId: string;
  liftM: number;
  greatestM: number;
  /** How many lifts would do. */
  wanted: number;
}

/** Walls planned in higher lifts than the maker of the forms allows; none where the forms name no greatest lift. */
export function highLifts(
  site: Pick<SitePlan, 'formSystems'>,
  pour: Pick<PourDoc, 'forms'>,
  route: Legs,
): HighLift[] {
  const greatestM = site.formSystems.find((f) => f.mark === pour.forms)?.greatestLiftM;
  if (greatestM === undefined) return [];
  return route.legs.flatMap((l): HighLift[] => {
    const liftM = Math.max(...(l.liftSpans?.map((s) => s.toM - s.fromM) ?? [l.heightM / l.lifts]));
    const wanted = fewestLifts(l.heightM, greatestM);
    return l.wall && liftM > greatestM * (1 + 1e-9)
      ? [{ elementId: l.elementId, liftM, greatestM, wanted }]
      : [];
  });
}
