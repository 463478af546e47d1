import { memo } from 'react';
import { marginText, type PointState, roundText, wantedText } from '#core/check';
import { readingText } from '#core/log';
import { usePour } from '../../app/pour-context.tsx';
import { Photos } from '../../photos/Photos.tsx';
import { Mark, VERDICT_WORD } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';

/** What was measured, run by run: what failed and what is tight first, then the rest in one line a check. */
export const Measured = memo(function Measured({ points }: { points: PointState[] }) {
  const v = usePour();
  const runs = [...new Set(points.map((p) => p.point.elementId))];
  const rank = { out: 0, unread: 1, held: 1, tight: 2, waived: 3, good: 4 } as const;
  return (
    <div
      className="max-h-[44dvh] overflow-auto border-y border-hair"
      tabIndex={0}
      role="region"
      aria-label="What was measured"
    >
      {runs.map((run) => (
        <section key={run}>
          <h3 className="head sticky top-0 bg-sheet py-1">{v.elementName(run)}</h3>
          <ul className="rows">
            {points
              .filter((p) => p.point.elementId === run)
              .sort((a, b) => rank[a.verdict] - rank[b.verdict])
              .map((p) => (
                <MeasuredRow key={p.point.id} state={p} />
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
});

function MeasuredRow({ state }: { state: PointState }) {
  const v = usePour();
  const { point } = state;
  const said = state.places.map((p) => {
    if (p.mark)
      return p.mark.body.result === 'pass' ? 'seen' : (p.mark.body.reason ?? p.mark.body.result);
    if (!p.reading) return VERDICT_WORD.unread;
    const value = p.reading.body.value;
    return `${readingText(value, v.units)}${p.judged && (p.verdict === 'out' || p.verdict === 'tight') ? ` (${marginText(point, value, p.judged, v.units)})` : ''}`;
  });
  const all = (verdict: PointState['verdict']) => state.places.every((p) => p.verdict === verdict);
  const words = () => {
    const n = state.places.length;
    if (all('unread')) return n > 1 ? `unread, ${n}` : 'unread';
    // A round reads as a number: nine bolts there, not nine times "there".
    return point.round && all('good') ? roundText(state, v.units) : said.join(' · ');
  };
  return (
    <li className="flex items-start gap-3 py-1.5">
      <Mark verdict={state.verdict} label={VERDICT_WORD[state.verdict]} />
      <div className="min-w-0 flex-1">
        <span className="font-semibold">{point.title}</span>
        {point.wanted.type !== 'eye' && point.wanted.type !== 'bolts' && (
          <span className="text-ink2">
            {' '}
            wanted <T>{wantedText(point.wanted, v.units)}</T>
          </span>
        )}
        <br />
        <T>{words()}</T>
        {state.places.map((p) => (
          <PlacePhotos key={p.index} checkId={point.id} place={p.index} />
        ))}
      </div>
    </li>
  );
}

function PlacePhotos({ checkId, place }: { checkId: string; place: number }) {
  const v = usePour();
  const any = v.state.active.photo?.some(
    (p) =>
      p.body.about.type === 'place' &&
      p.body.about.checkId === checkId &&
      p.body.about.place === place,
  );
  return any ? <Photos about={{ type: 'place', checkId, place }} label="add" /> : null;
}
