import type { Route } from '#core/pourplan';

/** Width of a letter of a node's name in the size it is drawn, and the least gap between two names, px. */
const LETTER_PX = 9;
const GAP_PX = 6;

export interface NamedNode {
  name: string;
  x: number;
  anchor: 'start' | 'middle';
}

/**
 * Names of the nodes a route comes by, along an axis: the first begins at its end of the axis, the
 * others stand over their node, and one that would run into the name before it is left out.
 */
export function namedNodes(route: Route, x: (m: number) => number): NamedNode[] {
  const out: NamedNode[] = [];
  let freeFrom = -Infinity;
  for (const leg of route.legs) {
    if (!leg.startNode) continue;
    const width = leg.startNode.length * LETTER_PX;
    const anchor = out.length === 0 ? 'start' : 'middle';
    const left = x(leg.fromM) - (anchor === 'start' ? 0 : width / 2);
    if (left < freeFrom) continue;
    out.push({ name: leg.startNode, x: x(leg.fromM), anchor });
    freeFrom = left + width + GAP_PX;
  }
  return out;
}
