import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { PourPlan } from '#core/pourplan';
import { usePour } from '../../app/pour-context.tsx';
import type { OddsWorker } from '../../workers/odds.worker.ts';

type Odds = PourPlan['odds'];

/** What was drawn last: who comes back to the same plan finds it there. */
let last: { key: string; odds: Odds } | null = null;

/**
 * How the pour as it is planned goes on many mornings; null while they are drawn. Away from the page's own thread, and only
 * where it is asked for: a large site keeps a core of a phone busy with it.
 */
export function useOdds(): Odds | null {
  const { record, mix, plant } = usePour();
  const [drawn, setDrawn] = useState(last);
  const key = `${record.id} ${record.version} ${record.siteVersion}`;
  useEffect(() => {
    if (last?.key === key) return;
    const worker = new Worker(new URL('../../workers/odds.worker.ts', import.meta.url), {
      type: 'module',
    });
    void wrap<OddsWorker>(worker)
      .odds(record.site, record.pour, mix, plant, record.duskMin)
      .then((odds) => {
        last = { key, odds };
        setDrawn(last);
      });
    return () => {
      worker.terminate();
    };
  }, [key, record, mix, plant]);
  return drawn?.key === key ? drawn.odds : null;
}
