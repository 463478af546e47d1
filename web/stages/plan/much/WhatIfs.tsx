import { remedyText, whatGoesWrong, whatIfTitle } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { useSize } from '../../../drawing/useSize.ts';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';
import { useWhatIfs } from '../useOdds.ts';

/**
 * What may go otherwise, each on the mornings of the plan: what goes wrong, and the cheapest thing
 * to do about it today.
 */
export default function WhatIfs() {
  const v = usePour();
  const { plan, change } = usePlanned();
  const mixed = v.plant.mixer !== undefined;
  const found = useWhatIfs();
  const [box, size] = useSize();
  return (
    // Its height stands while they are tried anew: what is pressed below must not move from under a finger.
    <section
      ref={box}
      aria-label="What if"
      className="flex min-h-[292px] flex-col"
      style={found ? undefined : { minHeight: size.height || undefined }}
    >
      <h2 className="head border-b-2 border-ink pb-0.5">What if</h2>
      {!found && <p className="py-2 text-ink2">Trying them on the same mornings.</p>}
      <ul className="rows">
        {found?.whatIfs.map((w) => {
          const { bad, text } = whatGoesWrong(w.odds, found.plan, plan.route);
          const settings = w.remedy?.change ?? {};
          return (
            <li key={w.id} className="flex gap-3 py-2" data-what-if={w.id}>
              <Mark verdict={bad ? 'out' : 'good'} />
              <span className="min-w-0 flex-1">
                <b className="font-semibold">{whatIfTitle(w.id, v.units, mixed)}.</b> <T>{text}</T>.
                {bad && (
                  <span className="block text-ink2">
                    {remedyText(w, v.record.site.currency, mixed)}
                  </span>
                )}
              </span>
              {bad && w.remedy && Object.keys(settings).length > 0 && (
                <button
                  type="button"
                  className="chip shrink-0 self-center"
                  onClick={() => {
                    void change(settings);
                  }}
                >
                  Plan it so
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
