import { latest, type PourState } from '#core/log';
import type { ClockTask } from './clock-tasks.ts';
import type { Progress } from './progress.ts';

/** Heavy jobs change hands as often as this, min (site practice: backs wear out). */
const TURN_MIN = 30;
const MIN = 60_000;
/** A break is called this long before it begins, min. */
const CALLED_MIN = 10;
/** Flat faces that dry out want cover within this, min. */
const COVER_MIN = 15;

export interface DayAsk {
  /** Local midnight of the day of the pour, ms. */
  dayMs: number;
  breaks: readonly { fromMin: number; toMin: number }[];
  /** Jobs that wear people out and may change hands, as they are called. */
  heavy: readonly string[];
  /** When the weather was read that dries flat faces too fast; null where it does not. */
  dryingMs: number | null;
  progress: Pick<Progress, 'startedMs' | 'finishedMs'>;
}

/** What the day asks of the crew besides the concrete: breaks, heavy jobs that change hands, cover against drying. */
export function dayTasks(ask: DayAsk, state: PourState, nowMs: number): ClockTask[] {
  const { startedMs, finishedMs } = ask.progress;
  if (startedMs === null) return [];
  const out: ClockTask[] = [];
  const want = (what: string, title: string, fromMs: number, dueMs: number) => {
    const id = `crew/${what}`;
    const entry = latest(state, 'task', (e) => e.body.taskId === id) ?? null;
    const late = entry ? Date.parse(entry.at) > dueMs : nowMs > dueMs;
    const of = { elementId: 'Crew', title, anchors: [], entry, fromMs, dueMs, late };
    out.push({ id, ...of, state: entry?.body.result ?? 'open' });
  };
  const untilMs = finishedMs ?? nowMs;
  const turn = Math.floor((untilMs - startedMs) / (TURN_MIN * MIN));
  if (turn > 0 && ask.heavy.length > 0) {
    const fromMs = startedMs + turn * TURN_MIN * MIN;
    want(
      `turn-${turn}`,
      `${ask.heavy.join(' and ')} change hands`,
      fromMs,
      fromMs + CALLED_MIN * MIN,
    );
  }
  for (const b of ask.breaks) {
    const [fromMs, toMs] = [ask.dayMs + b.fromMin * MIN, ask.dayMs + b.toMin * MIN];
    if (nowMs >= fromMs - CALLED_MIN * MIN && (finishedMs === null || fromMs <= finishedMs))
      want(`break-${b.fromMin}`, 'break, and water', fromMs, toMs);
  }
  if (ask.dryingMs !== null && ask.dryingMs >= startedMs)
    want(
      `cover-${Math.round((ask.dryingMs - ask.dayMs) / MIN)}`,
      'flat faces covered or fogged: they dry too fast',
      ask.dryingMs,
      ask.dryingMs + COVER_MIN * MIN,
    );
  return out;
}
