import { useState } from 'react';
import type { SiteAnswer, SiteFile } from '../../contract/index.ts';
import { LISTS, merged, mergeRows, type MergeRow, offeredRows, rowName } from '#core/begin';
import { counted } from '#core/units';
import { sendJson } from '../sync/api.ts';
import { say } from '../ui/say.ts';

const STANDING: Record<MergeRow['standing'], string> = {
  new: 'new',
  same: 'here already',
  other: 'stands in the place of yours',
};

/** Everything another site has, thing by thing: what is pressed is taken, what has a namesake here says so. */
export function MergeRows({
  into,
  from,
  done,
}: {
  into: SiteAnswer<SiteFile>;
  from: SiteFile;
  done: () => void;
}) {
  const rows = mergeRows(into.site, from);
  const [taken, setTaken] = useState(() => new Set(offeredRows(rows)));
  const [problem, setProblem] = useState<string | null>(null);
  const toggle = (name: string) => {
    const next = new Set(taken);
    if (!next.delete(name)) next.add(name);
    setTaken(next);
  };
  const take = async () => {
    setProblem(null);
    try {
      await sendJson('PUT', `/api/sites/${into.id}/resources`, {
        version: into.version,
        ...merged(into.site, from, taken),
      });
      say(`${counted(taken.size, 'thing')} taken over.`);
      done();
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
    }
  };
  const chip = (name: string, text: string, standing: string, idle: boolean) => (
    <button
      key={name}
      type="button"
      className="chip flex-col items-start gap-0!"
      aria-pressed={taken.has(name)}
      disabled={idle}
      onClick={() => {
        toggle(name);
      }}
    >
      {text}
      <span className="text-[14px] font-normal leading-4">{standing}</span>
    </button>
  );
  return (
    <>
      {LISTS.map(({ name, words }) => {
        const own = rows.filter((r) => r.list === name);
        return own.length === 0 ? null : (
          <section key={name} className="mb-3" aria-label={words}>
            <h3 className="head mb-1 first-letter:uppercase">{words}</h3>
            <div className="flex flex-wrap gap-2">
              {own.map((r) =>
                chip(
                  rowName(r),
                  r.key,
                  r.onlyUsual && r.standing === 'other' ? 'over a usual one' : STANDING[r.standing],
                  r.standing === 'same',
                ),
              )}
            </div>
          </section>
        );
      })}
      {from.prices && <div className="mb-3">{chip('prices', 'Prices', 'over yours', false)}</div>}
      {problem && (
        <p role="alert" className="mb-2 font-semibold text-chalk-t">
          {problem}
        </p>
      )}
      <button
        type="button"
        className="btn w-full"
        disabled={taken.size === 0}
        onClick={() => void take()}
      >
        Take over {counted(taken.size, 'thing')}
      </button>
    </>
  );
}
