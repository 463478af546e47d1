import { useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import useSWR from 'swr';
import type { PourAnswer, SiteFile, SiteVersion } from '../../contract/index.ts';
import { drawnOf, withDrawn, type Drawn } from '../../core/siteplan/drawn.ts';
import { applyEdit, EditRefused, type PlanEdit } from '../../core/siteplan/edit.ts';
import { offersOf, type Offer } from '../../core/siteplan/offers.ts';
import { ApiProblem, getJson, sendJson } from '../sync/api.ts';

/** Changing the plan: every act shows at once, is stored as a version of the site, and can be taken back. */
export interface PlanEditing {
  on: boolean; ready: boolean; saving: boolean; plan: Drawn | null; offers: Offer[];
  start: () => void; stop: () => void;
  /** Does one act; false, with a message, when the plan does not allow it. */
  apply: (edit: PlanEdit) => boolean;
  /** Takes over a whole drawing made elsewhere (a file brought in), as one act. */
  replace: (next: Drawn) => void;
  undo: () => void; redo: () => void; canUndo: boolean; canRedo: boolean;
}

/** The editor of a pour's site, and the record as it is to be shown while an act is on its way. */
export function usePlanEditor(record: PourAnswer | undefined, refresh: () => Promise<unknown>): { editing: PlanEditing; shown: PourAnswer | undefined } {
  const [on, setOn] = useState(false);
  const [draft, setDraft] = useState<Drawn | null>(null);
  const [undo, setUndo] = useState<Drawn[]>([]);
  const [redo, setRedo] = useState<Drawn[]>([]);
  const pending = useRef(0);
  /** The last version stored from here, of which site: what was read may be older while a new reading is on its way. */
  const version = useRef({ site: '', n: 0 });
  const queue = useRef(Promise.resolve());
  const { data: file, mutate: reread } = useSWR<SiteFile, Error>(on && record ? `/api/sites/${record.siteId}/export` : null, getJson);

  const plan = useMemo(() => draft ?? (record && file && on ? drawnOf(record.site, file.pours) : null), [draft, record, file, on]);
  const shown = useMemo((): PourAnswer | undefined => {
    if (!record || !draft) return record;
    const elements = draft.pours.find((p) => p.code === record.pour.code)?.elements ?? record.pour.elements;
    return { ...record, site: withDrawn(record.site, draft), pour: { ...record.pour, elements, settings: { ...record.pour.settings, startAt: Math.min(record.pour.settings.startAt, elements.length - 1) } } };
  }, [record, draft]);

  const store = (next: Drawn) => {
    if (!record) return;
    setDraft(next);
    if (pending.current === 0) version.current = { site: record.siteId, n: Math.max(version.current.site === record.siteId ? version.current.n : 0, record.siteVersion) };
    pending.current += 1;
    queue.current = queue.current.then(async () => {
      try {
        version.current.n = (await sendJson<SiteVersion>('PUT', `/api/sites/${record.siteId}/plan`, { version: version.current.n, plan: next })).version;
      } catch (e) {
        toast.error(e instanceof ApiProblem && e.problem.status === 409 ? 'Somebody else changed the plan meanwhile. Yours was not stored; look at theirs and do it again.' : `${e instanceof Error ? e.message : 'That did not work.'} The plan is as it was.`);
        setUndo([]); setRedo([]);
        // What was drawn on top of it falls with it.
        pending.current = 1;
        queue.current = Promise.resolve();
      } finally {
        pending.current -= 1;
        if (pending.current <= 0) { pending.current = 0; await Promise.all([refresh(), reread()]); if ((pending.current) === 0) setDraft(null); }
      }
    });
  };
  const act = (next: Drawn) => { if (!plan) return; setUndo([...undo.slice(-99), plan]); setRedo([]); store(next); };
  const apply = (edit: PlanEdit): boolean => {
    if (!record || !plan) return false;
    try { act(applyEdit(shown?.site ?? record.site, plan, edit)); return true; } catch (e) {
      if (!(e instanceof EditRefused)) throw e;
      toast.error(e.message);
      return false;
    }
  };
  const back = (from: Drawn[], setFrom: (l: Drawn[]) => void, to: Drawn[], setTo: (l: Drawn[]) => void) => {
    const last = from.at(-1);
    if (!last || !plan) return;
    setFrom(from.slice(0, -1)); setTo([...to, plan]); store(last);
  };
  const offers = useMemo(() => (plan && record ? offersOf(plan, record.pour.elements, record.pour.code) : []), [plan, record]);
  return {
    shown,
    editing: {
      on, ready: plan !== null, saving: draft !== null, plan, offers, start: () => { setOn(true); }, stop: () => { setOn(false); setUndo([]); setRedo([]); }, apply, replace: act,
      undo: () => { back(undo, setUndo, redo, setRedo); }, redo: () => { back(redo, setRedo, undo, setUndo); }, canUndo: undo.length > 0, canRedo: redo.length > 0,
    },
  };
}
