import { useState } from 'react';
import { say } from '../ui/say.ts';
import { z } from 'zod';
import { changePersonBody, type PersonRow } from '../../contract/index.ts';
import { sendJson } from '../sync/api.ts';
import { PinField } from '../forms/FormField.tsx';
import { usePostForm } from '../forms/usePostForm.ts';
import { asKept, InvitedFields, NO_LIMIT } from './InvitedFields.tsx';
import { RoleChips } from './RoleChips.tsx';

type Change = z.input<ReturnType<typeof changePersonBody>>;

/** Gives somebody another PIN: they forgot theirs, or somebody has been guessing at it. */
function NewPin({ person, changed }: { person: PersonRow; changed: () => void }) {
  const schema = changePersonBody(person.role).and(z.object({ pin: z.string() }));
  const form = usePostForm(schema, { pin: '' }, async (body) => {
    await sendJson('PUT', `/api/accounts/${person.id}`, body);
    say(`${person.name} has a new PIN, and is signed out everywhere.`);
    changed();
  });
  return (
    <form
      noValidate
      className="flex items-start gap-3"
      onSubmit={(e) => void form.submit(e)}
      aria-label={`New PIN for ${person.name}`}
    >
      <PinField
        className="w-[220px]"
        label="New PIN"
        autoComplete="new-password"
        {...form.field('pin')}
        error={form.said('pin') ?? form.problem}
      />
      <button className="btn line mt-6" disabled={form.busy}>
        Set it
      </button>
    </form>
  );
}

/** What a foreman can do about one person. */
export function PersonActs({
  person,
  self,
  changed,
}: {
  person: PersonRow;
  self: boolean;
  changed: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const act = async (method: 'PUT' | 'DELETE', path: string, body: Change | undefined) => {
    setProblem(null);
    try {
      await sendJson(method, `/api/accounts/${person.id}${path}`, body);
      changed();
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
    }
  };
  const change = (body: Change) => void act('PUT', '', body);
  if (person.removed)
    return (
      <div className="pb-4">
        <button
          type="button"
          className="btn line"
          onClick={() => {
            change({ removed: false });
          }}
        >
          Bring {person.name} back
        </button>
      </div>
    );
  return (
    <div className="grid gap-4 pb-5">
      {!self && (
        <RoleChips
          value={person.role}
          onPick={(role) => {
            change({ role });
          }}
        />
      )}
      {!self && person.role !== 'foreman' && (
        <InvitedFields
          value={person.invited ?? NO_LIMIT}
          onChange={(v) => {
            change({ invited: asKept(v) });
          }}
        />
      )}
      <NewPin key={person.role} person={person} changed={changed} />
      <div className="flex flex-wrap gap-3">
        <button
          type="button"
          className="btn line"
          disabled={person.devices === 0}
          onClick={() => void act('DELETE', '/sessions', undefined)}
        >
          {self ? 'Sign out my other devices' : 'Sign out everywhere'}
        </button>
        {!self && (
          <button
            type="button"
            className="btn line"
            onClick={() => {
              change({ locked: !person.locked });
            }}
          >
            {person.locked ? 'Let in again' : 'Lock'}
          </button>
        )}
        {!self && (
          <button
            type="button"
            className="btn warn"
            onClick={() => void act('DELETE', '', undefined)}
          >
            Remove
          </button>
        )}
      </div>
      {problem && (
        <p role="alert" className="font-semibold text-chalk-t">
          {problem}
        </p>
      )}
    </div>
  );
}
