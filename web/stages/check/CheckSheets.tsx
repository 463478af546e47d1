import { UnsignSheet } from './UnsignSheet.tsx';
import { override } from '#core/log';
import { EntryForm } from '../../forms/EntryForm.tsx';
import { LongText } from '../../forms/fields.tsx';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { Sheet } from '../../ui/Dialog.tsx';
import { ChangeSheet } from './ChangeSheet.tsx';
import { InspectionSheet } from './InspectionSheet.tsx';
import { ItemSheet } from './ItemSheet.tsx';
import QuestionSheets from '../../questions/QuestionSheets.tsx';

/** Sheets of the Check station: signing, handing over to the inspector, questions, and going on against the gate. */
export default function CheckSheets() {
  const { sheet, set } = useFocus();
  const close = () => {
    set({ sheet: null });
  };
  if (!sheet) return null;
  const [kind, ref = ''] = sheet.split(/:(.*)/);
  if (kind === 'sign')
    return ref === 'own' ? (
      <OwnSheet onClose={close} />
    ) : (
      <InspectionSheet hold={ref === 'dowels' ? 'dowels' : 'inspection'} onClose={close} />
    );
  if (kind === 'item') return <ItemSheet elementId={ref} onClose={close} />;
  if (kind === 'change') return <ChangeSheet id={ref} onClose={close} />;
  if (kind === 'unsign') return <UnsignSheet hold={ref} onClose={close} />;
  if (kind === 'override') return <OverrideSheet onClose={close} />;
  return <QuestionSheets />;
}

function OwnSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { account } = useSession();
  const { gate } = v;
  const blocked =
    gate.counts.out > 0 ||
    gate.counts.unread > 0 ||
    gate.rows.some((r) => r.kind === 'question' || r.kind === 'change');
  return (
    <Sheet open onClose={onClose} title="Sign your own check">
      <p className="mb-4 text-[18px] leading-6">
        {gate.read} of {gate.wanted} read, {gate.counts.good} good, {gate.counts.tight} tight,{' '}
        {gate.counts.out} out, {gate.counts.waived} waived. Signed on plan {v.record.siteVersion}; a
        later change of the plan opens it again.
      </p>
      {blocked ? (
        <p className="font-semibold text-chalk-t">
          Something still holds it. Finish the list first, or go on against the gate with a reason.
        </p>
      ) : (
        <button
          type="button"
          className="btn w-full"
          onClick={() => {
            void v
              .write('sign', { hold: 'own', result: 'pass', planVersion: v.record.siteVersion })
              .then(onClose);
          }}
        >
          Sign as {account.name}
        </button>
      )}
    </Sheet>
  );
}

/** Going on against the gate: why stands on the report for good. */
function OverrideSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  return (
    <Sheet open onClose={onClose} title="Pour anyway">
      <EntryForm
        schema={override.body}
        defaults={{}}
        write={(body) => v.write('override', body).then(onClose)}
        act="Go on"
        warn
      >
        <LongText name="reason" label="Why? It stays on the report for good." />
      </EntryForm>
    </Sheet>
  );
}
