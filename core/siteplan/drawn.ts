import { z } from 'zod';
import type { PourDoc } from '../model/pour.ts';
import { sitePlanShape, type SitePlan } from '../model/site.ts';

/** What is drawn of a site and can be changed on the plan; rules, mixes, plants and the history are not part of it. */
export const DRAWN = ['footingTypes', 'wallTypes', 'nodes', 'runs', 'pads', 'piers', 'plates', 'anchors', 'embeds', 'formSystems', 'ground', 'benchmark', 'points'] as const;

/** The drawn plan with the runs of each pour, as it is sent to be stored. */
export const drawnSchema = sitePlanShape.pick({ footingTypes: true, wallTypes: true, nodes: true, runs: true, pads: true, piers: true, plates: true, anchors: true, embeds: true, formSystems: true, ground: true, benchmark: true, points: true })
  .extend({ pours: z.array(z.object({ code: z.string().min(1, 'is empty').max(12), elements: z.array(z.string().min(1)).min(1, 'must name at least one run or pad') })) });
export type Drawn = z.output<typeof drawnSchema>;

export function drawnOf(site: SitePlan, pours: Pick<PourDoc, 'code' | 'elements'>[]): Drawn {
  const { footingTypes, wallTypes, nodes, runs, pads, piers, plates, anchors, embeds, formSystems, ground, benchmark, points } = site;
  return { footingTypes, wallTypes, nodes, runs, pads, piers, plates, anchors, embeds, formSystems, ...(ground ? { ground } : {}), ...(benchmark ? { benchmark } : {}), points, pours: pours.map(({ code, elements }) => ({ code, elements })) };
}

/** A site with another drawing in it. */
export function withDrawn<S extends SitePlan>(site: S, { pours: _pours, ground, benchmark, ...lists }: Drawn): S {
  const { ground: _g, benchmark: _b, ...rest } = site;
  return { ...(rest as unknown as S), ...lists, ...(ground ? { ground } : {}), ...(benchmark ? { benchmark } : {}) };
}
