import type { PourSettings } from '#core/model';
import { textOf, volume } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';

/** What is chosen by a press: which way round, full or even loads, trucks, and the ways back to what the core works out. */
export function PlanChoices() {
  const v = usePour();
  const set = useSetFocus();
  const s = v.record.pour.settings;
  const trucks = v.plant.trucksM3;
  const save = (change: Partial<PourSettings>) => {
    void v.saveSettings(change);
  };
  return (
    <div className="flex flex-wrap gap-2">
      <button
        type="button"
        className="btn line"
        onClick={() => {
          set({ sheet: 'search' });
        }}
      >
        Best way round
      </button>
      <button
        type="button"
        className="chip"
        onClick={() => {
          set({ sheet: 'lifts' });
        }}
      >
        Lifts, run by run
      </button>
      {s.lifts !== null && (
        <button
          type="button"
          className="chip"
          onClick={() => {
            save({ lifts: null });
          }}
        >
          Lifts as the forms allow
        </button>
      )}
      {s.spacingMin !== null && (
        <button
          type="button"
          className="chip"
          onClick={() => {
            save({ spacingMin: null });
          }}
        >
          Loads as they are placed
        </button>
      )}
      <button
        type="button"
        className="chip"
        aria-pressed={s.reverse}
        onClick={() => {
          save({ reverse: !s.reverse });
        }}
      >
        Other way round
      </button>
      {(['full', 'even'] as const).map((k) => (
        <button
          key={k}
          type="button"
          className="chip"
          aria-pressed={s.split === k}
          onClick={() => {
            save({ split: k });
          }}
        >
          {k === 'full' ? 'Full loads' : 'Even loads'}
        </button>
      ))}
      {trucks.map((m3) => (
        <button
          key={m3}
          type="button"
          className="chip"
          aria-pressed={Math.abs(s.truckM3 - m3) < 1e-6}
          onClick={() => {
            save({ truckM3: m3 });
          }}
        >
          {textOf(volume(m3, v.units, v.units === 'us' ? 0 : 1))} trucks
        </button>
      ))}
    </div>
  );
}
