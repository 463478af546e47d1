import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { usePlanned } from '../planned.tsx';

/** Where the concrete comes from: the plant, or what mixes on the site. */
export function Supply() {
  const v = usePour();
  const set = useSetFocus();
  const { settings, change } = usePlanned();
  const { plants, mixers } = v.record.site;
  const plant = plants.find((p) => p.id === v.record.pour.plant);
  return (
    <section aria-label="Supply" className="flex flex-wrap items-center gap-2">
      {[{ id: null, label: plant?.label ?? v.record.pour.plant }, ...mixers].map((m) => (
        <button
          key={m.id ?? ''}
          type="button"
          className="chip"
          aria-pressed={settings.mixer === m.id}
          onClick={() => {
            // What was settled with one supplier is not settled with another.
            void change({ mixer: m.id, orderM3: null });
          }}
        >
          {m.label}
        </button>
      ))}
      <button
        type="button"
        className="min-h-12 px-1 font-semibold text-press"
        onClick={() => {
          set({ sheet: 'mixers' });
        }}
      >
        {mixers.length ? 'Mixers' : 'Mix it on the site'}
      </button>
    </section>
  );
}
