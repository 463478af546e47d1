import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import useSWR from 'swr';
import type { PourAnswer, SiteFile, SiteVersion } from '../../contract/index.ts';
import { drawnOf, pourDrawn, withDrawn, type Drawn } from '../../core/siteplan/drawn.ts';
import type { SitePlan } from '../../core/model/site.ts';
import { applyEdit } from '../../core/siteplan/edit/apply.ts';
import { EditRefused, type PlanEdit } from '../../core/siteplan/edit/acts.ts';
import { diffText, planDiff } from '../../core/siteplan/changes.ts';
import { offersOf, type Offer } from '../../core/siteplan/offers.ts';
import { ApiProblem, getJson, sendJson } from '../sync/api.ts';
import { localDb } from '../sync/local-db.ts';
import { PlanWork, type PlanWorkState } from './plan-work.ts';

/** Changing the plan: every act shows at once, is stored as a version of the site, and can be taken back. */
export interface PlanEditing {
  on: boolean;
  ready: boolean;
  saving: boolean;
  plan: Drawn | null;
  offers: Offer[];
  /** The site and the pour's elements as they stand at this moment, before the figures have followed. */
  site: SitePlan | null;
  elements: string[];
  start: () => void;
  stop: () => void;
  /** Does one act, or one made of the plan as it stands at that moment; false, with a message, when the plan does not allow it. */
  apply: (edit: PlanEdit | ((now: Drawn) => PlanEdit)) => boolean;
  /** Takes over a whole drawing made elsewhere (a file brought in), as one act. */
  replace: (next: Drawn) => void;
  undo: () => void;
  /** What undo takes back, in words, and the other pours whose runs it is about. */
  undoTells: { what: string; pours: string[] } | null;
  redo: () => void;
  canUndo: boolean;
  canRedo: boolean;
}

/** The editor of a pour's site, and the record as it is to be shown while an act is on its way. */
export function usePlanEditor(
  record: PourAnswer | undefined,
  refresh: () => Promise<unknown>,
): { editing: PlanEditing; shown: PourAnswer | undefined } {
  const [on, setOn] = useState(false);
  const siteId = record?.siteId ?? '';
  const { data: file, mutate: reread } = useSWR<SiteFile, Error>(
    on && record ? `/api/sites/${record.siteId}/export` : null,
    getJson,
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
  const [work] = useState(() => new Map<string, PlanWork>());
  const workOn = (id: string): PlanWork => {
    const known = work.get(id);
    if (known) return known;
    const made: PlanWork = new PlanWork(
      {
        put: async (version, plan) =>
          (await sendJson<SiteVersion>('PUT', `/api/sites/${id}/plan`, { version, plan })).version,
        reread: () => again.current(),
        keep: (row) => {
          void localDb().then((db) => db.put('undo', { siteId: id, ...row }));
        },
        failed: (e) => {
          toast.error(
            e instanceof ApiProblem && e.problem.status === 409
              ? 'Somebody else changed the plan meanwhile. Yours was not stored; look at theirs and do it again.'
              : `${e instanceof Error ? e.message : 'That did not work.'} The plan is as it was.`,
          );
        },
      },
      () => {
        startTransition(() => {
          show(made.state);
        });
      },
    );
    work.set(id, made);
    return made;
  };

  const read = useMemo(
    () => (record && file && on ? drawnOf(record.site, file.pours) : null),
    [record, file, on],
  );
  const plan = draft ?? read;
  const shown = useMemo((): PourAnswer | undefined => {
    if (!record || !draft) return record;
    return {
      ...record,
      site: withDrawn(record.site, draft),
      pour: pourDrawn(record.site, record.pour, draft),
    };
  }, [record, draft]);

  const start = () => {
    startTransition(() => {
      setOn(true);
    });
    if (!record) return;
    const w = workOn(siteId);
    void localDb()
      .then((db) => db.get('undo', siteId))
      .then((kept) => {
        w.open(record.siteVersion, kept);
      });
  };
  const apply: PlanEditing['apply'] = (edit) => {
    const before = record && workOn(siteId).plan(read);
    if (!before) return false;
    try {
      const act = typeof edit === 'function' ? edit(before) : edit;
      workOn(siteId).act(applyEdit(record.site, before, act), read, record.siteVersion);
      return true;
    } catch (e) {
      if (!(e instanceof EditRefused)) throw e;
      toast.error(e.message);
      return false;
    }
  };
  const offers = useMemo(
    () => (plan && record ? offersOf(plan, record.pour.elements, record.pour.code) : []),
    [plan, record],
  );
  const code = record?.pour.code;
  const last = undo.at(-1);
  const undoTells = useMemo(() => {
    if (!plan || !last || !record) return null;
    const diff = planDiff(last, plan, record.site.units);
    const pours = plan.pours
      .filter((p) => p.code !== code && p.elements.some((e) => diff.elements.includes(e)))
      .map((p) => p.code);
    const here = plan.pours.find((p) => p.code === code)?.elements ?? [];
    const ours = diff.elements.some((e) => here.includes(e));
    return { what: diffText(diff), pours: ours ? [] : pours };
  }, [plan, last, record, code]);
  return {
    shown,
    editing: {
      on,
      ready: plan !== null,
      saving: draft !== null,
      plan,
      offers,
      site: shown?.site ?? null,
      elements: shown?.pour.elements ?? [],
      start,
      stop: () => {
        startTransition(() => {
          setOn(false);
        });
      },
      apply,
      replace: (next) => {
        if (record) workOn(siteId).act(next, read, record.siteVersion);
      },
      undoTells,
      undo: () => {
        if (record) workOn(siteId).undo(read, record.siteVersion);
      },
      redo: () => {
        if (record) workOn(siteId).redo(read, record.siteVersion);
      },
      canUndo: plan !== null && undo.length > 0,
      canRedo: plan !== null && redo.length > 0,
    },
  };
}
