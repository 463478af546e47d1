import { type CheckPoint, judgeAt, nextStop, type PointState } from '#core/check';
import type { ReadingValue } from '#core/log';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';

/**
 * What a press on an unread mark of a round takes: everything there, as wanted; null where a
 * measure has to be read.
 */
export function roundValue(point: CheckPoint, place: number): ReadingValue | null {
  const w = point.wanted;
  if (w.type === 'bolts')
    return w.measured.includes(place) ? null : { type: 'bolt', there: true, atMm: null };
  return w.type === 'count' ? { type: 'count', count: w.wanted } : null;
}

/** Taking a reading or a look at one place, and going on to the next along the walk. */
export function useTaking(state: PointState, place: number) {
  const v = usePour();
  const setFocus = useSetFocus();
  const { point } = state;
  const stay = (at: number) => {
    setFocus({ run: point.elementId, check: point.id, place: at });
  };
  const advance = () => {
    // The state behind `v` is a moment old: this place is done, so look past it.
    const done = v.points.map((p) =>
      p.point.id !== point.id
        ? p
        : {
            ...p,
            places: p.places.map((x) =>
              x.index === place ? { ...x, verdict: 'good' as const, fix: null } : x,
            ),
          },
    );
    const next = nextStop(done, v.walk, { check: point.id, place });
    if (next)
      setFocus({ run: next.point.point.elementId, check: next.point.point.id, place: next.place });
    else stay(place);
  };
  const take = async (value: ReadingValue, at = place) => {
    const bad = judgeAt(v.record.site, state, at, value).verdict === 'out';
    await v.write(
      'reading',
      { checkId: point.id, place: at, value },
      {
        kept: () => {
          if (bad || at !== place) stay(at);
          else advance();
        },
      },
    );
  };
  const mark = async (result: 'pass' | 'fail' | 'na', reason?: string) => {
    await v.write(
      'mark',
      { checkId: point.id, place, result, ...(reason ? { reason } : {}) },
      {
        kept: () => {
          if (result === 'fail') stay(place);
          else advance();
        },
      },
    );
  };
  const fix = (what: string) => v.write('fix', { checkId: point.id, place, what });
  return { take, mark, fix };
}
