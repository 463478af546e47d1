import { useState } from 'react';
import { filledShare, type FilledTo } from '#core/pourplan';
import type { Quantity } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';

/** How a crew tells how far it came, and what is typed for it. */
const WAYS: Record<FilledTo['by'], { key: string; label: string; quantity: Quantity | null }> = {
  length: { key: 'Length', label: 'Filled from where it was begun', quantity: 'M' },
  height: { key: 'Height', label: 'Filled up to, above its foot', quantity: 'M' },
  courses: { key: 'Courses', label: 'Courses full', quantity: null },
};
const toldOf = (by: FilledTo['by'], n: number): FilledTo =>
  by === 'courses' ? { by, count: n } : { by, m: n };

/** Where a lift that is not full stands, told by length, by height or by courses. */
export function FilledToForm({
  elementId,
  lift,
  fromRatio,
  stop,
}: {
  elementId: string;
  lift: number;
  fromRatio: number;
  stop: (filledRatio: number) => Promise<unknown>;
}) {
  const v = usePour();
  const { site, pour } = v.record;
  const courseM = site.formSystems.find((f) => f.mark === pour.forms)?.courseM;
  const [by, setBy] = useState<FilledTo['by']>('length');
  const [value, setValue] = useState<number | null>(null);
  const [said, setSaid] = useState('');
  const log = () => {
    const share =
      value === null
        ? null
        : filledShare(v.plan.route, elementId, lift, toldOf(by, value), courseM);
    if (share === null) setSaid('Lies outside this lift.');
    else if (share <= fromRatio) setSaid('Is no more than there was at the start.');
    else void stop(share).catch(() => undefined);
  };
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        log();
      }}
    >
      <div className="grid grid-cols-3 gap-2" role="group" aria-label="Told by">
        {(['length', 'height', ...(courseM ? (['courses'] as const) : [])] as const).map((w) => (
          <button
            key={w}
            type="button"
            className="key"
            aria-pressed={by === w}
            onClick={() => {
              setBy(w);
              setValue(null);
              setSaid('');
            }}
          >
            {WAYS[w].key}
          </button>
        ))}
      </div>
      <div className="grid grid-cols-[1fr_auto] items-end gap-2">
        <QuantityField
          key={by}
          label={WAYS[by].label}
          quantity={WAYS[by].quantity}
          units={v.units}
          value={value}
          onChange={(n) => {
            setValue(n);
            setSaid('');
          }}
          {...(said ? { error: said } : {})}
        />
        <button type="submit" className="btn">
          Log
        </button>
      </div>
    </form>
  );
}
