import { bracePlaces, formSystemOf, tieJoints, tiesAtJoint, walerRows } from '#core/formwork';
import { type FormSystem, type Run, wallHeightM } from '#core/model';
import { look, off } from './places.ts';
import type { Draft, ListContext, Place } from './types.ts';

const at = (atM: number, upM: number, label: string): Place => ({
  atM,
  across: 'middle',
  upM,
  label,
});

/** The bracing round of a wall: ties of every joint, walers, and every brace with its lean. */
export function formDrafts(run: Run, lengthM: number, c: ListContext): Draft[] {
  const f = formSystemOf(c);
  if (!f) return [];
  const heightM = wallHeightM(run);
  const maker = `${f.label ?? f.mark}, the maker’s count`;
  const out: Draft[] = [];
  if (f.kind === 'foam')
    out.push(
      look(
        'courses',
        'Foam courses',
        'forms',
        'Blocks locked course on course, joints set off, webs in line; cut joints, corners and steps strapped or glued; nothing bulges.',
        [at(lengthM / 2, heightM * 0.5, 'courses')],
      ),
    );
  const ties = tiesAtJoint(f, heightM);
  const joints = ties > 0 ? tieJoints(c.site, c.pour, run, lengthM, f.panelWidthM) : [];
  if (joints.length)
    out.push({
      kind: 'ties',
      title: 'Ties at each joint',
      trade: 'forms',
      wanted: { type: 'count', wanted: ties, unit: 'ties' },
      places: joints.map((x) => at(x.atM, heightM * 0.5, x.label)),
      why: 'every joint and corner piece',
      source: maker,
      advice:
        'Put the missing tie in and drive both wedges. Fewer than the maker says needs a reason on record.',
      round: 'forms',
      danger: 'forms',
    });
  const walers = walerRows(f, heightM);
  if (walers > 0)
    out.push({
      kind: 'walers',
      title: 'Walers',
      trade: 'forms',
      wanted: { type: 'count', wanted: walers, unit: 'walers' },
      places: [at(lengthM / 2, heightM * 0.4, 'walers')],
      why: 'one count a run',
      source: maker,
      advice: 'Set the missing waler; the bottom ones carry most.',
      round: 'forms',
      danger: 'forms',
    });
  if (f.brace) out.push(braceDraft(f.brace, lengthM, heightM, maker, c));
  return out;
}

/** Every brace, read against the string. */
function braceDraft(
  brace: NonNullable<FormSystem['brace']>,
  lengthM: number,
  heightM: number,
  maker: string,
  c: ListContext,
): Draft {
  const lean = c.rules.leanIn;
  const plumb = c.rules.plumb(heightM * 1000);
  return {
    kind: 'braces',
    title: brace.pushOnly ? 'Braces, wall leaning in' : 'Braces, wall off the string',
    trade: 'forms',
    places: bracePlaces(lengthM, brace.spacingM).map((x, i) =>
      at(x, Math.min(heightM, brace.attachM ?? heightM), `brace ${i + 1}`),
    ),
    why: 'every brace',
    // A brace that only pushes can push a wall out, and not pull it in: it starts leaning in. Inward is negative.
    wanted: brace.pushOnly
      ? {
          type: 'size',
          what: 'lean',
          wantedMm: -lean.wantedMm,
          minusMm: lean.moreMm,
          plusMm: lean.wantedMm,
        }
      : {
          type: 'size',
          what: 'plumb',
          wantedMm: 0,
          ...off(plumb),
        },
    source: brace.pushOnly ? 'push-only braces: set leaning in, pushed out to the string' : maker,
    toleranceSource: brace.pushOnly ? lean.source : plumb.source,
    advice: 'Turn the brace as the round says, and read the string again.',
    round: 'forms',
    danger: 'forms',
  };
}
