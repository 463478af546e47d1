import { elementIds, elementSpots } from '#core/model';
import { distanceTo, type Place } from './places.ts';
import { depthOf, type Stand, type StandAsk, standAt } from './reach.ts';

const SIDES = [
  ['W', -1, 0],
  ['S', 0, -1],
  ['E', 1, 0],
  ['N', 0, 1],
] as const;

/** Room that is left between what stands there and what else is set out, m. */
const BESIDE_M = 0.6;
/** How much further out is looked for a free place, m. */
const FURTHER_M = Array.from({ length: 61 }, (_, i) => i * 0.5);

/** All that is set out on the site beside the pour, as straight pieces. */
function builtOf({ site, places }: StandAsk): [Place, Place][] {
  const own = new Set(places.map((p) => p.cell.elementId));
  return elementIds(site)
    .filter((id) => !own.has(id))
    .flatMap((id): [Place, Place][] => {
      const spots = elementSpots(site, id);
      const [a] = spots;
      return a ? [[a, spots.at(-1) ?? a]] : [];
    });
}

/** One place on each side of the pour, as near as its legs may come to the edge, the best first. */
export function offeredStands(ask: StandAsk): { side: string; stand: Stand }[] {
  const xs = ask.places.flatMap((p) => p.ends.map((e) => e.xM));
  const ys = ask.places.flatMap((p) => p.ends.map((e) => e.yM));
  if (xs.length === 0) return [];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const off =
    ask.rules.value('workingRoom') +
    depthOf(ask) +
    (ask.conveyance.outriggers?.spreadM ?? 2.5) / 2 +
    0.3;
  const built = builtOf(ask);
  const half = (ask.conveyance.outriggers?.spreadM ?? 2.5) / 2;
  const offers = SIDES.map(([side, sx, sy]) => {
    const spot = (moreM: number): Place => ({
      xM: (x0 + x1) / 2 + sx * ((x1 - x0) / 2 + off + moreM),
      yM: (y0 + y1) / 2 + sy * ((y1 - y0) / 2 + off + moreM),
    });
    // Out past what else is set out on that side: nothing stands on another footing.
    const clear = FURTHER_M.find((m) =>
      built.every((ends) => distanceTo(spot(m), ends) > half + BESIDE_M),
    );
    return { side, stand: standAt(ask, spot(clear ?? 0)) };
  });
  const worth = ({ stand: s }: (typeof offers)[number]) =>
    Number(!s.ok) * 1e6 +
    Number(s.working.result.wiresOk === false) * 1e5 +
    s.outM * 100 +
    s.furthestM;
  return offers.sort((a, b) => worth(a) - worth(b));
}
