import type { TypeChange } from '#core/check';

/** What a flag says: the first thing that changes, short. */
export const flagText = (c: TypeChange): string =>
  `${c.words[0]?.split(',')[0]?.replace(' thick', '') ?? c.toType} from here`;
