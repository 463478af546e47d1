import type { RuleProfile } from '#core/model';
import { look } from './places.ts';
import type { Draft } from './types.ts';

/** Where the codes allow concrete without bars, and under what. */
const ALLOWED: Record<RuleProfile, Record<'footing' | 'wall', { says: string; source: string }>> = {
  'us-aci': {
    footing: {
      says: 'Plain footings are for light frame in seismic design categories A, B and C.',
      source: 'IRC 2021 R403.1; ACI 318-19 ch. 14',
    },
    wall: {
      says: 'Plain walls are allowed for the thickness, height and unbalanced fill of its table, not in seismic categories D to F.',
      source: 'IRC 2021 table R404.1.1(1) to R404.1.2(1); ACI 332',
    },
  },
  'metric-en': {
    footing: {
      says: 'Plain footings spread their load no wider than their depth allows.',
      source: 'EN 1992-1-1 §12.9.3',
    },
    wall: {
      says: 'Plain walls are designed as such: slenderness and eccentricity rule.',
      source: 'EN 1992-1-1 §12.6',
    },
  },
};

/** That the drawing shows no bars is said, and looked at once: what was forgotten is not unreinforced. */
export function plainDraft(profile: RuleProfile, of: 'footing' | 'wall'): Draft {
  const { says, source } = ALLOWED[profile][of];
  return {
    ...look(
      'plain',
      'Unreinforced: no bars on the drawing',
      'steel',
      `See on the drawing that none are wanted here. ${says} Local code and the engineer decide.`,
    ),
    source,
  };
}
