import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { sayWrong } from '../ui/say.ts';
import type { PourAnswer, SiteVersion } from '../../contract/index.ts';
import type { Drawn } from '#core/siteplan';
import { sendJson } from '../sync/api.ts';
import { localDb } from '../sync/local-db.ts';

/** What of a path says where it is: the name of the run, node or type it lies in. */
function nameOf(record: PourAnswer, path: string): string {
  const [list = '', index = ''] = path.split('.');
  const items = (record.site as unknown as Record<string, unknown>)[list];
  const item = Array.isArray(items)
    ? (items[Number(index)] as { id?: string; mark?: string } | undefined)
    : undefined;
  return item?.id ?? item?.mark ?? list;
}

/** A site that cannot be drawn as it stands: what is wrong, where, and the last act on this device to take back. */
export default function SiteFaults({
  record,
  reread,
}: {
  record: PourAnswer;
  reread: () => Promise<unknown>;
}) {
  const [undo, setUndo] = useState<Drawn[]>([]);
  useEffect(() => {
    void localDb()
      .then((db) => db.get('undo', record.siteId))
      .then((row) => {
        setUndo(row?.undo ?? []);
      });
  }, [record.siteId]);
  const takeBack = async () => {
    const plan = undo.at(-1);
    if (!plan) return;
    try {
      await sendJson<SiteVersion>('PUT', `/api/sites/${record.siteId}/plan`, {
        version: record.siteVersion,
        plan,
      });
      const row = {
        siteId: record.siteId,
        version: record.siteVersion + 1,
        undo: undo.slice(0, -1),
        redo: [],
      };
      await (await localDb()).put('undo', row);
      await reread();
    } catch (e) {
      sayWrong(e instanceof Error ? e.message : 'That did not work.');
    }
  };
  return (
    <main className="mx-auto flex max-w-[80ch] flex-col gap-4 p-6">
      <h1 className="big text-[40px] leading-[44px]">{record.site.name} cannot be drawn</h1>
      <p className="text-[18px] leading-6">
        Something in it is outside what can be built. Nothing is lost: the log stands, and the plan
        is kept as it is until it is put right.
      </p>
      <ul className="rows border-y border-hair">
        {record.faults?.map((f) => (
          <li key={`${f.path} ${f.message}`} className="py-2">
            <b className="font-semibold">{nameOf(record, f.path)}</b>{' '}
            <span className="font-mono text-ink2">{f.path}</span> {f.message}
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-3">
        <button
          type="button"
          className="btn"
          disabled={undo.length === 0}
          onClick={() => void takeBack()}
        >
          Take back the last change
        </button>
        <a className="btn line" href={`/api/sites/${record.siteId}/export`} download>
          Save the site as a file
        </a>
        <Link className="btn line" to="/">
          Pours
        </Link>
      </div>
      {undo.length === 0 && (
        <p className="text-ink2">
          This device changed nothing that could be taken back. Save the file, put the figure right
          in it, and bring it in again.
        </p>
      )}
    </main>
  );
}
