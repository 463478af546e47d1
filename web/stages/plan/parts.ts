/** The parts of the station, in the order of the work. */
export const PARTS = [
  ['much', 'How much'],
  ['when', 'When'],
  ['how', 'How'],
  ['way', 'Way round'],
  ['who', 'Who'],
] as const;
export type Part = (typeof PARTS)[number][0];
export const partOf = (tab: string | null): Part => PARTS.find(([id]) => id === tab)?.[0] ?? 'much';
