import { type FootingShape } from './footing-shape.ts';

export interface Box {
  s: FootingShape;
  x: number;
  y: number;
  w: number;
  h: number;
  mm: (v: number) => number;
}

/** About how wide a letter of the words is, px, and how far apart their lines stand. */
export const LETTER_PX = 7.6;

export const LINE_PX = 17;
