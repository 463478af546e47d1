import { incident } from '#core/log';
import { FIRST_AID } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { LongText } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { Mark } from '../../../ui/Mark.tsx';

/** Somebody is hurt: first what to do, then the record. */
export function HurtSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  return (
    <Sheet open onClose={onClose} title="Somebody is hurt">
      <ol className="mb-4 flex flex-col gap-2 text-[18px] leading-6">
        {FIRST_AID.map((line) => (
          <li key={line} className="flex gap-3">
            <Mark verdict="held" />
            <span className="font-semibold">{line}</span>
          </li>
        ))}
      </ol>
      <p className="mb-2 text-ink2">Stop the hose. When they are looked after, write it down.</p>
      <EntryForm
        schema={incident.body}
        defaults={{ text: '' }}
        write={(body, when) => v.write('incident', body, when).then(onClose)}
        happened="ask"
        act="Log it"
      >
        <LongText name="text" label="Who, where, what happened, what was done" />
      </EntryForm>
    </Sheet>
  );
}
