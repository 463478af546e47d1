import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import useSWR from 'swr';
import { sayWrong } from '../ui/say.ts';
import type { PourAnswer, SiteFile } from '../../contract/index.ts';
import type { Drawn, Offer, PlanEdit } from '#core/siteplan';
import type { SitePlan } from '#core/model';
import { getJson } from '../sync/api.ts';
import { localDb } from '../sync/local-db.ts';
import type { UndoTells } from './plan-storing.ts';
import type { PlanWork, PlanWorkState } from './plan-work.ts';

type Tools = typeof import('./plan-tools.ts');
const planTools = (): Promise<Tools> => import('./plan-tools.ts');

/** Changing the plan: every act shows at once, is stored as a version of the site, and can be taken back. */
export interface PlanEditing {
  /** The plan is there and can be changed: no press on it is lost. */
  on: boolean;
  /** It was asked for and is on its way. */
  opening: boolean;
  saving: boolean;
  plan: Drawn | null;
  offers: Offer[];
  /** The site and the pour's elements as they stand at this moment, before the figures have followed. */
  site: SitePlan | null;
  elements: string[];
  start: () => void;
  stop: () => void;
  /**
   * Does one act, or one made of the plan as it stands at that moment, which may be later than what
   * is drawn; false, with a message, when the plan does not allow it, and without when there is none.
   */
  apply: (edit: PlanEdit | ((now: Drawn) => PlanEdit | null)) => boolean;
  /** Takes over a whole drawing made elsewhere (a file brought in), as one act. */
  replace: (next: Drawn) => void;
  undo: () => void;
  undoTells: UndoTells | null;
  redo: () => void;
  canUndo: boolean;
  canRedo: boolean;
}

/** The work on the plan of each site, made when it is first asked for. */
function useWorks(reread: () => Promise<unknown>, show: (state: PlanWorkState) => void) {
  const [works] = useState(() => new Map<string, PlanWork>());
  return (tools: Tools, id: string): PlanWork => {
    const known = works.get(id);
    if (known) return known;
    const made: PlanWork = new tools.PlanWork(tools.storing(id, reread), () => {
      startTransition(() => {
        show(made.state);
      });
    });
    works.set(id, made);
    return made;
  };
}

/** What is taken back by the next undo, told before it is pressed. */
function useUndoTells(
  tools: Tools | null,
  plan: Drawn | null,
  last: Drawn | undefined,
  record: PourAnswer | undefined,
) {
  const code = record?.pour.code;
  return useMemo(() => {
    if (!tools || !plan || !last || !record) return null;
    return tools.undoTellsOf(last, plan, code ?? '', record.site.units);
  }, [tools, plan, last, record, code]);
}

/** The record with what is drawn but not stored yet. */
const shownWith = (
  tools: Tools | null,
  record: PourAnswer | undefined,
  draft: Drawn | null,
): PourAnswer | undefined =>
  tools && record && draft
    ? {
        ...record,
        site: tools.withDrawn(record.site, draft),
        pour: tools.pourDrawn(record.site, record.pour, draft),
      }
    : record;

/** What is done to the plan of a pour's site; nothing is while there is no pour. */
function planActs(
  tools: Tools | null,
  record: PourAnswer | undefined,
  read: Drawn | null,
  workOn: (tools: Tools, siteId: string) => PlanWork,
  setOn: (on: boolean) => void,
): Pick<PlanEditing, 'start' | 'stop' | 'apply' | 'replace' | 'undo' | 'redo'> {
  /** The work on the plan, once there is a pour and what it takes to change one. */
  const work = () => (tools && record ? workOn(tools, record.siteId) : null);
  const turn = (on: boolean) => {
    startTransition(() => {
      setOn(on);
    });
  };
  const start = () => {
    turn(true);
    if (!record) return;
    const kept = localDb().then((db) => db.get('undo', record.siteId));
    void Promise.all([planTools(), kept]).then(
      ([fetched, undo]) => {
        workOn(fetched, record.siteId).open(record.siteVersion, undo);
      },
      () => undefined,
    );
  };
  const apply: PlanEditing['apply'] = (edit) => {
    const w = work();
    const before = w?.plan(read);
    if (!tools || !record || !w || !before) return false;
    try {
      const act = typeof edit === 'function' ? edit(before) : edit;
      if (act === null) return false;
      w.act(tools.applyEdit(record.site, before, act), read, record.siteVersion);
      return true;
    } catch (e) {
      if (!(e instanceof tools.EditRefused)) throw e;
      sayWrong(e.message);
      return false;
    }
  };
  return {
    start,
    stop: () => {
      turn(false);
    },
    apply,
    replace: (next) => {
      if (record) work()?.act(next, read, record.siteVersion);
    },
    undo: () => {
      if (record) work()?.undo(read, record.siteVersion);
    },
    redo: () => {
      if (record) work()?.redo(read, record.siteVersion);
    },
  };
}

/** What changing a plan takes, fetched when somebody begins to. */
function usePlanTools(wanted: boolean, failed: () => void): Tools | null {
  const [tools, setTools] = useState<Tools | null>(null);
  const onFailure = useRef(failed);
  useEffect(() => {
    onFailure.current = failed;
  });
  useEffect(() => {
    if (!wanted) return;
    planTools().then(setTools, () => {
      onFailure.current();
    });
  }, [wanted]);
  return tools;
}

/** The editor of a pour's site, and the record as it is to be shown while an act is on its way. */
export function usePlanEditor(
  record: PourAnswer | undefined,
  refresh: () => Promise<unknown>,
): { editing: PlanEditing; shown: PourAnswer | undefined } {
  const [on, setOn] = useState(false);
  const unreadable = () => {
    setOn(false);
    sayWrong('The plan cannot be read just now: it is changed with signal only.');
  };
  const tools = usePlanTools(on, unreadable);
  const { data: file, mutate: reread } = useSWR<SiteFile, Error>(
    on && record ? `/api/sites/${record.siteId}/export` : null,
    getJson,
    {
      onError: () => {
        if (plan === null) unreadable();
      },
    },
  );
  const again = useRef(() => Promise.resolve<unknown>(undefined));
  useEffect(() => {
    again.current = () => Promise.all([refresh(), reread()]);
  });
  // The work shows in a render that may be put off by the next press: the press itself is answered at once.
  const [{ draft, undo, redo }, show] = useState<PlanWorkState>({
    draft: null,
    undo: [],
    redo: [],
  });
  const workOn = useWorks(() => again.current(), show);
  const read = useMemo(
    () => (tools && record && file && on ? tools.drawnOf(record.site, file.pours) : null),
    [tools, record, file, on],
  );
  const plan = draft ?? read;
  const shown = useMemo(() => shownWith(tools, record, draft), [tools, record, draft]);
  const offers = useMemo(
    () =>
      tools && plan && record ? tools.offersOf(plan, record.pour.elements, record.pour.code) : [],
    [tools, plan, record],
  );
  const undoTells = useUndoTells(tools, plan, undo.at(-1), record);
  return {
    shown,
    editing: {
      on: on && plan !== null,
      opening: on && plan === null,
      saving: draft !== null,
      plan,
      offers,
      site: shown?.site ?? null,
      elements: shown?.pour.elements ?? [],
      ...planActs(tools, record, read, workOn, setOn),
      undoTells,
      canUndo: plan !== null && undo.length > 0,
      canRedo: plan !== null && redo.length > 0,
    },
  };
}
