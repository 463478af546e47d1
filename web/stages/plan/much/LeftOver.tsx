import { useState } from 'react';
import { textOf, volume } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { usePlanned } from '../planned.tsx';

/** Where what is left over goes: a form that stands ready, and what it takes. */
export default function LeftOver() {
  const v = usePour();
  const { settings, plan, change } = usePlanned();
  const place = settings.leftOver;
  const [what, setWhat] = useState(place?.what ?? '');
  const [m3, setM3] = useState<number | null>(place?.volumeM3 ?? null);
  const left = plan.timetable.leftOverM3;
  const whole = what.trim() !== '' && m3 !== null && m3 > 0;
  const tooSmall = place !== null && place.volumeM3 < left - 1e-6;
  return (
    <section aria-label="What is left over" className="flex flex-col gap-2">
      <h2 className="head border-b-2 border-ink pb-0.5">What is left over</h2>
      <p>
        About <b className="font-semibold">{textOf(volume(left, v.units, 1))}</b> stays if all goes
        as planned.{' '}
        {place
          ? `It goes into ${place.what}${tooSmall ? ', which does not take all of it' : ''}.`
          : 'Have a form ready for it.'}
      </p>
      <div className="grid grid-cols-[1fr_130px_auto] items-end gap-2">
        <label className="flex flex-col gap-1">
          <span className="text-[14px] text-ink2">What stands ready</span>
          <input
            className="field"
            value={what}
            maxLength={80}
            placeholder="kerb blocks at the gate"
            onChange={(e) => {
              setWhat(e.target.value);
            }}
          />
        </label>
        <QuantityField label="it takes" quantity="M3" units={v.units} value={m3} onChange={setM3} />
        <button
          type="button"
          className="btn soft"
          disabled={!whole}
          onClick={() => {
            void change({ leftOver: { what: what.trim(), volumeM3: m3 ?? 1 } });
          }}
        >
          Keep
        </button>
      </div>
    </section>
  );
}
