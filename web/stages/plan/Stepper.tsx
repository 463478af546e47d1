import { Minus, Plus } from 'lucide-react';

/** A value one step less or more by a press. */
export function Stepper({
  label,
  value,
  less,
  more,
}: {
  label: string;
  value: string;
  less: () => void;
  more: () => void;
}) {
  return (
    <div className="flex items-stretch" role="group" aria-label={label}>
      <button
        type="button"
        className="key w-12 shrink-0"
        aria-label={`Less: ${label}`}
        onClick={less}
      >
        <Minus size={20} />
      </button>
      <p className="flex-1 text-center leading-5">
        <b className="tnum block text-[20px] leading-7">{value}</b>
        <span className="text-[14px] leading-[18px] text-ink2">{label}</span>
      </p>
      <button
        type="button"
        className="key w-12 shrink-0"
        aria-label={`More: ${label}`}
        onClick={more}
      >
        <Plus size={20} />
      </button>
    </div>
  );
}
