/** The public face of this room: what others use of it. */
export { clearanceVerdict } from './clearance-verdict.ts';
export { cornersOf, type Rectangle, squareWords } from './corners.ts';
export { drainPitch } from './drain-pitch.ts';
export { levelLoop } from './level-loop.ts';
export { squareness } from './squareness.ts';
export { straightness } from './straightness.ts';
export { trenchFill } from './trench-fill.ts';
