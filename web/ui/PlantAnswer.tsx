import type { PlantSaid } from '../sync/tell-plant.ts';
import { Mark } from './Mark.tsx';

/** What the plant said to an order; where nobody heard it, the way to order again. */
export function PlantAnswer({
  said,
  className = '',
}: {
  said: PlantSaid | null;
  className?: string;
}) {
  if (!said) return null;
  const { again } = said;
  return (
    <div
      className={`flex items-center gap-2 ${className}`}
      role="status"
      data-plant-said={said.taken}
    >
      <Mark verdict={said.taken ? 'good' : 'out'} />
      <span className="flex-1">{said.text}</span>
      {again && (
        <button type="button" className="chip" onClick={() => void again()}>
          Order again
        </button>
      )}
    </div>
  );
}
