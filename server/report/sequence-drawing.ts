import type { SitePlan } from '#core/model';
import { outlinesOf } from '#core/takeoff';

const WIDTH = 240;
const HEIGHT = 150;
const PAD = 16;
const escape = (s: string) => s.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** The pour in plan with its runs numbered as they are gone round. Coordinates are fixed, never text from a file. */
export function sequenceDrawing(site: SitePlan, inOrder: string[]): string {
  const own = outlinesOf(site).filter((o) => inOrder.includes(o.id) && o.ring.length > 2);
  const xs = own.flatMap((o) => o.ring.map((p) => p.x));
  const ys = own.flatMap((o) => o.ring.map((p) => p.y));
  if (xs.length === 0)
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} 1"></svg>`;
  const [x0, y1] = [Math.min(...xs), Math.max(...ys)];
  const scale = Math.min(
    (WIDTH - 2 * PAD) / Math.max(0.1, Math.max(...xs) - x0),
    (HEIGHT - 2 * PAD) / Math.max(0.1, y1 - Math.min(...ys)),
  );
  const at = (p: { x: number; y: number }) => ({
    x: Number((PAD + (p.x - x0) * scale).toFixed(2)),
    y: Number((PAD + (y1 - p.y) * scale).toFixed(2)),
  });
  const shapes = own.map((o) => {
    const ring = o.ring.map(at);
    const cx = ring.reduce((s, p) => s + p.x, 0) / ring.length;
    const cy = ring.reduce((s, p) => s + p.y, 0) / ring.length;
    const turn = inOrder.indexOf(o.id) + 1;
    return `<path d="M${ring.map((p) => `${p.x} ${p.y}`).join('L')}Z" fill="#ddd" stroke="#000" stroke-width="0.8"/><circle cx="${cx}" cy="${cy}" r="7" fill="#000"/><text x="${cx}" y="${cy + 3}" font-size="8" text-anchor="middle" fill="#fff" font-family="Plex">${turn}</text><text x="${cx + 9}" y="${cy - 5}" font-size="8" font-family="Plex">${escape(o.id)}</text>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 ${WIDTH} ${HEIGHT}">${shapes.join('')}</svg>`;
}
