import type { ParseError } from 'jsonc-parser';
import { useState, type ChangeEvent } from 'react';
import useSWR, { mutate as mutateAll } from 'swr';
import type { SiteSummary } from '../../../contract/index.ts';
import { ApiProblem, getJson, sendJson } from '../../sync/api.ts';
import { lazily } from '../../ui/lazily.tsx';

const BringSheet = lazily(() => import('./BringSheet.tsx'));

/** What is said of a file that was brought in: a sentence, and every place it is about. */
interface Told {
  text: string;
  issues: { path: string; message: string }[];
}

function FileNotice({ told }: { told: Told }) {
  return (
    <div role="alert" className="w-full max-w-[90ch] sm:col-span-full">
      <p className="font-semibold text-chalk-t">{told.text}</p>
      {told.issues.length > 0 && (
        <ul className="rows mt-1 max-h-[40vh] overflow-y-auto">
          {told.issues.map((i) => (
            <li key={`${i.path} ${i.message}`} className="py-1">
              <b className="font-mono">{i.path}</b> {i.message}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** Reads the file, or says on which line it stops being JSON. */
async function parsed(text: string, name: string): Promise<unknown> {
  const { parse } = await import('jsonc-parser');
  const errors: ParseError[] = [];
  const value: unknown = parse(text, errors, { allowTrailingComma: false, disallowComments: true });
  const first = errors[0];
  if (first)
    throw new Error(
      `${name} is not JSON: something is wrong on line ${text.slice(0, first.offset).split('\n').length}. Nothing was stored.`,
    );
  return value;
}

/** Everything that was read of sites and pours. */
const ofSites = (key: unknown): boolean =>
  typeof key === 'string' && /^\/api\/(sites|pours)/.test(key);

/** Brings a site in from its file. @param done hears the id of the site that is in */
export function BringSite({ done }: { done: (siteId: string) => void }) {
  const [problem, setProblem] = useState<Told | null>(null);
  const { data: sites } = useSWR<SiteSummary[], Error>('/api/sites', getJson);
  const [read, setRead] = useState<{ raw: unknown; at: number } | null>(null);
  const attempt = async (act: () => Promise<void>) => {
    setProblem(null);
    try {
      await act();
    } catch (x) {
      setProblem({
        text: x instanceof Error ? x.message : 'That file could not be read.',
        issues: x instanceof ApiProblem ? (x.problem.issues ?? []) : [],
      });
    }
  };
  const store = (raw: unknown) =>
    attempt(async () => {
      setRead(null);
      const { id, warnings } = await sendJson<{ id: string; warnings: Told['issues'] }>(
        'POST',
        '/api/sites/import',
        raw,
      );
      await Promise.all([mutateAll('/api/sites'), mutateAll('/api/pours')]);
      done(id);
      if (warnings.length > 0)
        setProblem({ text: 'The site is in. Of its file this was left out:', issues: warnings });
    });
  const bring = (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = '';
    if (!file) return;
    void attempt(async () => {
      const raw = await parsed(await file.text(), file.name);
      // Where there are sites it may be meant for one of them: that is asked.
      if (sites?.length) setRead({ raw, at: performance.now() });
      else await store(raw);
    });
  };
  return (
    <>
      <label className="btn line cursor-pointer">
        Bring in a site file
        <input type="file" accept=".json,application/json" className="sr-only" onChange={bring} />
      </label>
      {problem && <FileNotice told={problem} />}
      {read && (
        <BringSheet
          key={read.at}
          raw={read.raw}
          sites={sites ?? []}
          own={() => void store(read.raw)}
          merged={(id) => {
            setRead(null);
            void mutateAll(ofSites);
            done(id);
          }}
          onClose={() => {
            setRead(null);
          }}
        />
      )}
    </>
  );
}
