import type { Role } from '../../contract/index.ts';

/** What each role does here, in a few words. */
export const ROLE_WORDS: Record<Role, string> = {
  foreman: 'plans, logs, signs the own check, changes people',
  crew: 'reads, places, logs',
  inspector: 'passes or rejects hold points',
  viewer: 'looks only',
};
