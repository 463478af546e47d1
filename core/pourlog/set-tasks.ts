import { entries, latest, type PourState } from '#core/log';
import type { Mix } from '#core/model';
import type { ClockTask } from './clock-tasks.ts';
import type { LoadState } from './loads.ts';

/** What is read from the sample that a set of cylinders is made of is begun within this, min (ASTM C172-17 §4, to be confirmed). */
const READ_MIN = 5;

/** What of a load is still to be read for a set made of it: slump, temperature, and air where it was ordered. */
export function unreadWithSet(
  mix: Pick<Mix, 'airRatio'>,
  load: Pick<LoadState, 'slump' | 'airRatio' | 'concreteTempC'> | undefined,
): string[] {
  return [
    ...(load?.slump ? [] : ['slump']),
    ...(mix.airRatio === undefined || load?.airRatio != null ? [] : ['air']),
    ...(load?.concreteTempC == null ? ['temperature'] : []),
  ];
}

/** Sets made of a load of which something is still unread; what was read, asks no more. */
export function setTasks(
  mix: Pick<Mix, 'airRatio'>,
  loads: readonly LoadState[],
  state: PourState,
  nowMs: number,
): ClockTask[] {
  return entries(state, 'cylinders').flatMap((made): ClockTask[] => {
    const { set, loadId } = made.body;
    const load = loads.find((l) => l.id === loadId);
    const unread = unreadWithSet(mix, load);
    if (unread.length === 0) return [];
    const id = `tests/set-${set}`;
    const entry = latest(state, 'task', (e) => e.body.taskId === id) ?? null;
    const fromMs = Date.parse(made.at);
    const dueMs = fromMs + READ_MIN * 60_000;
    return [
      {
        id,
        elementId: 'Tests',
        title: `${unread.join(', ')} of ${loadId}, with set ${set}`,
        anchors: [],
        entry,
        state: entry?.body.result ?? 'open',
        fromMs,
        dueMs,
        late: entry ? Date.parse(entry.at) > dueMs : nowMs > dueMs,
      },
    ];
  });
}
