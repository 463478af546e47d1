import type { PointState, Verdict } from '#core/check';
import { readingText, type ReadingValue } from '#core/log';
import { lengthText } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { VERDICT_TEXT, Mark, VERDICT_WORD } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { placeText } from './place-text.ts';

const shortReading = (value: ReadingValue, units: 'us' | 'metric'): string =>
  value.type === 'spacing'
    ? lengthText(value.overMm / value.spaces, units)
    : readingText(value, units);

/** Where it is read, what was read, and what that is worth. */
export function ReadHere({
  state,
  place,
  shownValue,
  verdict,
  nothingRead,
  why,
}: {
  state: PointState;
  place: number;
  shownValue: ReadingValue | null;
  verdict: Verdict;
  nothingRead: 'seen' | 'look' | '–';
  why: string | undefined;
}) {
  const v = usePour();
  const point = state.point;
  const w = state.point.wanted;
  const at = `${state.point.id}#${place}`;
  return (
    <div className="min-w-0" data-place={at}>
      <p className="text-ink2">
        <T>{placeText(v, state, place)}</T>
        {point.round && (
          <>
            ,{' '}
            <b className="text-ink">
              {state.read} of {state.wanted}
            </b>{' '}
            walked
          </>
        )}
      </p>
      {!(w.type === 'bolts' && !shownValue) && (
        <p className={`big text-[48px] leading-[50px] ${VERDICT_TEXT[verdict]}`} data-reading>
          <T>{shownValue ? shortReading(shownValue, v.units) : nothingRead}</T>
        </p>
      )}
      <p
        className={`flex items-center gap-2 text-[18px] font-semibold leading-6 ${VERDICT_TEXT[verdict]}`}
        data-verdict={verdict}
        aria-live="polite"
      >
        <Mark verdict={verdict} />
        <span>
          <T>{`${VERDICT_WORD[verdict]}${why ? `, ${why}` : ''}`}</T>
        </span>
      </p>
    </div>
  );
}
