import { look } from './places.ts';
import type { Draft } from './types.ts';

/** Forms of panels or boards. */
export const wallBraced: Draft = {
  ...look(
    'braced',
    'Forms braced and closed',
    'forms',
    'Braces and wedges in, gaps closed with ply, line of the top snapped all round, spreaders marked for removal.',
  ),
  danger: 'forms',
};
/** Foam stays on the wall: no ply closes it, and nothing is sprayed on it. */
export const foamBraced: Draft = {
  ...look(
    'braced',
    'Foam forms braced and closed',
    'forms',
    'Alignment braces on the inside, every one fixed to the slab or staked; holes and gaps filled with foam, cut webs bridged; line of the top snapped all round.',
  ),
  danger: 'forms',
};
/** Which faces are done is kept: some places forbid spraying once the steel is in. */
export const wallOiled: Draft = {
  ...look(
    'oiled',
    'Release agent',
    'forms',
    'On the form faces only: none on bars or footing. Overspray on steel is a fail; wipe it off.',
    [
      { atM: null, across: 'left', label: 'inside face' },
      { atM: null, across: 'right', label: 'outside face' },
    ],
    'each face',
  ),
  danger: 'oil',
};

/** What nobody gets at any more once the second side stands. */
export const CLOSING = look(
  'closing',
  'Joint and inside, before it is closed',
  'forms',
  'Joint rough, laitance off, wetted and blown out; nothing left inside: no wood, wire, ice or standing water.',
);
/** What holds the foot of the forms where it stands. */
export const KICKER: Draft = {
  ...look(
    'kicker',
    'Foot of the forms',
    'forms',
    'Plate or kicker fixed all along, nothing lifts and nothing slides; marks across clamps and wedges show a slip.',
  ),
  danger: 'forms',
};
