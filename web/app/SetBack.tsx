import { counted } from '#core/units';
import { usePour, usePourLog } from './pour-context.tsx';
import { useSession } from './session.tsx';

/** The server was brought back from a backup, and lacks entries that this device has. */
export default function SetBack() {
  const { store } = usePour();
  const { account } = useSession();
  const { lost } = usePourLog();
  const own = lost.filter((e) => e.actor === account.name).length;
  const others = [...new Set(lost.map((e) => e.actor))].filter((a) => a !== account.name);
  return (
    <div role="alert" className="mb-3 border-2 border-chalk p-3" data-set-back={lost.length}>
      <p className="font-semibold text-chalk-t">
        The server was set back. It lacks {counted(lost.length, 'entry', 'entries')} that this
        device has; what is shown is what it has now.
      </p>
      {others.length > 0 && (
        <p className="mt-1">
          Those of {others.join(', ')} are sent again by them, when they sign in on a device that
          has them.
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {own > 0 && (
          <button type="button" className="btn" onClick={() => void store.settleLost(account.name)}>
            Send mine again, {own}
          </button>
        )}
        <button type="button" className="btn line" onClick={() => void store.settleLost(null)}>
          Leave it so
        </button>
      </div>
    </div>
  );
}
