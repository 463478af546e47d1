/** Classes of EN 206 table 12 that foundations are built of. */
export const STRENGTH_CLASSES = [
  'C16/20',
  'C20/25',
  'C25/30',
  'C28/35',
  'C30/37',
  'C32/40',
  'C35/45',
  'C40/50',
  'C45/55',
  'C50/60',
] as const;
/** Strength of the cubes of a class, MPa: what they are crushed against. */
export const cubeMPa = (strengthClass: string): number => Number(strengthClass.split('/')[1]);
