import { PlantAnswer } from '../../../ui/PlantAnswer.tsx';
import { isShort } from '#core/pourlog';
import { textOf, volume } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { useSession } from '../../../app/session.tsx';
import { useCall } from './useCall.ts';

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
      <PlantAnswer said={said} />
    </>
  );
}
