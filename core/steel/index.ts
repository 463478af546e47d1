/** The public face of this room: what others use of it. */
export { type BarLine, barList, barRows, sameBars } from './bar-list.ts';
export { bar } from './bar.ts';
export { clearDistanceMm } from './clear-distance.ts';
export { coverVerdict } from './cover-verdict.ts';
export { hook, HOOK_SOURCE } from './hook.ts';
export { lapLength } from './lap-length.ts';
export { lapLengthEn } from './lap-length-en.ts';
export { type DrawnLap, type Laid, type LapCode, lapCodeOf, lapOf, TOP_BAR_M } from './laps.ts';
export { minCover } from './min-cover.ts';
export { between, coverPlusMm } from './cover-most.ts';
export { usualCoverMm } from './usual-cover.ts';
export { padBars, type PadBars, padMatKg } from './pad-bars.ts';
export { tieLevels } from './pier-ties.ts';
export { type RebarRow, rebarTakeoff } from './rebar-takeoff.ts';
export { barsRequired, spacingVerdict } from './spacing-verdict.ts';
export { vertLayout } from './vert-layout.ts';
