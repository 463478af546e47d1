import { expect, test } from '@jest/globals';
import type { Route } from '../../core/pourplan/route.ts';
import { namedNodes } from './route-nodes.ts';

const route = (...legs: [string, number][]) =>
  ({ legs: legs.map(([startNode, fromM]) => ({ startNode, fromM })) }) as unknown as Route;
const names = (r: Route, pxPerM: number) =>
  namedNodes(r, (m) => m * pxPerM).map((n) => `${n.name} ${n.anchor}`);

test('names along the route leave out what would run into the one before', () => {
  const close = route(['A3e', 0], ['N8', 1], ['C1', 4]);
  expect(names(close, 60)).toEqual(['A3e start', 'N8 middle', 'C1 middle']);
  expect(names(close, 20)).toEqual(['A3e start', 'C1 middle']);
  expect(names(route(['', 0], ['B1', 2]), 40)).toEqual(['B1 start']);
});
