import { useMemo } from 'react';
import { offeredStands, placesOf, standAt } from '#core/pourplan';
import { conveyanceOf } from '#core/view';
import { usePour } from '../../../app/pour-context.tsx';
import { usePlanned } from '../planned.tsx';

/** Where the conveyance stands, how well, and where else it could. */
export function useStands() {
  const v = usePour();
  const { record, plan, settings } = usePlanned();
  const conveyance = conveyanceOf(record);
  const { site } = record;
  const places = useMemo(() => placesOf(site, plan.route, plan.cells), [site, plan]);
  const ask = useMemo(
    () => (conveyance ? { site, places, conveyance, rules: v.rules } : null),
    [site, places, conveyance, v.rules],
  );
  const offers = useMemo(() => (ask && places.length ? offeredStands(ask) : []), [ask, places]);
  const { setUp } = settings;
  const stand = useMemo(
    () => (ask && places.length && setUp ? standAt(ask, setUp) : null),
    [ask, places, setUp],
  );
  return { conveyance, places, stand, offers };
}
