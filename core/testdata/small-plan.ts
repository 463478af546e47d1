import type { z } from 'zod';
import type { sitePlanShape } from '../model/site.ts';

type Plan = Pick<
  z.input<typeof sitePlanShape>,
  | 'format'
  | 'name'
  | 'units'
  | 'latitude'
  | 'longitude'
  | 'timeZone'
  | 'ruleProfile'
  | 'footingTypes'
  | 'wallTypes'
  | 'nodes'
  | 'runs'
  | 'pads'
  | 'piers'
  | 'anchors'
  | 'embeds'
  | 'plates'
>;

/**
 * A site unlike the demo, as a file has it: an L of footings, 12 m to the east and 9 m on to the
 * north, a wall 2.4 m high on the first with a window in it, a pad and a round pier beside them.
 */
export const smallPlan = (): Required<Plan> => ({
  format: 'jactum.site/1',
  name: 'Two legs',
  units: 'metric',
  latitude: 47,
  longitude: 8,
  timeZone: 'Europe/Zurich',
  ruleProfile: 'metric-en',
  footingTypes: [
    {
      mark: 'F1',
      widthM: 0.6,
      depthM: 0.3,
      continuous: { bar: '12mm', count: 3 },
      transverse: null,
      coverBottomMm: 75,
      coverSideMm: 50,
      coverTopMm: 50,
    },
  ],
  wallTypes: [
    {
      mark: 'W1',
      thicknessM: 0.25,
      vertical: { bar: '12mm', spacingM: 0.3 },
      horizontal: { bar: '12mm', spacingM: 0.3 },
      mats: 1,
      coverInsideMm: 40,
      coverOutsideMm: 50,
    },
  ],
  nodes: [
    { id: 'A', xM: 0, yM: 0 },
    { id: 'B', xM: 12, yM: 0 },
    { id: 'C', xM: 12, yM: 9 },
  ],
  runs: [
    {
      id: 'S',
      kind: 'footing',
      type: 'F1',
      from: 'A',
      to: 'B',
      bottomM: 99,
      label: 'South footing',
    },
    { id: 'E', kind: 'footing', type: 'F1', from: 'B', to: 'C', bottomM: 99 },
    {
      id: 'SW',
      kind: 'wall',
      type: 'W1',
      from: 'A',
      to: 'B',
      bottomM: 99.3,
      topM: 101.7,
      openings: [{ kind: 'window', atM: 3, widthM: 1.2, sillM: 0.9, headM: 2.1 }],
    },
  ],
  pads: [
    {
      id: 'P1',
      xM: 6,
      yM: 4,
      widthM: 1.2,
      lengthM: 1.5,
      depthM: 0.4,
      bottomM: 98.9,
      label: 'Chimney',
    },
  ],
  piers: [{ id: 'Q1', xM: 6, yM: 4, diameterM: 0.4, bottomM: 99.3, topM: 100.8 }],
  anchors: [],
  embeds: [],
  plates: [],
});
