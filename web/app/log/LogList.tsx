import { useMemo, useState } from 'react';
import {
  driftNoted,
  filterLog,
  type LogEvent,
  type LogQuery,
  placeOf,
  timeline,
  writtenLateMs,
} from '#core/log';
import { entryTimeText, momentText } from '#core/view';
import { entryText } from '#core/words';
import { counted } from '#core/units';
import { T } from '../../ui/Text.tsx';
import { usePour } from '../pour-context.tsx';
import { CorrectKey } from './CorrectKey.tsx';
import { LogFilters } from './LogFilters.tsx';
import { lookAt } from '../../sync/past.ts';

const ALL: LogQuery = { words: '', group: null, actor: null, place: null };
/** So many rows are drawn; what is older is found by looking for it. */
const SHOWN = 200;

/** Said with an entry whose device had the time wrong. */
function ClockMark({ device }: { device: string | undefined }) {
  const aheadMs = driftNoted(device);
  if (aheadMs === null) return null;
  return (
    <span className="block text-[14px] leading-[18px] text-ochre-t">
      its device’s clock was {Math.round(Math.abs(aheadMs) / 60_000)} min{' '}
      {aheadMs > 0 ? 'fast' : 'slow'}
    </span>
  );
}

/**
 * The entries as one stream, newest first: looked through by word, kind, person and place; each
 * leads to the pour as it was.
 */
export function LogList({ close }: { close: () => void }) {
  const v = usePour();
  const [query, setQuery] = useState(ALL);
  const list = useMemo(() => timeline(v.state).reverse(), [v.state]);
  const actors = [...new Set(list.map((e) => e.actor))].sort();
  const places = [...new Set(list.flatMap((e) => placeOf(e) ?? []))].sort();
  const found = filterLog(list, query, (e) => entryText(e, v.units));
  if (list.length === 0)
    return (
      <p>
        Nothing is logged yet. Readings, loads, weather and sign-offs stand here as they are made.
      </p>
    );
  return (
    <>
      <LogFilters query={query} set={setQuery} actors={actors} places={places} />
      <p className="text-ink2" role="status">
        {found.length === list.length
          ? counted(list.length, 'entry', 'entries')
          : `${found.length} of ${list.length}`}
        . Press one to see the whole screen as it was.
      </p>
      <ol className="rows">
        {found.slice(0, SHOWN).map((e) => (
          <LogRow
            key={e.id}
            entry={e}
            show={() => {
              lookAt(v.record.id, Date.parse(e.at));
              close();
            }}
          />
        ))}
      </ol>
      {found.length > SHOWN && (
        <p className="pt-2 text-ink2">
          {found.length - SHOWN} older ones: look for them by word, kind, person or place.
        </p>
      )}
    </>
  );
}

function LogRow({ entry: e, show }: { entry: LogEvent; show: () => void }) {
  const v = usePour();
  const { timeZone } = v.record.site;
  const lateMs = writtenLateMs(e);
  const old = e.supersedes ? v.state.seen.get(e.supersedes) : undefined;
  return (
    <li className="flex items-start gap-2">
      <button
        type="button"
        className="flex min-h-12 min-w-0 flex-1 gap-3 py-2 text-left"
        onClick={show}
      >
        <span className="w-24 shrink-0 font-mono text-[15px] max-sm:w-14">
          {entryTimeText(Date.parse(e.at), v.dayMs, timeZone)}
        </span>
        <span className="flex-1">
          <T>{entryText(e, v.units)}</T>
          <span className="block text-[14px] leading-[18px] text-ink2 sm:hidden">{e.actor}</span>
          {old && (
            <span className="block text-[14px] leading-[18px] text-ink2">
              instead of:{' '}
              <s>
                <T>{entryText(old, v.units)}</T>
              </s>
            </span>
          )}
          {lateMs !== null && (
            <span className="block text-[14px] leading-[18px] text-ink2">
              written down {entryTimeText(lateMs, v.dayMs, timeZone)}
            </span>
          )}
          <ClockMark device={e.device} />
          {e.saidAt && (
            <span className="block text-[14px] leading-[18px] text-ochre-t">
              its device’s clock ran ahead and said {momentText(v, Date.parse(e.saidAt))}
            </span>
          )}
        </span>
        <span className="text-[14px] text-ink2 max-sm:hidden">{e.actor}</span>
      </button>
      <CorrectKey entry={e} />
    </li>
  );
}
