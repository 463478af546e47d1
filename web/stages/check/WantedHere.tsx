import {
  type Judged,
  type PointState,
  type Wanted,
  type WantedDepth,
  wantedText,
} from '#core/check';
import { lengthText, type UnitSystem } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { Mark, VERDICT_WORD } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';

const noUnit = (text: string): string => text.replace(/ (in|mm)$/, '');

/** What a size or a spacing may be before anything is read, mm. */
function ownLimits(w: Wanted): [number | null, number | null] {
  if (w.type === 'size')
    return [w.wantedMm - w.minusMm, w.plusMm === null ? null : w.wantedMm + w.plusMm];
  if (w.type === 'spacing') return [w.specifiedMm - w.toleranceMm, w.specifiedMm + w.toleranceMm];
  return [null, null];
}

function limits(judged: Judged | null, w: Wanted): [string, number][] {
  const [ownLow, ownHigh] = ownLimits(w);
  const low = judged?.lowMm ?? ownLow;
  const high = judged?.highMm ?? ownHigh;
  return [
    ...(low === null ? [] : [['least', low] as [string, number]]),
    ...(high === null ? [] : [['most', high] as [string, number]]),
  ];
}

/** What is wanted and the limits, each with its working; and the places of the check. */
export function WantedHere({
  sectioned,
  boltDepth,
  judged,
  state,
  place,
}: {
  sectioned: boolean;
  boltDepth: WantedDepth | null;
  judged: Judged | null;
  state: PointState;
  place: number;
}) {
  const v = usePour();
  const wide = useWide();
  const point = state.point;
  const w = state.point.wanted;
  return (
    <div className={sectioned ? '' : 'flex flex-col items-end'}>
      {w.type !== 'eye' && (
        <dl className={`flex gap-5 ${sectioned ? 'pt-2' : 'pt-1 text-right'}`}>
          {boltDepth ? (
            <BoltWanted depth={boltDepth} units={v.units} />
          ) : (
            <div>
              <dt className="text-ink2">wanted</dt>
              <dd className="big text-[28px] leading-8">
                <T>{w.type === 'bar' ? wantedText(w, v.units) : noUnit(wantedText(w, v.units))}</T>
              </dd>
            </div>
          )}
          {limits(judged, w).map(([label, mm]) => (
            <div key={label}>
              <dt className="text-ink2">{label}</dt>
              <dd className="big text-[28px] leading-8">
                {judged?.calculation ? (
                  <FigureWithWorking name={label} id={judged.calculation} input={judged.input}>
                    <T>{noUnit(lengthText(mm, v.units))}</T>
                  </FigureWithWorking>
                ) : (
                  <T>{noUnit(lengthText(mm, v.units))}</T>
                )}
              </dd>
            </div>
          ))}
        </dl>
      )}
      {!point.round && (wide || point.places.some((x) => x.atM === null)) && (
        <Places state={state} place={place} />
      )}
    </div>
  );
}

function BoltWanted({ depth, units }: { depth: WantedDepth; units: UnitSystem }) {
  return (
    [
      ['deep', depth.leastMm],
      ['out', depth.projectionMm],
    ] as const
  ).map(([label, mm]) => (
    <div key={label}>
      <dt className="text-ink2">{label}</dt>
      <dd className="big text-[28px] leading-8">
        <T>{noUnit(lengthText(mm, units))}</T>
      </dd>
    </div>
  ));
}

function Places({ state, place }: { state: PointState; place: number }) {
  const set = useSetFocus();
  if (state.places.length < 2) return null;
  return (
    <div className="flex flex-wrap gap-2 pt-1" role="group" aria-label="Places">
      {state.places.map((p, i) => (
        <button
          key={i}
          type="button"
          className="chip"
          aria-pressed={i === place}
          onClick={() => {
            set({ run: state.point.elementId, check: state.point.id, place: i });
          }}
        >
          <Mark verdict={p.verdict} size={16} label={VERDICT_WORD[p.verdict]} />
          {i + 1}
        </button>
      ))}
    </div>
  );
}
