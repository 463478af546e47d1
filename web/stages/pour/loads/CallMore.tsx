import { useState } from 'react';
import { isShort } from '#core/pourlog';
import { textOf, volume } from '#core/units';
import type { OrderAnswer } from '../../../../contract/planning.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { useSession } from '../../../app/session.tsx';
import { sendJson } from '../../../sync/api.ts';
import { Mark } from '../../../ui/Mark.tsx';
import { useDeliveries } from './useDeliveries.ts';

/** Tells the plant to send so much more, and keeps what it says. */
function useCall() {
  const v = usePour();
  const { ask } = useDeliveries();
  const [said, setSaid] = useState<{ taken: boolean; text: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const call = async (volumeM3: number, loads: number) => {
    setBusy(true);
    try {
      const body = { act: 'more', volumeM3, loads };
      const path = `/api/pours/${v.record.id}/order`;
      const answer = await sendJson<OrderAnswer>('POST', path, body);
      setSaid({ taken: answer.taken, text: answer.said });
      await v.store.pull();
      await ask();
    } catch (e) {
      setSaid({ taken: false, text: e instanceof Error ? e.message : 'That did not work.' });
    } finally {
      setBusy(false);
    }
  };
  return { said, busy, call };
}

/** The balance, called from the plant by one press: what is missing, in its steps and trucks. */
export default function CallMore() {
  const v = usePour();
  const { account } = useSession();
  const { said, busy, call } = useCall();
  const { balanceM3 } = v.progress;
  const { stepM3, trucksM3 } = v.plant;
  const wanted = Math.ceil(balanceM3 / stepM3 - 1e-9) * stepM3;
  const loads = Math.max(1, Math.ceil(wanted / Math.max(...trucksM3) - 1e-9));
  const may = account.role === 'foreman' && !v.plant.mixer && isShort(balanceM3);
  return (
    <>
      {may && (
        <button
          type="button"
          className="btn my-1 min-h-[56px] w-full"
          disabled={busy}
          onClick={() => void call(wanted, loads)}
        >
          Call {textOf(volume(wanted, v.units, 1))} from {v.plant.label}
        </button>
      )}
      {said && (
        <p className="flex gap-2" role="status" data-called={said.taken}>
          <Mark verdict={said.taken ? 'good' : 'out'} />
          {said.text}
        </p>
      )}
    </>
  );
}
