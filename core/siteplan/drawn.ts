import { oneLine } from '#core/kit';
import { z } from 'zod';
import { mark, type PourDoc, type SitePlan, sitePlanShape } from '#core/model';

/** The drawn plan with the runs and the forms of each pour, as it is sent to be stored. */
export const drawnSchema = sitePlanShape
  .pick({
    footingTypes: true,
    wallTypes: true,
    nodes: true,
    runs: true,
    pads: true,
    piers: true,
    plates: true,
    anchors: true,
    embeds: true,
    formSystems: true,
    ground: true,
    benchmark: true,
    points: true,
    currency: true,
  })
  .extend({
    pours: z.array(
      z.object({
        code: oneLine().min(1, 'is empty').max(12),
        elements: z.array(oneLine().min(1)).min(1, 'must name at least one run or pad'),
        /** The form system its walls stand in; null for none, not said for the one it has. */ forms:
          mark().nullable().optional(),
      }),
    ),
  });
export type Drawn = z.output<typeof drawnSchema>;

export function drawnOf(
  site: SitePlan,
  pours: Pick<PourDoc, 'code' | 'elements' | 'forms'>[],
): Drawn {
  const {
    footingTypes,
    wallTypes,
    nodes,
    runs,
    pads,
    piers,
    plates,
    anchors,
    embeds,
    formSystems,
    ground,
    benchmark,
    points,
    currency,
  } = site;
  return {
    footingTypes,
    wallTypes,
    nodes,
    runs,
    pads,
    piers,
    plates,
    anchors,
    embeds,
    formSystems,
    ...(ground ? { ground } : {}),
    ...(benchmark ? { benchmark } : {}),
    points,
    ...(currency ? { currency } : {}),
    pours: pours.map(({ code, elements, forms }) => ({ code, elements, forms: forms ?? null })),
  };
}

/** A site with another drawing in it. */
export function withDrawn<S extends SitePlan>(
  site: S,
  { pours: _pours, ground, benchmark, currency, ...lists }: Drawn,
): S {
  const { ground: _g, benchmark: _b, currency: _c, ...rest } = site;
  return {
    ...(rest as unknown as S),
    ...lists,
    ...(ground ? { ground } : {}),
    ...(benchmark ? { benchmark } : {}),
    ...(currency ? { currency } : {}),
  };
}

/**
 * A pour as another drawing of its site has it: its runs, begun no later than the last of them, and
 * its forms. Forms that are new to the pour, or rated anew, bring the pressure they hold with them.
 */
export function pourDrawn(
  site: Pick<SitePlan, 'formSystems'>,
  pour: PourDoc,
  plan: Pick<Drawn, 'pours' | 'formSystems'>,
): PourDoc {
  const drawn = plan.pours.find((p) => p.code === pour.code);
  const { forms: had, ...bare } = pour;
  const forms = drawn?.forms === undefined ? had : (drawn.forms ?? undefined);
  const elements = drawn?.elements ?? pour.elements;
  const [before, after] = [
    site.formSystems.find((f) => f.mark === had),
    plan.formSystems.find((f) => f.mark === forms),
  ];
  const rated =
    after && after.ratingKPa !== before?.ratingKPa ? { ratingKPa: after.ratingKPa } : {};
  return {
    ...(forms === undefined ? bare : { ...pour, forms }),
    elements,
    settings: {
      ...pour.settings,
      startAt: Math.min(pour.settings.startAt, elements.length - 1),
      ...rated,
    },
  };
}
