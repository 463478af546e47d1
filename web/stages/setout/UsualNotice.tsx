import { useEffect, useRef } from 'react';
import { usualSizes } from '#core/check';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useMayChange } from './useMayChange.ts';

/**
 * Sizes that were only taken as usual: one press says that they were compared with the drawing, as
 * they stand or put right before.
 */
export function UsualNotice() {
  const v = usePour();
  const plan = usePlan();
  const mayChange = useMayChange();
  const meant = useRef<string[] | null>(null);
  const marks = usualSizes(v.record.site, v.record.pour).map((u) => u.mark);
  const { on, apply, stop } = plan;
  // The plan is opened for it, changed, and closed again where it was closed.
  useEffect(() => {
    if (!meant.current || !on) return;
    const compared = meant.current;
    meant.current = null;
    if (apply({ do: 'confirm', marks: compared })) stop();
  }, [on, apply, stop]);
  if (marks.length === 0) return null;
  return (
    <section aria-label="Usual sizes" className="border-2 border-ochre p-3">
      <p>
        <b className="font-semibold">{marks.join(', ')}</b>{' '}
        {marks.length === 1 ? 'is of a usual size' : 'are of usual sizes'}, not from the drawing or
        the maker. Put right what differs, then say so.
      </p>
      {mayChange && (
        <button
          type="button"
          className="btn mt-2 w-full"
          disabled={plan.opening}
          onClick={() => {
            if (on) {
              apply({ do: 'confirm', marks });
              return;
            }
            meant.current = marks;
            plan.start();
          }}
        >
          Compared: {marks.length === 1 ? 'it is' : 'they are'} as on the drawing
        </button>
      )}
    </section>
  );
}
