import { useState } from 'react';
import type { SiteAnswer, SiteFile } from '../../contract/index.ts';
import { useOfTheHouse } from '../app/session.tsx';
import { sendJson } from '../sync/api.ts';
import { say } from '../ui/say.ts';

/** Archiving a site, bringing it back, and removing one of which nothing was logged. */
export function SiteEnd({
  of,
  changed,
  gone,
}: {
  of: SiteAnswer<SiteFile>;
  changed: () => Promise<void>;
  gone: () => Promise<void>;
}) {
  const [asked, setAsked] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const { archived = false, madeUp = false, name } = of.site;
  const attempt = async (act: () => Promise<void>) => {
    setProblem(null);
    try {
      await act();
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
    }
  };
  const archive = () =>
    attempt(async () => {
      await sendJson('PUT', `/api/sites/${of.id}/head`, {
        version: of.version,
        archived: !archived,
      });
      say(archived ? `${name} is back.` : `${name} is archived: read only, under All sites.`);
      await changed();
    });
  const remove = () =>
    attempt(async () => {
      await sendJson('DELETE', `/api/sites/${of.id}`);
      say(`${name} is removed.`);
      await gone();
    });
  const removable = useOfTheHouse() && (!of.logged || madeUp);
  return (
    <div className="flex flex-col gap-3">
      <p className="text-ink2">
        {archived
          ? 'It is archived: it can be read and printed, and nothing is logged on it.'
          : 'Archived, a site is read only and off the list of those in use; it can be brought back.'}
      </p>
      <div className="flex flex-wrap gap-3">
        <button type="button" className="btn line" onClick={() => void archive()}>
          {archived ? 'Bring it back' : 'Archive'}
        </button>
        {removable && !asked && (
          <button
            type="button"
            className="btn warn"
            onClick={() => {
              setAsked(true);
            }}
          >
            Remove for good
          </button>
        )}
        {removable && asked && (
          <>
            <button type="button" className="btn warn" onClick={() => void remove()}>
              Yes, remove {name} and its pours
            </button>
            <button
              type="button"
              className="btn line"
              onClick={() => {
                setAsked(false);
              }}
            >
              Keep it
            </button>
          </>
        )}
      </div>
      {of.logged && !madeUp && (
        <p className="text-[14px] leading-[18px] text-ink2">
          Something was logged on it: it is not removed any more.
        </p>
      )}
      {problem && (
        <p role="alert" className="font-semibold text-chalk-t">
          {problem}
        </p>
      )}
    </div>
  );
}
