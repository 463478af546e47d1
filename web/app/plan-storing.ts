import type { SiteVersion } from '../../contract/index.ts';
import { diffText, type Drawn, planDiff } from '#core/siteplan';
import type { UnitSystem } from '#core/units';
import { ApiProblem, sendJson } from '../sync/api.ts';
import { localDb } from '../sync/local-db.ts';
import { sayWrong } from '../ui/say.ts';
import type { PlanIo } from './plan-work.ts';

/** What undo takes back, in words, and the other pours whose runs it is about. */
export interface UndoTells {
  what: string;
  pours: string[];
}

/** What taking back would change, and in which other pours. */
export function undoTellsOf(last: Drawn, plan: Drawn, code: string, units: UnitSystem): UndoTells {
  const diff = planDiff(last, plan, units);
  const pours = plan.pours
    .filter((p) => p.code !== code && p.elements.some((e) => diff.elements.includes(e)))
    .map((p) => p.code);
  const here = plan.pours.find((p) => p.code === code)?.elements ?? [];
  const ours = diff.elements.some((e) => here.includes(e));
  return { what: diffText(diff), pours: ours ? [] : pours };
}

const NOT_STORED =
  'Somebody else changed the plan meanwhile. Yours was not stored; look at theirs and do it again.';

/** How the work on a site's plan is stored, kept and told about. */
export const storing = (siteId: string, reread: () => Promise<unknown>): PlanIo => ({
  put: async (version, plan) =>
    (await sendJson<SiteVersion>('PUT', `/api/sites/${siteId}/plan`, { version, plan })).version,
  reread,
  keep: (row) => {
    void localDb().then((db) => db.put('undo', { siteId, ...row }));
  },
  failed: (e) => {
    const conflict = e instanceof ApiProblem && e.problem.status === 409;
    const why = e instanceof Error ? e.message : 'That did not work.';
    sayWrong(conflict ? NOT_STORED : `${why} The plan is as it was.`);
  },
});
