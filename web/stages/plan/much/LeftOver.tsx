import { useState } from 'react';
import { formM3, spareSpot } from '#core/pourplan';
import { type Quantity, textOf, volume } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { usePlanned } from '../planned.tsx';
import { useOdds } from '../useOdds.ts';

const SIDES = [
  ['lengthM', 'long, inside'],
  ['widthM', 'wide'],
  ['depthM', 'deep'],
] as const;
type Sides = Record<(typeof SIDES)[number][0], number | null>;
const LENGTH: Quantity = 'M';

/** What will be left, and whether the form that stands ready takes it. */
function Expected() {
  const v = usePour();
  const { settings, plan } = usePlanned();
  const odds = useOdds();
  const place = settings.leftOver;
  const most = odds?.leftOverM3.p90 ?? plan.timetable.leftOverM3;
  const tooSmall = place !== null && place.volumeM3 < most - 1e-6;
  const takes = place && textOf(volume(place.volumeM3, v.units, 1));
  return (
    <p>
      About <b className="font-semibold">{textOf(volume(plan.timetable.leftOverM3, v.units, 1))}</b>{' '}
      stays if all goes as planned, {textOf(volume(most, v.units, 1))} on a bad morning.{' '}
      {place
        ? `${place.what} takes ${takes}${tooSmall ? ': not all of it' : ''}.`
        : 'Have a form ready for it.'}
    </p>
  );
}

/** Where what is left over goes: a form that stands ready, as large as it is, drawn on the plan. */
export default function LeftOver() {
  const set = useSetFocus();
  const v = usePour();
  const { settings, record, change } = usePlanned();
  const place = settings.leftOver;
  const [what, setWhat] = useState(place?.what ?? '');
  const [sides, setSides] = useState<Sides>(
    place?.form ?? { lengthM: null, widthM: null, depthM: null },
  );
  const { lengthM, widthM, depthM } = sides;
  const form =
    lengthM !== null && widthM !== null && depthM !== null ? { lengthM, widthM, depthM } : null;
  const volumeM3 = form ? formM3(form) : 0;
  const keep = () => {
    if (form)
      void change({
        leftOver: {
          what: what.trim(),
          volumeM3,
          form,
          at: place?.at ?? spareSpot(record.site, record.pour),
        },
      });
  };
  return (
    <section aria-label="What is left over" className="flex flex-col gap-2">
      <h2 className="head border-b-2 border-ink pb-0.5">What is left over</h2>
      <Expected />
      <label className="flex flex-col gap-1">
        <span>What stands ready</span>
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
      <div className="grid grid-cols-3 items-end gap-2">
        {SIDES.map(([side, label]) => (
          <QuantityField
            key={side}
            label={label}
            quantity={LENGTH}
            units={v.units}
            value={sides[side]}
            onChange={(m) => {
              setSides((s) => ({ ...s, [side]: m }));
            }}
          />
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <button
          type="button"
          className="btn soft"
          disabled={what.trim() === '' || !(volumeM3 > 0)}
          onClick={keep}
        >
          Keep{volumeM3 > 0 ? `, takes ${textOf(volume(volumeM3, v.units, 1))}` : ''}
        </button>
        {place?.at && (
          <button
            type="button"
            className="min-h-12 font-semibold text-press"
            onClick={() => {
              set({ tab: 'how' });
            }}
          >
            Where it stands
          </button>
        )}
        {place && (
          <button
            type="button"
            className="min-h-12 font-semibold text-press"
            onClick={() => {
              void change({ leftOver: null });
            }}
          >
            None
          </button>
        )}
      </div>
    </section>
  );
}
