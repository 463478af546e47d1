import { useState } from 'react';
import type { z } from 'zod';
import { firstAccountBody, type SessionAnswer, signInBody } from '../../contract/index.ts';
import { FormField, PinField } from '../forms/FormField.tsx';
import { usePostForm } from '../forms/usePostForm.ts';
import { sendJson } from '../sync/api.ts';

interface Answers {
  name: string;
  pin: string;
  code?: string | undefined;
}

/** One press a person in the demo, each with their PIN as it is shown there. */
function DemoPeople({
  accounts,
  done,
}: {
  accounts: NonNullable<SessionAnswer['demo']>['accounts'];
  done: (s: SessionAnswer) => void;
}) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const enter = async (name: string, pin: string) => {
    setBusy(true);
    setProblem(null);
    try {
      done(await sendJson<SessionAnswer>('POST', '/api/session', { name, pin }));
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <section aria-label="Demo accounts" className="grid gap-2 sm:grid-cols-2">
      {accounts.map((a, i) => (
        <button
          key={a.name}
          type="button"
          className={`btn ${i === 0 ? '' : 'line'} min-h-[64px] justify-between`}
          disabled={busy}
          onClick={() => void enter(a.name, a.pin)}
        >
          <span>{a.name}</span>
          <span className="font-normal">{a.role}</span>
        </button>
      ))}
      {problem && (
        <p role="alert" className="font-semibold text-chalk-t sm:col-span-2">
          {problem}
        </p>
      )}
    </section>
  );
}

/** A name and a PIN; the first account on one's own data. */
function NameAndPin({
  session: { setUpNeeded, codeNeeded },
  done,
}: {
  session: SessionAnswer;
  done: (s: SessionAnswer) => void;
}) {
  const schema = (setUpNeeded ? firstAccountBody : signInBody) as z.ZodType<Answers, Answers>;
  const form = usePostForm(schema, { name: '', pin: '', code: '' }, async (answers) => {
    const { code, ...who } = answers;
    const path = setUpNeeded ? '/api/accounts/first' : '/api/session';
    done(await sendJson<SessionAnswer>('POST', path, code ? answers : who));
  });
  return (
    <form
      className="grid items-start gap-3 sm:grid-cols-[1fr_1fr_auto]"
      onSubmit={(e) => void form.submit(e)}
      noValidate
    >
      <FormField
        label={setUpNeeded ? 'Your name' : 'Name'}
        autoComplete="username"
        {...form.field('name')}
      />
      <PinField
        label={setUpNeeded ? 'A PIN of 6 to 12 digits' : 'PIN'}
        autoComplete="current-password"
        {...form.field('pin')}
      />
      {codeNeeded && (
        <FormField
          className="sm:col-span-3"
          label="The code on the console of the server"
          inputMode="numeric"
          autoComplete="one-time-code"
          {...form.field('code')}
        />
      )}
      <button className="btn line sm:mt-[25px]" disabled={form.busy}>
        {setUpNeeded ? 'Make the foreman’s account' : 'Sign in'}
      </button>
      {form.problem && (
        <p role="alert" className="font-semibold text-chalk-t sm:col-span-3">
          {form.problem}
        </p>
      )}
    </form>
  );
}

/** Sign in with a name and a PIN; one press in the demo; the first account on one's own data. */
export default function SignIn({
  session,
  done,
}: {
  session: SessionAnswer;
  done: (s: SessionAnswer) => void;
}) {
  return (
    <main className="mx-auto flex min-h-dvh max-w-[880px] flex-col justify-center gap-10 p-6">
      <header>
        <h1 className="big text-[72px] leading-none">Jactum</h1>
        <p className="mt-2 text-[20px] leading-7">
          Check it, plan it, pour it, and know it is good.
        </p>
      </header>
      {session.demo && <DemoPeople accounts={session.demo.accounts} done={done} />}
      <NameAndPin session={session} done={done} />
      <p className="text-[14px] leading-[18px] text-ink2">
        Jactum helps a foreman measure, work out and record. It replaces no engineer, inspector,
        manual or code; where they differ, they rule.
      </p>
    </main>
  );
}
