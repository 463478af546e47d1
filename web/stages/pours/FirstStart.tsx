import { ArrowRight } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { mutate } from 'swr';
import { sendJson } from '../../sync/api.ts';
import { BringSite } from './BringSite.tsx';

/** Nothing is here yet: draw a site, bring one in, or look round with one that is made up. */
export function FirstStart({ foreman, done }: { foreman: boolean; done: (id: string) => void }) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const lookRound = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const { id } = await sendJson<{ id: string }>('POST', '/api/sites/made-up');
      await Promise.all([mutate('/api/sites'), mutate('/api/pours')]);
      done(id);
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
      setBusy(false);
    }
  };
  return (
    <div className="max-w-[760px] py-10">
      <h2 className="big text-[48px] leading-[52px]">No site yet</h2>
      {!foreman && (
        <p className="mt-2 text-[18px] leading-6">The foreman makes one, or asks you to theirs.</p>
      )}
      {foreman && (
        <>
          <p className="mt-2 text-[18px] leading-6">
            Type the lengths as they are read off the tape: the first one already gives a figure.
          </p>
          <div className="mt-5 grid gap-3 sm:grid-cols-2">
            <Link className="btn min-h-[72px] text-[22px]! sm:col-span-2" to="/new">
              New site
              <ArrowRight size={26} aria-hidden="true" />
            </Link>
            <BringSite done={done} />
            <button
              type="button"
              className="btn line"
              disabled={busy}
              onClick={() => void lookRound()}
            >
              {busy ? 'One moment' : 'Look round with a made-up site'}
            </button>
          </div>
          <p className="mt-3 text-[14px] leading-[18px] text-ink2">
            The made-up site is poured today, with a log. It can be removed again whole. A site file
            is written as{' '}
            <a className="font-semibold text-press underline" href="/docs/site-file">
              its page
            </a>{' '}
            says.
          </p>
          {problem && (
            <p role="alert" className="mt-2 font-semibold text-chalk-t">
              {problem}
            </p>
          )}
        </>
      )}
    </div>
  );
}
