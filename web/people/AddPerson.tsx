import { useState } from 'react';
import { say } from '../ui/say.ts';
import { accountBody, type Invitation, type Role } from '../../contract/index.ts';
import { sendJson } from '../sync/api.ts';
import { FormField, PinField } from '../forms/FormField.tsx';
import { usePostForm } from '../forms/usePostForm.ts';
import { asKept, InvitedFields, NO_LIMIT } from './InvitedFields.tsx';
import { RoleChips } from './RoleChips.tsx';

const NOBODY: { name: string; pin: string; role: Role } = { name: '', pin: '', role: 'crew' };

/** Somebody new: a name, a role and a first PIN. */
export function AddPerson({ changed }: { changed: () => void }) {
  const [invited, setInvited] = useState<Invitation>(NO_LIMIT);
  const form = usePostForm(accountBody, NOBODY, async (body) => {
    const asked = asKept(invited);
    await sendJson('POST', '/api/accounts', {
      ...body,
      ...(asked && body.role === 'inspector' ? { invited: asked } : {}),
    });
    setInvited(NO_LIMIT);
    say(`${body.name} can sign in.`);
    changed();
  });
  const role = form.watch('role');
  return (
    <form
      noValidate
      aria-label="Add somebody"
      className="mt-6 grid items-start gap-4 sm:grid-cols-[minmax(0,1fr)_200px_auto]"
      onSubmit={(e) => void form.submit(e)}
    >
      <h2 className="head text-[20px] leading-6 sm:col-span-3">Add somebody</h2>
      <FormField label="Name" autoComplete="off" {...form.field('name')} />
      <PinField
        label="First PIN"
        autoComplete="new-password"
        hint={role === 'foreman' || role === 'inspector' ? '6 digits or more' : '4 digits or more'}
        {...form.field('pin')}
      />
      <button className="btn mt-6" disabled={form.busy}>
        Add {form.watch('name').trim() || 'them'}
      </button>
      <div className="sm:col-span-3">
        <RoleChips
          value={role}
          onPick={(r) => {
            form.setValue('role', r);
            form.clearErrors('pin');
          }}
        />
      </div>
      {role === 'inspector' && (
        <div className="sm:col-span-3">
          <InvitedFields value={invited} onChange={setInvited} />
        </div>
      )}
      {form.problem && (
        <p role="alert" className="font-semibold text-chalk-t sm:col-span-3">
          {form.problem}
        </p>
      )}
    </form>
  );
}
