import type { EventBody, EventKind, LogEvent } from '../log/events.ts';

/** Makes entries of a log for tests: minutes after a moment, by one person, with ids in the order they are made. */
export function entriesFrom(startMs: number, actor: string) {
  let n = 0;
  const ms = (minute: number): number => startMs + minute * 60_000;
  function entry<K extends EventKind>(kind: K, body: EventBody<K>, minute: number): LogEvent {
    n += 1;
    return {
      id: `e${String(n).padStart(6, '0')}`,
      at: new Date(ms(minute)).toISOString(),
      actor,
      kind,
      body,
    } as unknown as LogEvent;
  }
  /** Load 1 as it stands at the gate just before eight, where the moment is the midnight before. */
  const loadHere = () =>
    entry(
      'load-arrived',
      {
        loadId: 'L1',
        ticket: '88210',
        volumeM3: 7,
        batchedAt: new Date(ms(460)).toISOString(),
      },
      478,
    );
  return { ms, entry, loadHere };
}

/** An order of the loads of a plan, as the plant has taken it. */
export const orderBody = (
  loads: readonly { id: string; volumeM3: number; batchMin: number }[],
  dayMs: number,
  { mix, plant }: { mix: string; plant: string },
): EventBody<'order'> => ({
  act: 'order',
  volumeM3: loads.reduce((sum, l) => sum + l.volumeM3, 0),
  loads: loads.map(({ id, volumeM3, batchMin }) => ({
    id,
    volumeM3,
    batchAt: new Date(dayMs + batchMin * 60_000).toISOString(),
  })),
  mix,
  plant,
  number: 'X1-1',
  turn: 1,
  said: 'Taken.',
});
