import { formSystemOf } from '#core/formwork';
import { envelopeOf, ratesOf } from '#core/pourplan';
import { textOf, volume } from '#core/units';
import { crewOf } from '#core/view';
import { deepVibrationText } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { useSize } from '../../../drawing/useSize.ts';
import { Big, T } from '../../../ui/Text.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';
import { usePlanned } from '../planned.tsx';
import { EnvelopeDrawing } from './EnvelopeDrawing.tsx';
import { RateBars } from './RateBars.tsx';
import { StandPart } from './StandPart.tsx';
import { Suits } from './Suits.tsx';
import { useStands } from './useStands.ts';

const RULES = {
  pump: 'What conveys it rules',
  crew: 'The crew rules',
  plant: 'The plant rules',
  forms: 'The forms rule',
} as const;

/** How: what conveys it and from where, what holds the rate back, and what that presses on the forms. */
export default function HowBench() {
  const v = usePour();
  const p = usePlanned();
  const set = useSetFocus();
  const [boxRef, box] = useSize();
  const { conveyance, stand, offers } = useStands();
  const ask = {
    site: p.record.site,
    pour: p.record.pour,
    mix: v.mix,
    rules: v.rules,
    plan: p.plan,
    plantRoundTripMin: v.plant.roundTripMin,
    conveyance,
    hands: crewOf(v.record)?.hands ?? null,
  };
  const rates = ratesOf(ask);
  const envelope = envelopeOf(ask);
  const rate = rates.result.rateM3PerH;
  const deep = deepVibrationText(ask.site, formSystemOf(ask));
  const planned = p.settings.placingRateM3PerH;
  const over = planned > rate * 1.02;
  return (
    <div ref={boxRef} className="flex flex-col gap-3">
      <div className="flex items-end gap-4">
        <FigureWithWorking name="the rate" id="placing-rate" input={rates.input}>
          <Big figure={volume(rate, v.units, rate < 8 ? 1 : 0)} size={52} />
        </FigureWithWorking>
        <p className="pb-1 leading-5">
          <b className="font-semibold">{RULES[rates.result.limitedBy]}</b>,{' '}
          {volume(0, v.units).unit} an hour. {over ? 'Planned faster: ' : 'Planned at '}
          <b className="tnum font-semibold">
            {textOf(volume(planned, v.units, planned < 8 ? 1 : 0))}
          </b>
          .
        </p>
      </div>
      <RateBars
        limits={rates.result.limits}
        least={rate}
        planned={planned}
        width={box.width}
        units={v.units}
      />
      {ask.hands === null && (
        <p className="flex items-center justify-between gap-3 text-ink2">
          The crew is not given: it counts for nothing here.
          <button
            type="button"
            className="chip"
            onClick={() => {
              set({ sheet: 'crew' });
            }}
          >
            Give the crew
          </button>
        </p>
      )}
      {over && (
        <button
          type="button"
          className="btn soft"
          onClick={() => {
            void p.change({ placingRateM3PerH: Math.max(0.1, rate) });
          }}
        >
          Plan it at {textOf(volume(rate, v.units, rate < 8 ? 1 : 0))} an hour
        </button>
      )}
      {envelope && <EnvelopeDrawing envelope={envelope} width={box.width} units={v.units} />}
      {envelope && deep && (
        <p>
          <T>{deep}</T>
        </p>
      )}
      <section aria-label="What conveys it" className="flex flex-col gap-2">
        <div className="flex items-center justify-between">
          <h2 className="head">What conveys it</h2>
          <button
            type="button"
            className="min-h-12 font-semibold text-press"
            onClick={() => {
              set({ sheet: 'conveyances' });
            }}
          >
            Change the list
          </button>
        </div>
        <div className="flex flex-wrap gap-2">
          {p.record.site.conveyances.map((c) => (
            <button
              key={c.id}
              type="button"
              className="chip"
              aria-pressed={c.id === conveyance?.id}
              onClick={() => {
                void p.change({
                  conveyance: c.id,
                  leftBehindM3: c.staysInM3,
                });
              }}
            >
              {c.label}
            </button>
          ))}
        </div>
        {p.record.site.conveyances.length === 0 && (
          <p className="text-ink2">Nothing is listed for this site yet: add what you use.</p>
        )}
        <Suits conveyance={conveyance} />
      </section>
      {conveyance && <StandPart conveyance={conveyance} stand={stand} offers={offers} />}
    </div>
  );
}
