/** The public face of this room: what others use of it. */
export { anchorTemplate } from './anchor-template.ts';
export { baseBolts, BASE_TOLERANCES, baseBoltOff } from './base-bolts.ts';
export { anchorLayout, cutByOpenings } from './anchor-layout.ts';
export { anchorVerdict } from './anchor-verdict.ts';
