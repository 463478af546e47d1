import type { TroubleKind } from '#core/log';
import type { WayOn } from '#core/pourplan';
import { clockText, durationText, moneyText, textOf, type UnitSystem, volume } from '#core/units';

/** What comes before anything else: people. */
const PEOPLE: Record<TroubleKind, (at: string) => { first: string; then: string }> = {
  'form-open': (at) => ({
    first: at ? `Everyone out of the line of ${at}.` : 'Everyone out of the line of the form.',
    then: 'Both sides, well clear, glasses on. Hose up off the wall.',
  }),
  'pump-down': () => ({
    first: 'Nobody under the boom or at the hose end.',
    then: 'Pressure off the line before anything is opened.',
  }),
  'hose-blocked': () => ({
    first: 'Everyone clear of the hose end: it whips when it clears.',
    then: 'Reverse the pump, pressure off, then open the coupling.',
  }),
  'load-late': () => ({
    first: 'Nobody waits in the line of the wall.',
    then: 'Keep the seam alive with what is here.',
  }),
  'load-lost': () => ({
    first: 'Ring the plant: what is on the road, and what can still be batched?',
    then: 'The seam decides how long there is.',
  }),
  rain: () => ({
    first: 'Footing first: wet forms and ramps are slippery.',
    then: 'Cover what is struck off; no water is worked into the top.',
  }),
  vibrator: () => ({
    first: 'Unplug it before anybody looks at it.',
    then: 'Rods, saw and hammer do the work, slower.',
  }),
};
export const peopleFirst = (what: TroubleKind, at: string) => PEOPLE[what](at);

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
  return `${later}, ${moneyText(w.cost, currency)}, done ${clockText(w.odds.finishMin.p50)}${left}`;
}

/** What is done at once when somebody is hurt; then it is written down. */
export const FIRST_AID = [
  'Concrete in an eye: rinse with clean water for 20 minutes, lids held open, then a doctor.',
  'On skin: off with wet clothes, rinse with clean water for 20 minutes. Burns show late: medical care.',
  'Buried, crushed, fallen: call for help first. Nobody goes in after them unsecured.',
  'Shock from a wire: nobody touches until the power is off.',
] as const;
