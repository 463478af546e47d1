import { nonNegative } from '#core/kit';
import { loadArrived } from '#core/log';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { QuantityInput, TextInput } from '../../../forms/fields.tsx';
import { stampNow } from '../../../sync/clock.ts';
import { Sheet } from '../../../ui/Dialog.tsx';

/** A ticket says when it was batched; at the gate one reckons how long ago that was. */
const schema = loadArrived.body.omit({ batchedAt: true }).extend({ ageMin: nonNegative().lt(600) });

export function LoadSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const set = useSetFocus();
  const planned = v.plan.trucks.result.loads[v.plan.loadIds.indexOf(id)];
  // A load beyond the plan is most likely what the balance still asks for, in the plant's steps.
  const { balanceM3 } = v.progress;
  const missing =
    balanceM3 > 0 ? Math.ceil(balanceM3 / v.plant.stepM3) * v.plant.stepM3 : undefined;
  return (
    <Sheet open onClose={onClose} title={`Load ${id.replace('L', '')} is here`}>
      <EntryForm
        schema={schema}
        defaults={{
          loadId: id,
          ticket: '',
          volumeM3: planned?.volumeM3 ?? missing,
          ageMin: Math.round(v.plant.travel.medianMin),
        }}
        write={({ ageMin, ...body }) => {
          const atMs = stampNow();
          const batchedAt = new Date(atMs - ageMin * 60_000).toISOString();
          return v.write('load-arrived', { ...body, batchedAt }, { atMs }).then(onClose);
        }}
        act="Log load"
        className="grid grid-cols-2 gap-3"
      >
        <TextInput
          name="ticket"
          label="Ticket number"
          className="col-span-2"
          inputMode="numeric"
          autoFocus
        />
        <QuantityInput name="volumeM3" label="Volume" />
        <QuantityInput name="ageMin" label="Batched, minutes ago" />
        <QuantityInput name="concreteTempC" label="Concrete, if read" required={false} />
      </EntryForm>
      <button
        type="button"
        className="mt-1 min-h-12 font-semibold text-press"
        onClick={() => {
          set({ sheet: 'tickets' });
        }}
      >
        Tickets from a file
      </button>
    </Sheet>
  );
}
