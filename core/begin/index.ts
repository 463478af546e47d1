/** The public face of this room: what others use of it. */
export { drawSketch, MADE_OF, type MadeOf, type Sketch, type Sketched } from './drawn-shape.ts';
export { judgeSizes, judgeTyped, type SizeName, type Sizes, sizesWanted } from './given-figures.ts';
export { LISTS, merged, mergeRows, type MergeRow, offeredRows, rowName } from './merge.ts';
export { freeCode, newPour, offeredTitle, unpoured } from './new-pour.ts';
export { newSite, type SiteHead, siteHeadSchema } from './new-site.ts';
export { groupsOf, ringOf } from './pick.ts';
export { parsePlace, type Place, placeText } from './place.ts';
export { LENGTHS_TO, type LengthsTo, type Shape, SHAPES, WANTED } from './shapes.ts';
export type { Typed } from './given.ts';
export { dateAfter, daysBetween, shifted } from './shift.ts';
export { pourChangeRefusal } from './pour-changes.ts';
export { sketchFigures, type SketchFigures, sketchSite } from './sketch-figures.ts';
export { splitPour, type PourCut } from './split-pour.ts';
export { PROFILE_WORDS } from './profiles.ts';
export { USUAL_WALL_M, usualBeam, usualFooting, usualPad, usualWall } from './usual.ts';
