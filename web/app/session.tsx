import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import useSWR, { mutate as mutateAll } from 'swr';
import type { Account, SessionAnswer } from '../../contract/index.ts';
import { getJson } from '../sync/api.ts';
import { setSender } from '../sync/sender.ts';
import {
  forgetPerson,
  signedInHere,
  signedOutHere,
  signOutHere,
  tellServer,
} from '../sync/signed-out.ts';
import { lazily } from '../ui/lazily.tsx';

// Who is signed in already does without it.
const signIn = () => import('./SignIn.tsx');
const SignIn = lazily(signIn);

const NO_SIGN_IN =
  'The sign-in screen could not be fetched. Read the page again once there is signal; what was logged is kept here.';

interface Session {
  account: Account;
  /** The demo: stand-ins answer for devices. */ demo: boolean;
  signOut: () => Promise<void>;
  /** Somebody else has signed in on this device. */
  takeOver: (answer: SessionAnswer) => Promise<void>;
}
export const SessionContext = createContext<Session | null>(null);

/** Somebody who signed out without signal is out, whatever the server last said. */
async function readSession(path: string): Promise<SessionAnswer> {
  if (signedOutHere()) {
    const told = await tellServer();
    if (told) return told;
    return { account: null, demo: null, setUpNeeded: false, codeNeeded: false };
  }
  return getJson<SessionAnswer>(path);
}

/** Who is signed in; the sign-in screen until somebody is. */
export function SessionGate({ children }: { children: ReactNode }) {
  const { data, error, mutate } = useSWR<SessionAnswer, Error>('/api/session', readSession);
  const [out, setOut] = useState(false);
  const name = (!out && data?.account?.name) || null;
  useEffect(() => {
    setSender(name);
    // One may sign out without signal: what comes then has to be there.
    if (name) signIn().catch(() => undefined);
  }, [name]);
  if (!data)
    return <main className="p-8 text-[20px]">{error ? error.message : 'One moment.'}</main>;
  if (out || !data.account)
    return (
      <ErrorBoundary fallback={<main className="p-8 text-[20px]">{NO_SIGN_IN}</main>}>
        <SignIn
          session={data}
          done={(s) => {
            signedInHere();
            setOut(false);
            void mutate(s, { revalidate: false });
          }}
        />
      </ErrorBoundary>
    );
  const signOut = async () => {
    setOut(true);
    const answer = await signOutHere();
    if (answer) await mutate(answer, { revalidate: false });
  };
  const takeOver = async (answer: SessionAnswer) => {
    // Who was asked to one site alone finds nothing here of what the one before had read.
    if (answer.account?.invited) await forgetPerson();
    await mutate(answer, { revalidate: false });
    await mutateAll((key) => key !== '/api/session');
  };
  return (
    <SessionContext value={{ account: data.account, demo: data.demo !== null, signOut, takeOver }}>
      {children}
    </SessionContext>
  );
}

/** Whether whoever is signed in is a foreman of the house, and not one who was only asked here. */
export function useOfTheHouse(): boolean {
  const { role, invited } = useSession().account;
  return role === 'foreman' && !invited;
}

export function useSession(): Session {
  const session = useContext(SessionContext);
  if (!session) throw new Error('useSession is used outside SessionGate');
  return session;
}
