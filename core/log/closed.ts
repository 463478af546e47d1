import { kindOf, type LogEvent } from './events.ts';
import { writtenMs } from './time.ts';
import { isClosed, type PourState } from './state.ts';

/**
 * Why an entry is not taken into the log of a closed pour; null when it is, or when the pour is
 * open. What was written before it was closed and comes late is taken; what is taken back after
 * that says why.
 */
export function refuseClosed(
  state: PourState,
  e: Pick<LogEvent, 'kind' | 'at' | 'writtenAt' | 'body'>,
): string | null {
  if (!isClosed(state)) return null;
  const closed = state.active.close?.at(-1);
  if (closed && writtenMs(e) < Date.parse(closed.at)) return null;
  if (!kindOf(e.kind).afterClosing)
    return 'The pour is closed. Open it again first, on Cure, and say why.';
  const silent = e.kind === 'supersede' && !('reason' in e.body && e.body.reason);
  return silent ? 'The pour is closed: what is taken back now says why.' : null;
}
