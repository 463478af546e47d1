import { water } from '#core/log';
import { TURNS_AFTER_WATER, waterFor } from '#core/pourlog';
import { placedFrom } from '#core/view';
import { gaugedL, waterAdviceText } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { QuantityInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { T } from '../../../ui/Text.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';

/** Why no figure stands there. */
const NO_WATER = {
  unknown: 'The mix does not say what water it has: ask the plant how much may go in.',
  none: 'None goes in on this site unless its producer answers for it (EN 206 §7.5): ask the plant for admixture, or send it back.',
} as const;

/** Water into a stiff load: what may go in stands there, and is logged by a press. */
export function WaterSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const load = v.loads.find((l) => l.id === id);
  if (!load) return null;
  const advice = waterFor(load, v.mix, v.record.site.ruleProfile, placedFrom(v, id));
  const addL = advice ? gaugedL(advice.result.addL, v.units) : 0;
  return (
    <Sheet open onClose={onClose} title={`Water into load ${id.replace('L', '')}`}>
      <p className="mb-3 text-[18px] leading-6">
        {advice ? (
          <FigureWithWorking name="the water" id="water-addition" input={advice.input}>
            <T>{waterAdviceText(advice, v.units)}</T>
          </FigureWithWorking>
        ) : (
          NO_WATER[v.mix.mayWater ? 'unknown' : 'none']
        )}
      </p>
      <EntryForm
        schema={water.body}
        defaults={{
          loadId: id,
          turns: TURNS_AFTER_WATER,
          addedL: addL > 0 ? addL : undefined,
        }}
        write={(body, when) => v.write('water', body, when).then(onClose)}
        happened="ask"
        act="Log the water"
        className="grid grid-cols-2 gap-3"
      >
        <QuantityInput name="addedL" label="Water added" quantity="L" />
        <QuantityInput name="turns" label="Turns after it" quantity="Count" required={false} />
      </EntryForm>
    </Sheet>
  );
}
