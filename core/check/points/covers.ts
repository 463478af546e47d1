import type { Draft, ListContext } from './types.ts';

/** Cover of one face of a footing or pad; at the sides more takes no depth. */
export const coverDraft = (
  what: Pick<Draft, 'kind' | 'title' | 'advice'>,
  of: { face: 'bottom' | 'side' | 'top'; specifiedMm: number; bar: string },
  memberDepthMm: number,
  read: Pick<Draft, 'places' | 'why'>,
  { rules: r }: ListContext,
): Draft => ({
  ...what,
  ...read,
  trade: 'steel',
  wanted: {
    type: 'cover',
    ...of,
    memberDepthMm,
    ...(of.face === 'side' ? {} : { mostMm: r.coverMostMm(of.specifiedMm, memberDepthMm, true) }),
  },
});
