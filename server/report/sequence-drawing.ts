import type { SitePlan } from '#core/model';
import { escaped, planFrame } from './plan-frame.ts';

const PAPER = { width: 240, height: 150, pad: 16 };
const SVG = 'svg xmlns="http://www.w3.org/2000/svg"';
/** With more than this there is no room for a number and a name each: the first and the last have theirs. */
const MOST_NAMED = 60;

/** The pour in plan with its runs numbered as they are gone round. */
export function sequenceDrawing(site: SitePlan, inOrder: readonly string[]): string {
  const { width, height } = PAPER;
  const frame = planFrame(site, inOrder, PAPER);
  if (!frame) return `<${SVG} viewBox="0 0 ${width} 1"></svg>`;
  const turns = new Map<string, number>();
  for (const [i, id] of inOrder.entries()) if (!turns.has(id)) turns.set(id, i + 1);
  const named = ({ id }: { id: string }) =>
    turns.size <= MOST_NAMED || id === inOrder[0] || id === inOrder.at(-1);
  const shapes = `<path d="${frame.parts.map((p) => p.path).join('')}" fill="#ddd" stroke="#000" stroke-width="0.8"/>`;
  const names = frame.parts.filter(named).map(({ id, middle: { x, y } }) => {
    const turn = turns.get(id) ?? 0;
    return `<circle cx="${x}" cy="${y}" r="7" fill="#000"/><text x="${x}" y="${y + 3}" font-size="8" text-anchor="middle" fill="#fff" font-family="Plex">${turn}</text><text x="${x + 9}" y="${y - 5}" font-size="8" font-family="Plex">${escaped(id)}</text>`;
  });
  return `<${SVG} width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${shapes}${names.join('')}</svg>`;
}
