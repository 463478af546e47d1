import { useCuringAir } from './useCuringAir.ts';
import { closedToLog, labelsByElement } from '#core/model';
import {
  createContext,
  startTransition,
  useContext,
  useDeferredValue,
  useEffect,
  useMemo,
  useState,
  type ReactNode,
} from 'react';
import useSWR from 'swr';
import type { PourAnswer } from '../../contract/index.ts';
import { WHOLE_POUR } from '#core/check';
import { checksOf, curingIn, planOf, viewOf } from '#core/view';
import { takeOffOf } from '#core/takeoff';
import { getJson } from '../sync/api.ts';
import { useSiteClock } from '../sync/clock.ts';
import { logStore, type LogStore } from '../sync/log-store.ts';
import { type LogSnapshot } from '../sync/log-snapshot.ts';
import { stateAt } from '#core/log';
import { usePast } from '../sync/past.ts';
import { lazily } from '../ui/lazily.tsx';
import { usePlanEditor, type PlanEditing } from './plan-editor.ts';
import { useSession } from './session.tsx';
import { useDeferredStore } from './useDeferredStore.ts';
import { useWalk } from './walk.ts';
import { pourActs } from './pour-acts.ts';
import type { PourView } from './pour-view.ts';
import { usePourWeather } from './usePourWeather.ts';

const SiteFaults = lazily(() => import('./SiteFaults.tsx'));

/** What the stations of a pour stand in. */
export const PourContext = createContext<PourView | null>(null);
export const EditingContext = createContext<PlanEditing | null>(null);

/** Figures follow a change of the plan when nothing has been pressed for this long, ms. */
const SETTLED_MS = 250;

/**
 * The record that figures are worked out of. While the plan is changed it follows when the acts
 * pause, and is worked out in stages, each in a render of its own: on a large site a press in
 * between is answered first.
 */
function useFollowing(shown: PourAnswer | undefined, changing: boolean): PourAnswer | undefined {
  const [settled, setSettled] = useState(shown);
  useEffect(() => {
    if (settled === shown) return;
    if (!changing || !settled) {
      startTransition(() => {
        setSettled(shown);
      });
      return;
    }
    const t = setTimeout(() => {
      startTransition(() => {
        setSettled(shown);
      });
    }, SETTLED_MS);
    return () => {
      clearTimeout(t);
    };
  }, [shown, settled, changing]);
  const first = useDeferredValue(changing ? settled : shown);
  useMemo(() => first && takeOffOf(first.site), [first]);
  const second = useDeferredValue(first);
  useMemo(() => second && planOf(second), [second]);
  const third = useDeferredValue(second);
  useMemo(() => third && checksOf(third), [third]);
  return useDeferredValue(third);
}

/**
 * What was read of the pour, and never anything older than what stands already: without signal, or
 * where the answer is long in coming, the service worker hands out what it kept.
 */
function useNewest(read: PourAnswer | undefined): PourAnswer | undefined {
  const [newest, setNewest] = useState(read);
  if (
    read === newest ||
    (read &&
      newest &&
      read.id === newest.id &&
      (read.version < newest.version || read.siteVersion < newest.siteVersion))
  )
    return newest;
  setNewest(read);
  return read;
}

const stateOf = (store: LogStore) => store.snapshot().state;
const isLoaded = (store: LogStore) => store.snapshot().loaded;
const snapshotOf = (store: LogStore) => store.snapshot();

/** A pour with everything worked out for it; a site that cannot be drawn is shown as a list instead. */
export function PourProvider({ pourId, children }: { pourId: string; children: ReactNode }) {
  const { data, mutate } = useSWR<PourAnswer, Error>(`/api/pours/${pourId}`, getJson);
  if (data?.faults?.length) return <SiteFaults record={data} reread={() => mutate()} />;
  return <PourWorkedOut pourId={pourId}>{children}</PourWorkedOut>;
}

/** Loads a pour and its log, works out the view, and hands it to the stages. */
function PourWorkedOut({ pourId, children }: { pourId: string; children: ReactNode }) {
  const { account } = useSession();
  const clock = useSiteClock();
  const walk = useWalk();
  const {
    data: read,
    error,
    mutate,
  } = useSWR<PourAnswer, Error>(`/api/pours/${pourId}`, getJson, { refreshInterval: 30_000 });
  const stored = useNewest(read);
  const { editing, shown } = usePlanEditor(stored, mutate);
  const record = useFollowing(shown, editing.on);
  const store = useMemo(() => logStore(pourId), [pourId]);
  // The whole view hangs on what was entered; that an entry has been sent changes nothing in it.
  const whole = useDeferredStore(store, stateOf);
  const past = usePast(pourId);
  const state = useMemo(() => (past === null ? whole : stateAt(whole, past)), [whole, past]);
  const loaded = useDeferredStore(store, isLoaded);
  // The log is read through SWR like everything else; the stream only brings it sooner.
  useSWR(['log', pourId], () => store.pull(), {
    refreshInterval: 15_000,
    shouldRetryOnError: true,
  });

  const nowMs = past ?? clock.nowMs;
  const figures = record ? viewOf(record, state, nowMs) : null;
  // Until the pour is there the day does not matter: nothing is asked for it.
  const dayMs = figures?.dayMs ?? 0;
  const { weather, weatherNow, weatherHeardMs } = usePourWeather(
    figures ? record : undefined,
    dayMs,
    nowMs,
  );

  const air = useCuringAir(record, figures?.progress.finishedMs ?? null, nowMs);

  const labels = useMemo(
    () => (record ? labelsByElement(record.site) : new Map<string, string>()),
    [record],
  );
  const view = useMemo((): PourView | null => {
    if (!record || !figures) return null;
    const shut = closedToLog(record.pour, record.site.archived === true);
    const acts = pourActs({
      record,
      store,
      actor: account.name,
      mutate,
      past: past !== null,
      shut,
      closed: figures.closed,
    });
    return {
      ...figures,
      record,
      units: record.site.units,
      nowMs,
      minuteOf: (ms) => (ms - figures.dayMs) / 60_000,
      state,
      store,
      curing: air && curingIn(record, figures, state, nowMs, air),
      weather,
      weatherNow,
      weatherHeardMs,
      ...acts,
      walk,
      clock,
      past,
      shut,
      elementName: (id) => (id === WHOLE_POUR ? 'The whole pour' : (labels.get(id) ?? id)),
    };
  }, [
    record,
    figures,
    state,
    nowMs,
    weather,
    weatherNow,
    weatherHeardMs,
    air,
    store,
    account.name,
    clock,
    walk,
    mutate,
    labels,
    past,
  ]);

  if (!view || !loaded)
    return (
      <main className="p-8 text-[20px]">{error && !record ? error.message : 'One moment.'}</main>
    );
  return (
    <PourContext value={view}>
      <EditingContext value={editing}>{children}</EditingContext>
    </PourContext>
  );
}

export function usePour(): PourView {
  const view = useContext(PourContext);
  if (!view) throw new Error('usePour is used outside PourProvider');
  return view;
}

/** The log as it stands on this device: what is not sent yet, and what the server would not take. */
export function usePourLog(): LogSnapshot {
  const { store } = usePour();
  return useDeferredStore(store, snapshotOf);
}

/** Changing the plan of the site this pour belongs to. */
export function usePlan(): PlanEditing {
  const editing = useContext(EditingContext);
  if (!editing) throw new Error('usePlan is used outside PourProvider');
  return editing;
}
