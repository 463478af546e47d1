import { close, reopen } from '#core/log';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { TextInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

/** Closing before all forms are off wants a word of why, as opening again does. */
const closedEarly = close.body.required();

export function CloseSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const off = v.curing && v.curing.stripped.length >= v.record.pour.elements.length;
  return (
    <Sheet open onClose={onClose} title="Close the pour">
      <EntryForm
        schema={off ? close.body : closedEarly}
        defaults={{}}
        write={(body) => v.write('close', body).then(onClose)}
        act={`Close ${v.record.pour.code}`}
      >
        {!off && (
          <p className="font-semibold text-ochre-t">
            Not all forms are off. Say why it is closed now.
          </p>
        )}
        <TextInput name="reason" label="Remark" />
      </EntryForm>
    </Sheet>
  );
}

export function ReopenSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  return (
    <Sheet open onClose={onClose} title="Open again">
      <EntryForm
        schema={reopen.body}
        defaults={{}}
        write={(body) => v.write('reopen', body).then(onClose)}
        act={`Open ${v.record.pour.code} again`}
      >
        <TextInput name="reason" label="Why" autoFocus />
      </EntryForm>
    </Sheet>
  );
}
