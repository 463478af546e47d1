import { useEffect, useMemo, useState } from 'react';
import { pricesOf } from '#core/model';
import type { Candidate, Choices, SearchProgress, SearchResult } from '#core/pourplan';
import { clockText, moneyText, textOf, volume } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { type PourView } from '../../../app/pour-view.ts';
import { Mark } from '../../../ui/Mark.tsx';
import { lazily } from '../../../ui/lazily.tsx';
import { MORNINGS, weighedText } from '#core/words';
import { usePlanned } from '../planned.tsx';
import { useSearch } from './useSearch.ts';
import {
  type Choice,
  choicesOf,
  CHOICES,
  MOST_PLANS,
  inputOf,
  SEARCH_MORNINGS,
} from './search-input.ts';

const AskPrices = lazily(() => import('../../../resources/AskPrices.tsx'));

/** One plan in words: start, way, lifts, loads, hour. */
function planWords(v: PourView, c: Candidate): string {
  const start = c.chosen.sequence?.[0] ?? v.record.pour.elements[c.chosen.startAt] ?? '';
  const by = v.record.site.conveyances.find((x) => x.id === c.chosen.conveyance);
  return [
    `${clockText(c.chosen.firstLoadMin)} at ${start}${c.chosen.reverse ? ', the other way' : ''}${c.chosen.sequence ? ', two fronts' : ''}`,
    c.chosen.lifts === null
      ? 'lifts as the forms allow'
      : `${c.chosen.lifts} lift${c.chosen.lifts > 1 ? 's' : ''}`,
    `${volume(c.chosen.placingRateM3PerH, v.units, 0).value} ${volume(0, v.units).unit} an hour${c.chosen.liftWaitMin > 0 ? `, ${c.chosen.liftWaitMin} min between lifts` : ''}`,
    `${textOf(volume(c.chosen.truckM3, v.units, 1))} trucks${c.chosen.spacingMin === null ? '' : ` every ${Math.round(c.chosen.spacingMin)} min`}`,
    ...(by && by.id !== v.record.pour.settings.conveyance ? [`by ${by.label}`] : []),
  ].join(', ');
}

/** Looks through the ways round this pour, lays the best over the chart as it is found, and can be stopped. */
export function SearchPanel() {
  const v = usePour();
  const p = usePlanned();
  const [free, setFree] = useState<Set<Choice>>(
    () => new Set<Choice>(['startAt', 'reverse', 'lifts', 'placingRateM3PerH', 'firstLoadMin']),
  );
  const { site } = v.record;
  const prices = useMemo(() => {
    const { crewPerMin, oldLoad, afterDusk } = pricesOf(site);
    return { crewPerMin, oldLoad, afterDusk };
  }, [site]);
  const choices = useMemo(() => choicesOf(v, free), [v, free]);
  const possible = CHOICES.reduce((n, [k]) => n * Math.max(1, choices[k]?.length ?? 0), 1);
  const looked = Math.min(possible, MOST_PLANS);
  const { progress, result, running, start, stop, forget } = useSearch();
  const run = () => {
    start(inputOf(v, choices, prices, p.noGo), looked);
  };
  const take = (c: Candidate) => {
    forget();
    void p.change(c.chosen);
  };
  const bestYet = progress?.best?.rejected === null ? progress.best : null;
  const best = result ? result.best : bestYet;
  // What is tried is seen on the chart.
  const { tryOut } = p;
  const shown = best?.chosen ?? null;
  useEffect(() => {
    tryOut(shown);
  }, [shown, tryOut]);
  return (
    <section aria-label="Best way round">
      <h2 className="head border-b-2 border-ink pb-0.5">Best way round</h2>
      <p className="mb-2">
        Each plan is poured on {SEARCH_MORNINGS} mornings with late trucks. The cheapest that keeps
        its seams and the forms’ rating, and is done before the rain, wins.
      </p>
      <MayChange free={free} running={running} setFree={setFree} forget={forget} />
      <AskPrices />
      <p className="my-2 text-ink2">Weighed: {weighedText(prices, site.currency)}.</p>
      <div className="mb-3 grid">
        {running ? (
          <button
            type="button"
            className="btn warn"
            onClick={() => {
              stop();
              forget();
            }}
          >
            Stop
          </button>
        ) : (
          <button type="button" className="btn" onClick={run}>
            Look through {looked}
            {possible > MOST_PLANS ? ` of ${possible}` : ''}
          </button>
        )}
      </div>
      <ProgressBar progress={progress} result={result} />
      <BestPlan best={best} result={result} take={take} />
      {result && !best && (
        <p className="mb-3 flex gap-2 font-semibold text-chalk-t">
          <Mark verdict="out" />
          No plan keeps to the limits. {result.advice}
        </p>
      )}
      <RunnersUp result={result} />
    </section>
  );
}

function ProgressBar({
  progress,
  result,
}: {
  progress: SearchProgress | null;
  result: SearchResult | null;
}) {
  return (
    progress &&
    !result && (
      <div className="mb-3">
        <div
          className="h-2 bg-void"
          role="progressbar"
          aria-valuemin={0}
          aria-valuemax={progress.of}
          aria-valuenow={progress.done}
          aria-label="Plans looked at"
        >
          <div
            className="h-2 bg-ink"
            style={{ width: `${(100 * progress.done) / Math.max(1, progress.of)}%` }}
          />
        </div>
        <p className="pt-1 text-ink2">
          {progress.done} of {progress.of} looked at.
        </p>
      </div>
    )
  );
}

function RunnersUp({ result }: { result: SearchResult | null }) {
  const v = usePour();
  return (
    result &&
    result.runnersUp.length > 0 && (
      <section aria-label="Runners-up">
        <h3 className="head border-b-2 border-ink pb-0.5">Not taken</h3>
        <ol className="rows">
          {result.runnersUp.map((c, i) => (
            <li key={i} className="flex gap-3 py-1.5">
              <Mark verdict={c.rejected?.startsWith('costs') ? 'tight' : 'out'} />
              <span className="min-w-0 flex-1">
                {planWords(v, c)}
                <span className="block text-ink2">{c.rejected}</span>
              </span>
              <span className="tnum font-semibold">
                {moneyText(c.cost, v.record.site.currency)}
              </span>
            </li>
          ))}
        </ol>
        <p className="pt-1 text-ink2">
          {result.examined} plans looked at
          {result.enumerated ? ', all there are' : ` of ${result.possible}`}.
        </p>
      </section>
    )
  );
}

function BestPlan({
  best,
  result,
  take,
}: {
  best: Candidate | null;
  result: SearchResult | null;
  take: (c: Candidate) => void;
}) {
  const v = usePour();
  return (
    best && (
      <section aria-label="Best plan" className="mb-3 border-t-2 border-ink pt-2">
        <p className="flex items-baseline gap-3">
          <span className="big text-[40px] leading-[44px] text-good-t">
            {moneyText(best.cost, v.record.site.currency)}
          </span>
          <span className="font-semibold">{planWords(v, best)}</span>
        </p>
        <p className="text-ink2">
          Done by {clockText(best.finishP50Min)}, nine mornings in ten by{' '}
          {clockText(best.finishP90Min)}; the crew waits {best.crewWaitMin.toFixed(0)} min; a seam
          goes cold on {Math.round(best.coldSeam * MORNINGS)} of {MORNINGS} mornings.
        </p>
        {result && (
          <button
            type="button"
            className="btn mt-2 w-full"
            onClick={() => {
              take(best);
            }}
          >
            Lay it over
          </button>
        )}
      </section>
    )
  );
}

function MayChange({
  free,
  running,
  setFree,
  forget,
}: {
  free: ReadonlySet<keyof Choices>;
  running: boolean;
  setFree: (free: Set<keyof Choices>) => void;
  forget: () => void;
}) {
  return (
    <div className="mb-3 flex flex-wrap gap-2" role="group" aria-label="What may change">
      {CHOICES.map(([k, word]) => (
        <button
          key={k}
          type="button"
          className="chip"
          aria-pressed={free.has(k)}
          disabled={running}
          onClick={() => {
            const next = new Set(free);
            if (next.has(k)) next.delete(k);
            else next.add(k);
            setFree(next);
            forget();
          }}
        >
          {word}
        </button>
      ))}
    </div>
  );
}
