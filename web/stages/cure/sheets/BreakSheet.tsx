import { breakTest } from '#core/log';
import { refuseBreak } from '#core/cure';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { QuantityInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

export function BreakSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  // A cylinder cannot be older than its concrete.
  const schema = breakTest.body.superRefine((body, ctx) => {
    const cannot = refuseBreak(v.state, body.ageDays, v.nowMs);
    if (cannot) ctx.addIssue({ code: 'custom', path: ['ageDays'], message: cannot });
  });
  return (
    <Sheet open onClose={onClose} title="Cylinder break">
      <EntryForm
        schema={schema}
        defaults={{ ageDays: 7 }}
        write={(body, when) => v.write('break-test', body, when).then(onClose)}
        happened="ask"
        act="Log break"
        className="grid grid-cols-2 gap-3"
      >
        <QuantityInput name="ageDays" label="Age, days" />
        <QuantityInput name="strengthMPa" label="Mean of its cylinders" autoFocus />
      </EntryForm>
    </Sheet>
  );
}
