import { latest, type PourState } from '#core/log';
import { type Hold, HOLDS, type PlanChange, type PourDoc, type SitePlan } from '#core/model';
import { RULE_CATALOG, type RuledSite, ruleText } from '#core/rules';

/** A hold point as it stands: who signed it, when, and what has opened it again. */
export interface SignState {
  hold: Hold;
  state: 'missing' | 'passed' | 'rejected' | 'reopened';
  actor: string | null;
  at: string | null;
  reason: string | null;
  /** The sign-off itself, to be taken back. */
  entryId: string | null;
}

/** What the gate has to know of the site. */
export type GatedSite = SitePlan & RuledSite;

/** Rules changed after a sign-off, as they are said. */
const rulesSince = (site: GatedSite, at: string): string[] =>
  (site.ruleChanges ?? [])
    .filter((c) => Date.parse(c.at) >= Date.parse(at))
    .map(
      (c) =>
        `${RULE_CATALOG[c.rule].title.toLowerCase()} ${c.value === null ? 'back to the profile' : `now ${ruleText(c.rule, c.value, site.units)}`}, by ${c.by}`,
    );
/**
 * What a hold point is signed for: the dowel inspection for the elements that dowels are drilled
 * into, the others for the whole pour.
 */
export function coveredBy(site: SitePlan, pour: PourDoc, hold: Hold): string[] {
  if (hold !== 'dowels') return pour.elements;
  const drilled = new Set(site.anchors.filter((a) => a.drilled === true).map((a) => a.elementId));
  return pour.elements.filter((e) => drilled.has(e));
}

/**
 * Whether an element stands otherwise now than on a version of the plan. A change that kept no
 * states counts as one.
 */
function standsOtherwise(changes: PlanChange[], element: string): boolean {
  const own = changes.filter((c) => c.elements.includes(element));
  const first = own[0]?.states?.[element];
  const last = own.at(-1)?.states?.[element];
  return own.length > 0 && (!first || !last || first[0] !== last[1]);
}

/** Changes of the plan after a version that bear on elements which do not stand again as they stood on it. */
function planSince(site: GatedSite, covered: string[], version: number): PlanChange[] {
  const later = site.planChanges.filter((c) => c.version > version);
  const changed = new Set(covered.filter((e) => standsOtherwise(later, e)));
  return later.filter((c) => c.elements.some((e) => changed.has(e)));
}

/** A sign-off counts for the plan it was given on; a later change of what it covers opens it again, and says why. */
export function signOf(site: GatedSite, pour: PourDoc, state: PourState, hold: Hold): SignState {
  const sign = latest(state, 'sign', (e) => e.body.hold === hold);
  if (!sign) return { hold, state: 'missing', actor: null, at: null, reason: null, entryId: null };
  const base = {
    hold,
    actor: sign.actor,
    at: sign.at,
    reason: sign.body.reason ?? null,
    entryId: sign.id,
  };
  if (sign.body.result === 'reject') return { ...base, state: 'rejected' };
  const why = [
    ...planSince(site, coveredBy(site, pour, hold), sign.body.planVersion).map(
      (c) => `${c.what}, by ${c.by}`,
    ),
    ...rulesSince(site, sign.at),
  ];
  return why.length
    ? {
        ...base,
        state: 'reopened',
        reason: `signed on plan ${sign.body.planVersion}; since then ${why.join('; ')}`,
      }
    : { ...base, state: 'passed' };
}

/** The hold points of a pour: those it names, and the special inspection wherever dowels are drilled and glued. */
export function holdsOf(site: SitePlan, pour: PourDoc): Hold[] {
  const drilled = site.anchors.some(
    (a) => a.drilled === true && pour.elements.includes(a.elementId),
  );
  return HOLDS.filter((h) => pour.holds.includes(h) || (h === 'dowels' && drilled));
}
