import { defect } from '#core/log';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { ChipChoice, LongText } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

export function DefectSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { elements } = v.record.pour;
  return (
    <Sheet open onClose={onClose} title="Defect">
      <EntryForm
        schema={defect.body}
        defaults={{ elementId: elements[0] }}
        write={(body, when) => v.write('defect', body, when).then(onClose)}
        happened="ask"
        act="Log defect"
      >
        <ChipChoice name="elementId" options={elements} />
        <LongText name="what" label="What, where, how large, and its repair" />
      </EntryForm>
    </Sheet>
  );
}
