import { entries, type PourState } from '#core/log';

/** Somebody's hours on the pour: since when they are on, and how long they were. */
export interface Hours {
  name: string;
  job: string | null;
  /** Since when they are on; null while they are off. */
  onMs: number | null;
  minutes: number;
}

/** The hours of every hand that was on, in the order in which they came; whoever is on is on until `nowMs`. */
export function hoursOf(state: PourState, nowMs: number): Hours[] {
  const hands = new Map<string, Hours>();
  for (const e of entries(state, 'hand')) {
    const { name, to, job } = e.body;
    const h = hands.get(name) ?? { name, job: null, onMs: null, minutes: 0 };
    const atMs = Date.parse(e.at);
    if (h.onMs !== null && to === 'off') h.minutes += (atMs - h.onMs) / 60_000;
    // On twice is on since the first time.
    h.onMs = to === 'on' ? (h.onMs ?? atMs) : null;
    h.job = job ?? h.job;
    hands.set(name, h);
  }
  return [...hands.values()].map((h) =>
    h.onMs === null ? h : { ...h, minutes: h.minutes + Math.max(0, nowMs - h.onMs) / 60_000 },
  );
}
