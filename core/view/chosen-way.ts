import { troublesOf } from '#core/pourlog';
import { type ForecastInput, wayInput } from '#core/pourplan';
import type { PourNow } from './stages/stage.ts';

/**
 * The rest of a pour as it goes on with what was chosen: every trouble that is not over counts with
 * the way on that was taken, from when it was taken.
 */
export function chosenWay(v: PourNow, input: ForecastInput): ForecastInput {
  const { site, pour } = v.record;
  let going = input;
  for (const { entry, way, over } of troublesOf(v.state)) {
    if (!way || over) continue;
    going =
      wayInput({
        input: going,
        what: entry.body.what,
        elementId: entry.body.elementId ?? null,
        others: (site.conveyances ?? []).filter((c) => c.id !== pour.settings.conveyance),
        way: way.body.way,
        fromMin: (Date.parse(way.at) - v.dayMs) / 60_000,
        callLeadMin: v.rules.value('callLead'),
        truckM3: pour.settings.truckM3,
      }) ?? going;
  }
  return going;
}
