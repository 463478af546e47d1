import { useState } from 'react';
import { type Leg, MOST_LIFTS, stopHeights } from '#core/pourplan';
import { distanceText, type UnitSystem } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { T } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';
import { Stepper } from '../Stepper.tsx';

const without = <V,>(of: Record<string, V>, id: string): Record<string, V> =>
  Object.fromEntries(Object.entries(of).filter(([key]) => key !== id));

/** How high the lifts of a run are, from the foot up. */
function heightsText({ liftSpans }: Leg, units: UnitSystem): string {
  const heights = liftSpans.map((s) => distanceText(s.toM - s.fromM, units));
  if (heights.length === 1) return heights.join();
  return heights.every((h) => h === heights[0]) ? `${heights[0] ?? ''} each` : heights.join(', ');
}

/** Heights at which a run is stopped between its lifts: to the sill, to a course, to four feet. */
function Heights({ leg, set }: { leg: Leg; set: (tops: number[]) => void }) {
  const v = usePour();
  const planned = leg.liftSpans.slice(0, -1).map((s) => s.toM);
  const [tops, setTops] = useState<(number | null)[]>(planned);
  const stop = stopHeights(tops, leg.heightM);
  const changed = tops.some((t, i) => t !== planned[i]);
  return (
    <div className="col-span-2 flex flex-wrap items-end gap-2">
      {planned.map((top, i) => (
        <div key={i} className="w-36">
          <QuantityField
            label={`lift ${i + 1} to`}
            quantity="M"
            units={v.units}
            value={tops[i] ?? top}
            onChange={(m) => {
              setTops(tops.map((t, k) => (k === i ? m : t)));
            }}
          />
        </div>
      ))}
      {changed && (
        <button
          type="button"
          className="btn soft"
          disabled={stop === null}
          onClick={() => {
            if (stop) set(stop);
          }}
        >
          Stop there
        </button>
      )}
      {changed && stop === null && (
        <p role="alert" className="w-full text-chalk-t">
          <T>{`From the foot up, each above the one before, all under ${distanceText(leg.heightM, v.units)}.`}</T>
        </p>
      )}
    </div>
  );
}

/** Lifts run by run, by number or by height: what is told here rules for that run alone. */
export default function LiftsSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { settings, plan, change } = usePlanned();
  const { liftsByElement: counts, liftTopsByElement: tops } = settings;
  const setCount = (id: string, lifts: number) => {
    void change({
      liftsByElement: { ...counts, [id]: Math.min(MOST_LIFTS, Math.max(1, lifts)) },
      liftTopsByElement: without(tops, id),
    });
  };
  return (
    <Sheet open onClose={onClose} title="Lifts, run by run">
      <p className="mb-2 text-ink2">
        Footings, pads and grade beams are filled in one lift, walls as their forms allow, unless it
        is told otherwise here, by number or by heights above the foot.
      </p>
      <ul className="rows">
        {plan.route.legs.map((l) => (
          <li key={l.elementId} className="grid grid-cols-[1fr_200px] items-center gap-3 py-2">
            <span>
              <b className="font-semibold">{l.elementId}</b> <T>{heightsText(l, v.units)}</T>
              {(counts[l.elementId] !== undefined || tops[l.elementId] !== undefined) && (
                <button
                  type="button"
                  className="block min-h-12 font-semibold text-press"
                  onClick={() => {
                    void change({
                      liftsByElement: without(counts, l.elementId),
                      liftTopsByElement: without(tops, l.elementId),
                    });
                  }}
                >
                  As the others
                </button>
              )}
            </span>
            <Stepper
              label={`lifts of ${l.elementId}`}
              value={String(l.lifts)}
              less={() => {
                setCount(l.elementId, l.lifts - 1);
              }}
              more={() => {
                setCount(l.elementId, l.lifts + 1);
              }}
            />
            {l.lifts > 1 && (
              <Heights
                key={l.liftSpans.map((s) => s.toM).join()}
                leg={l}
                set={(to) => {
                  void change({ liftTopsByElement: { ...tops, [l.elementId]: to } });
                }}
              />
            )}
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
