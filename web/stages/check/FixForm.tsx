import { useState } from 'react';
import { useLikeliest } from './Pads.tsx';

/** A failed point asks what was done about it; then it is read again. */
export default function FixForm({
  advice,
  onFix,
  onWaive,
}: {
  advice: string;
  onFix: (what: string) => Promise<unknown>;
  onWaive: (reason: string) => Promise<unknown>;
}) {
  const [what, setWhat] = useState('');
  const { ref, guarded } = useLikeliest();
  const done = advice.replace(/,? and read (the string )?again\./, '.').replace(/\.$/, '');
  return (
    <div className="flex flex-col gap-2" role="group" aria-label="Fix">
      <p className="text-[18px] font-semibold leading-6">{advice}</p>
      <button
        ref={ref}
        data-likeliest
        type="button"
        className="btn min-h-[56px]"
        onClick={guarded(() => void onFix(done))}
      >
        Done: {done}
      </button>
      <form
        className="grid grid-cols-[1fr_auto_auto] gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (what.trim()) void onFix(what.trim());
        }}
      >
        <input
          className="field"
          aria-label="What was done"
          placeholder="Something else"
          value={what}
          onChange={(e) => {
            setWhat(e.target.value);
          }}
        />
        <button className="btn line" disabled={!what.trim()}>
          Fixed
        </button>
        <button
          type="button"
          className="btn warn"
          disabled={!what.trim()}
          onClick={() => void onWaive(what.trim())}
        >
          Waive
        </button>
      </form>
    </div>
  );
}
