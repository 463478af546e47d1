import { useState } from 'react';
import { entries } from '#core/log';
import type { TroubleState } from '#core/pourlog';
import { momentText } from '#core/view';
import { saysToldToWait, toldToWait } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';

/** While the pour stands, what is on the road and at the plant is asked to wait, and it is written down that it was. */
export function PlantToWait({ trouble }: { trouble: TroubleState }) {
  const v = usePour();
  const [busy, setBusy] = useState(false);
  const { entry } = trouble;
  const wait = v.plant.mixer ? null : toldToWait(entry.body.what, v.loads);
  const told = entries(v.state, 'note').find(
    (n) => n.at >= entry.at && saysToldToWait(n.body.text),
  );
  if (told)
    return (
      <p className="flex gap-2">
        <Mark verdict="good" />
        <T>{`${told.body.text.replace(/\.$/, '')}, ${momentText(v, Date.parse(told.at))}.`}</T>
      </p>
    );
  if (!wait) return null;
  return (
    <p className="flex items-center justify-between gap-3">
      <T>{wait.ask}</T>
      <button
        type="button"
        className="chip shrink-0"
        disabled={busy}
        onClick={() => {
          setBusy(true);
          v.write('note', { text: wait.note })
            .catch(() => undefined)
            .finally(() => {
              setBusy(false);
            });
        }}
      >
        Told
      </button>
    </p>
  );
}
