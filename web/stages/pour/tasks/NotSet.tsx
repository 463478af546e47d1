import { task as kind } from '#core/log';
import type { ClockTask } from '#core/pourlog';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { TextInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

/** Why something was not set while it was fresh: it stands on the report. */
export function NotSet({ task, onClose }: { task: ClockTask; onClose: () => void }) {
  const v = usePour();
  return (
    <Sheet open onClose={onClose} title={`${task.elementId}: ${task.title}, not set`}>
      <EntryForm
        schema={kind.body}
        defaults={{ taskId: task.id, result: 'notDone' }}
        write={(body) => v.write('task', body).then(onClose)}
        act="Log as not set"
        warn
      >
        <TextInput name="reason" label="Why, and what is done instead" autoFocus />
      </EntryForm>
    </Sheet>
  );
}
