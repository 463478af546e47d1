import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import type { PourSettings } from '#core/model';
import {
  type ColdStretch,
  coldStretches,
  type DayHour,
  noGoOf,
  type PourPlan,
  windNoOf,
} from '#core/pourplan';
import { conveyanceOf, planOf } from '#core/view';
import { daylight, workingLight } from '#core/weather';
import type { PourAnswer } from '../../../contract/index.ts';
import { usePour } from '../../app/pour-context.tsx';
import { changed, type History, historyOf, step } from './history.ts';

/** The plan as it stands or is just tried, with what changes it. */
export interface Planned {
  /** The record with what is tried in it. */
  record: PourAnswer;
  plan: PourPlan;
  settings: PourSettings;
  cold: ColdStretch[];
  trying: boolean;
  /** Shows the plan with a change that is not kept yet; null shows it as it stands. */
  tryOut: (change: Partial<PourSettings> | null) => void;
  /** Keeps a change; what stood before can be taken back. */
  change: (change: Partial<PourSettings>, date?: string | null) => Promise<void>;
  undo: () => void;
  redo: () => void;
  canUndo: boolean;
  canRedo: boolean;
  /** The forecast of the day of the pour, what it rules out, and its light. */
  hours: DayHour[];
  noGo: ReturnType<typeof noGoOf>;
  light: { sunriseMin: number; duskMin: number };
}

const PlannedContext = createContext<Planned | null>(null);

/** A change that is on its way: it is shown until the record that holds it is there. */
interface Sent {
  change: Partial<PourSettings>;
  /** The version that holds it; null while it is on its way. */
  until: number | null;
}

/** Keeps changes of the plan one after the other, and shows them meanwhile. */
function useKeeping() {
  const v = usePour();
  const [sent, setSent] = useState<Sent | null>(null);
  /** How many were sent. */
  const turn = useRef(0);
  const { saveSettings } = v;
  const { version } = v.record;
  if (sent?.until != null && version >= sent.until) setSent(null);
  const keep = useCallback(
    async (change: Partial<PourSettings>, date?: string | null) => {
      turn.current += 1;
      const own = turn.current;
      setSent((s) => ({ change: { ...s?.change, ...change }, until: null }));
      const until = await saveSettings(change, date);
      // Until the last of them is answered none is taken off the screen: a press in between goes on from what is shown.
      if (own === turn.current) setSent((s) => (s && until !== null ? { ...s, until } : null));
    },
    [saveSettings],
  );
  return { sent: sent?.change ?? null, keep };
}

/** Taking back and making again, kept over a reload. */
function useHistory(keep: (change: Partial<PourSettings>, date?: string | null) => Promise<void>) {
  const v = usePour();
  const pourId = v.record.id;
  const [history, setHistory] = useState<History>(() => historyOf(pourId));
  const { settings, date } = v.record.pour;
  const change = useCallback(
    async (part: Partial<PourSettings>, day?: string | null) => {
      setHistory((h) => changed(pourId, h, { settings, date }));
      await keep(part, day);
    },
    [pourId, settings, date, keep],
  );
  const go = useCallback(
    (way: 'undo' | 'redo') => {
      const to = step(pourId, history, way, { settings, date });
      if (!to) return;
      setHistory(to.history);
      void keep(to.to.settings, to.to.date);
    },
    [pourId, history, settings, date, keep],
  );
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z') return;
      if ((e.target as HTMLElement).closest('input, textarea')) return;
      e.preventDefault();
      go(e.shiftKey ? 'redo' : 'undo');
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, [go]);
  return {
    change,
    undo: () => {
      go('undo');
    },
    redo: () => {
      go('redo');
    },
    canUndo: history.undo.length > 0,
    canRedo: history.redo.length > 0,
  };
}

/** The forecast and the light of the day of the pour, in its minutes. */
function useDay() {
  const v = usePour();
  const { site, pour } = v.record;
  const hours = useMemo(
    // What cannot be read is no forecast: the chart says so, and the tools go on.
    () =>
      Array.isArray(v.weather)
        ? v.weather.map((h): DayHour => ({ ...h, min: v.minuteOf(Date.parse(h.at)) }))
        : [],
    [v],
  );
  const conveyance = conveyanceOf(v.record);
  const noGo = useMemo(
    () =>
      noGoOf(
        hours.filter((h) => h.min > -60 && h.min < 1440),
        v.rules,
        windNoOf(conveyance, v.rules),
      ),
    [hours, v.rules, conveyance],
  );
  const light = useMemo(() => {
    return pour.date
      ? workingLight(daylight(pour.date, site.timeZone, site.latitude, site.longitude))
      : { sunriseMin: 0, duskMin: 1440 };
  }, [pour.date, site.timeZone, site.latitude, site.longitude]);
  return { hours, noGo, light };
}

/** What the parts of the Plan station share. */
export function PlannedProvider({ children }: { children: ReactNode }) {
  const v = usePour();
  const [tried, setTried] = useState<{ on: PourAnswer; change: Partial<PourSettings> } | null>(
    null,
  );
  const { sent, keep } = useKeeping();
  const history = useHistory(keep);
  const day = useDay();
  const stands = v.record;
  // What was tried on another version of the plan is tried no more.
  const trying = tried?.on === stands ? tried.change : null;
  const change = useMemo(() => (sent || trying ? { ...sent, ...trying } : null), [sent, trying]);
  const record = useMemo(
    () =>
      change
        ? {
            ...stands,
            pour: { ...stands.pour, settings: { ...stands.pour.settings, ...change } },
          }
        : stands,
    [stands, change],
  );
  const plan = planOf(record) ?? v.plan;
  const cold = useMemo(() => coldStretches(plan), [plan]);
  const tryOut = useCallback(
    (next: Partial<PourSettings> | null) => {
      setTried(next && { on: stands, change: next });
    },
    [stands],
  );
  const planned = {
    record,
    plan,
    settings: record.pour.settings,
    cold,
    trying: trying !== null,
    tryOut,
    ...history,
    ...day,
  };
  return <PlannedContext value={planned}>{children}</PlannedContext>;
}

export function usePlanned(): Planned {
  const planned = useContext(PlannedContext);
  if (!planned) throw new Error('usePlanned is used outside PlannedProvider');
  return planned;
}
