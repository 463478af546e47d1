import { timeline } from '#core/log';
import { entryTimeText } from '#core/view';
import { entryText } from '#core/words';
import { CorrectKey } from '../../../app/log/CorrectKey.tsx';
import { usePour } from '../../../app/pour-context.tsx';
import { T } from '../../../ui/Text.tsx';

/** What was logged of a load, each to be put right where it stands. */
export function LoadEntries({ id }: { id: string }) {
  const v = usePour();
  const list = timeline(v.state).filter((e) => 'loadId' in e.body && e.body.loadId === id);
  if (list.length === 0) return null;
  return (
    <ol className="rows mt-3" aria-label="Logged of this load">
      {list.map((e) => (
        <li key={e.id} className="flex items-center gap-3 py-1">
          <span className="w-14 shrink-0 font-mono text-[15px]">
            {entryTimeText(Date.parse(e.at), v.dayMs, v.record.site.timeZone)}
          </span>
          <span className="min-w-0 flex-1">
            <T>{entryText(e, v.units)}</T>
          </span>
          <CorrectKey entry={e} />
        </li>
      ))}
    </ol>
  );
}
