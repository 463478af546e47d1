import { probe } from '#core/log';
import { useState } from 'react';
import type { ProbeAnswer } from '../../../../contract/api.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { useSession } from '../../../app/session.tsx';
import { getJson } from '../../../sync/api.ts';
import { sayWrong } from '../../../ui/say.ts';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { QuantityInput, TextInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

/** The temperature of the concrete, read by hand or from the probe in it. */
export function ProbeSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { demo } = useSession();
  const [read, setRead] = useState<ProbeAnswer | null>(null);
  const ask = async () => {
    try {
      setRead(await getJson<ProbeAnswer>(`/api/pours/${v.record.id}/probe`));
    } catch (e) {
      sayWrong(e instanceof Error ? e.message : 'The probe does not answer.');
    }
  };
  return (
    <Sheet open onClose={onClose} title="Temperature of the concrete">
      {demo && (
        <button type="button" className="btn line mb-3 w-full" onClick={() => void ask()}>
          Read the probe
        </button>
      )}
      <EntryForm
        key={read ? read.tempC : 'typed'}
        schema={probe.body}
        defaults={read ?? {}}
        write={(body, when) => v.write('probe', body, when).then(onClose)}
        happened="ask"
        act="Log temperature"
      >
        <QuantityInput name="tempC" label="Read" autoFocus />
        <TextInput name="where" label="Where" />
      </EntryForm>
    </Sheet>
  );
}
