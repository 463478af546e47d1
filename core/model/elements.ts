import { counted } from '#core/units';
import { endsOf, runOf } from './geometry.ts';
import { pierWidthM, type Pad, type SitePlan } from './site.ts';

/** What a pour is made of: runs, pads and piers, by one name each. Where it does not matter which, these are asked. */
type Elements = Pick<SitePlan, 'runs' | 'pads' | 'piers'>;

/** A pad or a pier: something that stands at a spot and has no length along a route. Metres. */
export interface Stand {
  id: string;
  kind: 'pad' | 'pier';
  xM: number;
  yM: number;
  widthM: number;
  lengthM: number;
  bottomM: number;
  topM: number;
  type: string;
  label: string | undefined;
}

/** All pads, then all piers. A round pier is as long as it is wide. */
export function standsOf(plan: Pick<SitePlan, 'pads' | 'piers'>): Stand[] {
  return [
    ...plan.pads.map((p): Stand => ({
      id: p.id,
      kind: 'pad',
      xM: p.xM,
      yM: p.yM,
      widthM: p.widthM,
      lengthM: p.lengthM,
      bottomM: p.bottomM,
      topM: p.bottomM + p.depthM,
      type: p.type ?? 'pad',
      label: p.label,
    })),
    ...plan.piers.map((p): Stand => ({
      id: p.id,
      kind: 'pier',
      xM: p.xM,
      yM: p.yM,
      widthM: pierWidthM(p),
      lengthM: p.diameterM ?? p.lengthM ?? 0,
      bottomM: p.bottomM,
      topM: p.topM,
      type: 'pier',
      label: p.label,
    })),
  ];
}

/** Names of everything a pour may be made of, in the order of the file. */
export const elementIds = (plan: Elements): string[] =>
  [...plan.runs, ...plan.pads, ...plan.piers].map((x) => x.id);

/** The type of each element by its name; pads and piers without one are called what they are. */
export const typesByElement = (plan: Elements): Map<string, string> =>
  new Map([
    ...plan.runs.map((r) => [r.id, r.type] as const),
    ...standsOf(plan).map((s) => [s.id, s.type] as const),
  ]);

/** What people on site call each element that has such a name. */
export const labelsByElement = (plan: Elements): Map<string, string> =>
  new Map(
    [...plan.runs, ...plan.pads, ...plan.piers].flatMap((x) =>
      x.label === undefined ? [] : [[x.id, x.label] as const],
    ),
  );

/** The pad that lies under a spot; undefined on bare ground. */
export const padUnder = (pads: Pad[], at: { xM: number; yM: number }): Pad | undefined =>
  pads.find(
    (p) => Math.abs(p.xM - at.xM) <= p.widthM / 2 && Math.abs(p.yM - at.yM) <= p.lengthM / 2,
  );

/** How many runs, pads and piers these are, in words: "4 runs", "1 pad, 1 pier". */
export function elementsText(plan: Elements, ids: readonly string[]): string {
  const own = (list: readonly { id: string }[]) => list.filter((e) => ids.includes(e.id)).length;
  const said = [
    [own(plan.runs), 'run'],
    [own(plan.pads), 'pad'],
    [own(plan.piers), 'pier'],
  ] as const;
  return said
    .filter(([n]) => n > 0)
    .map(([n, noun]) => counted(n, noun))
    .join(', ');
}

/** Where an element lies: the ends of a run, the middle of a pad or pier; nothing where it is not drawn. */
export function elementSpots(site: SitePlan, id: string): { xM: number; yM: number }[] {
  const run = runOf(site, id);
  const ends = run && endsOf(site, run);
  if (ends) return ends;
  const stand = standsOf(site).find((s) => s.id === id);
  return stand ? [{ xM: stand.xM, yM: stand.yM }] : [];
}
