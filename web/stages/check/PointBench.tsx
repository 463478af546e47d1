import { formSystemOf } from '#core/formwork';
import { startTransition, useMemo, useState } from 'react';
import {
  AGAIN_WORDS,
  cautionOf,
  judgeAt,
  type Judged,
  judgeReading,
  marginText,
  type PointState,
} from '#core/check';
import type { ReadingValue } from '#core/log';
import { usePour } from '../../app/pour-context.tsx';
import { SectionDrawing } from '../../drawing/section/SectionDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Photos } from '../../photos/Photos.tsx';
import { Tape } from '../../tape/Tape.tsx';
import { Working } from '../../ui/Working.tsx';
import { Round } from './Round.tsx';
import { roundValue, useTaking } from './useTaking.ts';
import { ReadHere } from './ReadHere.tsx';
import { WantedHere } from './WantedHere.tsx';
import { PadHere } from './PadHere.tsx';

/** One place of one check: what is wanted, what was read and how good it is, and the pad to read it with. */
export function PointBench({ state, place }: { state: PointState; place: number }) {
  const v = usePour();
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
          <ReadHere
            state={state}
            place={place}
            shownValue={shownValue}
            verdict={verdict}
            nothingRead={nothingRead}
            why={why}
          />
          <WantedHere
            sectioned={sectioned}
            boltDepth={boltDepth}
            judged={judged}
            state={state}
            place={place}
          />
        </div>
      </div>
      {(w.type === 'cover' || w.type === 'size') && (
        <TapeRow state={state} typed={typed?.type === 'length' ? typed.mm : null} />
      )}
      {now?.again && <p className="font-semibold text-ochre-t">{AGAIN_WORDS[now.again]}</p>}
      <PadHere
        holds={holds}
        fix={fix}
        mark={mark}
        typed={typed}
        type={type}
        take={take}
        place={place}
        state={state}
      />
      {caution && (
        <p className="border-l-[5px] border-ochre pl-3 leading-5" data-caution>
          {caution}
        </p>
      )}
      <SourceHere place={place} moment={moment} judged={judged} state={state} />
    </>
  );
}

/** Photos, where the figures come from, and the working. */
function SourceHere({
  place,
  moment,
  judged,
  state,
}: {
  place: number;
  moment: 'before' | 'after' | null;
  judged: Judged | null;
  state: PointState;
}) {
  const point = state.point;
  const now = state.places[place];
  return (
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
