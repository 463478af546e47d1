import { useState } from 'react';
import { refuseStrip, stripWords } from '#core/cure';
import { momentText } from '#core/view';
import { usePour } from '../../../app/pour-context.tsx';
import { stampNow } from '../../../sync/clock.ts';
import { Sheet } from '../../../ui/Dialog.tsx';

export function StripSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const left = v.record.pour.elements.filter((e) => !v.curing?.stripped.includes(e));
  const [on, setOn] = useState(left);
  const [reason, setReason] = useState('');
  const cannot = refuseStrip(v.state, on, stampNow());
  const against = v.curing?.strip !== 'may';
  const ready = on.length > 0 && cannot === null && (!against || reason.trim() !== '');
  return (
    <Sheet open onClose={onClose} title="Forms off">
      {against && (
        <p className="mb-3 font-semibold text-chalk-t">
          {v.curing
            ? stripWords(v.curing, (ms) => momentText(v, ms), v.record.pour.elements, v.units)
                .sentence
            : 'Placing is not finished.'}{' '}
          Taken off all the same, it stands on the report with its reason.
        </p>
      )}
      <div className="mb-4 flex flex-wrap gap-2">
        {left.map((e) => (
          <button
            key={e}
            type="button"
            className="chip"
            aria-pressed={on.includes(e)}
            onClick={() => {
              setOn(on.includes(e) ? on.filter((x) => x !== e) : [...on, e]);
            }}
          >
            {e}
          </button>
        ))}
      </div>
      {against && left.length > 0 && (
        <label className="mb-4 block">
          Why, and who allowed it
          <input
            className="field mt-1"
            maxLength={500}
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
          />
        </label>
      )}
      {cannot && left.length > 0 && on.length > 0 && (
        <p className="mb-3 font-semibold text-chalk-t" role="alert">
          {cannot}
        </p>
      )}
      {left.length === 0 ? (
        <p>All forms are off.</p>
      ) : (
        <button
          type="button"
          className="btn w-full"
          disabled={!ready}
          onClick={() => {
            void v
              .write('strip', {
                elementIds: on,
                ...(against ? { reason: reason.trim() } : {}),
              })
              .then(onClose);
          }}
        >
          Forms are off {on.length} of {left.length}
        </button>
      )}
    </Sheet>
  );
}
