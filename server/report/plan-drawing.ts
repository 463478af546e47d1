import type { Underlay } from '../../contract/index.ts';
import type { PointState, Verdict } from '#core/check';
import type { SitePlan } from '#core/model';
import { escaped, type PlanFrame, planFrame } from './plan-frame.ts';

const PAPER = { width: 500, height: 250, pad: 26 };

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

const SVG = 'svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"';
/** With more than this there is no room for a name each, and what is unread has no mark. */
const MOST_NAMED = 150;
/** What stands at the middle of a run, the worst first. */
const WORST_FIRST: Verdict[] = ['out', 'unread', 'tight', 'good', 'waived'];

/** The worst verdict of each element. */
function worstOf(points: readonly PointState[]): Map<string, Verdict> {
  const worst = new Map<string, Verdict>();
  const rank = (v: Verdict) => WORST_FIRST.indexOf(v);
  for (const { point, verdict } of points) {
    if (rank(verdict) < 0) continue;
    const before = worst.get(point.elementId);
    if (before === undefined || rank(verdict) < rank(before)) worst.set(point.elementId, verdict);
  }
  return worst;
}

/** The drawing that lies under the plan. */
function pictureUnder(under: UnderPlan, { at, scale }: PlanFrame): string {
  const corner = at({ x: under.xM, y: under.yM });
  const place = `translate(${corner.x} ${corner.y}) rotate(${-under.turnDeg}) scale(${scale * under.mPerPx})`;
  const size = `width="${under.width}" height="${under.height}"`;
  return [
    `<defs><clipPath id="sheet"><rect width="${PAPER.width}" height="${PAPER.height}"/></clipPath></defs>`,
    `<g clip-path="url(#sheet)"><g transform="${place}">`,
    `<image ${size} xlink:href="${under.href}" opacity="0.5"/></g></g>`,
  ].join('');
}

/**
 * The pour in plan, black on white, with each run's worst verdict at its middle; under it the
 * drawing, where that is wanted.
 */
export function planDrawing(
  site: SitePlan,
  elements: readonly string[],
  points: readonly PointState[],
  under?: UnderPlan | null,
): string {
  const { width, height } = PAPER;
  const frame = planFrame(site, elements, PAPER);
  if (!frame) return `<${SVG} viewBox="0 0 ${width} 1"></svg>`;
  const worst = worstOf(points);
  const outlines = `<path d="${frame.parts.map((p) => p.path).join('')}" fill="none" stroke="#000" stroke-width="1"/>`;
  const crowded = frame.parts.length > MOST_NAMED;
  const marks = frame.parts.flatMap(({ id, middle: { x, y } }) => {
    const verdict = worst.get(id) ?? 'unread';
    return crowded && verdict === 'unread' ? [] : [mark(verdict, x, y)];
  });
  const names = crowded
    ? []
    : frame.parts.map(
        ({ id, middle: { x, y } }) =>
          `<text x="${x + 8}" y="${y - 6}" font-size="9" font-family="Plex">${escaped(id)}</text>`,
      );
  const picture = under ? pictureUnder(under, frame) : '';
  return `<${SVG} width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${picture}${outlines}${marks.join('')}${names.join('')}</svg>`;
}
