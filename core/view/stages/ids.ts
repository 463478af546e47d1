/** The stations of a pour in their order, by name alone: whoever only leads to them needs nothing of what they say. */
export const STAGE_IDS = ['setout', 'check', 'plan', 'pour', 'cure'] as const;
export type StageId = (typeof STAGE_IDS)[number];
