import { useState } from 'react';
import { Link } from 'react-router';
import { say } from '../ui/say.ts';
import useSWR from 'swr';
import { ownPinBody } from '../../contract/index.ts';
import { counted } from '#core/units';
import { sendJson } from '../sync/api.ts';
import { unsentOf } from '../sync/unsent.ts';
import { Sheet } from '../ui/Dialog.tsx';
import { PinField } from '../forms/FormField.tsx';
import { usePostForm } from '../forms/usePostForm.ts';
import { ChangeHand } from './ChangeHand.tsx';
import { ConnectPhone, NO_HTTPS } from './ConnectPhone.tsx';
import { useOfTheHouse, useSession } from './session.tsx';

/** One's own PIN, by the one that is now. */
function OwnPin({ done }: { done: () => void }) {
  const { account } = useSession();
  const form = usePostForm(ownPinBody(account.role), { old: '', pin: '' }, async (body) => {
    const { ended } = await sendJson<{ ended: number }>('PUT', '/api/session/pin', body);
    say(`Your PIN is changed.${ended > 0 ? ` ${counted(ended, 'other device')} signed out.` : ''}`);
    done();
  });
  return (
    <form noValidate className="grid gap-3 sm:grid-cols-2" onSubmit={(e) => void form.submit(e)}>
      <PinField label="PIN now" autoComplete="current-password" {...form.field('old')} />
      <PinField label="New PIN" autoComplete="new-password" {...form.field('pin')} />
      <button className="btn sm:col-span-2" disabled={form.busy}>
        Change it
      </button>
      {form.problem && (
        <p role="alert" className="font-semibold text-chalk-t sm:col-span-2">
          {form.problem}
        </p>
      )}
    </form>
  );
}

/** What of one's own has not left this device, in words; null when all has. */
function useUnsentWords(name: string): string | null {
  const { data } = useSWR(['unsent', name], () => unsentOf(name));
  if (!data || data.entries + data.photos === 0) return null;
  const what = [
    data.entries > 0 ? counted(data.entries, 'entry', 'entries') : '',
    data.photos > 0 ? counted(data.photos, 'photo') : '',
  ]
    .filter(Boolean)
    .join(' and ');
  return `${what} of yours ${data.entries + data.photos === 1 ? 'has' : 'have'} not been sent. They stay on this device, and go out when you sign in here again.`;
}

/** Who is signed in: their PIN, the people, and signing out. */
export default function AccountSheet({ onClose }: { onClose: () => void }) {
  const { account, signOut } = useSession();
  const ofTheHouse = useOfTheHouse();
  const [changing, setChanging] = useState(false);
  const [connecting, setConnecting] = useState(false);
  const unsent = useUnsentWords(account.name);
  return (
    <Sheet open onClose={onClose} title={`${account.name}, ${account.role}`}>
      <div className="grid gap-3">
        <ChangeHand done={onClose} />
        {changing ? (
          <OwnPin
            done={() => {
              setChanging(false);
            }}
          />
        ) : (
          <button
            type="button"
            className="btn line"
            onClick={() => {
              setChanging(true);
            }}
          >
            Change my PIN
          </button>
        )}
        {ofTheHouse && (
          <Link className="btn line" to="/people">
            People
          </Link>
        )}
        {connecting ? (
          <ConnectPhone />
        ) : (
          <button
            type="button"
            className="btn line"
            onClick={() => {
              setConnecting(true);
            }}
          >
            Connect a phone
          </button>
        )}
        {!window.isSecureContext && (
          <p role="status" className="border-l-4 border-ochre pl-3">
            {NO_HTTPS}
          </p>
        )}
        {unsent && (
          <p role="status" className="border-l-4 border-ochre pl-3">
            {unsent}
          </p>
        )}
        <button type="button" className="btn" onClick={() => void signOut()}>
          Sign out
        </button>
      </div>
    </Sheet>
  );
}
