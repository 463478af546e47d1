import { textOf, volume } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { usePlanned } from '../planned.tsx';
import { Stepper } from '../Stepper.tsx';

/** Waste, loads and trucks: what is stepped and chosen of the order. */
export function Amounts() {
  const v = usePour();
  const { settings: s, plan, change } = usePlanned();
  const mixed = v.plant.mixer !== undefined;
  const spacing = Math.round(plan.trucks.result.spacingMin);
  return (
    <section aria-label="Loads" className="flex flex-col gap-2">
      <div className="grid grid-cols-1 gap-2 sm:grid-cols-2">
        <Stepper
          label="waste in 100"
          value={String(Math.round(s.wasteRatio * 100))}
          less={() => {
            void change({ wasteRatio: Math.max(0, Math.round(s.wasteRatio * 100 - 1) / 100) });
          }}
          more={() => {
            void change({ wasteRatio: Math.min(1, Math.round(s.wasteRatio * 100 + 1) / 100) });
          }}
        />
        {!mixed && (
          <Stepper
            label="min between loads"
            value={String(spacing)}
            less={() => {
              void change({ spacingMin: Math.max(1, spacing - 1) });
            }}
            more={() => {
              void change({ spacingMin: Math.min(240, spacing + 1) });
            }}
          />
        )}
      </div>
      {!mixed && (
        <div className="flex flex-wrap gap-2">
          {(['full', 'even'] as const).map((k) => (
            <button
              key={k}
              type="button"
              className="chip"
              aria-pressed={s.split === k}
              onClick={() => {
                void change({ split: k });
              }}
            >
              {k === 'full' ? 'Full loads' : 'Even loads'}
            </button>
          ))}
          {v.plant.trucksM3.map((m3) => (
            <button
              key={m3}
              type="button"
              className="chip"
              aria-pressed={Math.abs(s.truckM3 - m3) < 1e-6}
              onClick={() => {
                void change({ truckM3: m3 });
              }}
            >
              {textOf(volume(m3, v.units, v.units === 'us' ? 0 : 1))} trucks
            </button>
          ))}
          {s.spacingMin !== null && (
            <button
              type="button"
              className="chip"
              onClick={() => {
                void change({ spacingMin: null });
              }}
            >
              Loads as they are placed
            </button>
          )}
        </div>
      )}
    </section>
  );
}
