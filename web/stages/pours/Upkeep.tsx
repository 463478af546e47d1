import { HardDrive } from 'lucide-react';
import useSWR from 'swr';
import type { UpkeepAnswer } from '../../../contract/index.ts';
import { getJson } from '../../sync/api.ts';

const AGAIN_MS = 600_000;

/** What the foreman of a server has to know of its disk and its backups: nothing while both are as they should be. */
export default function Upkeep() {
  const { data } = useSWR<UpkeepAnswer, Error>('/api/upkeep', getJson, {
    refreshInterval: AGAIN_MS,
  });
  if (!data || (!data.low && data.problem === null)) return null;
  const last =
    data.lastBackup === null
      ? 'There is no backup yet.'
      : `The last backup is of ${data.lastBackup}.`;
  return (
    <p role="status" className="flex items-start gap-3 py-3 font-semibold text-chalk-t">
      <HardDrive size={22} aria-hidden="true" className="shrink-0" />
      <span>
        {data.low && `The disk of the server has ${data.freeMb} MB left: make room on it. `}
        {data.problem !== null && `No backup could be made: ${data.problem} ${last}`}
      </span>
    </p>
  );
}
