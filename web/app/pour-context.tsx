import { SiteFaults } from './SiteFaults.tsx';
import { useCuringAir } from './useCuringAir.ts';
import { labelsByElement } from '../../core/model/elements.ts';
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
import { toast } from 'sonner';
import useSWR from 'swr';
import type { PourAnswer, SiteVersion, WeatherAnswer, WeatherHour } from '../../contract/index.ts';
import { WHOLE_POUR } from '../../core/check/points/index.ts';
import type { Walk } from '../../core/check/walk.ts';
import type { Curing } from '../../core/cure/curing.ts';
import { kindOf, type EventBody, type EventKind, type LogEvent } from '../../core/log/events.ts';
import type { PourSettings } from '../../core/model/pour.ts';
import { timeline, type PourState } from '../../core/log/state.ts';
import {
  checksOf,
  curingIn,
  planOf,
  viewOf,
  type PourView as PourFigures,
} from '../../core/view/pour-view.ts';
import { takeOffOf } from '../../core/takeoff/takeoff.ts';
import type { RuleId } from '../../core/rules/catalog.ts';
import type { UnitSystem } from '../../core/units/index.ts';
import { ApiProblem, getJson, sendJson } from '../sync/api.ts';
import { Told } from '../sync/told.ts';
import { stampNow, useSiteClock } from '../sync/clock.ts';
import { logStore, type LogSnapshot, type LogStore } from '../sync/log-store.ts';
import { usePlanEditor, type PlanEditing } from './plan-editor.ts';
import { useSession } from './session.tsx';
import { useDeferredStore } from './useDeferredStore.ts';
import { useWalk } from './walk.ts';

/** Everything the stages draw: the pour as the core has it, and what the page does with it. */
export interface PourView extends PourFigures {
  record: PourAnswer;
  units: UnitSystem;
  nowMs: number;
  /** Minutes after local midnight of the pour day. */
  minuteOf: (ms: number) => number;
  state: PourState;
  store: LogStore;
  curing: Curing | null;
  weather: WeatherHour[];
  /** The forecast round the present hour, whatever day the pour is on. */
  weatherNow: WeatherHour[];
  write: <K extends EventKind>(
    kind: K,
    body: EventBody<K>,
    options?: { supersedes?: string; atMs?: number; kept?: () => void },
  ) => Promise<string>;
  undoLast: () => Promise<void>;
  saveSettings: (change: Partial<PourSettings>) => Promise<void>;
  /** Changes a rule of the site (null: back to its profile); answers whether it was taken. */
  saveRule: (rule: RuleId, value: number | null, reason: string) => Promise<boolean>;
  /** Which way round the checks are walked on this device. */
  walk: Walk;
  clock: ReturnType<typeof useSiteClock>;
  elementName: (id: string) => string;
}

const Context = createContext<PourView | null>(null);
const Editing = createContext<PlanEditing | null>(null);

/** A stray key takes none of these back. */
const GUARDED: ReadonlySet<EventKind> = new Set<EventKind>(['sign', 'override', 'close', 'reopen']);

/** Figures follow a change of the plan when nothing has been pressed for this long, ms. */
const SETTLED_MS = 250;

/**
 * The record that figures are worked out of. While the plan is changed it follows when the acts pause, and is worked out
 * in stages, each in a render of its own: on a large site a press in between is answered first.
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
 * What was read of the pour, and never anything older than what stands already: without signal, or where the answer is long in
 * coming, the service worker hands out what it kept.
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

/** Loads a pour and its log, works out the view, and hands it to the stages. */
/** A pour with everything worked out for it; a site that cannot be drawn is shown as a list instead. */
export function PourProvider({ pourId, children }: { pourId: string; children: ReactNode }) {
  const { data, mutate } = useSWR<PourAnswer, Error>(`/api/pours/${pourId}`, getJson);
  if (data?.faults?.length) return <SiteFaults record={data} reread={() => mutate()} />;
  return <PourWorkedOut pourId={pourId}>{children}</PourWorkedOut>;
}

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
  const state = useDeferredStore(store, stateOf);
  const loaded = useDeferredStore(store, isLoaded);
  // The log is read through SWR like everything else; the stream only brings it sooner.
  useSWR(['log', pourId], () => store.pull(), {
    refreshInterval: 15_000,
    shouldRetryOnError: true,
  });

  const nowMs = clock.nowMs;
  const figures = record ? viewOf(record, state, nowMs) : null;
  // Until the pour is there the day does not matter: nothing is asked for it.
  const dayMs = figures?.dayMs ?? 0;
  const from = new Date(dayMs).toISOString();
  const to = new Date(dayMs + 47 * 3600_000).toISOString();
  const { data: weather } = useSWR<WeatherAnswer, Error>(
    record && figures ? `/api/sites/${record.siteId}/weather?from=${from}&to=${to}` : null,
    getJson,
  );

  const hourMs = Math.floor(nowMs / 3600_000) * 3600_000;
  const { data: weatherNow } = useSWR<WeatherAnswer, Error>(
    record
      ? `/api/sites/${record.siteId}/weather?from=${new Date(hourMs).toISOString()}&to=${new Date(hourMs + 12 * 3600_000).toISOString()}`
      : null,
    getJson,
    { keepPreviousData: true },
  );

  const air = useCuringAir(record, figures?.progress.finishedMs ?? null, nowMs);

  const labels = useMemo(
    () => (record ? labelsByElement(record.site) : new Map<string, string>()),
    [record],
  );
  const view = useMemo((): PourView | null => {
    if (!record || !figures) return null;
    const write: PourView['write'] = async (kind, body, options = {}) => {
      const wrong = kindOf(kind).body.safeParse(body).error?.issues[0];
      if (wrong) {
        const said = `Not logged: what was entered ${wrong.message}. It still stands here: change it and log it again.`;
        toast.error(said, { duration: 20_000 });
        throw new Told(said);
      }
      try {
        return await store.record(
          kind,
          body,
          {
            actor: account.name,
            nowMs: options.atMs ?? stampNow(),
            supersedes: options.supersedes,
          },
          options.kept,
        );
      } catch (e) {
        toast.error(
          'This device could not keep that entry, so it is not logged. Make room on it, or use another device, and enter it again.',
          { duration: 20_000 },
        );
        throw new Told('not kept', { cause: e });
      }
    };
    const undoLast = async () => {
      // What was entered a moment ago may not be drawn yet: it is the last all the same.
      const last = timeline(store.snapshot().state)
        .filter((e: LogEvent) => e.actor === account.name && e.kind !== 'supersede')
        .at(-1);
      if (!last) {
        toast('There is no entry of yours to take back.');
        return;
      }
      if (GUARDED.has(last.kind)) {
        toast(
          last.kind === 'sign'
            ? 'Your last entry is a sign-off: it is taken back on Check, with your PIN.'
            : `Your last entry is ${last.kind === 'override' ? 'an override' : 'a closing'}: it is not taken back by a key.`,
        );
        return;
      }
      await write('supersede', {}, { supersedes: last.id });
      toast(`Taken back: your last ${last.kind.replace('-', ' ')}. It stays in the log.`);
    };
    const saveSettings = async (change: Partial<PourSettings>) => {
      try {
        await mutate(
          await sendJson<PourAnswer>('PUT', `/api/pours/${record.id}/settings`, {
            version: record.version,
            settings: { ...record.pour.settings, ...change },
          }),
          { revalidate: false },
        );
        // Read once more: what is kept for a reload without signal is what was read.
        void mutate();
      } catch (e) {
        toast.error(e instanceof Error ? e.message : 'That did not work.');
        if (e instanceof ApiProblem && e.problem.status === 409) await mutate();
      }
    };
    const saveRule: PourView['saveRule'] = async (rule, value, reason) => {
      let taken = false;
      try {
        await sendJson<SiteVersion>('PUT', `/api/sites/${record.siteId}/rules`, {
          version: record.siteVersion,
          rule,
          value,
          ...(reason ? { reason } : {}),
        });
        taken = true;
      } catch (e) {
        toast.error(e instanceof Error ? e.message : 'That did not work.');
      }
      await mutate();
      return taken;
    };
    return {
      ...figures,
      record,
      units: record.site.units,
      nowMs,
      minuteOf: (ms) => (ms - figures.dayMs) / 60_000,
      state,
      store,
      curing: curingIn(record, figures, state, nowMs, air),
      weather: weather?.hours ?? [],
      weatherNow: weatherNow?.hours ?? [],
      write,
      undoLast,
      saveSettings,
      saveRule,
      walk,
      clock,
      elementName: (id) => (id === WHOLE_POUR ? 'The whole pour' : (labels.get(id) ?? id)),
    };
  }, [
    record,
    figures,
    state,
    nowMs,
    weather,
    weatherNow,
    air,
    store,
    account.name,
    clock,
    walk,
    mutate,
    labels,
  ]);

  if (!view || !loaded)
    return (
      <main className="p-8 text-[20px]">{error && !record ? error.message : 'One moment.'}</main>
    );
  return (
    <Context value={view}>
      <Editing value={editing}>{children}</Editing>
    </Context>
  );
}

export function usePour(): PourView {
  const view = useContext(Context);
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
  const editing = useContext(Editing);
  if (!editing) throw new Error('usePlan is used outside PourProvider');
  return editing;
}
