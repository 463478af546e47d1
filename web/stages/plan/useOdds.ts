import { useEffect, useState } from 'react';
import { moneyOf, type Odds, type WhatIf, type WhatIfAsk } from '#core/pourplan';
import { crewOf, isPumped } from '#core/view';
import { usePour } from '../../app/pour-context.tsx';
import { oddsWorker } from '../../workers/odds.ts';
import { usePlanned } from './planned.tsx';

/** What was drawn last: who comes back to the same plan finds it there. */
let last: { on: On; odds: Odds } | null = null;
let lastIfs: { on: On; plan: Odds; whatIfs: WhatIf[] } | null = null;

/** What something was drawn for: a plan, and the hours in which the forecast forbids to place. */
interface On {
  plan: unknown;
  noGo: string;
}
const isFor = (drawn: { on: On } | null, on: On): boolean =>
  drawn !== null && drawn.on.plan === on.plan && drawn.on.noGo === on.noGo;

/** Mornings that are drawn for a plan, and for each thing that may go otherwise. */
const TRIALS = 400;
/** What may go otherwise is asked once the plan has stood for this long, ms. */
const SETTLED_MS = 350;

function useAsk(): WhatIfAsk {
  const { mix, plant } = usePour();
  const { record, noGo } = usePlanned();
  return {
    site: record.site,
    pour: record.pour,
    mix,
    plant,
    duskMin: record.duskMin,
    noGo,
    money: moneyOf(record.site, record.pour, plant),
    pumped: isPumped(record),
    hands: Math.max(2, crewOf(record)?.hands ?? 2),
    trials: TRIALS,
  };
}

/**
 * How the pour as it is planned, or just tried, goes on many mornings; null while they are drawn.
 * Away from the page's own thread; an answer for a plan that is no longer looked at is dropped.
 */
export function useOdds(): Odds | null {
  const { record, plan, noGo } = usePlanned();
  const ask = useAsk();
  const [drawn, setDrawn] = useState(last);
  // The hours are told anew at every tick; what counts is what they say.
  const hours = JSON.stringify(noGo);
  useEffect(() => {
    const on = { plan, noGo: hours };
    if (isFor(last, on)) return;
    let wanted = true;
    const first = noGo.find((g) => g.toMin > record.pour.settings.firstLoadMin);
    void oddsWorker()
      .odds({ ...plan.simulation, trials: TRIALS }, ask.money, first?.fromMin ?? null)
      .then((odds) => {
        if (!wanted) return;
        last = { on, odds };
        setDrawn(last);
      });
    return () => {
      wanted = false;
    };
    // The plan stands for all that it was worked out of; prices and hours come with its record.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [plan, hours]);
  return drawn && isFor(drawn, { plan, noGo: hours }) ? drawn.odds : null;
}

/** What becomes of the plan when something goes otherwise; null while it is worked out. */
export function useWhatIfs(): { plan: Odds; whatIfs: WhatIf[] } | null {
  const { plan, trying, noGo } = usePlanned();
  const ask = useAsk();
  const [drawn, setDrawn] = useState(lastIfs);
  const hours = JSON.stringify(noGo);
  useEffect(() => {
    const on = { plan, noGo: hours };
    if (trying || isFor(lastIfs, on)) return;
    let wanted = true;
    const soon = setTimeout(() => {
      void oddsWorker()
        .whatIfs(ask, plan.orderedM3, plan.trucks.result.spacingMin)
        .then((found) => {
          if (!wanted) return;
          lastIfs = { on, ...found };
          setDrawn(lastIfs);
        });
    }, SETTLED_MS);
    return () => {
      wanted = false;
      clearTimeout(soon);
    };
    // oxlint-disable-next-line react/exhaustive-deps -- as above
  }, [plan, hours, trying]);
  return isFor(drawn, { plan, noGo: hours }) ? drawn : null;
}
