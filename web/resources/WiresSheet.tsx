import type { z } from 'zod';
import { type Wire, wireSchema } from '#core/model';
import { clearOf } from '#core/pourplan';
import { rulesOf } from '#core/rules';
import { distanceText } from '#core/units';
import { useSite } from '../app/site-context.tsx';
import { EntryForm } from '../forms/EntryForm.tsx';
import { QuantityInput, TextInput } from '../forms/fields.tsx';
import { Sheet } from '../ui/Dialog.tsx';
import { T } from '../ui/Text.tsx';
import { ResourceList, type RowForm } from './ResourceList.tsx';

const formSchema = wireSchema as unknown as z.ZodType<Wire, Wire>;

/** Overhead wires over the plan, and how far a boom stays off them. */
export default function WiresSheet({ onClose }: { onClose: () => void }) {
  const v = useSite();
  const rules = rulesOf(v.site);
  return (
    <Sheet open onClose={onClose} title="Overhead wires">
      <p className="mb-2 text-ink2">
        A straight line over the plan, by two places on it: metres or feet east (x) and north (y) of
        the plan’s origin. The owner of the line says how far to stay off; until then it is{' '}
        {distanceText(rules.value('wires'), v.units)}.
      </p>
      <ResourceList
        items={v.site.wires}
        keyOf={(w) => w.id}
        nameOf={(w) => w.id}
        tells={(w) => <T>{`${distanceText(clearOf(w, rules), v.units)} off`}</T>}
        save={(wires) => v.saveResources({ wires })}
        add="Add a line"
        form={(row) => <WireForm {...row} />}
      />
    </Sheet>
  );
}

function WireForm({ of, write }: RowForm<Wire>) {
  return (
    <EntryForm
      schema={formSchema}
      defaults={of ?? { id: '' }}
      write={write}
      act="Keep"
      className="grid grid-cols-2 gap-3"
    >
      <TextInput name="id" label="What it is called" autoFocus />
      <QuantityInput name="clearM" label="stay off by" required={false} />
      <QuantityInput name="from.xM" label="from x" quantity="M" />
      <QuantityInput name="from.yM" label="from y" quantity="M" />
      <QuantityInput name="to.xM" label="to x" quantity="M" />
      <QuantityInput name="to.yM" label="to y" quantity="M" />
    </EntryForm>
  );
}
