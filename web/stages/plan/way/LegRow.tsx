import { useSortable } from '@dnd-kit/sortable';
import { ArrowDown, ArrowUp, GripVertical, RotateCcw } from 'lucide-react';
import type { Leg } from '#core/pourplan';
import { distanceText } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { T } from '../../../ui/Text.tsx';

/** One leg of the way: held at its grip and dragged, or moved by its keys. */
export function LegRow({
  leg: l,
  index,
  last,
  turned,
  move,
  turn,
}: {
  leg: Leg;
  index: number;
  last: boolean;
  turned: boolean;
  move: (by: number) => void;
  turn: () => void;
}) {
  const v = usePour();
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({
    id: l.elementId,
  });
  return (
    <li
      ref={setNodeRef}
      className={`flex items-center gap-2 py-1 ${isDragging ? 'relative z-10 bg-void' : ''}`}
      data-leg={l.elementId}
      style={{
        transform: transform ? `translateY(${transform.y}px)` : undefined,
        transition,
      }}
    >
      <span
        className="flex h-12 w-8 shrink-0 cursor-grab touch-none items-center justify-center text-ink2"
        data-grip={l.elementId}
        aria-hidden="true"
        {...listeners}
      >
        <GripVertical size={20} />
      </span>
      <b className="head w-6 tnum">{index + 1}</b>
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{l.elementId}</b>{' '}
        {l.startNode && l.endNode ? `${l.startNode} to ${l.endNode}, ` : ''}
        <T>
          {l.kind === 'run'
            ? distanceText(l.lengthM, v.units)
            : `${distanceText(l.heightM, v.units)} high`}
        </T>
      </span>
      {l.kind === 'run' && (
        <button
          type="button"
          className="key w-12"
          aria-label={`Turn ${l.elementId} round`}
          aria-pressed={turned}
          onClick={turn}
        >
          <RotateCcw size={18} />
        </button>
      )}
      <button
        type="button"
        className="key w-12"
        aria-label={`${l.elementId} sooner`}
        disabled={index === 0}
        onClick={() => {
          move(-1);
        }}
      >
        <ArrowUp size={18} />
      </button>
      <button
        type="button"
        className="key w-12"
        aria-label={`${l.elementId} later`}
        disabled={last}
        onClick={() => {
          move(1);
        }}
      >
        <ArrowDown size={18} />
      </button>
    </li>
  );
}
