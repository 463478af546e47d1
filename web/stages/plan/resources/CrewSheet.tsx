import { useState } from 'react';
import type { z } from 'zod';
import { type CrewMember, crewMemberSchema, JOBS } from '#core/model';
import { usePour } from '../../../app/pour-context.tsx';
import { EntryForm } from '../../../forms/EntryForm.tsx';
import { ChipSet, TextInput } from '../../../forms/fields.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

const formSchema = crewMemberSchema as unknown as z.ZodType<CrewMember, CrewMember>;

/** Who is on this site, and what each may do. */
export default function CrewSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { crew } = v.record.site;
  const [open, setOpen] = useState<number | null>(null);
  const put = (list: CrewMember[]) =>
    v.saveResources({ crew: list }).then(() => {
      setOpen(null);
    });
  return (
    <Sheet open onClose={onClose} title="The crew of this site">
      <ul className="rows mb-3">
        {crew.map((c, i) => (
          <li key={`${i}${c.name}`} className="py-2">
            {open === i ? (
              <MemberForm
                of={c}
                write={(body) => put(crew.map((x, k) => (k === i ? { ...x, ...body } : x)))}
                remove={() => void put(crew.filter((_, k) => k !== i))}
              />
            ) : (
              <button
                type="button"
                className="flex min-h-12 w-full items-center justify-between gap-3 text-left"
                onClick={() => {
                  setOpen(i);
                }}
              >
                <b className="font-semibold">{c.name}</b>
                <span className="text-ink2">{c.jobs.join(', ') || c.role}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {open === crew.length ? (
        <MemberForm of={null} write={(body) => put([...crew, body])} remove={null} />
      ) : (
        <button
          type="button"
          className="btn line w-full"
          onClick={() => {
            setOpen(crew.length);
          }}
        >
          Add a hand
        </button>
      )}
    </Sheet>
  );
}

function MemberForm({
  of,
  write,
  remove,
}: {
  of: CrewMember | null;
  write: (body: CrewMember) => Promise<void>;
  remove: (() => void) | null;
}) {
  return (
    <>
      <EntryForm
        schema={formSchema}
        defaults={of ?? { name: '', role: '', jobs: [] }}
        write={write}
        act="Keep"
        className="grid grid-cols-2 gap-3"
      >
        <TextInput name="name" label="Name" className="col-span-full" autoFocus />
        <div className="col-span-full">
          <ChipSet name="jobs" options={JOBS} label="What they may do" />
        </div>
      </EntryForm>
      {remove && (
        <button type="button" className="mt-1 min-h-12 font-semibold text-chalk-t" onClick={remove}>
          Take off the list
        </button>
      )}
    </>
  );
}
