import { breakTest } from '#core/log';
import { refuseBreak, usualSpecimen } from '#core/cure';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

export function BreakSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  // A cylinder cannot be older than its concrete.
  const schema = breakTest.body.superRefine((body, ctx) => {
    const cannot = refuseBreak(v.state, body.ageDays, v.nowMs);
    if (cannot) ctx.addIssue({ code: 'custom', path: ['ageDays'], message: cannot });
  });
  return (
    <Sheet open onClose={onClose} title="Test of strength">
      <EntryForm
        schema={schema}
        defaults={{
          ageDays: 7,
          specimen: usualSpecimen(v.record.site.ruleProfile),
          cured: 'laboratory',
        }}
        write={(body, when) => v.write('break-test', body, when).then(onClose)}
        happened="ask"
        act="Log break"
        className="grid grid-cols-2 gap-3"
      >
        <QuantityInput name="ageDays" label="Age, days" />
        <QuantityInput name="strengthMPa" label="Mean of the test" autoFocus />
        <ChipChoice name="specimen" options={['cylinder', 'cube']} label="What was broken" />
        <ChipChoice
          name="cured"
          options={['laboratory', 'site']}
          label="Where it was kept"
          say={(o) => (o === 'site' ? 'kept on the site' : 'kept by the laboratory')}
        />
      </EntryForm>
    </Sheet>
  );
}
