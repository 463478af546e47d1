import { z } from 'zod';
import { anyNumber, oneLine } from '#core/kit';
import { type PourDoc, type SitePlan, sitePlanShape } from '#core/model';
import { isTimeZone } from '#core/units';
import { drawSketch, type Sketch } from './drawn-shape.ts';
import { newPour } from './new-pour.ts';
import { usualConveyance, usualForms, usualMixes, usualPlant } from './usual.ts';

/** What a site is asked first: what it is called, where it is, in what it measures and what rules it keeps. */
export const siteHeadSchema = z.object({
  name: oneLine().trim().min(1, 'is empty').max(120, 'is longer than 120 characters'),
  latitude: anyNumber().gte(-90, 'must be from −90 to 90').lte(90, 'must be from −90 to 90'),
  longitude: anyNumber().gte(-180, 'must be from −180 to 180').lte(180, 'must be from −180 to 180'),
  timeZone: oneLine()
    .min(1, 'is empty')
    .refine(isTimeZone, 'is not a time zone this machine knows (as in America/Chicago)'),
  units: sitePlanShape.shape.units,
  ruleProfile: sitePlanShape.shape.ruleProfile,
  currency: sitePlanShape.shape.currency,
});
export type SiteHead = z.output<typeof siteHeadSchema>;

/** A site that can be stored: its plan, what there is to plan with, and its first pours. */
export type NewSite = SitePlan & {
  mixes: ReturnType<typeof usualMixes>;
  plants: ReturnType<typeof usualPlant>[];
  conveyances: ReturnType<typeof usualConveyance>[];
  pours: PourDoc[];
};

/**
 * A site from its head and, where there is one, a sketch of its first plan: with the usual mixes,
 * plant, chute and forms of its rules, each marked so, and the pours that the sketch falls into,
 * footings before walls.
 */
export function newSite(head: SiteHead, sketch: Sketch | null): NewSite {
  const drawn = sketch && drawSketch(sketch).plan;
  const plan = sitePlanShape.parse({
    format: 'jactum.site/1',
    ...head,
    ...(drawn ?? {}),
    formSystems: [usualForms(head.ruleProfile, 'FORMS')],
  });
  const stocked = {
    ...plan,
    mixes: usualMixes(head.ruleProfile),
    plants: [usualPlant(head.ruleProfile)],
    conveyances: [usualConveyance(head.ruleProfile)],
  };
  const parts = [
    plan.runs.filter((r) => r.kind !== 'wall').map((r) => r.id),
    plan.runs.filter((r) => r.kind === 'wall').map((r) => r.id),
    plan.pads.map((p) => p.id),
  ].filter((ids) => ids.length > 0);
  const pours = parts.reduce<PourDoc[]>(
    (made, elements) => [
      ...made,
      newPour(
        stocked,
        made.map((p) => p.code),
        { elements },
      ),
    ],
    [],
  );
  return { ...stocked, pours };
}
