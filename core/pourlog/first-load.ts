import { entries, latest, type PourState } from '#core/log';

/** What was decided of a load last. */
export const verdictOn = (state: PourState, id: string) =>
  latest(state, 'load-verdict', (e) => e.body.loadId === id);

/** The first load that was not sent back: the air of it is read. */
export const firstThatStays = (state: PourState): string | undefined =>
  entries(state, 'load-arrived').find(
    (e) => verdictOn(state, e.body.loadId)?.body.decision !== 'reject',
  )?.body.loadId;
