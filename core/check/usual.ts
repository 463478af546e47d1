import type { PourDoc, SitePlan } from '#core/model';

/** A size of a pour that nobody has read off a drawing or a maker's sheet yet. */
export interface UsualSize {
  /** The type, the forms, or the pad. */
  mark: string;
  /** The first element it bears on. */
  elementId: string;
}

/** What of a pour stands only as is usual, in the order of its route; forms last, where it has walls. */
export function usualSizes(site: SitePlan, pour: Pick<PourDoc, 'elements' | 'forms'>): UsualSize[] {
  const own = new Set(pour.elements);
  const runs = site.runs.filter((r) => own.has(r.id));
  const types = [...site.footingTypes, ...site.wallTypes].filter((t) => t.usual);
  const walls = runs.find((r) => r.kind === 'wall');
  const forms = site.formSystems.find((f) => f.mark === pour.forms && f.usual);
  return [
    ...types.flatMap((t) => {
      const run = runs.find((r) => r.type === t.mark);
      return run ? [{ mark: t.mark, elementId: run.id }] : [];
    }),
    ...site.pads
      .filter((p) => p.usual && own.has(p.id))
      .map((p) => ({ mark: p.id, elementId: p.id })),
    ...(forms && walls ? [{ mark: forms.mark, elementId: walls.id }] : []),
  ];
}
