import { probe } from '#core/log';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { QuantityInput, TextInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

export function ProbeSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  return (
    <Sheet open onClose={onClose} title="Temperature of the concrete">
      <EntryForm
        schema={probe.body}
        defaults={{}}
        write={(body) => v.write('probe', body).then(onClose)}
        act="Log temperature"
      >
        <QuantityInput name="tempC" label="Read" autoFocus />
        <TextInput name="where" label="Where" />
      </EntryForm>
    </Sheet>
  );
}
