import { useState } from 'react';
import { speaksAgainst } from '#core/pourlog';
import { hoseAtM, ifSentBack, outlookOf } from '#core/view';
import { loadFactsText, sentBackText } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { LoadEntries } from './LoadEntries.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';

export function DecideSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const [reason, setReason] = useState('');
  const load = v.loads.find((l) => l.id === id);
  const after = ifSentBack(v, id);
  const back = after && sentBackText(after, outlookOf(v), hoseAtM(v), v.units);
  const log = (decision: 'accept' | 'reject') => {
    void v
      .write('load-verdict', {
        loadId: id,
        decision,
        ...(reason.trim() ? { reason: reason.trim() } : {}),
      })
      .then(onClose);
  };
  if (!load) return null;
  const bad = speaksAgainst(load.advice);
  return (
    <Sheet open onClose={onClose} title={`Load ${id.replace('L', '')}`}>
      <p className="mb-2 text-[18px] leading-6">
        <T>{`${loadFactsText(load, v.mix, v.units)}.`}</T>
      </p>
      {back && (
        <p
          className={`mb-3 flex gap-2 ${back.bad ? 'font-semibold text-chalk-t' : ''}`}
          data-send-back
        >
          <Mark verdict={back.bad ? 'out' : 'good'} />
          <span>
            <T>{back.text}</T>
          </span>
        </p>
      )}
      <label className="mb-3 block">
        Reason{bad ? ', needed to place it all the same' : ''}
        <input
          className="field mt-1"
          value={reason}
          onChange={(e) => {
            setReason(e.target.value);
          }}
        />
      </label>
      <div className="grid grid-cols-2 gap-2">
        <button
          type="button"
          className="btn"
          disabled={bad && !reason.trim()}
          onClick={() => {
            log('accept');
          }}
        >
          Place it
        </button>
        <button
          type="button"
          className="btn warn"
          onClick={() => {
            log('reject');
          }}
        >
          Send back
        </button>
      </div>
      <LoadEntries id={id} />
    </Sheet>
  );
}
