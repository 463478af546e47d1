import { useMemo, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { z } from 'zod';
import { handedSignBody } from '../../../contract/index.ts';
import { entries, type PourState, sign } from '#core/log';
import { type Hold, HOLD_NAME } from '#core/model';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { FormField, PinField } from '../../forms/FormField.tsx';
import { usePostForm, words } from '../../forms/usePostForm.ts';
import { sendJson } from '../../sync/api.ts';
import { stampNow } from '../../sync/clock.ts';
import { Sheet } from '../../ui/Dialog.tsx';
import { say } from '../../ui/say.ts';
import { Measured } from './Measured.tsx';

type Inspected = Exclude<Hold, 'own'>;
type Result = 'pass' | 'reject';

/** On somebody else's tablet an inspector signs with name and PIN; under their own session they are known. */
const handedSchema = handedSignBody.pick({ name: true, pin: true }).extend({ body: sign.body });
const ownSchema = handedSchema.extend({ name: z.string(), pin: z.string() });

/** The form of a sign-off, sent by either of its two presses. */
function useSignForm(hold: Inspected, onClose: () => void) {
  const v = usePour();
  const { account } = useSession();
  const own = account.role === 'inspector';
  // Sent again for want of an answer it is the same sign-off: one id for as long as the sheet is open.
  const [ids] = useState({ pass: uuid(), reject: uuid() });
  const body = { hold, result: 'pass' as Result, planVersion: v.record.siteVersion };
  const form = usePostForm(
    own ? ownSchema : handedSchema,
    { name: '', pin: '', body },
    async ({ name, pin, body: signed }) => {
      if (own) await v.write('sign', signed);
      else {
        await sendJson('POST', `/api/pours/${v.record.id}/sign`, {
          id: ids[signed.result],
          name,
          pin,
          at: new Date(stampNow()).toISOString(),
          body: signed,
        });
        await v.store.pull();
      }
      say(`${HOLD_NAME[hold]} ${signed.result === 'pass' ? 'passed' : 'rejected'}.`);
      onClose();
    },
    v.units,
  );
  const send = (result: Result) => {
    form.setValue('body.result', result);
    void form.submit();
  };
  return { form, own, send };
}

/** An inspector sees what was measured, and signs on this tablet with their own PIN; the foreman stays signed in. */
export function InspectionSheet({ hold, onClose }: { hold: Inspected; onClose: () => void }) {
  const v = usePour();
  const { form, own, send } = useSignForm(hold, onClose);
  // The list is long: it is not drawn again at every letter of a name.
  const points = useMemo(
    () =>
      hold === 'dowels' ? v.points.filter((p) => p.point.kind.startsWith('dowels')) : v.points,
    [hold, v.points],
  );
  const count = (x: string) =>
    points.reduce((n, p) => n + p.places.filter((y) => y.verdict === x).length, 0);
  const read = points.reduce((n, p) => n + p.read, 0);
  return (
    <Sheet open onClose={onClose} title={HOLD_NAME[hold]} wide>
      <p className="mb-3 text-[18px] leading-6">
        {read} of {points.reduce((n, p) => n + p.wanted, 0)} read, {count('tight')} tight,{' '}
        {count('out')} out, {count('waived')} waived.
      </p>
      <Measured points={points} />
      <div className="mt-4 flex flex-col gap-3 border-t-2 border-ink pt-3">
        {!own && (
          <>
            <div className="grid grid-cols-2 gap-2">
              <FormField label="Inspector’s name" autoComplete="off" {...form.field('name')} />
              <PinField label="Inspector’s PIN" {...form.field('pin')} />
            </div>
            <NamesBefore
              names={inspectorsOf(v.state)}
              pick={(name) => {
                form.setValue('name', name);
                form.setFocus('pin');
              }}
            />
          </>
        )}
        <FormField
          label="Remark, or reason to reject"
          {...form.field('body.reason', { setValueAs: words })}
        />
        {form.problem && (
          <p role="alert" className="font-semibold text-chalk-t">
            {form.problem}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <button
            type="button"
            className="btn"
            disabled={form.busy}
            onClick={() => {
              send('pass');
            }}
          >
            Pass
          </button>
          <button
            type="button"
            className="btn warn"
            disabled={form.busy}
            onClick={() => {
              send('reject');
            }}
          >
            Reject
          </button>
        </div>
        <p className="text-[14px] leading-[18px] text-ink2">
          Signed on plan {v.record.siteVersion}. A later change of what it covers opens it again and
          says why.
        </p>
      </div>
    </Sheet>
  );
}

/** Who has inspected this pour before, each a press: their PIN alone is typed. */
function NamesBefore({ names, pick }: { names: string[]; pick: (name: string) => void }) {
  if (names.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-2" role="group" aria-label="Inspected before">
      {names.map((name) => (
        <button
          key={name}
          type="button"
          className="chip"
          onClick={() => {
            pick(name);
          }}
        >
          {name}
        </button>
      ))}
    </div>
  );
}

const inspectorsOf = (state: PourState): string[] => [
  ...new Set(entries(state, 'sign').flatMap((s) => (s.body.hold === 'own' ? [] : [s.actor]))),
];
