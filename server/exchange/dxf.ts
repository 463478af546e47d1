import { DxfWriter, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { angleOf, endsOf, type SitePlan, type Spot } from '#core/model';
import { footingTopM } from '#core/siteplan';
import { outlinesOf } from '#core/takeoff';
import { level, textOf } from '#core/units';

/** Layer names a drawing program takes: no more than letters, digits, dash and underscore. */
const layerName = (s: string): string => s.replace(/[^\w-]+/g, '-').toUpperCase();

/** Height of names and of levels beside them, m. */
const NAME_M = 0.2;
const LEVEL_M = 0.12;

type Run = SitePlan['runs'][number];
type Layer = (name: string, colour: number) => void;

/** A place along a run and to its left; null where a node of it is missing. */
function spotOn(site: SitePlan, run: Run, atM: number, acrossM = 0): Spot | null {
  const from = endsOf(site, run)?.[0];
  if (!from) return null;
  const a = angleOf(site, run);
  return {
    xM: from.xM + atM * Math.cos(a) - acrossM * Math.sin(a),
    yM: from.yM + atM * Math.sin(a) + acrossM * Math.cos(a),
  };
}

/** A name, and under it top and bottom in the site's own way of saying levels. */
function named(
  dxf: DxfWriter,
  on: Layer,
  site: SitePlan,
  at: Spot,
  of: { name: string; topM: number; bottomM: number },
): void {
  on('NAMES', 7);
  dxf.addText(point3d(at.xM, at.yM), NAME_M, of.name);
  on('LEVELS', 3);
  const says = `top ${textOf(level(of.topM, site.units))}, bottom ${textOf(level(of.bottomM, site.units))}`;
  dxf.addText(point3d(at.xM, at.yM - NAME_M), LEVEL_M, says);
}

/** Openings as the stretch they take of their wall, with their mark. */
function openings(dxf: DxfWriter, on: Layer, site: SitePlan, run: Run): void {
  for (const o of run.openings) {
    const [a, b] = [spotOn(site, run, o.atM), spotOn(site, run, o.atM + o.widthM)];
    if (!a || !b) continue;
    on('OPENINGS', 4);
    dxf.addLine(point3d(a.xM, a.yM), point3d(b.xM, b.yM));
    dxf.addText(point3d(a.xM, a.yM), LEVEL_M, `${o.kind}${o.mark ? ` ${o.mark}` : ''}`);
  }
}

/**
 * Pads and piers as a point in their middle, pads on a layer for each type: their sides are on the
 * layer of outlines.
 */
function stands(dxf: DxfWriter, on: Layer, site: SitePlan): void {
  for (const p of [...site.pads, ...site.piers]) {
    const bare = 'depthM' in p ? 'PAD' : 'PIER';
    const pad = 'type' in p && p.type ? `PAD-${p.type}` : bare;
    on(layerName(pad), 6);
    dxf.addPoint(p.xM, p.yM, 0);
    const topM = 'depthM' in p ? p.bottomM + p.depthM : p.topM;
    named(dxf, on, site, p, { name: p.id, topM, bottomM: p.bottomM });
  }
}

/** Bolts, hold-downs and dowels where they stand, each kind on its layer. */
function anchors(dxf: DxfWriter, on: Layer, site: SitePlan): void {
  for (const a of site.anchors) {
    const run = site.runs.find((r) => r.id === a.elementId);
    const pad = site.pads.find((p) => p.id === a.elementId);
    // On a pad the place counts from its west edge, and across from its middle.
    const at = run
      ? spotOn(site, run, a.atM, a.acrossM)
      : pad && { xM: pad.xM - pad.widthM / 2 + a.atM, yM: pad.yM + (a.acrossM ?? 0) };
    if (!at) continue;
    on(layerName(`ANCHOR-${a.kind}`), 2);
    dxf.addCircle(point3d(at.xM, at.yM), a.diameterMm / 2000);
  }
}

/**
 * The plan as a drawing in metres: centre lines on a layer for each type, so that it can come back;
 * beside them outlines, names, levels, openings, pads by type and anchors.
 */
export function planDxf(site: SitePlan): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Meters);
  const layers = new Set<string>();
  const onLayer = (name: string, colour: number) => {
    if (!layers.has(name)) {
      layers.add(name);
      dxf.addLayer(name, colour, 'CONTINUOUS');
    }
    dxf.setCurrentLayerName(name);
  };
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  for (const r of site.runs) {
    const [a, b] = [nodes.get(r.from), nodes.get(r.to)];
    if (!a || !b) continue;
    onLayer(
      layerName(`${r.kind === 'wall' ? 'WALL' : 'FOOTING'}-${r.type}`),
      r.kind === 'wall' ? 1 : 5,
    );
    dxf.addLine(point3d(a.xM, a.yM), point3d(b.xM, b.yM));
    named(
      dxf,
      onLayer,
      site,
      { xM: (a.xM + b.xM) / 2, yM: (a.yM + b.yM) / 2 },
      {
        name: r.id,
        topM: r.kind === 'wall' ? (r.topM ?? r.bottomM) : footingTopM(site, r),
        bottomM: r.bottomM,
      },
    );
    openings(dxf, onLayer, site, r);
  }
  stands(dxf, onLayer, site);
  anchors(dxf, onLayer, site);
  onLayer('OUTLINE', 8);
  for (const o of outlinesOf(site))
    dxf.addLWPolyline(
      o.ring.map((p) => ({ point: point2d(p.x, p.y) })),
      { flags: 1 },
    );
  return dxf.stringify();
}
