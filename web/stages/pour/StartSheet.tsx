import { useState } from 'react';
import { override } from '#core/log';
import type { Progress } from '#core/pourlog';
import { liftName } from '#core/pourplan';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { EntryForm } from '../../forms/EntryForm.tsx';
import { TextInput } from '../../forms/fields.tsx';
import { Sheet } from '../../ui/Dialog.tsx';

type Face = Progress['startable'][number];

/** What a foreman most often says for pouring against the gate: one press each. */
const REASONS = ['Agreed with the inspector', 'Weather is coming', 'Read, not entered yet'];

/**
 * Which run is placed. With the gate shut a foreman says why with the second press, and the
 * override is logged with the start; nothing stands in the way of logging a start that has
 * happened.
 */
export function StartSheet({
  loadId,
  onClose,
}: {
  loadId: string | undefined;
  onClose: () => void;
}) {
  const v = usePour();
  const { account } = useSession();
  const [chosen, setChosen] = useState<Face | null>(null);
  // What is being filled by another front is not begun again.
  const under = (f: Face) =>
    v.progress.placements.some((p) => p.open && p.elementId === f.elementId && p.lift === f.lift);
  const open = v.progress.startable.filter((f) => !under(f));
  const shut = !v.gate.ready;
  const mayOverride = account?.role === 'foreman';
  const start = async (f: Face, reason: string | null) => {
    if (reason) await v.write('override', { reason });
    const from = loadId ? { loadId } : {};
    await v.write('place-start', { elementId: f.elementId, lift: f.lift, ...from });
    onClose();
  };
  if (chosen)
    return (
      <OverrideSheet
        name={liftName(v.plan.route, chosen.elementId, chosen.lift)}
        onClose={onClose}
        onReason={(reason) => start(chosen, reason)}
      />
    );
  return (
    <Sheet open onClose={onClose} title="Start placing">
      {shut && (
        <p className="mb-3 font-semibold text-chalk-t">
          The gate is shut: {v.gate.rows.length} held.{' '}
          {mayOverride
            ? 'Press the run, then say why it is poured all the same.'
            : 'Placing is logged, and the report says that it was shut: tell the foreman.'}
        </p>
      )}
      {!loadId && <p className="mb-3 font-semibold text-ochre-t">No load is logged as here.</p>}
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {open.map((f, i) => (
          <button
            key={`${f.elementId}${f.lift}`}
            type="button"
            className={`btn min-h-[64px] ${i === 0 ? '' : 'line'}`}
            onClick={() => {
              if (shut && mayOverride) setChosen(f);
              else void start(f, null).catch(() => undefined);
            }}
          >
            {liftName(v.plan.route, f.elementId, f.lift)}
            {f.ratio > 0 ? `, from ${Math.round(f.ratio * 100)}` : ''}
          </button>
        ))}
      </div>
      {open.length === 0 && <p>Everything is filled.</p>}
    </Sheet>
  );
}

/** Why it is poured against the gate: a press on a reason, or words of one's own. */
function OverrideSheet({
  name,
  onClose,
  onReason,
}: {
  name: string;
  onClose: () => void;
  onReason: (reason: string | null) => Promise<void>;
}) {
  const v = usePour();
  return (
    <Sheet open onClose={onClose} title={`${name}, against the gate`}>
      <p className="mb-3 font-semibold text-chalk-t">
        {v.gate.rows.length} held. Why it is poured stands on the report for good.
      </p>
      <div className="mb-3 flex flex-col gap-2">
        {REASONS.map((reason) => (
          <button
            key={reason}
            type="button"
            className="btn warn min-h-[56px]"
            onClick={() => void onReason(reason).catch(() => undefined)}
          >
            {reason}
          </button>
        ))}
      </div>
      <EntryForm
        schema={override.body}
        defaults={{}}
        write={({ reason }) => onReason(reason)}
        act="Pour"
        warn
        className="mb-3 flex flex-col gap-2"
      >
        <TextInput name="reason" label="Another reason" />
      </EntryForm>
      <button
        type="button"
        className="btn line w-full"
        onClick={() => void onReason(null).catch(() => undefined)}
      >
        Log the start, say why later
      </button>
    </Sheet>
  );
}
