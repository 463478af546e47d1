import type { RuleProfile } from '#core/model';
import { look } from './places.ts';
import type { Draft } from './types.ts';

/** What the codes allow concrete without bars under. */
const ALLOWED: Record<RuleProfile, Record<'footing' | 'wall', string>> = {
  'us-aci': {
    footing: 'IRC 2021 R403.1; ACI 318-19 ch. 14; not in seismic categories D to F',
    wall: 'IRC 2021 tables R404.1.1 and R404.1.2; not in seismic categories D to F',
  },
  'metric-en': { footing: 'EN 1992-1-1 §12.9.3', wall: 'EN 1992-1-1 §12.6' },
};

/** That the drawing shows no bars is said, and looked at once: what was forgotten is not unreinforced. */
export const plainDraft = (profile: RuleProfile, of: 'footing' | 'wall'): Draft => ({
  ...look(
    'plain',
    'Unreinforced: no bars on the drawing',
    'steel',
    'See on the drawing that none are wanted here. Local code and the engineer decide.',
  ),
  source: ALLOWED[profile][of],
});
