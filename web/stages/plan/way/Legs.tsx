import { ArrowDown, ArrowUp, RotateCcw } from 'lucide-react';

import { distanceText } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { T } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';

/** The legs in the order they are gone: moved up or down, turned round, or made the first. */
export function Legs() {
  const v = usePour();
  const { plan, settings, change } = usePlanned();
  const order = plan.route.legs.map((l) => l.elementId);
  const own = settings.sequence.length > 0 || settings.turned.length > 0;
  const put = (sequence: string[]) => {
    void change({ sequence, startAt: 0, reverse: false });
  };
  const move = (i: number, by: number) => {
    const next = [...order];
    const [leg] = next.splice(i, 1);
    if (leg !== undefined) next.splice(i + by, 0, leg);
    put(next);
  };
  return (
    <section aria-label="Legs">
      <div className="flex items-end justify-between border-b-2 border-ink">
        <h2 className="head pb-0.5">Legs, in their order</h2>
        {own && (
          <button
            type="button"
            className="min-h-12 font-semibold text-press"
            onClick={() => {
              void change({ sequence: [], turned: [] });
            }}
          >
            As the pour lists them
          </button>
        )}
      </div>
      <ol className="rows">
        {plan.route.legs.map((l, i) => (
          <li key={l.elementId} className="flex items-center gap-2 py-1" data-leg={l.elementId}>
            <b className="head w-6 tnum">{i + 1}</b>
            <span className="min-w-0 flex-1">
              <b className="font-semibold">{l.elementId}</b>{' '}
              {l.startNode && l.endNode ? `${l.startNode} to ${l.endNode}, ` : ''}
              <T>{distanceText(l.lengthM, v.units)}</T>
            </span>
            {l.kind === 'run' && (
              <button
                type="button"
                className="key w-12"
                aria-label={`Turn ${l.elementId} round`}
                aria-pressed={settings.turned.includes(l.elementId)}
                onClick={() => {
                  void change({
                    turned: settings.turned.includes(l.elementId)
                      ? settings.turned.filter((t) => t !== l.elementId)
                      : [...settings.turned, l.elementId],
                  });
                }}
              >
                <RotateCcw size={18} />
              </button>
            )}
            <button
              type="button"
              className="key w-12"
              aria-label={`${l.elementId} sooner`}
              disabled={i === 0}
              onClick={() => {
                move(i, -1);
              }}
            >
              <ArrowUp size={18} />
            </button>
            <button
              type="button"
              className="key w-12"
              aria-label={`${l.elementId} later`}
              disabled={i === order.length - 1}
              onClick={() => {
                move(i, 1);
              }}
            >
              <ArrowDown size={18} />
            </button>
          </li>
        ))}
      </ol>
    </section>
  );
}
