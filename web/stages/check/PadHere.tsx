import { meetReading, type PointState } from '#core/check';
import type { ReadingValue } from '#core/log';
import type { Met } from '#core/model';
import { usePour } from '../../app/pour-context.tsx';
import { TapePad } from '../../tape/TapePad.tsx';
import { SpacingPad, CountPad, BarPad, EyePad } from './Pads.tsx';
import { BoltPad } from './BoltPad.tsx';
import type { useTaking } from './useTaking.ts';
import { lazily } from '../../ui/lazily.tsx';

const FixForm = lazily(() => import('./FixForm.tsx'));

type Taking = ReturnType<typeof useTaking>;
/** What is said against a measure, or asked about it; null when it is the other way. */
const said = (met: Met, how: 'refuse' | 'ask'): string | null =>
  (met as Partial<Record<'refuse' | 'ask', string>>)[how] ?? null;

/** The pad this kind of reading is taken with; where it failed, what was done about it first. */
export function PadHere({
  holds,
  fix,
  mark,
  typed,
  type,
  take,
  place,
  state,
}: {
  holds: boolean;
  fix: Taking['fix'];
  mark: Taking['mark'];
  typed: ReadingValue | null;
  type: (value: ReadingValue | null) => void;
  take: Taking['take'];
  place: number;
  state: PointState;
}) {
  const v = usePour();
  const point = state.point;
  const w = state.point.wanted;
  const now = state.places[place];
  const at = `${state.point.id}#${place}`;
  return holds ? (
    <FixForm key={at} advice={point.advice} onFix={fix} onWaive={(reason) => mark('na', reason)} />
  ) : (
    <>
      {now?.fix && typed === null && (
        <p className="font-semibold text-ochre-t">Fixed: {now.fix.body.what}. Read it again.</p>
      )}
      {(w.type === 'cover' || w.type === 'size') && (
        <TapePad
          of={at}
          units={v.units}
          signed={
            w.type === 'size' &&
            ['level', 'line', 'plumb', 'lean', 'centre', 'other'].includes(w.what)
          }
          onTyping={(mm) => {
            type(mm === null ? null : { type: 'length', mm });
          }}
          onTake={(mm) => take({ type: 'length', mm })}
          refuse={(mm) => said(meetReading(w, mm, v.units), 'refuse')}
          ask={(mm) => said(meetReading(w, mm, v.units), 'ask')}
          takeLabel="Take"
        />
      )}
      {w.type === 'spacing' && (
        <SpacingPad
          key={at}
          of={at}
          w={w}
          units={v.units}
          onTyping={type}
          onTake={(value) => void take(value)}
        />
      )}
      {w.type === 'count' && (
        <CountPad
          key={at}
          wanted={w.wanted}
          unit={w.unit ?? 'bars'}
          onTake={(count) => void take({ type: 'count', count })}
        />
      )}
      {w.type === 'bar' && (
        <BarPad key={at} wanted={w.wanted} onTake={(bar) => void take({ type: 'bar', bar })} />
      )}
      {w.type === 'bolts' && (
        <BoltPad
          key={at}
          w={w}
          place={place}
          units={v.units}
          onTyping={type}
          onTake={(value) => void take(value)}
        />
      )}
      {w.type === 'eye' && (
        <EyePad key={at} advice={point.advice} onMark={(r, reason) => void mark(r, reason)} />
      )}
    </>
  );
}
