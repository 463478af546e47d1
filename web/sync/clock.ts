import { startTransition, useEffect, useMemo, useState } from 'react';
import useSWR from 'swr';
import type { ClockAnswer } from '../../contract/index.ts';
import { getJson, sendJson } from './api.ts';

const KEY = 'jactum-clock-offset';
/** The offset last heard survives a reload without signal. */
let offsetMs = Number(localStorage.getItem(KEY) ?? 0);

async function read(path: string): Promise<ClockAnswer> {
  const sent = Date.now();
  const answer = await getJson<ClockAnswer>(path);
  offsetMs = Date.parse(answer.now) - (sent + Date.now()) / 2;
  localStorage.setItem(KEY, String(offsetMs));
  return answer;
}

/** The site's time now, ms. */
export const siteNow = (): number => Date.now() + offsetMs;

/** The site clock for drawing: steps every few seconds; `advance` puts the demo's clock forward. */
export function useSiteClock(): { nowMs: number; settable: boolean; advance: (minutes: number) => Promise<void> } {
  const { data, mutate } = useSWR('/api/clock', read, { refreshInterval: 20_000 });
  const [nowMs, setNow] = useState(siteNow());
  useEffect(() => {
    // A tick may wait: what somebody is pressing comes first.
    const tick = () => { startTransition(() => { setNow(siteNow()); }); };
    tick();
    const timer = setInterval(tick, 5000);
    return () => { clearInterval(timer); };
  }, [data]);
  const settable = data?.settable ?? false;
  // The same object until the time has moved: everything drawn hangs on it.
  return useMemo(() => ({ nowMs, settable, advance: async (minutes: number) => { await sendJson<ClockAnswer>('POST', '/api/clock', { advanceMin: minutes }); await mutate(); setNow(siteNow()); } }), [nowMs, settable, mutate]);
}
