import type { TroubleKind } from '#core/log';

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

/** What is done at once when somebody is hurt; then it is written down. */
export const FIRST_AID = [
  'Concrete in an eye: rinse with clean water for 20 minutes, lids held open, then a doctor.',
  'On skin: off with wet clothes, rinse with clean water for 20 minutes. Burns show late: medical care.',
  'Buried, crushed, fallen: call for help first. Nobody goes in after them unsecured.',
  'Shock from a wire: nobody touches until the power is off.',
] as const;
