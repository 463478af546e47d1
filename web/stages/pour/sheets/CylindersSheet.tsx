import { cylinders } from '#core/log';
import { samplesOf } from '#core/pourlog';
import { setAsksText } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { QuantityInput, TextInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { T } from '../../../ui/Text.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';

/** What goes to the laboratory for one strength test: two broken at 28 days, one at 7 (house default). */
const LAB = 3;

/** Cylinders of a load: the set that was drawn for it stands there, and is logged by a press. */
export function CylindersSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const samples = samplesOf(v.record.pour, v.rules, v.plan, v.state, v.loads);
  const sets = samples?.sets ?? [];
  const own = sets.find((s) => s.loadId === id && s.made === null);
  const set = own?.set ?? sets.find((s) => s.made === null)?.set ?? sets.length + 1;
  return (
    <Sheet open onClose={onClose} title={`Cylinders of load ${id.replace('L', '')}`}>
      {samples && (
        <p className="mb-3 leading-6">
          <FigureWithWorking name="how many tests" id="sampling-plan" input={samples.plan.input}>
            {`Drawn before the first load: ${sets.map((s) => `set ${s.set} from ${s.loadId}${s.made ? ', made' : ''}`).join('; ')}.`}
          </FigureWithWorking>
          {own ? '' : ' This load was not drawn.'}
        </p>
      )}
      <p className="mb-3 leading-6">
        <T>{setAsksText(v, id)}</T>
      </p>
      <EntryForm
        schema={cylinders.body}
        defaults={{
          loadId: id,
          set,
          lab: LAB,
          field: 0,
          mark: `${v.record.pour.code}-${set}`,
        }}
        write={(body, when) => v.write('cylinders', body, when).then(onClose)}
        happened="ask"
        act="Log the set"
        className="grid grid-cols-2 gap-3"
      >
        <QuantityInput name="set" label="Set" quantity="Count" />
        <TextInput name="mark" label="Marked" />
        <QuantityInput name="lab" label="For the laboratory" quantity="Count" />
        <QuantityInput name="field" label="Cured in the field" quantity="Count" />
      </EntryForm>
    </Sheet>
  );
}
