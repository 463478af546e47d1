import { useState, type ReactNode } from 'react';
import type { SitePlan } from '../../core/model/index.ts';
import {
  applyEdit,
  type Drawn,
  drawnOf,
  EditRefused,
  type PlanEdit,
} from '../../core/siteplan/index.ts';
import { demoSite } from '../../core/testdata/demo.ts';
import { EditingContext } from '../app/pour-context.tsx';
import type { PlanEditing } from '../app/plan-editor.ts';
import { renderInPour } from './pour.tsx';

type File = 'quillback' | 'kestrel';
/** What a test sees of a plan that is being changed. */
export interface Changing {
  plan: Drawn;
  /** Why an act was refused last. */
  refused: string | null;
  acts: PlanEdit[];
}

/** A plan that is changed by the rules of the core, act by act, and stored nowhere. */
function PlanInHand({
  site,
  told,
  ui,
}: {
  site: SitePlan;
  told: Changing;
  ui: (plan: Drawn) => ReactNode;
}) {
  const [plan, setPlan] = useState(told.plan);
  const take = (next: Drawn) => {
    told.plan = next;
    setPlan(next);
  };
  const apply: PlanEditing['apply'] = (given) => {
    const edit = typeof given === 'function' ? given(told.plan) : given;
    try {
      take(applyEdit(site, told.plan, edit));
      told.acts.push(edit);
      return true;
    } catch (e) {
      if (!(e instanceof EditRefused)) throw e;
      told.refused = e.message;
      return false;
    }
  };
  const editing = { on: true, plan, offers: [], site, apply, replace: take };
  return <EditingContext value={editing as never}>{ui(plan)}</EditingContext>;
}

/**
 * Draws a part of Set out while the plan of a demo pour is changed. `ui` is drawn of the plan as it
 * stands at the time.
 */
export function renderChanging(
  ui: (plan: Drawn) => ReactNode,
  { file = 'quillback', code = 'P2' }: { file?: File; code?: string } = {},
): Changing {
  const site = demoSite(file);
  const told: Changing = { plan: drawnOf(site, site.pours), refused: null, acts: [] };
  renderInPour(<PlanInHand site={site} told={told} ui={ui} />, { file, code });
  return told;
}
