import { distanceText, isTimeZone } from '#core/units';
import { RANGES } from './ranges.ts';
import { pierWidthM, sitePlanShape, type SitePlan } from './site.ts';

interface IssueSink {
  addIssue(issue: { code: 'custom'; path: (string | number)[]; message: string }): void;
}

function checkRun(
  site: SitePlan,
  nodes: Map<string, SitePlan['nodes'][number]>,
  i: number,
  say: (path: (string | number)[], message: string) => void,
): void {
  const run = site.runs[i];
  if (!run) return;
  const at = (field: string) => ['runs', i, field];
  const [from, to] = [nodes.get(run.from), nodes.get(run.to)];
  if (!from) say(at('from'), `names node ${run.from}, which is not in nodes`);
  if (!to) say(at('to'), `names node ${run.to}, which is not in nodes`);
  const lengthM = from && to ? Math.hypot(to.xM - from.xM, to.yM - from.yM) : 0;
  if (from && to && lengthM < 1e-6)
    say(at('to'), 'stands on the node the run comes from: the run has no length');
  if (lengthM > RANGES.runLength.most + 1e-9)
    say(
      at('to'),
      `is ${distanceText(lengthM, site.units)} from its other end: a run is at most ${distanceText(RANGES.runLength.most, site.units)}`,
    );
  const highM = (run.topM ?? run.bottomM) - run.bottomM;
  if (highM > (run.kind === 'wall' ? RANGES.wallHeight : RANGES.footingDepth).most + 1e-9)
    say(
      at('topM'),
      `is ${distanceText(highM, site.units)} above the bottom: at most ${distanceText((run.kind === 'wall' ? RANGES.wallHeight : RANGES.footingDepth).most, site.units)}`,
    );
  const list = run.kind === 'wall' ? site.wallTypes : site.footingTypes;
  if (!list.some((t) => t.mark === run.type))
    say(
      at('type'),
      `names ${run.type}, which is not a ${run.kind === 'wall' ? 'wall' : 'footing'} type`,
    );
  if (run.kind === 'wall' && run.topM === undefined)
    say(at('topM'), 'is missing: a wall needs the level of its top');
  if (run.topM !== undefined && run.topM <= run.bottomM) say(at('topM'), 'is not above bottomM');
  if (run.crawl && run.crawl.joistsM <= run.crawl.groundM)
    say([...at('crawl'), 'joistsM'], 'is not above groundM');
  run.openings.forEach((o, k) => {
    const inOpening = (field: string) => ['runs', i, 'openings', k, field];
    if (o.headM <= o.sillM) say(inOpening('headM'), 'is not above sillM');
    if (run.kind === 'wall' && run.topM !== undefined && o.headM > highM + 1e-6)
      say(inOpening('headM'), 'is above the top of its wall');
    const over = run.openings.findIndex(
      (p, n) =>
        n < k &&
        Math.min(p.atM + p.widthM, o.atM + o.widthM) - Math.max(p.atM, o.atM) > 1e-6 &&
        Math.min(p.headM, o.headM) - Math.max(p.sillM, o.sillM) > 1e-6,
    );
    if (over >= 0) say(inOpening('atM'), `overlaps opening ${over}`);
    if (o.kind === 'pocket' && o.depthM === undefined)
      say(inOpening('depthM'), 'is missing: a pocket needs its depth');
    if (from && to && o.atM + o.widthM > lengthM + 1e-9)
      say(inOpening('atM'), 'with widthM runs past the end of its run');
  });
}

function checkDoubles(
  list: { id: string }[],
  name: string,
  taken: Set<string>,
  say: (path: (string | number)[], message: string) => void,
): void {
  list.forEach((x, i) => {
    if (taken.has(x.id)) say([name, i, 'id'], `${x.id} is used twice`);
    taken.add(x.id);
  });
}

/** Nothing stands past the end of what carries it. */
function checkPlaces(
  site: SitePlan,
  say: (path: (string | number)[], message: string) => void,
): void {
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  const length = new Map<string, number>();
  for (const r of site.runs) {
    const [a, b] = [nodes.get(r.from), nodes.get(r.to)];
    if (a && b) length.set(r.id, Math.hypot(b.xM - a.xM, b.yM - a.yM));
  }
  for (const p of site.pads) length.set(p.id, p.widthM);
  for (const p of site.piers) length.set(p.id, pierWidthM(p));
  const past = (id: string, atM: number) => atM > (length.get(id) ?? Infinity) + 1e-6;
  site.anchors.forEach((a, i) => {
    if (past(a.elementId, a.atM)) say(['anchors', i, 'atM'], `is past the end of ${a.elementId}`);
  });
  site.embeds.forEach((e, i) => {
    if (past(e.elementId, e.toM ?? e.atM))
      say(['embeds', i, e.toM === undefined ? 'atM' : 'toM'], `is past the end of ${e.elementId}`);
    if (e.toM !== undefined && e.toM <= e.atM) say(['embeds', i, 'toM'], 'is not beyond atM');
  });
  site.plates.forEach((p, i) => {
    if (p.toM <= p.fromM) say(['plates', i, 'toM'], 'is not beyond fromM');
    if (past(p.elementId, p.toM)) say(['plates', i, 'toM'], `is past the end of ${p.elementId}`);
  });
  const systems = new Set<string>();
  site.formSystems.forEach((f, i) => {
    if (systems.has(f.mark)) say(['formSystems', i, 'mark'], `${f.mark} is used twice`);
    systems.add(f.mark);
  });
}

/** References, doubles, and levels: everything that needs more than one field to judge. */
export function checkSitePlan(site: SitePlan, ctx: IssueSink): void {
  const say = (path: (string | number)[], message: string) => {
    ctx.addIssue({ code: 'custom', path, message });
  };
  if (!isTimeZone(site.timeZone))
    say(
      ['timeZone'],
      `${site.timeZone} is not a time zone this machine knows (as in America/Chicago)`,
    );
  checkDoubles(site.nodes, 'nodes', new Set(), say);
  const elements = new Set<string>();
  checkDoubles(site.runs, 'runs', elements, say);
  checkDoubles(site.pads, 'pads', elements, say);
  checkDoubles(site.piers, 'piers', elements, say);
  const marks = new Set<string>();
  site.footingTypes.forEach((t, i) => {
    if (marks.has(t.mark)) say(['footingTypes', i, 'mark'], `${t.mark} is used twice`);
    marks.add(t.mark);
  });
  site.wallTypes.forEach((t, i) => {
    if (marks.has(t.mark)) say(['wallTypes', i, 'mark'], `${t.mark} is used twice`);
    marks.add(t.mark);
  });
  site.wallTypes.forEach((t, i) => {
    if (t.ledge && t.ledge.widthM >= t.thicknessM)
      say(['wallTypes', i, 'ledge', 'widthM'], `is not narrower than the wall, ${t.mark}`);
  });
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  site.runs.forEach((_, i) => {
    checkRun(site, nodes, i, say);
  });
  site.piers.forEach((p, i) => {
    if (p.topM <= p.bottomM) say(['piers', i, 'topM'], 'is not above bottomM');
    if (p.diameterM === undefined && (p.widthM === undefined || p.lengthM === undefined))
      say(
        ['piers', i, 'diameterM'],
        'is missing: a pier is round (diameterM) or square (widthM and lengthM)',
      );
  });
  for (const list of ['anchors', 'plates', 'embeds'] as const) {
    site[list].forEach((o, i) => {
      if (!elements.has(o.elementId))
        say([list, i, 'elementId'], `names ${o.elementId}, which is not a run, pad or pier`);
    });
    checkDoubles(site[list], list, new Set(), say);
  }
  checkPlaces(site, say);
}

export const sitePlanSchema = sitePlanShape.superRefine(checkSitePlan);
