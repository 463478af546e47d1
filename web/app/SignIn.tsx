import { useState, type SubmitEvent } from 'react';
import type { SessionAnswer } from '../../contract/index.ts';
import { sendJson } from '../sync/api.ts';

/** Sign in with a name and a PIN; one press in the demo; the first account on one's own data. */
export default function SignIn({
  session,
  done,
}: {
  session: SessionAnswer;
  done: (s: SessionAnswer) => void;
}) {
  const [name, setName] = useState('');
  const [pin, setPin] = useState('');
  const [code, setCode] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const go = async (path: string, n: string, p: string) => {
    setBusy(true);
    setProblem(null);
    try {
      done(
        await sendJson<SessionAnswer>('POST', path, { name: n, pin: p, ...(code ? { code } : {}) }),
      );
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
    } finally {
      setBusy(false);
    }
  };
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    void go(session.setUpNeeded ? '/api/accounts/first' : '/api/session', name, pin);
  };
  return (
    <main className="mx-auto flex min-h-dvh max-w-[880px] flex-col justify-center gap-10 p-6">
      <header>
        <h1 className="big text-[72px] leading-none">Jactum</h1>
        <p className="mt-2 text-[20px] leading-7">
          Check it, plan it, pour it, and know it is good.
        </p>
      </header>
      {session.demo && (
        <section aria-label="Demo accounts" className="grid gap-2 sm:grid-cols-2">
          {session.demo.accounts.map((a, i) => (
            <button
              key={a.name}
              type="button"
              className={`btn ${i === 0 ? '' : 'line'} min-h-[64px] justify-between`}
              disabled={busy}
              onClick={() => void go('/api/session', a.name, a.pin)}
            >
              <span>{a.name}</span>
              <span className="font-normal">{a.role}</span>
            </button>
          ))}
        </section>
      )}
      <form className="grid gap-3 sm:grid-cols-[1fr_1fr_auto]" onSubmit={submit}>
        <label className="block">
          {session.setUpNeeded ? 'Your name' : 'Name'}
          <input
            className="field mt-1"
            autoComplete="username"
            value={name}
            onChange={(e) => {
              setName(e.target.value);
            }}
            required
          />
        </label>
        <label className="block">
          {session.setUpNeeded ? 'A PIN of 6 to 12 digits' : 'PIN'}
          <input
            className="field mt-1"
            type="password"
            inputMode="numeric"
            autoComplete="current-password"
            value={pin}
            onChange={(e) => {
              setPin(e.target.value);
            }}
            required
          />
        </label>
        {session.codeNeeded && (
          <label className="block sm:col-span-3">
            The code on the console of the server
            <input
              className="field mt-1"
              inputMode="numeric"
              autoComplete="one-time-code"
              value={code}
              onChange={(e) => {
                setCode(e.target.value);
              }}
              required
            />
          </label>
        )}
        <button className="btn line self-end" disabled={busy}>
          {session.setUpNeeded ? 'Make the foreman’s account' : 'Sign in'}
        </button>
        {problem && (
          <p role="alert" className="font-semibold text-chalk-t sm:col-span-3">
            {problem}
          </p>
        )}
      </form>
      <p className="text-[14px] leading-[18px] text-ink2">
        Jactum helps a foreman measure, work out and record. It replaces no engineer, inspector,
        manual or code; where they differ, they rule.
      </p>
    </main>
  );
}
