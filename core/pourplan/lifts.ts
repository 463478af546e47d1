import { type PourDoc, runOf, type SitePlan, wallHeightM } from '#core/model';

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
  const told = pour.settings.liftsByElement[elementId];
  if (told !== undefined) return told;
  const run = runOf(site, elementId);
  if (run?.kind !== 'wall') return 1;
  const forms = site.formSystems.find((f) => f.mark === pour.forms);
  return pour.settings.lifts ?? fewestLifts(wallHeightM(run), forms?.greatestLiftM);
}

type Legs = { legs: { elementId: string; lifts: number; heightM: number; wall: boolean }[] };

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
    const liftM = l.heightM / l.lifts;
    const wanted = fewestLifts(l.heightM, greatestM);
    return l.wall && liftM > greatestM * (1 + 1e-9)
      ? [{ elementId: l.elementId, liftM, greatestM, wanted }]
      : [];
  });
}
