import { note } from '#core/log';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { LongText } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

export function NoteSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  return (
    <Sheet open onClose={onClose} title="Note">
      <EntryForm
        schema={note.body}
        defaults={{}}
        write={(body, when) => v.write('note', body, when).then(onClose)}
        happened="ask"
        act="Log"
      >
        <LongText name="text" label="What happened" />
      </EntryForm>
    </Sheet>
  );
}
