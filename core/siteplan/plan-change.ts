import type { PlanChange, PourDoc, SitePlan } from '#core/model';
import { diffText, planDiff } from './changes.ts';
import { drawnOf, pourDrawn, withDrawn, type Drawn } from './drawn.ts';
import { elementStates } from './element-state.ts';

/** Longest account of a change that is kept with the plan, characters. */
const MOST_WORDS = 600;

/** Why another drawing cannot stand: in a sentence, and at which field of it. */
interface PlanRefusal {
  detail: string;
  path: string;
  message: string;
}

/**
 * What another drawing does to a site: it cannot stand, it changes nothing, or the site and its
 * pours as they are with it.
 */
export type PlanChanged<S> =
  | { kind: 'refused'; refusal: PlanRefusal }
  | { kind: 'same' }
  | { kind: 'changed'; site: S; pours: PourDoc[] };

/** A drawing names pours and form systems; those it names have to be there. */
function planRefusal(pours: readonly PourDoc[], plan: Drawn): PlanRefusal | null {
  const had = (code: string) => pours.find((x) => x.code === code);
  for (const [i, p] of plan.pours.entries()) {
    if (!had(p.code))
      return {
        detail: `this site has no pour ${p.code}`,
        path: `plan.pours.${i}.code`,
        message: 'is not a pour of this site',
      };
    const news = p.forms != null && p.forms !== had(p.code)?.forms;
    if (news && !plan.formSystems.some((f) => f.mark === p.forms))
      return {
        detail: `${p.code} stands in ${p.forms ?? ''}, which is not among its form systems`,
        path: `plan.pours.${i}.forms`,
        message: 'is not among the form systems',
      };
  }
  return null;
}

/**
 * A site with another drawing in it, and with what that changes written down as its next version.
 * @param version what the site's version becomes, when anything is changed
 */
export function changePlan<S extends SitePlan>(
  site: S,
  pours: readonly PourDoc[],
  plan: Drawn,
  stamp: { version: number; by: string; at: string },
): PlanChanged<S> {
  const refusal = planRefusal(pours, plan);
  if (refusal) return { kind: 'refused', refusal };
  const next = pours.map((p) => pourDrawn(site, p, plan));
  const was = drawnOf(site, [...pours]);
  const after = { ...plan, pours: drawnOf(site, next).pours };
  const diff = planDiff(was, after, site.units);
  if (diff.words.length === 0) return { kind: 'same' };
  const record: PlanChange = {
    ...stamp,
    what: diffText(diff).slice(0, MOST_WORDS),
    elements: diff.elements,
    states: elementStates(was, after, diff.elements),
  };
  return {
    kind: 'changed',
    site: { ...withDrawn(site, plan), planChanges: [...site.planChanges, record] },
    pours: next,
  };
}
