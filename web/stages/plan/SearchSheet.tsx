import { mostLifts } from '../../../core/pourplan/lifts.ts';
import { proxy, wrap } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type {
  Candidate,
  NoGo,
  SearchInput,
  SearchProgress,
  SearchResult,
} from '../../../core/pourplan/search-types.ts';
import { clockText, moneyText, textOf, volume } from '../../../core/units/index.ts';
import { usePour, type PourView } from '../../app/pour-context.tsx';
import { Sheet } from '../../ui/Dialog.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import type { SearchWorker } from '../../workers/search.worker.ts';

/** Prices to begin with, in the site's money; the foreman sets his own. */
const PRICES = { crewPerMin: 5, oldLoad: 400, afterDusk: 300 };
const PRICE_WORDS = {
  crewPerMin: 'crew, a minute',
  oldLoad: 'a load too old',
  afterDusk: 'ending after dusk',
} as const;
type Price = keyof typeof PRICES;
/** Mornings each plan is poured on, and the most plans looked at. */
const MORNINGS = 200;
const MOST_PLANS = 1000;
const CHOICES = [
  ['startAt', 'where it starts'],
  ['reverse', 'which way round'],
  ['lifts', 'lifts'],
  ['truckM3', 'truck size'],
  ['spacingMin', 'time between loads'],
  ['firstLoadMin', 'first load'],
  ['placingRateM3PerH', 'how fast'],
  ['liftWaitMin', 'waits between lifts'],
] as const;
type Choice = (typeof CHOICES)[number][0];

/** Hours in which rain stops placing, joined, by the forecast of the day. */
function rainOf(v: PourView): NoGo[] {
  const stop = v.rules.value('rainStop');
  const out: NoGo[] = [];
  for (const h of v.weather) {
    if (h.rainMmH <= stop) continue;
    const fromMin = v.minuteOf(Date.parse(h.at));
    const last = out.at(-1);
    if (last && last.toMin >= fromMin - 1) last.toMin = fromMin + 60;
    else out.push({ fromMin, toMin: fromMin + 60, reason: `rain from ${clockText(fromMin)}` });
  }
  return out;
}

/** The values each free choice may take; what is not free keeps the pour's own. */
function choicesOf(v: PourView, free: Set<Choice>): SearchInput['choices'] {
  const s = v.record.pour.settings;
  const due = v.plan.trucks.result.spacingMin;
  // The first truck must still be able to be batched.
  const soonest = v.minuteOf(v.nowMs) + v.plant.travel.medianMin + v.plant.plantDelay.medianMin;
  const all: SearchInput['choices'] = {
    startAt: v.record.pour.elements.map((_, i) => i),
    reverse: [false, true],
    lifts: [...new Set([1, 2, 3, 4, 5, s.lifts ?? mostLifts(v.plan.route)])].sort((a, b) => a - b),
    truckM3: v.plant.trucksM3,
    spacingMin: [null, Math.round(due * 0.8), Math.round(due * 1.25)],
    // No faster than pump and crew are said to give: what is set is the most.
    placingRateM3PerH: [0.4, 0.55, 0.7, 0.85, 1].map((share) => s.placingRateM3PerH * share),
    liftWaitMin: [...new Set([0, 20, 40, s.liftWaitMin])].sort((a, b) => a - b),
    firstLoadMin: [-60, -30, 0, 30, 60]
      .map((d) => s.firstLoadMin + d)
      .filter((m) => m >= 0 && m < 1440 && (m >= soonest || m === s.firstLoadMin)),
  };
  return Object.fromEntries(
    CHOICES.map(([k]) => [k, free.has(k) ? all[k] : []]),
  ) as unknown as SearchInput['choices'];
}

const inputOf = (
  v: PourView,
  choices: SearchInput['choices'],
  prices: SearchInput['prices'],
): SearchInput => ({
  site: v.record.site,
  pour: v.record.pour,
  mix: v.mix,
  plant: v.plant,
  duskMin: v.record.duskMin,
  choices,
  prices,
  noGo: rainOf(v),
  coldSeamShare: v.rules.value('coldSeamShare'),
  trials: MORNINGS,
  seed: 7,
  maxPlans: MOST_PLANS,
  runnersUp: 6,
});

/** One plan in words: start, way, lifts, loads, hour. */
function planWords(v: PourView, c: Candidate): string {
  const start = v.record.pour.elements[c.chosen.startAt] ?? '';
  return [
    `${clockText(c.chosen.firstLoadMin)} at ${start}${c.chosen.reverse ? ', the other way' : ''}`,
    c.chosen.lifts === null
      ? 'lifts as the forms allow'
      : `${c.chosen.lifts} lift${c.chosen.lifts > 1 ? 's' : ''}`,
    `${volume(c.chosen.placingRateM3PerH, v.units, 0).value} ${volume(0, v.units).unit} an hour${c.chosen.liftWaitMin > 0 ? `, ${c.chosen.liftWaitMin} min between lifts` : ''}`,
    `${textOf(volume(c.chosen.truckM3, v.units, 1))} trucks${c.chosen.spacingMin === null ? '' : ` every ${Math.round(c.chosen.spacingMin)} min`}`,
  ].join(', ');
}

/** Looks through the ways round this pour, shows the best as it is found, and can be stopped. */
export function SearchSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const [free, setFree] = useState<Set<Choice>>(
    () => new Set<Choice>(['startAt', 'reverse', 'lifts', 'placingRateM3PerH', 'firstLoadMin']),
  );
  const { currency } = v.record.site;
  const [prices, setPrices] = useState<Record<Price, number | null>>(PRICES);
  const { crewPerMin, oldLoad, afterDusk } = prices;
  const priced =
    crewPerMin !== null &&
    oldLoad !== null &&
    afterDusk !== null &&
    Math.min(crewPerMin, oldLoad, afterDusk) >= 0
      ? { crewPerMin, oldLoad, afterDusk }
      : null;
  const [progress, setProgress] = useState<SearchProgress | null>(null);
  const [result, setResult] = useState<SearchResult | null>(null);
  const worker = useRef<Worker | null>(null);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => stop, []);
  const choices = useMemo(() => choicesOf(v, free), [v, free]);
  const possible = CHOICES.reduce((n, [k]) => n * Math.max(1, choices[k].length), 1);
  const looked = Math.min(possible, MOST_PLANS);
  const running = progress !== null && result === null;
  const run = () => {
    if (!priced) return;
    stop();
    setResult(null);
    setProgress({ done: 0, of: looked, best: null });
    const w = new Worker(new URL('../../workers/search.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.current = w;
    void wrap<SearchWorker>(w)
      .run(
        inputOf(v, choices, priced),
        proxy((p: SearchProgress) => {
          // A report that was on its way when the search was stopped must not set it going again.
          if (worker.current === w) setProgress(p);
        }),
      )
      .then((r) => {
        setResult(r);
        stop();
      });
  };
  const take = (c: Candidate) => {
    void v.saveSettings(c.chosen).then(onClose);
  };
  const bestYet = progress?.best?.rejected === null ? progress.best : null;
  const best = result ? result.best : bestYet;
  return (
    <Sheet
      open
      onClose={() => {
        stop();
        onClose();
      }}
      title="Best way round"
    >
      <p className="mb-2">
        Each plan is poured on {MORNINGS} mornings with late trucks. The cheapest that keeps its
        seams and the forms’ rating, and is done before the rain, wins.
      </p>
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
              setResult(null);
              setProgress(null);
            }}
          >
            {word}
          </button>
        ))}
      </div>
      <div className="mb-3 grid grid-cols-3 items-end gap-3 max-sm:grid-cols-1">
        {(Object.keys(PRICE_WORDS) as Price[]).map((k) => (
          <QuantityField
            key={k}
            label={`${PRICE_WORDS[k]}${currency ? `, ${currency}` : ''}`}
            quantity={null}
            units={v.units}
            value={prices[k]}
            onChange={(n) => {
              setPrices({ ...prices, [k]: n });
            }}
            error={(prices[k] ?? 0) < 0 ? 'Not below 0.' : undefined}
          />
        ))}
      </div>
      <div className="mb-3 grid">
        {running ? (
          <button
            type="button"
            className="btn warn"
            onClick={() => {
              stop();
              setProgress(null);
            }}
          >
            Stop
          </button>
        ) : (
          <button type="button" className="btn" disabled={!priced} onClick={run}>
            Look through {looked}
            {possible > MOST_PLANS ? ` of ${possible}` : ''}
          </button>
        )}
      </div>
      {progress && !result && (
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
      )}
      {best && (
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
              Plan it so
            </button>
          )}
        </section>
      )}
      {result && !best && (
        <p className="mb-3 flex gap-2 font-semibold text-chalk-t">
          <Mark verdict="out" />
          No plan keeps to the limits. {result.advice}
        </p>
      )}
      {result && result.runnersUp.length > 0 && (
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
      )}
    </Sheet>
  );
}
