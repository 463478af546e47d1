import { lengthOf, type SitePlan } from '#core/model';
import { lengthText, type UnitSystem } from '#core/units';

/** Four corners of the plan that ought to be a rectangle, in order round it. */
export interface Rectangle {
  corners: string[];
  sidesM: [number, number, number, number];
  diagonalM: number;
}

/** How far sides may be from a right angle or from each other and still be meant as a rectangle, m. */
const MEANT_M = 0.02;
/** Nodes looked through for rectangles, at most: beyond that only the hull of the pour is offered. */
const MOST_NODES = 24;

/** Rectangles the nodes of a pour stand on, largest first: what squareness can be read on. */
export function cornersOf(site: SitePlan, elements: string[]): Rectangle[] {
  const used = new Set(
    site.runs.filter((r) => elements.includes(r.id)).flatMap((r) => [r.from, r.to]),
  );
  const nodes = site.nodes.filter((n) => used.has(n.id)).slice(0, MOST_NODES);
  const at = (xM: number, yM: number) =>
    nodes.find((n) => Math.hypot(n.xM - xM, n.yM - yM) < MEANT_M);
  const out: Rectangle[] = [];
  // Each rectangle is met from its lower left corner: one side to the right, one up, the fourth where it has to be.
  for (const a of nodes)
    for (const b of nodes)
      for (const d of nodes) {
        const [ux, uy, wx, wy] = [b.xM - a.xM, b.yM - a.yM, d.xM - a.xM, d.yM - a.yM];
        const [lu, lw] = [Math.hypot(ux, uy), Math.hypot(wx, wy)];
        if (
          lu < 0.5 ||
          lw < 0.5 ||
          ux < MEANT_M ||
          uy < -MEANT_M ||
          ux * wy - uy * wx <= 0 ||
          Math.abs(ux * wx + uy * wy) / Math.max(lu, lw) > MEANT_M
        )
          continue;
        const c = at(b.xM + wx, b.yM + wy);
        if (c)
          out.push({
            corners: [a.id, b.id, c.id, d.id],
            sidesM: [
              lengthOf(site, { from: a.id, to: b.id }),
              lengthOf(site, { from: b.id, to: c.id }),
              lengthOf(site, { from: c.id, to: d.id }),
              lengthOf(site, { from: d.id, to: a.id }),
            ],
            diagonalM: Math.hypot(lu, lw),
          });
      }
  return out.sort((p, q) => q.diagonalM - p.diagonalM).slice(0, 6);
}

/** What to move: corners 3 and 4 go back by the rack along the side 1 to 2. Under 1 mm it is square. */
export function squareWords(
  { rackM }: { rackM: number },
  corners: string[],
  units: UnitSystem,
): string {
  if (Math.abs(rackM) < 0.001) return 'Square.';
  const [one = '', two = '', three = '', four = ''] = corners;
  return `Move ${three} and ${four} ${lengthText(Math.abs(rackM) * 1000, units)} toward ${rackM > 0 ? `the side of ${one}` : `the side of ${two}`}, along ${one} to ${two}.`;
}
