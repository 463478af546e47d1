import { DxfWriter, point2d, point3d, Units } from '@tarikjabiri/dxf';
import type { SitePlan } from '../../core/model/site.ts';
import { outlinesOf } from '../../core/takeoff/outline.ts';

/** Layer names a drawing program takes: no more than letters, digits, dash and underscore. */
const layerName = (s: string): string => s.replace(/[^\w-]+/g, '-').toUpperCase();

/** The plan as a drawing in metres: centre lines on a layer for each type, so that it can come back; outlines and names beside. */
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
    onLayer('NAMES', 7);
    dxf.addText(point3d((a.xM + b.xM) / 2, (a.yM + b.yM) / 2), 0.2, r.id);
  }
  onLayer('OUTLINE', 8);
  for (const o of outlinesOf(site))
    dxf.addLWPolyline(
      o.ring.map((p) => ({ point: point2d(p.x, p.y) })),
      { flags: 1 },
    );
  return dxf.stringify();
}
