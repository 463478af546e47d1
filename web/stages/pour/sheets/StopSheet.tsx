import { useState } from 'react';
import { liftName } from '#core/pourplan';
import { usePour } from '../../../app/pour-context.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { FilledToForm } from './FilledToForm.tsx';

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
        {liftName(v.plan.route, c.elementId, c.lift)} is full
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
      <FilledToForm elementId={c.elementId} lift={c.lift} fromRatio={c.fromRatio} stop={stop} />
    </Sheet>
  );
}
