import type { Underlay } from '../../contract/index.ts';
import type { PointState, Verdict } from '#core/check';
import type { SitePlan } from '#core/model';
import { outlinesOf } from '#core/takeoff';

const WIDTH = 500;
const HEIGHT = 250;
const PAD = 26;

/** Marks as shapes, so that they read in black and white: the same forms as on the screens. */
function mark(verdict: Verdict, x: number, y: number): string {
  if (verdict === 'unread')
    return `<circle cx="${x}" cy="${y}" r="3.4" fill="#fff" stroke="#000" stroke-width="1.1"/>`;
  if (verdict === 'out')
    return `<path d="M${x} ${y - 5}L${x + 5} ${y}L${x} ${y + 5}L${x - 5} ${y}Z" fill="#000"/>`;
  if (verdict === 'held')
    return `<path d="M${x - 4} ${y - 4}h3v8h-3zM${x + 1} ${y - 4}h3v8h-3z" fill="#000"/>`;
  if (verdict === 'waived')
    return `<circle cx="${x}" cy="${y}" r="3.4" fill="#fff" stroke="#000" stroke-width="1.1"/><path d="M${x - 2} ${y}h4" stroke="#000" stroke-width="1.2"/>`;
  if (verdict === 'tight')
    return `<circle cx="${x}" cy="${y}" r="4" fill="#000"/><circle cx="${x + 2.6}" cy="${y - 2.6}" r="2.2" fill="#fff"/>`;
  return `<circle cx="${x}" cy="${y}" r="4" fill="#000"/>`;
}

/** A picture that lies under the plan, as a data address. */
export interface UnderPlan extends Pick<Underlay, 'xM' | 'yM' | 'mPerPx' | 'turnDeg'> {
  href: string;
  width: number;
  height: number;
}

/**
 * The pour in plan, black on white, with each run's worst verdict at its middle; under it the
 * drawing, where that is wanted. Coordinates are fixed, never text from a file.
 */
export function planDrawing(
  site: SitePlan,
  elements: string[],
  points: PointState[],
  under?: UnderPlan | null,
): string {
  const own = outlinesOf(site).filter((o) => elements.includes(o.id) && o.ring.length > 2);
  const xs = own.flatMap((o) => o.ring.map((p) => p.x));
  const ys = own.flatMap((o) => o.ring.map((p) => p.y));
  if (xs.length === 0)
    return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} 1"></svg>`;
  const x0 = Math.min(...xs);
  const y1 = Math.max(...ys);
  const scale = Math.min(
    (WIDTH - 2 * PAD) / (Math.max(...xs) - x0),
    (HEIGHT - 2 * PAD) / (y1 - Math.min(...ys)),
  );
  const at = (p: { x: number; y: number }) => ({
    x: Number((PAD + (p.x - x0) * scale).toFixed(2)),
    y: Number((PAD + (y1 - p.y) * scale).toFixed(2)),
  });
  const escape = (s: string) => s.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`);
  const order: Verdict[] = ['out', 'unread', 'tight', 'good', 'waived'];
  const shapes = own.map((o) => {
    const ring = o.ring.map(at);
    const cx = ring.reduce((s, p) => s + p.x, 0) / ring.length;
    const cy = ring.reduce((s, p) => s + p.y, 0) / ring.length;
    const verdicts = points.filter((p) => p.point.elementId === o.id).map((p) => p.verdict);
    const worst = order.find((v) => verdicts.includes(v)) ?? 'unread';
    return `<path d="M${ring.map((p) => `${p.x} ${p.y}`).join('L')}Z" fill="none" stroke="#000" stroke-width="1"/>${mark(worst, cx, cy)}<text x="${cx + 8}" y="${cy - 6}" font-size="9" font-family="Plex">${escape(o.id)}</text>`;
  });
  const corner = under && at({ x: under.xM, y: under.yM });
  const picture =
    under && corner
      ? `<defs><clipPath id="sheet"><rect width="${WIDTH}" height="${HEIGHT}"/></clipPath></defs><g clip-path="url(#sheet)"><g transform="translate(${corner.x} ${corner.y}) rotate(${-under.turnDeg}) scale(${scale * under.mPerPx})"><image width="${under.width}" height="${under.height}" xlink:href="${under.href}" opacity="0.5"/></g></g>`
      : '';
  return `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 ${WIDTH} ${HEIGHT}">${picture}${shapes.join('')}</svg>`;
}
