import { check } from './check.ts';
import { cure } from './cure.ts';
import { plan } from './plan.ts';
import { pour } from './pour.ts';
import { setout } from './setout.ts';
import { STAGE_IDS, type StageId } from './ids.ts';
import type { NextLine, PourNow, Stage } from './stage.ts';

export type { StageId } from './ids.ts';

/** A station by its id. */
export const STAGE: Record<StageId, Stage> = { setout, check, plan, pour, cure };
/** The stations of a pour in their order. */
export const STAGES: readonly Stage[] = STAGE_IDS.map((id) => STAGE[id]);

const closedLine = (v: PourNow): NextLine => ({
  sentence: `${v.record.pour.code} is closed, its log is whole. The report holds all of it.`,
  label: 'Report',
  stage: 'cure',
  focus: { sheet: 'report' },
});

/** Nobody has ordered it; or, where it is mixed on the site, nobody has said how much. */
const nothingOrdered = ({ plant, order, record }: PourNow): boolean =>
  plant.mixer ? record.pour.settings.orderM3 === null : order.state === 'none';
const ORDER: NextLine = {
  sentence: 'Everything is checked. Not ordered: nothing is coming.',
  label: 'Plan',
  stage: 'plan',
  focus: {},
};
const PLACED: NextLine = {
  sentence: 'Everything is placed.',
  label: 'Cure',
  stage: 'cure',
  focus: {},
};

/** The next line of the whole pour; each station shows its own first. */
export function nextLine(v: PourNow, here: StageId): NextLine {
  if (v.closed) return closedLine(v);
  return (
    STAGE[here].next(v) ??
    cure.next(v) ??
    (v.progress.startedMs !== null ? pour.next(v) : null) ??
    check.next(v) ??
    (nothingOrdered(v) ? ORDER : null) ??
    pour.next(v) ??
    PLACED
  );
}
