import { type Run, runOf, type SitePlan } from '#core/model';

/**
 * All runs of one kind that hang together with a run, itself among them: a whole ring, in the order
 * they are reached.
 */
export function ringOf(site: SitePlan, id: string): string[] {
  const first = runOf(site, id);
  if (!first) return [];
  const own = site.runs.filter((r) => r.kind === first.kind);
  const found: Run[] = [first];
  const reached = new Set([id]);
  for (const run of found)
    for (const next of own) {
      if (reached.has(next.id)) continue;
      const ends = new Set([run.from, run.to]);
      if (!ends.has(next.from) && !ends.has(next.to)) continue;
      reached.add(next.id);
      found.push(next);
    }
  return found.map((r) => r.id);
}

/** Runs of a kind or of a type, and pads and piers, that are chosen at one press. */
export interface Group {
  label: string;
  ids: string[];
}

/** Every group of a site that is chosen at one press: what no pour has, kinds, then types where a kind has several. */
export function groupsOf(site: SitePlan, left: readonly string[]): Group[] {
  const by = (label: string, keep: (r: Run) => boolean): Group => ({
    label,
    ids: site.runs.filter(keep).map((r) => r.id),
  });
  const types = [...new Set(site.runs.map((r) => r.type))];
  const all = [
    { label: 'all that no pour has', ids: [...left] },
    by('all footings', (r) => r.kind === 'footing'),
    by('all beams', (r) => r.kind === 'gradeBeam'),
    by('all walls', (r) => r.kind === 'wall'),
    { label: 'all pads', ids: site.pads.map((p) => p.id) },
    { label: 'all piers', ids: site.piers.map((p) => p.id) },
    ...(types.length > 1 ? types.map((t) => by(t, (r) => r.type === t)) : []),
  ];
  return all.filter((g) => g.ids.length > 0);
}
