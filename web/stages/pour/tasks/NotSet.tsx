import { useState } from 'react';
import type { ClockTask } from '#core/pourlog';
import { usePour } from '../../../app/pour-context.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

/** Why something was not set while it was fresh: it stands on the report. */
export function NotSet({ task, onClose }: { task: ClockTask; onClose: () => void }) {
  const v = usePour();
  const [reason, setReason] = useState('');
  return (
    <Sheet open onClose={onClose} title={`${task.elementId}: ${task.title}, not set`}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (!reason.trim()) return;
          void v
            .write('task', { taskId: task.id, result: 'notDone', reason: reason.trim() })
            .then(onClose, () => undefined);
        }}
      >
        <label>
          Why, and what is done instead
          <input
            autoFocus
            className="field mt-1"
            maxLength={500}
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
          />
        </label>
        <button className="btn warn" disabled={!reason.trim()}>
          Log as not set
        </button>
      </form>
    </Sheet>
  );
}
