import { useController, useFormContext } from 'react-hook-form';
import type { z } from 'zod';
import { type Trade, TRADES, WHOLE_POUR } from '#core/check';
import { item } from '#core/log';
import { usePour } from '../../app/pour-context.tsx';
import { EntryForm } from '../../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput, TextInput } from '../../forms/fields.tsx';
import { Sheet } from '../../ui/Dialog.tsx';

type Item = z.output<typeof item.body>;
/** Every field of the form is given: what the schema would fill in stands in it. */
const schema = item.body as unknown as z.ZodType<Item, Item>;

type Kind = Item['wanted']['type'];
const KIND: Record<Kind, string> = { eye: 'look at', count: 'count', size: 'measure' };
/** What is wanted of a kind before anything is said of it. */
const FIRST = {
  eye: { type: 'eye' },
  count: { type: 'count', wanted: null },
  size: { type: 'size', wantedMm: null, minusMm: 0, plusMm: 0 },
};

/** Something to check that the plan does not ask for. */
export function ItemSheet({ elementId, onClose }: { elementId: string; onClose: () => void }) {
  const v = usePour();
  const trade: Trade = elementId === WHOLE_POUR ? 'access' : 'forms';
  return (
    <Sheet open onClose={onClose} title={`Add to the list, ${v.elementName(elementId)}`}>
      <EntryForm
        schema={schema}
        defaults={{ elementId, trade, places: 1, wanted: { type: 'eye' } }}
        write={(body) => v.write('item', body).then(onClose)}
        act="Add it"
      >
        <TextInput name="title" label="What" autoFocus />
        <ChipChoice name="trade" options={TRADES} label="Trade" />
        <Wanted />
        <QuantityInput name="places" label="How many readings" quantity={null} />
      </EntryForm>
    </Sheet>
  );
}

/** How it is read, and what it is to measure or count. */
function Wanted() {
  const { field } = useController<Item, 'wanted.type'>({ name: 'wanted.type' });
  const { setValue } = useFormContext();
  return (
    <>
      <div className="flex gap-2" role="group" aria-label="How it is read">
        {(Object.keys(KIND) as Kind[]).map((kind) => (
          <button
            key={kind}
            type="button"
            className="chip flex-1 justify-center"
            aria-pressed={kind === field.value}
            onClick={() => {
              setValue('wanted', FIRST[kind]);
            }}
          >
            {KIND[kind]}
          </button>
        ))}
      </div>
      {field.value === 'count' && (
        <QuantityInput name="wanted.wanted" label="Wanted" quantity={null} />
      )}
      {field.value === 'size' && (
        <div className="grid grid-cols-2 gap-2">
          <QuantityInput name="wanted.wantedMm" label="Wanted" />
          <QuantityInput name="wanted.minusMm" also="wanted.plusMm" label="More or less" />
        </div>
      )}
    </>
  );
}
