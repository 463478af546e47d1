import { useFormContext } from 'react-hook-form';
import { nonNegative } from '#core/kit';
import { loadArrived } from '#core/log';
import { dueOf } from '#core/view';
import { supplyWords } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { QuantityInput, TextInput } from '../../../forms/fields.tsx';
import { stampNow } from '../../../sync/clock.ts';
import { Sheet } from '../../../ui/Dialog.tsx';
import { useDeliveries } from '../loads/useDeliveries.ts';

/** A ticket says when it was batched; at the gate one reckons how long ago that was. */
const schema = loadArrived.body.omit({ batchedAt: true }).extend({ ageMin: nonNegative().lt(600) });

/** What comes off a truck has a ticket; what is mixed here has none. */
const withTicket = schema.required({ ticket: true });

/** A load at the gate: what the plant says of it stands there, and its ticket is held against that. */
export function LoadSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const set = useSetFocus();
  const known = useDeliveries().loads.find((d) => d.id === id);
  const load = v.loads.find((l) => l.id === id);
  const due = load ? dueOf(v, load) : null;
  // A load beyond the plan is most likely what the balance still asks for, in the plant's steps.
  const { balanceM3 } = v.progress;
  const { stepM3, trucksM3 } = v.plant;
  const missing =
    balanceM3 > 0
      ? Math.min(Math.ceil(balanceM3 / stepM3) * stepM3, Math.max(...trucksM3))
      : undefined;
  const batched = known?.batchedAt ? Date.parse(known.batchedAt) : null;
  const words = supplyWords(v.plant);
  const ticketed = !v.plant.mixer;
  const travelMin = Math.round(v.plant.travel.medianMin);
  return (
    <Sheet
      open
      onClose={onClose}
      title={words.isHere.replace(words.load, `${words.load} ${id.replace('L', '')}`)}
    >
      <EntryForm
        key={batched ?? 'typed'}
        schema={ticketed ? withTicket : schema}
        defaults={{
          loadId: id,
          ...(ticketed
            ? { ticket: batched === null ? '' : (known?.ticket ?? ''), mix: v.record.pour.mix }
            : {}),
          volumeM3: known?.volumeM3 ?? due?.volumeM3 ?? missing,
          ageMin: batched === null ? travelMin : Math.round((v.nowMs - batched) / 60_000),
        }}
        write={({ ageMin, ...body }, { atMs = stampNow() }) => {
          const batchedAt = new Date(atMs - ageMin * 60_000).toISOString();
          return v.write('load-arrived', { ...body, batchedAt }, { atMs }).then(onClose);
        }}
        happened="ask"
        act={`Log ${words.one}`}
        className="grid grid-cols-2 gap-3"
      >
        {ticketed && (
          <TextInput
            name="ticket"
            label="Ticket number"
            className="col-span-2"
            inputMode="numeric"
            autoFocus
          />
        )}
        <QuantityInput name="volumeM3" label="Volume" />
        <QuantityInput
          name="ageMin"
          label={ticketed ? 'Batched, minutes ago' : 'Mixed, minutes ago'}
        />
        <QuantityInput name="concreteTempC" label="Concrete, if read" required={false} />
        {ticketed && <TicketMix />}
      </EntryForm>
      {ticketed && (
        <button
          type="button"
          className="mt-1 min-h-12 font-semibold text-press"
          onClick={() => {
            set({ sheet: 'tickets' });
          }}
        >
          Tickets from a file
        </button>
      )}
    </Sheet>
  );
}

/** The mix as the ticket has it: the one ordered, or another. */
function TicketMix() {
  const v = usePour();
  const { register } = useFormContext();
  return (
    <label>
      Mix on the ticket
      <select className="field mt-1" {...register('mix')}>
        {v.record.site.mixes.map((m) => (
          <option key={m.mark} value={m.mark}>
            {m.mark}
            {m.mark === v.record.pour.mix ? ', as ordered' : ''}
          </option>
        ))}
        <option value="another mix">another</option>
      </select>
    </label>
  );
}
