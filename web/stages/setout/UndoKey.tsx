import { Undo2 } from 'lucide-react';
import { useState } from 'react';
import { say } from '../../ui/say.ts';
import { HOLD_NAME } from '#core/model';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { Sheet } from '../../ui/Dialog.tsx';

/** Takes the last act on the site's plan back: says what it was, and asks when it was about another pour's runs. */
export function UndoKey() {
  const plan = usePlan();
  const [asking, setAsking] = useState(false);
  const tells = plan.undoTells;
  const takeBack = () => {
    plan.undo();
    setAsking(false);
    if (tells) say(`Taken back: ${tells.what}.`);
  };
  return (
    <>
      <button
        type="button"
        className="chip max-sm:-order-1"
        disabled={!plan.canUndo}
        aria-label="Undo"
        title={tells ? `Takes back: ${tells.what}` : undefined}
        onClick={() => {
          if (tells?.pours.length) setAsking(true);
          else takeBack();
        }}
      >
        <Undo2 size={18} aria-hidden="true" />
        <span className="max-sm:hidden">Undo</span>
      </button>
      {asking && tells && (
        <Sheet
          open
          onClose={() => {
            setAsking(false);
          }}
          title={`That was ${tells.pours.join(', ')}’s`}
        >
          <p className="mb-4 text-[18px] leading-6">
            The last change of the site was about {tells.pours.join(', ')}: {tells.what}. Take it
            back from here?
          </p>
          <button type="button" className="btn warn w-full" onClick={takeBack}>
            Take it back
          </button>
        </Sheet>
      )}
    </>
  );
}

/** What is signed, said before a change opens it again. */
export function SignedNotice() {
  const v = usePour();
  const plan = usePlan();
  const signed = v.gate.signs.filter((s) => s.state === 'passed');
  if (!plan.on || signed.length === 0) return null;
  return (
    <p className="px-3 py-1 font-semibold text-ochre-t" data-signed>
      {v.record.pour.code} is signed:{' '}
      {signed.map((s) => HOLD_NAME[s.hold].toLowerCase()).join(', ')}. A change of what that covers
      opens it again, until it is taken back.
    </p>
  );
}
