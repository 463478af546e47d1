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
export class Changing {
  plan: Drawn;
  /** Why an act was refused last. */
  refused: string | null = null;
  readonly acts: PlanEdit[] = [];
  readonly #site: SitePlan;
  constructor(site: SitePlan, plan: Drawn) {
    this.#site = site;
    this.plan = plan;
  }

  /** Takes a plan over, as one from a file is. */
  take(next: Drawn): void {
    this.plan = next;
  }

  /** Does an act by the rules of the core; false where they do not allow it. */
  act(edit: PlanEdit): boolean {
    try {
      this.plan = applyEdit(this.#site, this.plan, edit);
    } catch (e) {
      if (!(e instanceof EditRefused)) throw e;
      this.refused = e.message;
      return false;
    }
    this.acts.push(edit);
    return true;
  }
}

/** A plan that is changed act by act, and stored nowhere. */
function PlanInHand({ told, ui }: { told: Changing; ui: (plan: Drawn) => ReactNode }) {
  const [plan, setPlan] = useState(told.plan);
  const apply: PlanEditing['apply'] = (edit) => {
    const done = told.act(typeof edit === 'function' ? edit(told.plan) : edit);
    setPlan(told.plan);
    return done;
  };
  const replace: PlanEditing['replace'] = (next) => {
    told.take(next);
    setPlan(next);
  };
  const editing = { on: true, plan, offers: [], apply, replace };
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
  const told = new Changing(site, drawnOf(site, site.pours));
  renderInPour(<PlanInHand told={told} ui={ui} />, { file, code });
  return told;
}
