import { walkedM } from '#core/pourplan';
import { distanceText, volume } from '#core/units';
import { callByOf, momentText } from '#core/view';
import { balanceText, supplyWords } from '#core/words';
import { T } from '../../ui/Text.tsx';
import { stateOrigin } from '../../app/origins.ts';
import { lazily } from '../../ui/lazily.tsx';
import { usePour } from '../../app/pour-context.tsx';
import type { PourView } from '../../app/pour-view.ts';
import { FigureWithWorking } from '../../ui/Working.tsx';

const CallMore = lazily(() => import('./loads/CallMore.tsx'));

/** By when it is called, in words; null where nothing is missing. */
function byWords(v: PourView, byMs: number | null): string | null {
  if (byMs === null) return null;
  return byMs <= v.nowMs ? 'now' : `by ${momentText(v, byMs)}`;
}

/** What is placed, to fill, here and on order, and what that comes to. */
export default function Balance() {
  const v = usePour();
  const p = v.progress;
  const walked = walkedM(v.plan.route);
  const call = callByOf(v);
  const by = byWords(v, call.byMs);
  const total = Math.max(v.plan.route.volumeM3, 1e-9);
  return (
    <section aria-label="Balance" data-balance={p.balanceM3.toFixed(4)}>
      <p className="font-semibold leading-6">
        <FigureWithWorking name="the balance" {...stateOrigin(v)}>
          <T>{balanceText(p, v.units, { spreadM3: call.spreadM3, by }, v.plant.mixer)}</T>
        </FigureWithWorking>
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
          <b className="text-ink">{volume(p.onOrderM3, v.units, 1).value}</b>{' '}
          {supplyWords(v.plant).coming}, {volume(0, v.units).unit}
        </span>
      </p>
      <CallMore />
      {p.usedPerNeat !== null && (
        <p className="text-ink2">
          So far {((p.usedPerNeat - 1) * 100).toFixed(1)} in 100 over neat; planned{' '}
          {(v.record.pour.settings.wasteRatio * 100).toFixed(0)}.{' '}
          {walked > 0 && `${distanceText(walked, v.units)} in all.`}
        </p>
      )}
    </section>
  );
}
