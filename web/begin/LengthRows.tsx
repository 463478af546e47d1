import { type KeyboardEvent, useRef } from 'react';
import { distanceText, textOf, volume } from '#core/units';
import { QuantityField } from '../ui/QuantityField.tsx';
import { T } from '../ui/Text.tsx';
import type { SketchWork } from './useSketch.ts';

/** What the sides come to that close themselves. */
const CLOSING: Partial<Record<SketchWork['draft']['shape'], string>> = {
  ring: 'S and W',
  beam: 'S and W',
  ell: 'S and W',
  strips: 'the south side',
};

/** The figures of a shape as they are read off the tape, each with what it adds. Enter goes on to the next. */
export function LengthRows({ work, finish }: { work: SketchWork; finish: () => void }) {
  const box = useRef<HTMLDivElement>(null);
  const { draft, wanted, figures, drawn } = work;
  const { units } = draft;
  const next = (e: KeyboardEvent) => {
    if (e.key !== 'Enter') return;
    e.preventDefault();
    const fields = [...(box.current?.querySelectorAll('input') ?? [])];
    const at = fields.indexOf(e.target as HTMLInputElement);
    const after = fields.slice(at + 1).find((f) => f.value === '') ?? fields[at + 1];
    if (after) after.focus();
    else finish();
  };
  const toldAfter = (id: string): string => {
    const i = figures.after.findIndex((a) => a.id === id);
    const now = figures.after[i];
    if (!now) return '';
    const added = textOf(volume(now.addedM3, units, 1));
    return i === 0 ? added : `+ ${added}`;
  };
  return (
    <div ref={box} onKeyDown={next} data-lengths="">
      {wanted.map((w) => {
        const value = draft.typed[w.id] ?? null;
        return (
          <div
            key={w.id}
            className="grid grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)_minmax(0,1fr)] items-center gap-3 py-1"
          >
            <span className="leading-[18px]" aria-hidden="true">
              {w.kind === 'length' && <b className="head mr-2 text-[24px] leading-6">{w.id}</b>}
              {w.label}
            </span>
            <QuantityField
              label={w.label}
              bare
              quantity={w.kind === 'count' ? null : 'M'}
              units={units}
              value={value}
              error={work.wrong.lengths[w.id]}
              onChange={(v) => {
                work.type(w.id, v);
              }}
            />
            <p className="leading-5">
              {value !== null && w.kind === 'length' && <T>{`${distanceText(value, units)}, `}</T>}
              <b className="font-semibold">
                <T>{toldAfter(w.id)}</T>
              </b>
            </p>
          </div>
        );
      })}
      {drawn.traced.whole && CLOSING[draft.shape] && (
        <p className="py-2 text-ink2">
          {CLOSING[draft.shape]} close themselves:{' '}
          <b className="font-semibold text-ink">{textOf(volume(figures.concreteM3, units, 1))}</b>
        </p>
      )}
    </div>
  );
}
