import { nonNegative } from '#core/kit';
import { loadEnd } from '#core/log';
import { supplyWords } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { QuantityInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

export function EndSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const carriedM3 = v.loads.find((l) => l.id === id)?.volumeM3 ?? 0;
  // More than the load carried cannot go back.
  const schema = loadEnd.body.extend({ returnedM3: nonNegative().lte(carriedM3 + 1e-6) });
  return (
    <Sheet
      open
      onClose={onClose}
      title={`${supplyWords(v.plant).load} ${id.replace('L', '')} is done`}
    >
      <EntryForm
        schema={schema}
        defaults={{ loadId: id, returnedM3: 0 }}
        write={(body, when) => v.write('load-end', body, when).then(onClose)}
        happened="ask"
        act="Log"
      >
        <QuantityInput name="returnedM3" label="Went back in the drum" autoFocus />
      </EntryForm>
    </Sheet>
  );
}
