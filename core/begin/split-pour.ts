import { type PourDoc, runOf, type SitePlan } from '#core/model';
import { applyEdit, type Drawn, drawnOf, EditRefused } from '#core/siteplan';

/** Where a pour is cut in two: after an element of its route, or in a run so far from its first node. */
export interface PourCut {
  element: string;
  /** Metres along a run from its first node; left out, the element stays whole on this side. */
  atM?: number;
}

/** A pour in two: the drawing with both, and the second of them. */
export interface SplitPour {
  plan: Drawn;
  pour: PourDoc;
}

/**
 * Cuts a pour at a bulkhead: what lies after it on the route becomes a pour of its own, with the
 * same mix, plant, forms, hold points and settings, without a date.
 * @throws EditRefused when nothing would be left on one side, or the run cannot be cut there
 */
export function splitPour(
  site: SitePlan,
  pours: readonly PourDoc[],
  code: string,
  cut: PourCut,
  newCode: string,
): SplitPour {
  const pour = pours.find((p) => p.code === code);
  if (!pour) throw new EditRefused(`There is no pour ${code}.`);
  if (pours.some((p) => p.code === newCode)) throw new EditRefused(`${newCode} is taken.`);
  const before = drawnOf(site, [...pours]);
  const run = runOf(site, cut.element);
  const inRun = cut.atM !== undefined && run;
  const plan = inRun
    ? applyEdit(site, before, { do: 'splitRun', id: cut.element, atM: cut.atM ?? 0 })
    : before;
  const route = plan.pours.find((p) => p.code === code)?.elements ?? [];
  const end = route.indexOf(cut.element);
  if (end < 0) throw new EditRefused(`${cut.element} is not in ${code}.`);
  const [first, second] = [route.slice(0, end + 1), route.slice(end + 1)];
  if (second.length === 0) throw new EditRefused(`Nothing of ${code} lies after ${cut.element}.`);
  const gone = new Set(first);
  const { cancelled: _c, archived: _a, ...rest } = pour;
  return {
    plan: {
      ...plan,
      pours: [
        ...plan.pours.map((p) => (p.code === code ? { ...p, elements: first } : p)),
        { code: newCode, elements: second, forms: pour.forms ?? null },
      ],
    },
    pour: {
      ...rest,
      code: newCode,
      title: `${pour.title}, second part`.slice(0, 80),
      date: null,
      elements: second,
      settings: {
        ...pour.settings,
        startAt: 0,
        sequence: [],
        turned: [],
        bulkheads: pour.settings.bulkheads.filter((b) => !gone.has(b.element)),
        liftsByElement: Object.fromEntries(
          Object.entries(pour.settings.liftsByElement).filter(([id]) => !gone.has(id)),
        ),
        orderM3: null,
        leftOver: null,
      },
    },
  };
}
