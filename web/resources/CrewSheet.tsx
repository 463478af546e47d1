import type { z } from 'zod';
import { type CrewMember, crewMemberSchema, JOBS } from '#core/model';
import { useSite } from '../app/site-context.tsx';
import { EntryForm } from '../forms/EntryForm.tsx';
import { ChipSet, QuantityInput, TextInput } from '../forms/fields.tsx';
import { Sheet } from '../ui/Dialog.tsx';
import { ResourceList, type RowForm } from './ResourceList.tsx';

const formSchema = crewMemberSchema as unknown as z.ZodType<CrewMember, CrewMember>;

/** Who is on this site, and what each may do. */
export default function CrewSheet({ onClose }: { onClose: () => void }) {
  const v = useSite();
  return (
    <Sheet open onClose={onClose} title="The crew of this site">
      <ResourceList
        items={v.site.crew}
        keyOf={(c, i) => `${i}${c.name}`}
        nameOf={(c) => c.name}
        tells={(c) => c.jobs.join(', ') || c.role}
        save={(crew) => v.saveResources({ crew })}
        add="Add a hand"
        form={(row) => <MemberForm {...row} />}
      />
    </Sheet>
  );
}

function MemberForm({ of, write }: RowForm<CrewMember>) {
  const { currency } = useSite().site;
  return (
    <EntryForm
      schema={formSchema}
      defaults={of ?? { name: '', role: '', jobs: [] }}
      write={write}
      act="Keep"
      className="grid grid-cols-2 gap-3"
    >
      <TextInput name="name" label="Name" autoFocus />
      <TextInput name="role" label="What they are" />
      <div className="col-span-full">
        <ChipSet name="jobs" options={JOBS} label="What they may do" />
      </div>
      <QuantityInput name="fromMin" label="there from" clock required={false} />
      <QuantityInput name="toMin" label="until" clock required={false} />
      <QuantityInput
        name="costPerH"
        label={`an hour costs${currency ? `, ${currency}` : ''}`}
        quantity={null}
        required={false}
      />
    </EntryForm>
  );
}
