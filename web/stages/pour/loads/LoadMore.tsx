import { type LoadState, samplesOf } from '#core/pourlog';
import { quantityText } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';

/**
 * What else is done with a load that is here: to the chute, air, the cylinders that were drawn for
 * it, what was put in.
 */
export default function LoadMore({ load }: { load: LoadState }) {
  const v = usePour();
  const set = useSetFocus();
  const sets = samplesOf(v.record.pour, v.rules, v.plan, v.state, v.loads)?.sets ?? [];
  const wanted = sets.filter((s) => s.loadId === load.id && s.made === null);
  const open = (sheet: string) => () => {
    set({ sheet: `${sheet}:${load.id}` });
  };
  return (
    <div className="flex flex-wrap items-center gap-2 pt-2">
      {load.stage === 'gate' && load.ticket !== null && (
        <button
          type="button"
          className="chip"
          onClick={() => {
            void v.write('load-step', { loadId: load.id, step: 'chute' }).catch(() => undefined);
          }}
        >
          At the chute
        </button>
      )}
      <button
        type="button"
        className="chip"
        aria-pressed={wanted.length > 0}
        onClick={open('cylinders')}
      >
        {wanted.length > 0
          ? `Cylinders, set ${wanted.map((s) => s.set).join(' and ')} of ${sets.length}`
          : 'Cylinders'}
      </button>
      <button type="button" className="chip" onClick={open('fresh')}>
        {load.airRatio === null
          ? 'Air, temperature'
          : `Air ${quantityText(load.airRatio, 'Ratio', v.units)}`}
      </button>
      <button type="button" className="chip" onClick={open('added')}>
        Fibre, admixture
      </button>
    </div>
  );
}
