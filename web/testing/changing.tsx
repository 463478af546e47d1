import { useState, type ReactNode } from 'react';
import type { SitePlan } from '../../core/model/index.ts';
import {
  applyEdit,
  type Drawn,
  drawnOf,
  EditRefused,
  pierAt,
  type PlanEdit,
} from '../../core/siteplan/index.ts';
import { demoSite } from '../../core/testdata/demo.ts';
import { EditingContext } from '../app/pour-context.tsx';
import type { PlanEditing } from '../app/plan-editor.ts';
import { renderInPour } from './pour.tsx';

/** Puts a pier with a cage on the plan of the creamery. */
export const putCagedPier = (plan: Drawn): PlanEdit => ({
  do: 'put',
  list: 'piers',
  item: {
    ...pierAt(plan, 'metric', 'PR1', { xM: 2, yM: 3 }, 0),
    steel: { vertical: { bar: '12mm', count: 4 }, ties: null, coverMm: 50 },
  },
  pour: 'K1',
});

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

  /** Does an act by the rules of the core; false where they do not allow it, or there is none. */
  act(edit: PlanEdit | null): boolean {
    if (edit === null) return false;
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

/** A plan that is changed act by act, and stored nowhere; drawn anew after each, or not in time. */
function PlanInHand({
  told,
  late,
  ui,
}: {
  told: Changing;
  late: boolean;
  ui: (plan: Drawn) => ReactNode;
}) {
  const [plan, setPlan] = useState(told.plan);
  const apply: PlanEditing['apply'] = (edit) => {
    const done = told.act(typeof edit === 'function' ? edit(told.plan) : edit);
    if (!late) setPlan(told.plan);
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
 * stands at the time; with `late` it stays as it was first, as on a busy device that acts again
 * before the first act is drawn. What is `done` was done before it is drawn first.
 */
export function renderChanging(
  ui: (plan: Drawn) => ReactNode,
  {
    file = 'quillback',
    code = 'P2',
    late = false,
    done,
  }: { file?: File; code?: string; late?: boolean; done?: (plan: Drawn) => PlanEdit } = {},
): Changing {
  const site = demoSite(file);
  const drawn = drawnOf(site, site.pours);
  const told = new Changing(site, done ? applyEdit(site, drawn, done(drawn)) : drawn);
  renderInPour(<PlanInHand told={told} late={late} ui={ui} />, { file, code });
  return told;
}
