import type { Odds, PourPlan } from '#core/pourplan';
import { clockText, moneyText } from '#core/units';
import { MORNINGS, ofHundred, seamText } from '#core/words';
import { oddsOrigin } from '../../../app/origins.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { useSize } from '../../../drawing/useSize.ts';
import { Mark, MarkShape } from '../../../ui/Mark.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';
import { usePlanned } from '../planned.tsx';
import { useOdds } from '../useOdds.ts';

const ODDS = [
  ['coldSeam', 'a seam goes cold'],
  ['overAge', 'a load too old'],
  ['short', 'short at the end'],
  ['inRain', 'caught by rain'],
  ['afterDusk', 'after dusk'],
] as const;

/** Twenty mornings in a row, those on which it goes wrong struck. */
function Row({ label, n }: { label: string; n: number | null }) {
  const v = usePour();
  return (
    <p className="flex items-center gap-2">
      <span className="w-36 shrink-0">
        {v.plant.mixer ? label.replace('load', 'batch') : label}
      </span>
      <svg
        height="14"
        viewBox={`0 0 ${MORNINGS * 16} 14`}
        className="min-w-0 flex-1"
        preserveAspectRatio="xMinYMid meet"
        aria-hidden="true"
      >
        {Array.from({ length: MORNINGS }, (_, i) =>
          n !== null && i < n ? (
            <MarkShape key={i} verdict="out" x={i * 16} size={14} />
          ) : (
            <circle key={i} cx={i * 16 + 7} cy="7" r="2" fill="var(--line)" />
          ),
        )}
      </svg>
      <b className="w-20 text-right tnum">
        {n === null ? (
          'drawing'
        ) : (
          <FigureWithWorking name={label} {...oddsOrigin(v)}>
            {n} in {MORNINGS}
          </FigureWithWorking>
        )}
      </b>
    </p>
  );
}

/** On how many mornings it happens; null while they are drawn. What is ordered falls short by what the forms take. */
function share(key: (typeof ODDS)[number][0], odds: Odds | null, plan: PourPlan): number | null {
  if (key === 'short') return Math.round(plan.shortShare * MORNINGS);
  return odds && Math.round(odds[key] * MORNINGS);
}

/**
 * How it goes on mornings that are like this one and none the same: what goes wrong, in how many,
 * when it is done, what it costs.
 */
export function Mornings() {
  const v = usePour();
  const odds = useOdds();
  const [box, size] = useSize();
  const { plan } = usePlanned();
  return (
    // Its height stands while mornings are drawn anew: nothing below may move from under a finger.
    <section
      ref={box}
      aria-label="Mornings like this one"
      className="flex min-h-[212px] flex-col gap-1"
      style={odds ? undefined : { minHeight: size.height || undefined }}
    >
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <h2 className="head">Of {MORNINGS} mornings like this one</h2>
        {odds && (
          <span className="text-ink2">
            done{' '}
            <FigureWithWorking name="the finish" {...oddsOrigin(v)}>
              {clockText(odds.finishMin.p50)}, or {clockText(odds.finishMin.p10)} to{' '}
              {clockText(odds.finishMin.p90)}
            </FigureWithWorking>
          </span>
        )}
      </div>
      {ODDS.map(([key, label]) => (
        <Row key={key} label={label} n={share(key, odds, plan)} />
      ))}
      {odds && odds.seams.length > 0 && (
        <p className="text-ink2" data-seam-odds>
          Seam by seam:{' '}
          {odds.seams
            .slice(0, 4)
            .map((s) => `${seamText(s, plan.route)} on ${ofHundred(s.share)}`)
            .join(', ')}
          .
        </p>
      )}
      {odds && (
        <p className="text-ink2" data-cost-spread>
          Standing, waste and mending cost{' '}
          <b className="tnum text-ink">
            {moneyText(odds.cost.p10, v.record.site.currency)} to{' '}
            {moneyText(odds.cost.p90, v.record.site.currency)}
          </b>{' '}
          on eight mornings in ten.
        </p>
      )}
      {(odds?.overRating ?? 0) > 0 && (
        <p className="flex gap-2 font-semibold text-chalk-t">
          <Mark verdict="out" />
          The forms go over their rating: slower, or a wait between lifts.
        </p>
      )}
    </section>
  );
}
