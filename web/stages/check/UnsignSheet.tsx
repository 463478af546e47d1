import { useState } from 'react';
import { say } from '../../ui/say.ts';
import { HOLD_NAME } from '#core/model';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { sendJson } from '../../sync/api.ts';
import { stampNow } from '../../sync/clock.ts';
import { Sheet } from '../../ui/Dialog.tsx';

/** Takes a sign-off back, with the PIN of who may: the foreman their own check, an inspector theirs. */
export function UnsignSheet({ hold, onClose }: { hold: string; onClose: () => void }) {
  const v = usePour();
  const { account } = useSession();
  const sign = v.gate.signs.find((s) => s.hold === hold);
  const [name, setName] = useState(hold === 'own' ? account.name : '');
  const [pin, setPin] = useState('');
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  if (!sign?.entryId) return null;
  const send = async () => {
    setProblem(null);
    try {
      await sendJson('POST', `/api/pours/${v.record.id}/unsign`, {
        name,
        pin,
        at: new Date(stampNow()).toISOString(),
        entry: sign.entryId,
        ...(reason.trim() ? { reason: reason.trim() } : {}),
      });
      await v.store.pull();
      say(`${HOLD_NAME[sign.hold]} taken back. It stays in the log.`);
      onClose();
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
    }
  };
  return (
    <Sheet open onClose={onClose} title={`Take back: ${HOLD_NAME[sign.hold].toLowerCase()}`}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void send();
        }}
      >
        <p>
          Signed by {sign.actor}. The gate shuts again until it is signed anew; both stay in the
          log.
        </p>
        <label>
          Name
          <input
            className="field mt-1"
            value={name}
            onChange={(e) => {
              setName(e.target.value);
            }}
          />
        </label>
        <label>
          PIN
          <input
            className="field mt-1"
            type="password"
            inputMode="numeric"
            autoComplete="off"
            autoFocus
            value={pin}
            onChange={(e) => {
              setPin(e.target.value);
            }}
          />
        </label>
        <label>
          Why
          <input
            className="field mt-1"
            maxLength={500}
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
        <button className="btn warn" disabled={!name.trim() || pin.length < 4}>
          Take it back
        </button>
      </form>
    </Sheet>
  );
}
