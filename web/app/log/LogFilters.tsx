import { LOG_GROUPS, type LogQuery } from '#core/log';

/** What is looked for in the log: words, kind, who and where. */
export function LogFilters({
  query,
  set,
  actors,
  places,
}: {
  query: LogQuery;
  set: (q: LogQuery) => void;
  actors: readonly string[];
  places: readonly string[];
}) {
  const choose = (name: 'actor' | 'place', label: string, of: readonly string[]) => (
    <label>
      {label}
      <select
        className="field mt-1"
        value={query[name] ?? ''}
        onChange={(e) => {
          set({ ...query, [name]: e.target.value || null });
        }}
      >
        <option value="">all</option>
        {of.map((o) => (
          <option key={o}>{o}</option>
        ))}
      </select>
    </label>
  );
  return (
    <div className="mb-3 flex flex-col gap-2">
      <div className="grid grid-cols-[1fr_auto_auto] gap-2 max-sm:grid-cols-2">
        <label className="max-sm:col-span-2">
          Words
          <input
            type="search"
            className="field mt-1"
            value={query.words}
            maxLength={80}
            onChange={(e) => {
              set({ ...query, words: e.target.value });
            }}
          />
        </label>
        {choose('actor', 'Who', actors)}
        {choose('place', 'Where', places)}
      </div>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Kind of entry">
        {LOG_GROUPS.map((g) => (
          <button
            key={g}
            type="button"
            className="chip"
            aria-pressed={query.group === g}
            onClick={() => {
              set({ ...query, group: query.group === g ? null : g });
            }}
          >
            {g}
          </button>
        ))}
      </div>
    </div>
  );
}
