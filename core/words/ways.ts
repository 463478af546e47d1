import type { WayOn } from '#core/pourplan';
import { clockText, durationText, moneyText, textOf, type UnitSystem, volume } from '#core/units';

const min = (m: number | null): string => `${Math.round(m ?? 0)} min`;
type Said = (w: WayOn, at: string) => { title: string; detail: string };
const WAY: Record<WayOn['id'], Said> = {
  'go-on-elsewhere': (_, at) => ({
    title: `Go on elsewhere, brace ${at || 'it'} meanwhile`,
    detail: 'The hose moves on along the lift and comes back once it is braced.',
  }),
  stand: (w, at) => ({
    title: `Stand till ${at || 'it'} is braced`,
    detail: `About ${min(w.standMin)}; the trucks wait.`,
  }),
  'close-off': (_, at) => ({
    title: `Close ${at || 'it'} off with bulkheads`,
    detail: 'A planned joint on both sides: ask the engineer. The rest goes on.',
  }),
  'other-conveyance': (w) => ({
    title: `Go on by ${w.conveyance ?? 'another way'}`,
    detail: `About ${min(w.standMin)} to change over.`,
  }),
  'bulkhead-here': () => ({
    title: 'Bulkhead here and stop',
    detail: 'Clean joint, keyed, covered. The rest is another pour: ask the engineer.',
  }),
  'slow-down': () => ({
    title: 'Go on slower, a little on every open seam',
    detail: 'What is here is spread to keep the seams alive.',
  }),
  'another-truck': () => ({
    title: 'Send for another truck',
    detail: 'It comes as long after the call as the plant takes.',
  }),
  wait: (w) => ({ title: `Stand ${min(w.standMin)}`, detail: 'Then it goes on as planned.' }),
  'go-on': () => ({ title: 'Go on as it is', detail: 'Nothing changes; watch the seams.' }),
};
/** A way on as it is called, and what it means. */
export const wayWords = (w: WayOn, at: string) => WAY[w.id](w, at);

/** What it comes to: later by how much, for how much, done when, and what is left. */
export function wayFigures(w: WayOn, currency: string | undefined, units: UnitSystem): string {
  const later =
    Math.abs(w.laterMin) < 1
      ? 'no later'
      : `${durationText(Math.abs(w.laterMin))} ${w.laterMin > 0 ? 'later' : 'sooner'}`;
  const left = w.leftM3 > 0.05 ? `, ${textOf(volume(w.leftM3, units, 1))} another day` : '';
  const wet = w.odds.inRain >= 0.05 ? ', into the rain' : '';
  return `${later}, ${moneyText(w.cost, currency)}, done ${clockText(w.odds.finishMin.p50)}${wet}${left}`;
}
