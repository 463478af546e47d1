import { seamUrgent } from '../../../core/pourlog/alarms.ts';
import { liftName, mostLifts } from '../../../core/pourplan/lifts.ts';
import type { OpenSeam } from '../../../core/pourlog/seams.ts';
import type { PourView } from '../../app/pour-context.tsx';
import { evaluate } from '../../../core/kit/calculation.ts';
import { evaporation } from '../../../core/weather/evaporation.ts';
import {
  counted,
  clockText,
  distanceText,
  lengthText,
  quantityText,
  temperatureFigure,
  textOf,
  volume,
} from '../../../core/units/index.ts';
import { latest } from '../../../core/pourlog/state.ts';
import type { LoadState } from '../../../core/pourlog/loads.ts';
import { judgeSlump } from '../../../core/pourlog/loads.ts';
import { usePour } from '../../app/pour-context.tsx';
import { momentText } from '../../app/stages.ts';
import { useSetFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { LiveRoute } from '../../drawing/LiveRoute.tsx';
import { MarchChart } from '../../drawing/march/MarchChart.tsx';
import { marchAxis } from '../../drawing/march/scales.ts';
import { SlumpCone } from '../../drawing/SlumpCone.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Mark, type VERDICT_WORD } from '../../ui/Mark.tsx';
import { Big, T } from '../../ui/Text.tsx';
import { Opens } from '../../ui/Working.tsx';
import {
  ageOrigin,
  dryingOrigin,
  seamOrigin,
  stateOrigin,
  trucksOrigin,
} from '../../app/origins.ts';
import { PourSheets } from './PourSheets.tsx';
import { Tasks } from './Tasks.tsx';

/** Where a seam lies: its run and lift. */
const seamName = (v: PourView, seam: OpenSeam): string =>
  liftName(v.plan.route, seam.elementId, seam.lift);

export function PourGround() {
  const v = usePour();
  const set = useSetFocus();
  const wide = useWide();
  const [boxRef, box] = useSize();
  const live = wide ? Math.min(150, 62 + mostLifts(v.plan.route) * 26) : box.height;
  const now = v.minuteOf(v.nowMs);
  const seam = v.progress.seams[0];
  return (
    <div ref={boxRef} className="h-full">
      <LiveRoute
        width={box.width}
        height={live}
        route={v.plan.route}
        progress={v.progress}
        nowMs={v.nowMs}
        onPick={() => {
          set({ sheet: v.progress.current ? 'stop' : 'start' });
        }}
        {...(wide ? { axis: marchAxis(box.width, v.plan.loadIds.length) } : {})}
      />
      {wide && (
        <MarchChart
          strip={false}
          width={box.width}
          height={box.height - live}
          plan={v.plan}
          units={v.units}
          maxAgeMin={v.mix.maxAgeMin}
          nowMin={now > -60 && now < 1500 ? now : null}
          weather={v.weather.map((hour) => ({ min: v.minuteOf(Date.parse(hour.at)), hour }))}
          actual={{
            placements: v.progress.placements,
            loads: v.loads,
            minuteOf: v.minuteOf,
            seamShutsMin: seam ? v.minuteOf(seam.shutsMs) : null,
            knitMin: v.progress.knitMin,
          }}
        />
      )}
    </div>
  );
}

const ADVICE: Record<LoadState['advice'], { mark: keyof typeof VERDICT_WORD; text: string }> = {
  await: { mark: 'unread', text: 'on the road' },
  slump: { mark: 'unread', text: 'take its slump' },
  accept: { mark: 'good', text: 'good to place' },
  tooStiff: { mark: 'out', text: 'too stiff' },
  tooWet: { mark: 'out', text: 'too wet' },
  tooOld: { mark: 'out', text: 'too old' },
  tooHot: { mark: 'out', text: 'too hot' },
  tooCold: { mark: 'out', text: 'too cold' },
  done: { mark: 'good', text: 'placed' },
  sentBack: { mark: 'waived', text: 'sent back' },
};

export function PourBench() {
  const v = usePour();
  const set = useSetFocus();
  const { progress, loads } = v;
  const here = loads.find(
    (l) => l.arrivedAt !== null && l.endedAt === null && l.decision !== 'reject',
  );
  const weather = latest(v.state, 'weather');
  const seam = progress.seams[0];
  const waiting = loads.filter((l) => l.arrivedAt === null);
  return (
    <div className="flex flex-col gap-3">
      <Headline />
      {here ? (
        <LoadCard load={here} />
      ) : waiting[0] && progress.finishedMs === null ? (
        <NextLoad id={waiting[0].id} />
      ) : null}
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        <button
          type="button"
          className={`btn min-h-[60px] ${here || progress.finishedMs !== null ? 'line' : ''}`}
          onClick={() => {
            set({ sheet: `load:${waiting[0]?.id ?? 'next'}` });
          }}
        >
          Load is here
        </button>
        <button
          type="button"
          className={`btn min-h-[60px] ${here?.advice === 'slump' ? '' : 'line'}`}
          onClick={() => {
            set({ sheet: 'slump:here' });
          }}
          disabled={!here}
        >
          Slump
        </button>
        {progress.current ? (
          <button
            type="button"
            className="btn min-h-[60px]"
            onClick={() => {
              set({ sheet: 'stop' });
            }}
          >
            Stop placing
          </button>
        ) : (
          <button
            type="button"
            className={`btn min-h-[60px] ${here?.advice === 'accept' ? '' : 'line'}`}
            onClick={() => {
              set({ sheet: 'start' });
            }}
            disabled={progress.toFillM3 < 1e-6}
          >
            Start placing
          </button>
        )}
        <button
          type="button"
          className="btn line min-h-[60px]"
          onClick={() => {
            set({ sheet: `end:${here?.id ?? ''}` });
          }}
          disabled={!here}
        >
          Truck is empty
        </button>
        <button
          type="button"
          className="btn line min-h-[60px]"
          onClick={() => {
            set({ sheet: 'weather' });
          }}
        >
          Weather
        </button>
        <button
          type="button"
          className="btn line min-h-[60px]"
          onClick={() => {
            set({ sheet: 'note' });
          }}
        >
          Note
        </button>
      </div>
      <Balance />
      <Tasks />
      <div className="rows border-t-2 border-ink">
        {seam && (
          <p className="flex items-center gap-3 py-2">
            <Mark verdict={seam.cold ? 'out' : seamUrgent(seam) ? 'tight' : 'good'} />
            <span className="flex-1">
              Seam at {seamName(v, seam)}{' '}
              <Opens name="the seam’s window" {...seamOrigin(v)}>
                opens +{Math.round(progress.stiffenMin)}, shuts +{Math.round(progress.knitMin)} min
              </Opens>
              .
            </span>
            <span className="font-mono">{momentText(v, seam.shutsMs)}</span>
          </p>
        )}
        {weather && (
          <p className="flex items-center gap-3 py-2">
            <Mark verdict={weather.body.sky === 'rain' ? 'tight' : 'good'} />
            <span className="flex-1">
              Air {textOf(temperatureFigure(weather.body.airTempC, v.units))}, {weather.body.sky}
              <Drying />
            </span>
            <span className="font-mono">{momentText(v, Date.parse(weather.at))}</span>
          </p>
        )}
        {loads
          .filter((l) => l.arrivedAt !== null)
          .map((l) => (
            <button
              key={l.id}
              type="button"
              className="flex min-h-12 w-full items-center gap-3 py-1 text-left"
              onClick={() => {
                set({ sheet: `decide:${l.id}` });
              }}
            >
              <Mark verdict={ADVICE[l.advice].mark} />
              <b>{l.id}</b>
              <span className="min-w-0 flex-1 truncate">
                <T>{`${textOf(volume(l.volumeM3 ?? 0, v.units, 1))}, ticket ${l.ticket ?? ''}${l.slump ? `, slump ${lengthText(l.slump.measuredMm, v.units)}` : ''}`}</T>
              </span>
              <span className="text-ink2">
                {l.ageMin === null ? '' : `${Math.round(l.ageMin)} min`}
              </span>
            </button>
          ))}
        <p className="flex items-center gap-3 py-2">
          <Mark verdict="held" />
          Concrete burns eyes and skin. Nobody in the line of a form or hose under pressure.
        </p>
      </div>
      <PourSheets />
    </div>
  );
}

/** How fast a fresh flat face dries in the weather as it was logged last. */
function Drying() {
  const v = usePour();
  const origin = dryingOrigin(v);
  if (!origin) return null;
  const { rateKgM2H, level } = evaluate(evaporation, origin.input).result;
  return (
    <>
      , drying{' '}
      <Opens name="the drying" id="evaporation" input={origin.input}>
        {quantityText(rateKgM2H, 'KgM2H', v.units)}
      </Opens>
      {level === 'act'
        ? ': cover or fog flat faces'
        : level === 'watch'
          ? ': watch flat faces'
          : ''}
    </>
  );
}

/** The one figure that decides the next ten minutes. */
function Headline() {
  const v = usePour();
  const { progress } = v;
  const seam = progress.seams[0];
  if (progress.finishedMs !== null)
    return (
      <div>
        <Opens name="what is placed" {...stateOrigin(v)}>
          <Big figure={volume(progress.placedM3, v.units)} size={64} className="text-good-t" />
        </Opens>
        <p className="text-[18px] font-semibold leading-6">
          All placed at {momentText(v, progress.finishedMs)}.
          {progress.usedPerNeat !== null &&
            ` ${textOf(volume(progress.dischargedM3, v.units))} came off the trucks, ${((progress.usedPerNeat - 1) * 100).toFixed(1)} in 100 over neat.`}
        </p>
      </div>
    );
  if (seam && (seam.cold || seam.minutesLeft < 120)) {
    const left = Math.max(0, seam.minutesLeft);
    const share = Math.min(1, left / progress.knitMin);
    return (
      <div>
        <div className="flex items-end gap-4">
          <Opens name="the seam’s clock" {...seamOrigin(v)}>
            <Big
              figure={{
                value: seam.cold ? 'cold' : String(Math.floor(left)),
                unit: seam.cold ? '' : 'min',
              }}
              size={68}
              className={seamUrgent(seam) ? 'text-chalk-t' : ''}
            />
          </Opens>
          <p className="pb-1 text-[18px] leading-6">
            <b className="font-semibold">Seam at {seamName(v, seam)}.</b>
            <br />
            {seam.cold
              ? 'Past its window: bulkhead, clean and ask.'
              : `Shuts ${momentText(v, seam.shutsMs)}, then it no longer knits.`}
          </p>
        </div>
        <svg
          className="mt-2 w-full"
          height="8"
          viewBox="0 0 100 8"
          preserveAspectRatio="none"
          aria-hidden="true"
        >
          <rect width={100 - share * 100} height="8" fill="var(--ink)" />
          <rect x={100 - share * 100} width={share * 100} height="8" fill="var(--chalk)" />
        </svg>
      </div>
    );
  }
  const first = v.plan.trucks.result.loads[0];
  const until = (first?.arriveMin ?? 0) - v.minuteOf(v.nowMs);
  const soon = until > -240 && until < 600;
  return (
    <div className="flex items-end gap-4">
      <Opens name="the first load" {...trucksOrigin(v)}>
        {soon ? (
          <Big figure={{ value: String(Math.max(0, Math.round(until))), unit: 'min' }} size={64} />
        ) : (
          <Big figure={{ value: clockText(first?.arriveMin ?? 0), unit: '' }} size={64} />
        )}
      </Opens>
      <p className="pb-1 text-[18px] leading-6">
        <b className="font-semibold">
          {soon
            ? `until load 1, ${clockText(first?.arriveMin ?? 0)}.`
            : `First load, ${v.record.pour.date ?? 'no date yet'}.`}
        </b>
        <br />
        {v.gate.ready
          ? 'The gate is open.'
          : `${counted(v.gate.rows.length, 'thing holds the pour', 'things hold the pour')}.`}
      </p>
    </div>
  );
}

function NextLoad({ id }: { id: string }) {
  const v = usePour();
  const i = v.plan.loadIds.indexOf(id);
  const load = v.plan.trucks.result.loads[i];
  return load ? (
    <p className="border-t border-hair pt-2">
      <b className="head text-[22px] leading-7">Load {id.replace('L', '')}</b>{' '}
      <span className="text-ink2">
        {textOf(volume(load.volumeM3, v.units, 1))}, batched about {clockText(load.batchMin)}, due{' '}
        {clockText(load.arriveMin)}
      </span>
    </p>
  ) : null;
}

function LoadCard({ load }: { load: LoadState }) {
  const v = usePour();
  const [boxRef, box] = useSize();
  const range = judgeSlump(
    v.mix,
    v.record.site.ruleProfile,
    load.slump?.measuredMm ?? v.mix.slumpMm,
    load.slump?.where ?? 'truck',
  ).result;
  const a = ADVICE[load.advice];
  return (
    <section aria-label={`Load ${load.id}`} className="border-t border-hair pt-2">
      <h2 className="head text-[22px] leading-7">
        Load {load.id.replace('L', '')} at the chute{' '}
        <span className="font-sans text-[16px] font-normal text-ink2">
          {textOf(volume(load.volumeM3 ?? 0, v.units, 1))}, ticket {load.ticket}
        </span>
      </h2>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-3">
        <div ref={boxRef}>
          <SlumpCone
            width={box.width}
            height={120}
            measuredMm={load.slump?.measuredMm ?? null}
            lowMm={range.lowMm}
            highMm={range.highMm}
            targetMm={v.mix.slumpMm}
            units={v.units}
            good={range.verdict === 'accept'}
          />
        </div>
        <div>
          <div className="flex gap-5">
            <p>
              <span className="text-ink2">slump</span>
              <br />
              <span
                className={`big text-[40px] leading-10 ${load.slump && load.slump.verdict !== 'accept' ? 'text-chalk-t' : ''}`}
                data-slump
              >
                {load.slump ? (
                  <Opens name="the slump’s range" id="slump-verdict" input={load.slump.input}>
                    <T>{lengthText(load.slump.measuredMm, v.units).replace(/ (in|mm)$/, '')}</T>
                  </Opens>
                ) : (
                  '–'
                )}
              </span>
            </p>
            <p>
              <span className="text-ink2">age, min</span>
              <br />
              <span className={`big text-[40px] leading-10 ${load.overAge ? 'text-chalk-t' : ''}`}>
                <Opens name="the load’s age" {...ageOrigin(load)}>
                  {Math.round(load.ageMin ?? 0)}
                </Opens>
              </span>
              <span className="big text-[18px]"> of {v.mix.maxAgeMin}</span>
            </p>
          </div>
          <p
            className="flex items-center gap-2 pt-1 text-[18px] font-semibold leading-6"
            data-load-verdict={load.advice}
          >
            <Mark verdict={a.mark} />
            <span>
              <T>{`${a.text}${load.concreteTempC !== null && (load.advice === 'tooHot' || load.advice === 'tooCold') ? `, ${textOf(temperatureFigure(load.concreteTempC, v.units))}` : ''}${load.slump && (load.advice === 'tooStiff' || load.advice === 'tooWet') ? `, ${lengthText(-load.slump.marginMm, v.units)} outside` : ''}`}</T>
            </span>
          </p>
        </div>
      </div>
    </section>
  );
}

function Balance() {
  const v = usePour();
  const p = v.progress;
  const total = Math.max(v.plan.route.volumeM3, 1e-9);
  const words =
    p.finishedMs !== null
      ? 'Nothing more to place.'
      : p.balanceM3 > 0.02
        ? `${textOf(volume(p.balanceM3, v.units, 1))} more to order.`
        : `Nothing more to order. About ${textOf(volume(-p.balanceM3, v.units, 1))} left over.`;
  return (
    <section aria-label="Balance" data-balance={p.balanceM3.toFixed(4)}>
      <p className="font-semibold leading-6">
        <Opens name="the balance" {...stateOrigin(v)}>
          {words}
        </Opens>
      </p>
      <svg
        className="my-1 w-full"
        height="20"
        viewBox="0 0 100 20"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <rect
          width="100"
          height="20"
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="0.4"
          vectorEffect="non-scaling-stroke"
        />
        <rect width={(100 * p.placedM3) / total} height="20" fill="var(--fresh)" />
      </svg>
      <p className="flex justify-between tnum text-ink2">
        <span>
          <b className="text-ink" data-placed>
            {volume(p.placedM3, v.units, 1).value}
          </b>{' '}
          placed
        </span>
        <span>
          <b className="text-ink">{volume(p.toFillM3, v.units, 1).value}</b> to fill
        </span>
        <span>
          <b className="text-ink">{volume(p.hereM3, v.units, 1).value}</b> here
        </span>
        <span>
          <b className="text-ink">{volume(p.onOrderM3, v.units, 1).value}</b> on order,{' '}
          {volume(0, v.units).unit}
        </span>
      </p>
      {p.usedPerNeat !== null && (
        <p className="text-ink2">
          So far {((p.usedPerNeat - 1) * 100).toFixed(1)} in 100 over neat; planned{' '}
          {(v.record.pour.settings.wasteRatio * 100).toFixed(0)}.{' '}
          {distanceText(v.plan.route.lengthM, v.units)} in all.
        </p>
      )}
    </section>
  );
}
