import { type CheckPoint, gateWhen, type HoldRow } from '#core/check';
import { type AirHour, type EarlyStrip, earlyStrips } from '#core/cure';
import type { Mix, PourDoc, SitePlan } from '#core/model';
import { liftName, type Route } from '#core/pourplan';
import type { RuledSite } from '#core/rules';
import { distanceText, strength, textOf } from '#core/units';
import { FAULT_WORDS, type LoadState, type Progress } from '#core/pourlog';
import { coldestOf } from './pour-view.ts';
import { entries, type PourState, timeline } from '#core/log';

/** Something that was done against the rule, with what was said for it. */
export interface AgainstRule {
  what: string;
  atMs: number | null;
  by: string | null;
  /** The reason as it was given; null when none was. */
  reason: string | null;
}

export interface AgainstInput {
  site: SitePlan & RuledSite;
  pour: PourDoc;
  mix: Mix;
  points: CheckPoint[];
  route: Route;
  state: PourState;
  loads: LoadState[];
  progress: Progress;
  air: readonly AirHour[];
  /** What the plan itself holds it by. */
  held?: readonly HoldRow[];
}

/** Placing that began while the gate was shut: overridden with a reason, or not. */
function gateShut({ site, pour, points, state, progress, held }: AgainstInput): AgainstRule[] {
  const overrides = entries(state, 'override').map((e) => ({
    what: 'Poured against the gate',
    atMs: Date.parse(e.at),
    by: e.actor,
    reason: e.body.reason,
  }));
  const first = entries(state, 'place-start')[0];
  if (!first || progress.startedMs === null) return overrides;
  const gate = gateWhen(site, pour, points, timeline(state), progress.startedMs, held);
  if (gate.ready) return overrides;
  const what = `Placing began with the gate shut: ${new Intl.NumberFormat('en').format(gate.rows.length)} held it`;
  return [...overrides, { what, atMs: progress.startedMs, by: first.actor, reason: null }];
}

const badLoads = ({ loads }: AgainstInput): AgainstRule[] =>
  loads
    .filter((l) => l.faults.length > 0 && l.decision !== 'reject' && l.firstPlacedAt !== null)
    .map((l) => ({
      what: `Load ${l.id.replace(/^L/, '')} placed although ${l.faults.map((f) => FAULT_WORDS[f]).join(', ')}`,
      atMs: l.firstPlacedAt === null ? null : Date.parse(l.firstPlacedAt),
      by: null,
      reason: l.reason,
    }));

const coldSeams = ({ site, progress, route }: AgainstInput): AgainstRule[] =>
  progress.coldJoints.map((j) => ({
    what: `Seam of ${liftName(route, j.elementId, j.lift)} met by ${liftName(route, j.metBy.elementId, j.metBy.lift)}${j.toM > j.fromM ? ` over ${distanceText(j.toM - j.fromM, site.units)}` : ''} after ${Math.round(j.gapMin)} min; it knits up to ${Math.floor(j.knitMin)}`,
    atMs: null,
    by: null,
    reason: null,
  }));

const stripText = (s: EarlyStrip, units: SitePlan['units']): string =>
  `Forms off ${s.entry.body.elementIds.join(', ')} at ${textOf(strength(s.strengthMPa, units))}, ${s.ageH.toFixed(1)} h${s.verdict === 'forecast' ? ', by forecast only' : ''}`;

/** Everything of a pour that went against the rule, in the order of the work; the report carries it for good. */
export function againstRule(v: AgainstInput): AgainstRule[] {
  const { site, pour, mix, state, air } = v;
  const finishedMs = v.progress.finishedMs;
  const placedC = coldestOf(v.progress);
  const strips = earlyStrips({ site, pour, mix, state, finishedMs, placedC, air }).map((s) => ({
    what: stripText(s, site.units),
    atMs: Date.parse(s.entry.at),
    by: s.entry.actor,
    reason: s.reason,
  }));
  return [...gateShut(v), ...badLoads(v), ...coldSeams(v), ...strips];
}
