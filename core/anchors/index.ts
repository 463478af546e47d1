/** The public face of this room: what others use of it. */
export { anchorTemplate, BASE_TOLERANCES } from './anchor-template.ts';
export { baseBolts } from './base-bolts.ts';
export { anchorLayout, cutByOpenings } from './anchor-layout.ts';
export { anchorVerdict } from './anchor-verdict.ts';
