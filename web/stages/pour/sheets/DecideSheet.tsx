import { useState } from 'react';
import { isClosed } from '#core/log';
import { type LoadState, speaksAgainst } from '#core/pourlog';
import { hoseAtM, ifSentBack, outlookOf } from '#core/view';
import { loadFactsText, sentBackText, supplyWords } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { LoadEntries } from './LoadEntries.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';

/** A load that is here: placed or sent back, and what was logged of it. */
export function DecideSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const load = v.loads.find((l) => l.id === id);
  if (!load) return null;
  return (
    <Sheet open onClose={onClose} title={`${supplyWords(v.plant).load} ${id.replace('L', '')}`}>
      <p className="mb-2 text-[18px] leading-6">
        <T>{`${loadFactsText(load, v.mix, v.units)}.`}</T>
      </p>
      {!isClosed(v.state) && <Decide load={load} onClose={onClose} />}
      <LoadEntries id={id} />
    </Sheet>
  );
}

/** What sending it back does, and the two ways to decide. */
function Decide({ load, onClose }: { load: LoadState; onClose: () => void }) {
  const v = usePour();
  const [reason, setReason] = useState('');
  const after = ifSentBack(v, load.id);
  const back = after && sentBackText(after, outlookOf(v), hoseAtM(v), v.units);
  const log = (decision: 'accept' | 'reject') => {
    void v
      .write('load-verdict', {
        loadId: load.id,
        decision,
        ...(reason.trim() ? { reason: reason.trim() } : {}),
      })
      .then(onClose);
  };
  const bad = speaksAgainst(load.advice);
  return (
    <>
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
    </>
  );
}
