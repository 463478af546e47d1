import { takeBackSignBody } from '../../../contract/index.ts';
import { HOLD_NAME } from '#core/model';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { FormField, PinField } from '../../forms/FormField.tsx';
import { usePostForm, words } from '../../forms/usePostForm.ts';
import { sendJson } from '../../sync/api.ts';
import { stampNow } from '../../sync/clock.ts';
import { Sheet } from '../../ui/Dialog.tsx';
import { say } from '../../ui/say.ts';

const schema = takeBackSignBody.pick({ name: true, pin: true, reason: true });

/** Takes a sign-off back, with the PIN of who may: the foreman their own check, an inspector theirs. */
export function UnsignSheet({ hold, onClose }: { hold: string; onClose: () => void }) {
  const v = usePour();
  const { account } = useSession();
  const sign = v.gate.signs.find((s) => s.hold === hold);
  const form = usePostForm(
    schema,
    { name: hold === 'own' ? account.name : '', pin: '' },
    async (who) => {
      if (!sign?.entryId) return;
      await sendJson('POST', `/api/pours/${v.record.id}/unsign`, {
        ...who,
        at: new Date(stampNow()).toISOString(),
        entry: sign.entryId,
      });
      await v.store.pull();
      say(`${HOLD_NAME[sign.hold]} taken back. It stays in the log.`);
      onClose();
    },
  );
  if (!sign?.entryId) return null;
  return (
    <Sheet open onClose={onClose} title={`Take back: ${HOLD_NAME[sign.hold].toLowerCase()}`}>
      <form className="flex flex-col gap-3" onSubmit={(e) => void form.submit(e)} noValidate>
        <p>
          Signed by {sign.actor}. The gate shuts again until it is signed anew; both stay in the
          log.
        </p>
        <FormField label="Name" {...form.field('name')} />
        <PinField label="PIN" autoFocus {...form.field('pin')} />
        <FormField label="Why" {...form.field('reason', { setValueAs: words })} />
        {form.problem && (
          <p role="alert" className="font-semibold text-chalk-t">
            {form.problem}
          </p>
        )}
        <button className="btn warn" disabled={form.busy}>
          Take it back
        </button>
      </form>
    </Sheet>
  );
}
