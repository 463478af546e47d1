import { createContext, useContext, useEffect, type ReactNode } from 'react';
import useSWR from 'swr';
import type { Account, SessionAnswer } from '../../contract/index.ts';
import { getJson, sendJson } from '../sync/api.ts';
import { forgetLogs } from '../sync/local-db.ts';
import { setSender } from '../sync/sender.ts';
import { SignIn } from './SignIn.tsx';

interface Session {
  account: Account;
  /** The demo: stand-ins answer for devices. */ demo: boolean;
  signOut: () => Promise<void>;
}
const Context = createContext<Session | null>(null);

/** Who is signed in; the sign-in screen until somebody is. */
export function SessionGate({ children }: { children: ReactNode }) {
  const { data, error, mutate } = useSWR<SessionAnswer, Error>('/api/session', getJson);
  const name = data?.account?.name ?? null;
  useEffect(() => {
    setSender(name);
  }, [name]);
  if (!data)
    return <main className="p-8 text-[20px]">{error ? error.message : 'One moment.'}</main>;
  if (!data.account)
    return (
      <SignIn
        session={data}
        done={(s) => {
          void mutate(s, { revalidate: false });
        }}
      />
    );
  const signOut = async () => {
    const answer = await sendJson<SessionAnswer>('DELETE', '/api/session');
    await forgetLogs();
    if ('caches' in window) await caches.delete('api');
    await mutate(answer, { revalidate: false });
  };
  return (
    <Context value={{ account: data.account, demo: data.demo !== null, signOut }}>
      {children}
    </Context>
  );
}

export function useSession(): Session {
  const session = useContext(Context);
  if (!session) throw new Error('useSession is used outside SessionGate');
  return session;
}
