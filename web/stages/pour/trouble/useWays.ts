import { useEffect, useState } from 'react';
import type { TroubleState } from '#core/pourlog';
import { conveyancesFor, moneyOf, noGoOf, type WayOn, windNoOf } from '#core/pourplan';
import { conveyanceOf, forecastInputOf } from '#core/view';
import { usePour } from '../../../app/pour-context.tsx';
import type { PourView } from '../../../app/pour-view.ts';
import { oddsWorker } from '../../../workers/odds.ts';

/** Mornings that are poured to their end for each way on. */
const TRIALS = 400;
/** Ways are worked out anew as the pour goes on, this often, ms. */
const ANEW_MS = 60_000;

/** When the first hour begins, from now on, in which the forecast rules placing out; null where there is none. */
function nextNoGo(v: PourView, nowMin: number): number | null {
  const hours = Array.isArray(v.weather) ? v.weather : [];
  const day = hours.map((h) => ({ ...h, min: v.minuteOf(Date.parse(h.at)) }));
  const found = noGoOf(day, v.rules, windNoOf(conveyanceOf(v.record), v.rules)).find(
    (g) => g.toMin > nowMin,
  );
  return found ? Math.max(nowMin, found.fromMin) : null;
}

/**
 * The ways on from where the pour stands now, the best first; null while they are worked out, none
 * where it cannot be forecast.
 */
export function useWays({ entry }: TroubleState): WayOn[] | null {
  const v = usePour();
  const [found, setFound] = useState<{ of: string; ways: WayOn[] } | null>(null);
  const moment = Math.floor(v.nowMs / ANEW_MS);
  const of = `${entry.id}@${moment}@${v.progress.placements.length}`;
  useEffect(() => {
    let wanted = true;
    const input = forecastInputOf(v, TRIALS);
    const { site, pour } = v.record;
    const others = conveyancesFor(site, v.plan, v.mix, v.rules).filter(
      (c) => c.id !== pour.settings.conveyance,
    );
    const asked = input
      ? oddsWorker().ways({
          input,
          what: entry.body.what,
          elementId: entry.body.elementId ?? null,
          others,
          money: moneyOf(site, pour, v.plant),
          callLeadMin: v.rules.value('callLead'),
          truckM3: pour.settings.truckM3,
          noGoFromMin: nextNoGo(v, input.nowMin),
          trials: TRIALS,
        })
      : Promise.resolve([]);
    asked.then(
      (ways) => {
        if (wanted) setFound({ of, ways });
      },
      () => {
        if (wanted) setFound({ of, ways: [] });
      },
    );
    return () => {
      wanted = false;
    };
    // The moment and what is placed stand for the view they come from.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [of]);
  return found?.of.startsWith(entry.id) ? found.ways : null;
}
