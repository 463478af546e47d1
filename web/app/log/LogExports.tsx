import { usePour } from '../pour-context.tsx';

/** The log in open formats: whole and verifiable, or as tables. */
export function LogExports() {
  const { record } = usePour();
  const file = (name: string, words: string) => (
    <a className="btn line" href={`/api/pours/${record.id}/${name}`} download>
      {words}
    </a>
  );
  return (
    <div className="mt-4 flex flex-wrap gap-2">
      {file('log.jsonl', 'Log, JSONL')}
      {file('log.csv', 'Log, CSV')}
      {file('loads.csv', 'Loads, CSV')}
    </div>
  );
}
