import { type Shape, SHAPES } from '#core/begin';
import { SHAPE_WORDS } from './shape-words.ts';

/** Each shape as it lies, 40 × 24. */
const DRAWN: Record<Shape, string> = {
  ring: 'M2 2H38V22H2ZM7 7H33V17H7Z',
  ell: 'M2 2H38V13H26V22H2ZM7 7H33V8H21V17H7Z',
  strips: 'M2 2H38V22H2ZM6 6H18V18H6ZM22 6H34V18H22Z',
  pads: 'M4 2H12V9H4ZM28 2H36V9H28ZM4 15H12V22H4ZM28 15H36V22H28Z',
  piece: 'M2 9H38V15H2Z',
  beam: 'M2 2H38V22H2ZM4 4H36V20H4Z',
};

/** The shapes a first plan can take, a press each. */
export function ShapeChoice({ value, onPick }: { value: Shape; onPick: (s: Shape) => void }) {
  return (
    <div className="grid grid-cols-3 gap-2 sm:grid-cols-6" role="group" aria-label="Shape">
      {SHAPES.map((s) => (
        <button
          key={s}
          type="button"
          aria-pressed={s === value}
          className={`flex min-h-[68px] flex-col items-center justify-center gap-1.5 rounded-[2px] px-1 font-semibold ${s === value ? 'bg-ink text-ground' : 'bg-press-2 text-press'}`}
          onClick={() => {
            onPick(s);
          }}
        >
          <svg width="40" height="24" aria-hidden="true">
            <path d={DRAWN[s]} fill="currentColor" fillRule="evenodd" />
          </svg>
          <span className="text-[14px] leading-4">{SHAPE_WORDS[s]}</span>
        </button>
      ))}
    </div>
  );
}
