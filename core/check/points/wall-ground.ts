import { type Run, wallHeightM } from '#core/model';
import type { Draft, ListContext, Place } from './types.ts';

/** A wall that stands out of the ground by more than this is no foundation wall any more, m. */
const FOUNDATION_M = 1.5;

/** Room that there has to be at least, measured half way along. */
const roomDraft = (
  d: Pick<Draft, 'kind' | 'title' | 'trade' | 'advice'>,
  need: { leastM: number; source: string },
  place: Place,
): Draft => ({
  ...d,
  wanted: { type: 'size', what: 'room', wantedMm: need.leastM * 1000, minusMm: 0, plusMm: null },
  places: [place],
  source: need.source,
  toleranceSource: need.source,
});

/**
 * Room to set walers and wedges in the hole, the top of the wall above the ground, and the height
 * of a crawl space inside it.
 */
export function groundDrafts(run: Run, lengthM: number, { site, rules: r }: ListContext): Draft[] {
  if (run.topM === undefined) return [];
  const grade = site.ground?.gradeM;
  const heightM = wallHeightM(run);
  const at = (across: Place['across'], upM: number): Place => ({ atM: lengthM / 2, across, upM });
  const drafts: Draft[] = [];
  // Nobody has said how high the ground is: then it is looked at, not left out.
  const why = grade === undefined ? { why: 'no grade is given' } : {};
  if (grade === undefined || grade - run.bottomM > 0.3) {
    const advice = 'Dig the side back: walers and wedges cannot be set in a tight hole.';
    const what = { kind: 'room', title: 'Room beside the forms', trade: 'ground', advice } as const;
    drafts.push({ ...roomDraft(what, r.workingRoom, at('right', 0)), ...why, danger: 'trench' });
  }
  const out = grade === undefined ? FOUNDATION_M / 2 : run.topM - grade;
  if (out > 0 && out < FOUNDATION_M) {
    const advice = 'Raise the line, or have the grade lowered: ask before either.';
    const title = 'Top line above the ground';
    const what = { kind: 'above-grade', title, trade: 'forms', advice } as const;
    const framed = site.plates.some((p) => p.elementId === run.id) || run.crawl;
    const need = framed ? r.aboveGrade : r.aboveGradeBare;
    drafts.push({ ...roomDraft(what, need, at('right', heightM)), ...why });
  }
  if (run.crawl) {
    const { groundM, joistsM } = run.crawl;
    const advice =
      joistsM - groundM < r.crawl.leastM - 1e-9
        ? 'The drawing itself leaves too little: ask before the line is snapped.'
        : 'From the ground inside to the joists, 12 in (0.3 m) to a girder: dig down, or ask to raise the line.';
    const what = { kind: 'crawl', title: 'Crawl height', trade: 'ground', advice } as const;
    const upM = Math.min(heightM, Math.max(0, groundM - run.bottomM));
    drafts.push(roomDraft(what, r.crawl, at('left', upM)));
  }
  return drafts;
}
