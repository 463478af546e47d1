import type { LengthsTo, MadeOf, Shape } from '#core/begin';

/** What the shapes of a first plan are called. */
export const SHAPE_WORDS: Record<Shape, string> = {
  ring: 'four walls',
  ell: 'L',
  strips: 'strip ring',
  pads: 'pads',
  piece: 'piece',
  beam: 'slab edge',
};
export const MADE_WORDS: Record<MadeOf, string> = {
  footing: 'footings',
  wall: 'walls',
  both: 'both',
};
export const TO_WORDS: Record<LengthsTo, string> = {
  middle: 'middle',
  outside: 'outside',
  inside: 'inside',
};
