import { Trash2 } from 'lucide-react';
import type { Quantity } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import type { Flag } from './object-flags.ts';

/** A measure of an object, changed in place. */
export interface Field {
  label: string;
  quantity: Quantity;
  value: number | null;
  set: (n: number) => boolean;
}

/** One object: its name, and what of it is measured or pressed when it is open. */
export function ObjectRow({
  name,
  fields,
  flags,
  open,
  onOpen,
  remove,
}: {
  name: string;
  fields: Field[];
  flags: Flag[];
  open: boolean;
  onOpen: () => void;
  remove: () => void;
}) {
  const { units } = usePour();
  return (
    <div className="py-1">
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="min-h-12 flex-1 text-left font-semibold"
          aria-expanded={open}
          onClick={onOpen}
        >
          {name}
        </button>
        <button
          type="button"
          className="flex h-12 w-12 items-center justify-center text-chalk-t"
          aria-label={`Remove ${name}`}
          onClick={remove}
        >
          <Trash2 size={18} />
        </button>
      </div>
      {open && (
        <div className="grid grid-cols-2 gap-2 pb-2 sm:grid-cols-4">
          {fields.map((f) => (
            <TypedField
              key={f.label}
              label={f.label}
              quantity={f.quantity}
              units={units}
              value={f.value}
              onCommit={f.set}
            />
          ))}
          {flags.length > 0 && (
            <div className="col-span-full flex flex-wrap gap-2">
              {flags.map((f) => (
                <button
                  key={f.label}
                  type="button"
                  className="chip"
                  aria-pressed={f.on}
                  onClick={f.press}
                >
                  {f.label}
                </button>
              ))}
            </div>
          )}
        </div>
      )}
    </div>
  );
}
