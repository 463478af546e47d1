import { startTransition, useEffect, useMemo, useState } from 'react';
import useSWR from 'swr';
import type { ClockAnswer } from '../../contract/index.ts';
import { getJson, sendJson } from './api.ts';
import { SiteTime, type SiteOffset } from './site-time.ts';

const KEY = 'jactum-clock';

/** What was heard last survives a reload without signal. */
function kept(): SiteOffset | null {
  try {
    const { offsetMs, sureMs } = JSON.parse(
      localStorage.getItem(KEY) ?? '{}',
    ) as Partial<SiteOffset>;
    return Number.isFinite(offsetMs) && Number.isFinite(sureMs)
      ? { offsetMs: Number(offsetMs), sureMs: Number(sureMs) }
      : null;
  } catch {
    return null;
  }
}
let time = new SiteTime(kept());

/** What this device knows is what it has kept, as after a reload. */
export function rereadClock(): void {
  time = new SiteTime(kept());
}

async function read(path: string): Promise<ClockAnswer> {
  const sent = Date.now();
  const answer = await getJson<ClockAnswer>(path);
  time.heard(Date.parse(answer.now), sent, Date.now());
  localStorage.setItem(KEY, JSON.stringify(time.known));
  return answer;
}

/** The site's time now, ms. */
const siteNow = (): number => time.now(Date.now());

/** A clock that is further off than this is said, ms. */
const DRIFT_MS = 120_000;

/**
 * How far this device's clock is behind the server's, ms (below 0: ahead); null while it is near
 * enough, or not known.
 */
export function clockDrift(): number | null {
  const { offsetMs } = time.known ?? { offsetMs: 0 };
  return Math.abs(offsetMs) > DRIFT_MS ? offsetMs : null;
}

/** The time of an entry that is made now, ms: never before that of the entry made before it. */
export const stampNow = (): number => time.stamp(Date.now());

/** Who draws by the site clock. */
const drawers = new Set<() => void>();
/** The clock steps at once: what hangs on an entry that was just made is not to wait for the next step. */
export function stepClock(): void {
  for (const tick of drawers) tick();
}

/** The site clock for drawing: steps every few seconds, and with each entry of this device; `advance` puts the demo's clock forward. */
export function useSiteClock(): {
  nowMs: number;
  settable: boolean;
  advance: (minutes: number) => Promise<void>;
} {
  const { data, mutate } = useSWR('/api/clock', read, { refreshInterval: 20_000 });
  const [nowMs, setNow] = useState(siteNow());
  useEffect(() => {
    // A tick may wait: what somebody is pressing comes first.
    const tick = () => {
      startTransition(() => {
        setNow(siteNow());
      });
    };
    tick();
    const timer = setInterval(tick, 5000);
    drawers.add(tick);
    return () => {
      drawers.delete(tick);
      clearInterval(timer);
    };
  }, [data]);
  const settable = data?.settable ?? false;
  // The same object until the time has moved: everything drawn hangs on it.
  return useMemo(
    () => ({
      nowMs,
      settable,
      advance: async (minutes: number) => {
        await sendJson<ClockAnswer>('POST', '/api/clock', { advanceMin: minutes });
        await mutate();
        setNow(siteNow());
      },
    }),
    [nowMs, settable, mutate],
  );
}
