import { entries, firstId, latest, type LogEvent, type PourState } from '#core/log';

/** Something that went wrong, what was chosen to do about it, and whether it is over. */
export interface TroubleState {
  /** By what the way on names it: the same after it was put right. */
  id: string;
  entry: LogEvent<'trouble'>;
  way: LogEvent<'way-on'> | null;
  over: LogEvent<'trouble-over'> | null;
}

/** Everything that went wrong, the latest first. */
export const troublesOf = (state: PourState): TroubleState[] =>
  entries(state, 'trouble')
    .map((entry) => {
      const id = firstId(state, entry);
      return {
        id,
        entry,
        way: latest(state, 'way-on', (e) => e.body.troubleId === id) ?? null,
        over: latest(state, 'trouble-over', (e) => e.body.troubleId === id) ?? null,
      };
    })
    .reverse();
