import { useMemo, useState } from 'react';
import { type Fix, fixList, marginText, type PointState } from '#core/check';
import { readingText } from '#core/log';
import { usePour } from '../../app/pour-context.tsx';
import { type PourView } from '../../app/pour-view.ts';
import { momentText } from '#core/view';
import { Photos } from '../../photos/Photos.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { placeText } from './place-text.ts';

const STATE: Record<Fix['state'], string> = {
  open: 'open',
  fixed: 'fixed, read again',
  closed: 'read again, good',
  waived: 'waived',
};
function ageText(min: number): string {
  if (min < 90) return `${Math.round(min)} min`;
  return min < 2880 ? `${Math.round(min / 60)} h` : `${Math.round(min / 1440)} days`;
}

function wordsOf(v: PourView, f: Fix): string {
  const reading = f.now.reading && !f.now.mark ? f.now.reading.body.value : null;
  const margin =
    reading && f.now.judged
      ? `${readingText(reading, v.units)}, ${marginText(f.point.point, reading, f.now.judged, v.units)}`
      : (f.now.mark?.body.reason ?? '');
  return `${v.elementName(f.point.point.elementId)}, ${placeText(v, f.point, f.place)}${margin ? `: ${margin}` : ''}`;
}

/**
 * Everything that failed: by place or by trade, with what was done, since when, by whom, and photos
 * before and after.
 */
export default function FixList({
  onRead,
}: {
  onRead: (point: PointState, place: number) => void;
}) {
  const v = usePour();
  const [by, setBy] = useState<'place' | 'trade'>('place');
  const fixes = useMemo(
    () => fixList(v.record.site, v.points, v.state, v.nowMs),
    [v.points, v.state, v.record.site, v.nowMs],
  );
  const groups = [
    ...new Set(fixes.map((f) => (by === 'place' ? f.point.point.elementId : f.point.point.trade))),
  ];
  const open = fixes.filter((f) => f.state === 'open' || f.state === 'fixed').length;
  const nothingOpen = fixes.length ? 'All put right' : 'Nothing has failed';
  return (
    <section aria-label="Fix list" data-fixes={fixes.length}>
      <div className="flex items-center justify-between gap-3 pb-2">
        <h2 className="head text-[20px]">{open ? `${open} to put right` : nothingOpen}</h2>
        <div className="flex gap-2" role="group" aria-label="Sorted by">
          <button
            type="button"
            className="chip"
            aria-pressed={by === 'place'}
            onClick={() => {
              setBy('place');
            }}
          >
            by place
          </button>
          <button
            type="button"
            className="chip"
            aria-pressed={by === 'trade'}
            onClick={() => {
              setBy('trade');
            }}
          >
            by trade
          </button>
        </div>
      </div>
      {groups.map((g) => (
        <div key={g} className="border-t-2 border-ink pb-2">
          <h3 className="head py-1">{by === 'place' ? v.elementName(g) : g}</h3>
          <ul className="rows">
            {fixes
              .filter((f) => (by === 'place' ? f.point.point.elementId : f.point.point.trade) === g)
              .map((f) => (
                <FixRow key={`${f.point.point.id}#${f.place}`} fix={f} onRead={onRead} />
              ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function FixRow({
  fix: f,
  onRead,
}: {
  fix: Fix;
  onRead: (point: PointState, place: number) => void;
}) {
  const v = usePour();
  const about = (moment: 'before' | 'after') => ({
    type: 'place' as const,
    checkId: f.point.point.id,
    place: f.place,
    moment,
  });
  const last = f.fixes.at(-1);
  return (
    <li className="flex flex-col gap-2 py-2">
      <div className="flex items-start gap-3">
        <Mark verdict={f.now.verdict} size={20} />
        <p className="min-w-0 flex-1">
          <b className="font-semibold">{f.point.point.title}</b>, <T>{wordsOf(v, f)}</T>
          <br />
          <span className="text-ink2">
            failed {momentText(v, Date.parse(f.failedAt))}, {f.failedBy}
            {f.ageMin === null ? '' : `, ${ageText(f.ageMin)} ago`}.{' '}
            <b className="font-semibold text-ink">{STATE[f.state]}</b>
            {last ? `: ${last.body.what}, ${last.actor}` : ''}
          </span>
        </p>
        {(f.state === 'open' || f.state === 'fixed') && (
          <button
            type="button"
            className="btn line shrink-0"
            onClick={() => {
              onRead(f.point, f.place);
            }}
          >
            {f.state === 'fixed' ? 'Read again' : 'Fix'}
          </button>
        )}
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-1 pl-8">
        <Photos about={about('before')} label="before" />
        <Photos about={about('after')} label="after" />
      </div>
    </li>
  );
}
