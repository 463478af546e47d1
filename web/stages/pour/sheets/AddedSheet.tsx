import { added } from '#core/log';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput, TextInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

/** Fibre or admixture that goes into a load here. */
export function AddedSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const load = v.loads.find((l) => l.id === id);
  const { fibreKgM3 } = v.mix;
  const massKg = fibreKgM3 && load?.volumeM3 ? fibreKgM3 * load.volumeM3 : undefined;
  return (
    <Sheet open onClose={onClose} title={`Put into load ${id.replace('L', '')}`}>
      <EntryForm
        schema={added.body}
        defaults={{ loadId: id, what: massKg === undefined ? 'admixture' : 'fibre', massKg }}
        write={(body, when) => v.write('added', body, when).then(onClose)}
        happened="ask"
        act="Log"
        className="grid grid-cols-2 gap-3"
      >
        <ChipChoice name="what" options={['fibre', 'admixture']} />
        <QuantityInput name="massKg" label="How much" />
        <TextInput name="name" label="Which" />
      </EntryForm>
    </Sheet>
  );
}
