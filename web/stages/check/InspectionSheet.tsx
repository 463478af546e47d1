import { useState } from 'react';
import { say } from '../../ui/say.ts';
import { v7 as uuid } from 'uuid';
import { type Hold, HOLD_NAME } from '#core/model';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { sendJson } from '../../sync/api.ts';
import { stampNow } from '../../sync/clock.ts';
import { Sheet } from '../../ui/Dialog.tsx';
import { Measured } from './Measured.tsx';

/** An inspector sees what was measured, and signs on this tablet with their own PIN; the foreman stays signed in. */
export function InspectionSheet({
  hold,
  onClose,
}: {
  hold: Exclude<Hold, 'own'>;
  onClose: () => void;
}) {
  const v = usePour();
  const { account } = useSession();
  const [name, setName] = useState('');
  const [pin, setPin] = useState('');
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  // Sent again for want of an answer it is the same sign-off: one id for as long as the sheet is open.
  const [ids] = useState({ pass: uuid(), reject: uuid() });
  const points =
    hold === 'dowels' ? v.points.filter((p) => p.point.kind.startsWith('dowels')) : v.points;
  const send = async (result: 'pass' | 'reject') => {
    setProblem(null);
    if (result === 'reject' && !reason.trim()) {
      setProblem('Say why it is rejected.');
      return;
    }
    const body = {
      hold,
      result,
      planVersion: v.record.siteVersion,
      ...(reason.trim() ? { reason: reason.trim() } : {}),
    };
    try {
      if (account.role === 'inspector') await v.write('sign', body);
      else {
        await sendJson('POST', `/api/pours/${v.record.id}/sign`, {
          id: ids[result],
          name,
          pin,
          at: new Date(stampNow()).toISOString(),
          body,
        });
        await v.store.pull();
      }
      say(`${HOLD_NAME[hold]} ${result === 'pass' ? 'passed' : 'rejected'}.`);
      onClose();
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
    }
  };
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
        {account.role !== 'inspector' && (
          <div className="grid grid-cols-2 gap-2">
            <label>
              Inspector’s name
              <input
                className="field mt-1"
                value={name}
                onChange={(e) => {
                  setName(e.target.value);
                }}
                autoComplete="off"
              />
            </label>
            <label>
              Inspector’s PIN
              <input
                className="field mt-1"
                type="password"
                inputMode="numeric"
                value={pin}
                onChange={(e) => {
                  setPin(e.target.value);
                }}
                autoComplete="off"
              />
            </label>
          </div>
        )}
        <label>
          Remark, or reason to reject
          <input
            className="field mt-1"
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
          />
        </label>
        {problem && (
          <p role="alert" className="font-semibold text-chalk-t">
            {problem}
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          <button type="button" className="btn" onClick={() => void send('pass')}>
            Pass
          </button>
          <button type="button" className="btn warn" onClick={() => void send('reject')}>
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
