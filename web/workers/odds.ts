import { type Remote, wrap } from 'comlink';
import type { OddsWorker } from './odds.worker.ts';

/** One worker draws mornings for whatever is asked; it is made when it is first asked, and stays. */
let kept: Remote<OddsWorker> | null = null;
export const oddsWorker = (): Remote<OddsWorker> => {
  kept ??= wrap<OddsWorker>(
    new Worker(new URL('./odds.worker.ts', import.meta.url), { type: 'module' }),
  );
  return kept;
};
