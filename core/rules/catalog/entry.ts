import type { Quantity } from '#core/units';

/** One value of the house that a site may set for itself. */
export interface Entry {
  group:
    | 'Concrete'
    | 'Weather'
    | 'Forms'
    | 'Steel'
    | 'Anchors'
    | 'Set-out'
    | 'Plan'
    | 'Tests'
    | 'How many readings';
  title: string;
  quantity: Quantity | null;
  /** Value and source in the US (ACI) and the metric (EN) profile, in the core's own unit. */
  us: readonly [number, string];
  metric: readonly [number, string];
  /** What makes sense physically; a value outside is refused. */
  least: number;
  most: number;
  fields?: readonly string[];
}

export const TRADE = 'trade practice';
export const rule = (
  group: Entry['group'],
  title: string,
  quantity: Quantity | null,
  us: Entry['us'],
  metric: Entry['metric'],
  [least, most]: readonly [number, number],
  ...fields: string[]
): Entry => ({ group, title, quantity, us, metric, least, most, fields });
export const both = (
  value: number,
  source: string,
): [readonly [number, string], readonly [number, string]] => [
  [value, source],
  [value, source],
];
