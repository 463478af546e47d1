import { useState } from 'react';
import { correctable, type LogEvent, mayTakeBack, refuseClosed } from '#core/log';
import { entryText } from '#core/words';
import { lazily } from '../../ui/lazily.tsx';
import { usePour } from '../pour-context.tsx';
import { useSession } from '../session.tsx';

const CorrectSheet = lazily(() => import('./CorrectSheet.tsx'));

/** The key beside an entry that puts it right; not there for who may not. */
export function CorrectKey({ entry: e }: { entry: LogEvent }) {
  const v = usePour();
  const { account } = useSession();
  const [open, setOpen] = useState(false);
  const may =
    v.past === null &&
    v.shut === null &&
    correctable(e) !== null &&
    refuseClosed(v.state, { ...e, writtenAt: new Date(v.nowMs).toISOString() }) === null &&
    mayTakeBack(account, { kind: e.kind, actor: e.actor, hold: null });
  if (!may) return null;
  return (
    <>
      <button
        type="button"
        className="min-h-12 shrink-0 px-1 text-[16px] font-semibold text-press"
        aria-label={`Correct: ${entryText(e, v.units)}`}
        onClick={() => {
          setOpen(true);
        }}
      >
        Correct
      </button>
      {open && (
        <CorrectSheet
          id={e.id}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}
