import type { FormSystem } from '../../model/objects.ts';
import { wallHeightM, type Run } from '../../model/site.ts';
import type { Draft, ListContext, Place } from './types.ts';

/** The form system of the pour, when the site names one. */
export const formSystemOf = ({
  site,
  pour,
}: {
  site: ListContext['site'];
  pour: Pick<ListContext['pour'], 'forms'>;
}): FormSystem | undefined => site.formSystems.find((f) => f.mark === pour.forms);

/** Joints between panels along a run: a panel's width apart, the last one short. */
export function panelJoints(lengthM: number, panelWidthM: number): number[] {
  const n = Math.max(1, Math.ceil(lengthM / panelWidthM - 1e-9));
  return Array.from({ length: n - 1 }, (_, i) => (i + 1) * panelWidthM);
}
/** Braces along a run: one within half a spacing of each end, none further apart than the spacing. */
export function bracePlaces(lengthM: number, spacingM: number): number[] {
  const n = Math.max(2, Math.ceil(lengthM / spacingM - 1e-9));
  return Array.from({ length: n }, (_, i) => (lengthM * (i + 0.5)) / n);
}

/** The bracing round of a wall: ties of every joint, walers, and every brace with its lean. */
export function formDrafts(run: Run, lengthM: number, c: ListContext): Draft[] {
  const f = formSystemOf(c);
  if (!f) return [];
  const heightM = wallHeightM(run);
  const at = (atM: number, upM: number, label: string): Place => ({
    atM,
    across: 'middle',
    upM,
    label,
  });
  const maker = `${f.label ?? f.mark}, the maker’s count`;
  const out: Draft[] = [];
  const joints = panelJoints(lengthM, f.panelWidthM);
  if (joints.length)
    out.push({
      kind: 'ties',
      title: 'Ties at each joint',
      trade: 'forms',
      wanted: { type: 'count', wanted: f.tiesPerJoint, unit: 'ties' },
      places: joints.map((x, i) => at(x, heightM * 0.5, `joint ${i + 1}`)),
      why: 'every joint',
      source: maker,
      advice:
        'Put the missing tie in and drive both wedges. Fewer than the maker says needs a reason on record.',
      round: 'forms',
    });
  if (f.walers > 0)
    out.push({
      kind: 'walers',
      title: 'Walers',
      trade: 'forms',
      wanted: { type: 'count', wanted: f.walers, unit: 'walers' },
      places: [at(lengthM / 2, heightM * 0.4, 'walers')],
      why: 'one count a run',
      source: maker,
      advice: 'Set the missing waler; the bottom ones carry most.',
      round: 'forms',
    });
  if (f.brace) {
    const lean = c.rules.leanIn;
    out.push({
      kind: 'braces',
      title: f.brace.pushOnly ? 'Braces, wall leaning in' : 'Braces, wall off the string',
      trade: 'forms',
      places: bracePlaces(lengthM, f.brace.spacingM).map((x, i) =>
        at(x, Math.min(heightM, f.brace?.attachM ?? heightM), `brace ${i + 1}`),
      ),
      why: 'every brace',
      // A brace that only pushes can push a wall out, and not pull it in: it starts leaning in. Inward is negative.
      wanted: f.brace.pushOnly
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
            minusMm: c.rules.plumb.minusMm,
            plusMm: c.rules.plumb.plusMm,
          },
      source: f.brace.pushOnly
        ? 'push-only braces: set leaning in, pushed out to the string'
        : maker,
      toleranceSource: f.brace.pushOnly ? lean.source : c.rules.plumb.source,
      advice: 'Turn the brace as the round says, and read the string again.',
      round: 'forms',
    });
  }
  return out;
}
