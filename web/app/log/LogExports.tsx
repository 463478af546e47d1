import { useState } from 'react';
import { counted } from '#core/units';
import type { VerifyAnswer } from '../../../contract/api.ts';
import { getJson } from '../../sync/api.ts';
import { usePour } from '../pour-context.tsx';

/** The log in open formats, whole and verifiable or as tables; and whether its chain holds. */
export function LogExports() {
  const { record } = usePour();
  const [said, setSaid] = useState<string | null>(null);
  const file = (name: string, words: string) => (
    <a className="btn line" href={`/api/pours/${record.id}/${name}`} download>
      {words}
    </a>
  );
  const verify = async () => {
    try {
      const v = await getJson<VerifyAnswer>(`/api/pours/${record.id}/verify`);
      setSaid(
        v.ok
          ? `The chain holds over ${counted(v.rows, 'entry', 'entries')}: ${v.lastHash.slice(0, 12)}…`
          : `The chain is broken: line ${v.line} ${v.message}.`,
      );
    } catch (e) {
      setSaid(e instanceof Error ? e.message : 'That did not work.');
    }
  };
  return (
    <div className="mt-4 flex flex-wrap items-center gap-2">
      {file('log.jsonl', 'Log, JSONL')}
      {file('log.csv', 'Log, CSV')}
      {file('loads.csv', 'Loads, CSV')}
      <button type="button" className="btn line" onClick={() => void verify()}>
        Verify
      </button>
      {said && (
        <p className="w-full" role="status" data-verified>
          {said}
        </p>
      )}
    </div>
  );
}
