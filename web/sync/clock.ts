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
const time = new SiteTime(kept());

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

/** The site clock for drawing: steps every few seconds; `advance` puts the demo's clock forward. */
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
    return () => {
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
