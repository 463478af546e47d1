import { counted } from '#core/units';
import { usePour, usePourLog } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { Mark } from '../../ui/Mark.tsx';
import { RecordLinks } from './RecordLinks.tsx';

/** The record of the pour: its report, its log, and closing it. */
export default function Record() {
  const v = usePour();
  const log = usePourLog();
  const set = useSetFocus();
  const sent = `${counted(log.seq, 'entry', 'entries')} on the server`;
  return (
    <section>
      <h2 className="head border-b-2 border-ink pb-1">Record</h2>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <RecordLinks id={v.record.id} />
        {v.closed ? (
          <button
            type="button"
            className="btn line"
            onClick={() => {
              set({ sheet: 'reopen' });
            }}
          >
            Open again
          </button>
        ) : (
          <button
            type="button"
            className="btn line"
            disabled={!v.curing}
            onClick={() => {
              set({ sheet: 'close' });
            }}
          >
            Close the pour
          </button>
        )}
      </div>
      <p className="mt-2 text-ink2">
        {log.unsent ? `${sent}, ${log.unsent} not sent yet. ` : `${sent}. `}
        {v.closed &&
          'The pour is closed; what comes later, such as cylinder breaks, can still be added.'}
      </p>
      <p className="mt-1 flex gap-2">
        <Mark verdict="held" />
        No backfill before the wall is strong and its top is held. Test results and the engineer
        rule over the curve.
      </p>
    </section>
  );
}
