/**
 * What a scale asks to write the figures of its ticks with. Ours are written by `core/units`; the
 * build gives the scales this in place of the whole of d3-format (vite.config.ts).
 */
function none(): never {
  throw new RangeError('Ticks are written by core/units: see web/drawing/no-tick-format.ts');
}
export {
  none as format,
  none as formatPrefix,
  none as formatSpecifier,
  none as precisionFixed,
  none as precisionPrefix,
  none as precisionRound,
};
