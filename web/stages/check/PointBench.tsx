import type { Met } from '../../../core/model/ranges.ts';
import { meetReading } from '../../../core/check/reading-range.ts';
import { formSystemOf } from '../../../core/formwork/forms-layout.ts';
import { wallHeightM } from '../../../core/model/site.ts';
import { startTransition, useMemo, useState } from 'react';
import { cautionOf } from '../../../core/check/cautions.ts';
import { judgeAt, type PointState } from '../../../core/check/judge.ts';
import { judgeReading, type Judged } from '../../../core/check/judge-reading.ts';
import type { Wanted, WantedDepth } from '../../../core/check/points/index.ts';
import { AGAIN_WORDS, marginText, wantedText } from '../../../core/check/words.ts';
import { readingText, type ReadingValue } from '../../../core/log/kinds/reading-value.ts';
import { distanceText, lengthText, type UnitSystem } from '../../../core/units/index.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { SectionDrawing } from '../../drawing/section/SectionDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Photos } from '../../photos/Photos.tsx';
import { Tape } from '../../tape/Tape.tsx';
import { TapePad } from '../../tape/TapePad.tsx';
import { Mark, VERDICT_TEXT, VERDICT_WORD } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking, Working } from '../../ui/Working.tsx';
import { BoltPad } from './BoltPad.tsx';
import { BarPad, CountPad, EyePad, FixForm, SpacingPad } from './Pads.tsx';
import { Round } from './Round.tsx';
import { roundValue, useTaking } from './useTaking.ts';

function heightWords(upM: number | undefined, heightM: number): string {
  if (upM === undefined || heightM === 0) return '';
  if (upM < heightM * 0.34) return ', low';
  return upM > heightM * 0.66 ? ', high' : ', half way up';
}

/** Where along the run and how high, in words. */
export function placeText(v: ReturnType<typeof usePour>, s: PointState, place: number): string {
  const p = s.point.places[place];
  const run = v.record.site.runs.find((r) => r.id === s.point.elementId);
  const of =
    s.point.places.length > 1 ? `${place + 1} of ${s.point.places.length}` : 'anywhere on it';
  if (!p || p.atM === null || !run) return p?.label ?? of;
  const [left, right] =
    run.kind === 'wall' ? [', inside', ', outside'] : [', left side', ', right side'];
  const side = { left, right, middle: '' }[p.across ?? 'middle'];
  const high = run.kind === 'wall' ? heightWords(p.upM, wallHeightM(run)) : '';
  return `${p.label ? `${p.label}, ` : ''}${distanceText(p.atM, v.units)} from ${run.from}${side}${p.label ? '' : high}`;
}

const shortReading = (value: ReadingValue, units: 'us' | 'metric'): string =>
  value.type === 'spacing'
    ? lengthText(value.overMm / value.spaces, units)
    : readingText(value, units);
const noUnit = (text: string): string => text.replace(/ (in|mm)$/, '');

/** What is said against a measure, or asked about it; null when it is the other way. */
const said = (met: Met, how: 'refuse' | 'ask'): string | null =>
  (met as Partial<Record<'refuse' | 'ask', string>>)[how] ?? null;

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

/** One place of one check: what is wanted, what was read and how good it is, and the pad to read it with. */
export function PointBench({ state, place }: { state: PointState; place: number }) {
  const v = usePour();
  const wide = useWide();
  /** What is read here, by name. What was typed is of one place: at another it is nothing. */
  const at = `${state.point.id}#${place}`;
  const [typing, setTyping] = useState<{ at: string; value: ReadingValue | null }>({
    at,
    value: null,
  });
  const typed = typing.at === at ? typing.value : null;
  const taking = useTaking(state, place);
  const { mark, fix } = taking;
  const take: typeof taking.take = (value, of) => {
    startTransition(() => {
      setTyping({ at, value: null });
    });
    return taking.take(value, of);
  };
  const { point } = state;
  const now = state.places[place];
  const w = point.wanted;
  const preview = useMemo(
    () => (typed ? judgeAt(v.record.site, state, place, typed) : null),
    [typed, v.record.site, state, place],
  );
  const shownValue = typed ?? (now?.mark ? null : (now?.reading?.body.value ?? null));
  const judged = preview ?? (now?.mark ? null : (now?.judged ?? null));
  const verdict = preview?.verdict ?? now?.verdict ?? 'unread';
  const holds = now?.verdict === 'out' && !now.fix && typed === null;
  // The key shows first; the drawing and the verdict follow.
  const type = (value: ReadingValue | null) => {
    startTransition(() => {
      setTyping({ at, value });
    });
  };
  const boltDepth =
    w.type === 'bolts' && w.measured.includes(place) ? (w.bolts[place]?.depth ?? null) : null;
  const sectioned = w.type === 'cover' && point.elementId !== '';
  const caution = cautionOf(point);
  const beforeOrAfter = now?.fix ? ('after' as const) : ('before' as const);
  const moment = now?.verdict === 'out' ? beforeOrAfter : null;
  const seen = verdict === 'good' ? 'seen' : 'look';
  const nothingRead = w.type === 'eye' ? seen : '–';
  const margin = judged && shownValue ? marginText(point, shownValue, judged, v.units) : null;
  const why = margin ?? now?.mark?.body.reason;
  return (
    <>
      {point.round && (
        <Round
          state={state}
          place={place}
          onTap={(i) => {
            const value = roundValue(point, i);
            if (value) void take(value, i);
          }}
        />
      )}
      <div
        className={
          sectioned
            ? 'grid grid-cols-[minmax(0,1fr)_140px] gap-3 sm:grid-cols-[minmax(0,1fr)_200px] sm:gap-4'
            : ''
        }
      >
        {sectioned && (
          <Section
            state={state}
            mm={shownValue?.type === 'length' ? shownValue.mm : null}
            short={verdict === 'out'}
            text={margin ?? ''}
          />
        )}
        <div
          className={sectioned ? 'max-sm:order-first' : 'flex items-start justify-between gap-3'}
        >
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
          <div className={sectioned ? '' : 'flex flex-col items-end'}>
            {w.type !== 'eye' && (
              <dl className={`flex gap-5 ${sectioned ? 'pt-2' : 'pt-1 text-right'}`}>
                {boltDepth ? (
                  <BoltWanted depth={boltDepth} units={v.units} />
                ) : (
                  <div>
                    <dt className="text-ink2">wanted</dt>
                    <dd className="big text-[28px] leading-8">
                      <T>
                        {w.type === 'bar' ? wantedText(w, v.units) : noUnit(wantedText(w, v.units))}
                      </T>
                    </dd>
                  </div>
                )}
                {limits(judged, w).map(([label, mm]) => (
                  <div key={label}>
                    <dt className="text-ink2">{label}</dt>
                    <dd className="big text-[28px] leading-8">
                      {judged?.calculation ? (
                        <FigureWithWorking
                          name={label}
                          id={judged.calculation}
                          input={judged.input}
                        >
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
        </div>
      </div>
      {(w.type === 'cover' || w.type === 'size') && (
        <TapeRow state={state} typed={typed?.type === 'length' ? typed.mm : null} />
      )}
      {now?.again && <p className="font-semibold text-ochre-t">{AGAIN_WORDS[now.again]}</p>}
      {holds ? (
        <FixForm
          key={at}
          advice={point.advice}
          onFix={fix}
          onWaive={(reason) => mark('na', reason)}
        />
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
      )}
      {caution && (
        <p className="border-l-[5px] border-ochre pl-3 leading-5" data-caution>
          {caution}
        </p>
      )}
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <Photos
          about={{ type: 'place', checkId: point.id, place, ...(moment ? { moment } : {}) }}
          label={moment ? `Photo ${moment}` : 'Photo'}
        />
        <p className="min-w-[200px] flex-1 text-[14px] leading-[18px] text-ink2">
          {point.places.length > 1 && `${point.places.length} readings: ${point.why}. `}Wanted:{' '}
          {point.source}.{point.toleranceSource ? ` Limits: ${point.toleranceSource}.` : ''}
          {now?.reading
            ? ` Read by ${now.reading.actor}${now.settingOut ? ' while setting out' : ''}.`
            : ''}
        </p>
        {judged?.calculation && <Working id={judged.calculation} input={judged.input} />}
      </div>
    </>
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

function Section({
  state,
  mm,
  short,
  text,
}: {
  state: PointState;
  mm: number | null;
  short: boolean;
  text: string;
}) {
  const v = usePour();
  const [boxRef, box] = useSize();
  return (
    <div ref={boxRef} className="h-[132px] w-full shrink-0 sm:h-[196px]">
      <SectionDrawing
        site={v.record.site}
        elementId={state.point.elementId}
        width={box.width}
        height={box.height}
        foam={formSystemOf(v.record)?.kind === 'foam'}
        reading={{ point: state.point, mm, short, shortText: text }}
      />
    </div>
  );
}

function TapeRow({ state, typed }: { state: PointState; typed: number | null }) {
  const v = usePour();
  const [boxRef, box] = useSize();
  const w = state.point.wanted;
  if (w.type !== 'cover' && w.type !== 'size') return null;
  const wantedMm = w.type === 'cover' ? w.specifiedMm : w.wantedMm;
  const low = judgeReading(v.record.site, state.point, { type: 'length', mm: wantedMm });
  const readings = state.places.flatMap((p) =>
    p.reading?.body.value.type === 'length' && !p.mark
      ? [{ mm: p.reading.body.value.mm, verdict: p.verdict }]
      : [],
  );
  return (
    <div ref={boxRef}>
      <Tape
        units={v.units}
        width={box.width}
        wantedMm={wantedMm}
        lowMm={low.lowMm}
        highMm={low.highMm}
        readings={readings}
        typedMm={typed}
      />
    </div>
  );
}
