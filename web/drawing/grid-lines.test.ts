import { expect, test } from '@jest/globals';
import type { SitePlan } from '../../core/model/site.ts';
import { demoPour } from '../../core/testdata/demo.ts';
import { gridLines } from './grid-lines.ts';

const { site } = demoPour('quillback', 'P2');
/** A site of nodes alone, one run from each to the next. */
const withNodes = (nodes: [string, number, number][]): [SitePlan, string[]] => {
  const runs = nodes
    .slice(1)
    .map(([to], i) => ({ ...site.runs[0], id: `R${i}`, from: nodes[i]?.[0] ?? '', to }));
  return [
    { ...site, nodes: nodes.map(([id, xM, yM]) => ({ id, xM, yM })), runs } as SitePlan,
    runs.map((r) => r.id),
  ];
};
const names = (nodes: [string, number, number][]) => {
  const { across, up } = gridLines(...withNodes(nodes));
  return [across.map((l) => l.name), up.map((l) => l.name)];
};

test('lines that follow each other are a grid, ten after nine', () => {
  expect(
    names([
      ['A9', 0, 0],
      ['A10', 5, 0],
      ['B10', 5, -4],
      ['B11', 9, -4],
    ]),
  ).toEqual([
    ['9', '10', '11'],
    ['A', 'B'],
  ]);
});

test('names that jump about, as an import gives them, are none', () => {
  expect(
    names([
      ['P1', 0, 0],
      ['P2', 9, 0],
      ['P3', 5, 4],
    ])[0],
  ).toEqual([]);
  expect(
    names([
      ['PT1', 0, 0],
      ['PT2', 9, 0],
    ]),
  ).toEqual([[], []]);
});
