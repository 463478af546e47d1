import { useState } from 'react';
import { share } from '#core/kit';
import { placeStop } from '#core/log';
import { liftName } from '#core/pourplan';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { QuantityInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

/** What stands filled is more than what stood there at the start. */
const otherPart = (fromRatio: number) =>
  placeStop.body.pick({ filledRatio: true }).extend({
    filledRatio: share().refine((r) => r > fromRatio, 'is no more than there was at the start'),
  });

export function StopSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const fronts = v.progress.placements.filter((p) => p.open);
  const [chosen, choose] = useState<string | null>(null);
  const c =
    fronts.length === 1 ? fronts[0] : fronts.find((p) => `${p.elementId}#${p.lift}` === chosen);
  if (fronts.length === 0) return null;
  if (!c)
    return (
      <Sheet open onClose={onClose} title="Which front stops?">
        <div className="grid grid-cols-2 gap-2">
          {fronts.map((p) => (
            <button
              key={`${p.elementId}#${p.lift}`}
              type="button"
              className="btn min-h-[64px]"
              onClick={() => {
                choose(`${p.elementId}#${p.lift}`);
              }}
            >
              {liftName(v.plan.route, p.elementId, p.lift)}
            </button>
          ))}
        </div>
      </Sheet>
    );
  const stop = (filledRatio: number) =>
    v.write('place-stop', { elementId: c.elementId, lift: c.lift, filledRatio }).then(onClose);
  return (
    <Sheet open onClose={onClose} title={`Stop placing ${c.elementId}`}>
      <button
        type="button"
        className="btn mb-3 min-h-[64px] w-full"
        onClick={() => {
          void stop(1).catch(() => undefined);
        }}
      >
        {c.elementId} is full
      </button>
      <p className="mb-2 text-ink2">Or it stands part full, of 100:</p>
      <div className="mb-3 grid grid-cols-4 gap-2">
        {[25, 50, 75, 90].map((n) => (
          <button
            key={n}
            type="button"
            className="key"
            disabled={n / 100 <= c.fromRatio}
            onClick={() => {
              void stop(n / 100).catch(() => undefined);
            }}
          >
            {n}
          </button>
        ))}
      </div>
      <EntryForm
        schema={otherPart(c.fromRatio)}
        defaults={{}}
        write={(body) => stop(body.filledRatio)}
        act="Log"
        className="grid grid-cols-[1fr_auto] items-end gap-2"
      >
        <QuantityInput name="filledRatio" label="Other part" />
      </EntryForm>
    </Sheet>
  );
}
