import { useState } from 'react';
import useSWR from 'swr';
import { type Account, signInBody, type SessionAnswer } from '../../contract/index.ts';
import { PinField } from '../forms/FormField.tsx';
import { usePostForm } from '../forms/usePostForm.ts';
import { getJson, sendJson } from '../sync/api.ts';
import { say } from '../ui/say.ts';
import { useSession } from './session.tsx';

/** Another hand on this tablet: their name, then their PIN. What the one before entered stays theirs. */
export function ChangeHand({ done }: { done: () => void }) {
  const { account } = useSession();
  const { data: hands } = useSWR<Account[], Error>('/api/session/hands', getJson);
  const [picked, setPicked] = useState<string | null>(null);
  const others = (hands ?? []).filter((h) => h.name !== account.name);
  if (others.length === 0) return null;
  return (
    <section aria-label="Change of hand">
      <h3 className="mb-1">Somebody else takes this device</h3>
      <div className="flex flex-wrap gap-2">
        {others.map((h) => (
          <button
            key={h.name}
            type="button"
            className="chip"
            aria-pressed={h.name === picked}
            onClick={() => {
              setPicked(h.name === picked ? null : h.name);
            }}
          >
            {h.name}
            <span className="font-normal">{h.role}</span>
          </button>
        ))}
      </div>
      {picked && <PinOf key={picked} name={picked} done={done} />}
    </section>
  );
}

function PinOf({ name, done }: { name: string; done: () => void }) {
  const { takeOver } = useSession();
  const form = usePostForm(signInBody.pick({ pin: true }), { pin: '' }, async ({ pin }) => {
    const answer = await sendJson<SessionAnswer>('POST', '/api/session', { name, pin });
    say(`${name} is signed in here.`);
    // The sheet goes first: the screen that is made anew for the next hand would open it again.
    done();
    await takeOver(answer);
  });
  return (
    <form
      noValidate
      className="mt-2 grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3"
      onSubmit={(e) => void form.submit(e)}
    >
      <PinField
        label={`PIN of ${name}`}
        autoFocus
        {...form.field('pin')}
        error={form.said('pin') ?? form.problem}
      />
      <button className="btn" disabled={form.busy}>
        Take over
      </button>
    </form>
  );
}
