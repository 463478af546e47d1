/**
 * Cautions, one line each, by the danger they are about. Jactum replaces no engineer, inspector,
 * maker's manual or local code; where they differ, they rule.
 */
const CAUTIONS = {
  trench:
    'Trenches bury people. Nobody goes in before it is sloped or shored and looked at, again after rain.',
  bars: 'Uncapped bars impale. Cap every upright before anybody works above it.',
  forms:
    'Forms fail at the bottom and without warning. Nobody stands in the line of a wall under pour.',
  outriggers:
    'Outriggers sink. Keep back from the edge, mats under every foot; trucks are backed by somebody who is seen.',
  wires: 'Booms touch wires. The distance of your local rules counts, also with the boom folded.',
  drilling:
    'Drilling dust harms lungs, glue burns skin: mask, glasses, gloves. The glue maker’s manual rules.',
  oil: 'Release agent irritates skin and eyes: gloves and glasses on.',
} as const;
export type Danger = keyof typeof CAUTIONS;

/** The caution that bears on a check; null where none does. */
export const cautionOf = (point: { danger?: Danger }): string | null =>
  point.danger ? CAUTIONS[point.danger] : null;
