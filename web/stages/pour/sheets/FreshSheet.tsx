import { freshTest } from '#core/log';
import { quantityText } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

/** Air and temperature of a load, as they are read beside its slump. */
export function FreshSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const { airRatio } = v.mix;
  return (
    <Sheet open onClose={onClose} title={`Air and temperature of load ${id.replace('L', '')}`}>
      {airRatio !== undefined && (
        <p className="mb-2 text-ink2">{quantityText(airRatio, 'Ratio', v.units)} air ordered.</p>
      )}
      <EntryForm
        schema={freshTest.body}
        defaults={{ loadId: id, where: 'truck' }}
        write={(body, when) => v.write('fresh-test', body, when).then(onClose)}
        happened="ask"
        act="Log"
        className="grid grid-cols-2 gap-3"
      >
        <QuantityInput name="airRatio" label="Air" required={false} autoFocus />
        <QuantityInput name="concreteTempC" label="Concrete" required={false} />
        <ChipChoice name="where" options={['truck', 'hose']} label="Read at" />
      </EntryForm>
    </Sheet>
  );
}
