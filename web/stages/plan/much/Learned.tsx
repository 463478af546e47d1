import useSWR from 'swr';
import { attempt } from '#core/kit';
import { learnedDelay, learnedYield } from '#core/supply';
import { counted } from '#core/units';
import type { Learned as Past } from '#core/view';
import { usePour } from '../../../app/pour-context.tsx';
import { getJson } from '../../../sync/api.ts';
import { FigureWithWorking } from '../../../ui/Working.tsx';
import { usePlanned } from '../planned.tsx';

/** To a tenth of a minute. */
const tenth = (min: number): number => Math.round(min * 10) / 10;
const inHundred = (ratio: number): string => String(Math.round(ratio * 1000) / 10);

/** What this site's closed pours say of waste, and their tickets of lateness; nothing until there is one. */
export default function Learned() {
  const v = usePour();
  const { settings, change } = usePlanned();
  const { data } = useSWR<Past, Error>(`/api/sites/${v.record.siteId}/learned`, getJson);
  if (!data || data.pours.length === 0) return null;
  const wasteInput = {
    priorWaste: settings.wasteRatio,
    priorSd: Math.max(0.001, settings.sdRatio),
    wastes: data.pours.map((p) => p.waste),
  };
  const delayInput = {
    priorMedianMin: Math.max(0.5, v.plant.plantDelay.medianMin),
    priorP90Min: Math.max(0.5, v.plant.plantDelay.p90Min),
    delaysMin: data.delaysMin,
  };
  const waste = attempt(learnedYield, wasteInput).done?.result;
  const late = data.delaysMin.length ? attempt(learnedDelay, delayInput).done?.result : null;
  if (!waste) return null;
  const wasteRatio = Math.min(1, Math.max(0, Math.round(waste.wasteRatio * 1000) / 1000));
  const same = Math.abs(wasteRatio - settings.wasteRatio) < 0.0006;
  const own = v.plant.plantDelay;
  const sameDelay =
    !late ||
    v.plant.mixer !== undefined ||
    (Math.abs(late.medianMin - own.medianMin) < 0.5 && Math.abs(late.p90Min - own.p90Min) < 0.5);
  const takeDelay = () => {
    if (!late) return;
    const plantDelay = { medianMin: tenth(late.medianMin), p90Min: tenth(late.p90Min) };
    void v.saveResources({
      plants: v.record.site.plants.map((p) => (p.id === v.plant.id ? { ...p, plantDelay } : p)),
    });
  };
  return (
    <section aria-label="Learned from closed pours" className="flex items-center gap-3">
      <p className="min-w-0 flex-1">
        {counted(waste.pours, 'closed pour')} ({data.pours.map((p) => p.code).join(', ')}) and the
        plan say{' '}
        <FigureWithWorking name="the learned waste" id="learned-yield" input={wasteInput}>
          {inHundred(waste.wasteRatio)} in 100, give or take {inHundred(waste.sdRatio)}
        </FigureWithWorking>
        {late && (
          <>
            ; {counted(late.loads, 'ticket')} say a load is{' '}
            <FigureWithWorking name="the learned delay" id="learned-delay" input={delayInput}>
              {Math.round(late.medianMin)} min late, one in ten {Math.round(late.p90Min)}
            </FigureWithWorking>
          </>
        )}
        .
      </p>
      {!same && (
        <button
          type="button"
          className="chip shrink-0"
          onClick={() => {
            void change({ wasteRatio, sdRatio: Math.min(1, waste.sdRatio) });
          }}
        >
          Take it
        </button>
      )}
      {!sameDelay && (
        <button type="button" className="chip shrink-0" onClick={takeDelay}>
          Plan with its lateness
        </button>
      )}
    </section>
  );
}
