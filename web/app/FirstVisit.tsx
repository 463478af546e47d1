import { useState } from 'react';
import { FIRST_VISIT, type HelpId } from '#core/words';

const KEY = 'jactum-visited';
const visited = (): string[] => {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as string[];
  } catch {
    return [];
  }
};
/** Whether a station has its three questions to tell still. */
const firstVisit = (of: HelpId): boolean =>
  FIRST_VISIT[of] !== undefined && !visited().includes(of);

/** On the first visit of a station: where its three questions are answered. Once, and skippable for all. */
export default function FirstVisit({ of }: { of: HelpId }) {
  const [open, setOpen] = useState(() => firstVisit(of));
  const lines = FIRST_VISIT[of];
  if (!open || !lines) return null;
  const seen = (ids: readonly string[]) => {
    localStorage.setItem(KEY, JSON.stringify([...new Set([...visited(), ...ids])]));
    setOpen(false);
  };
  return (
    <section aria-label="Where to look" className="mb-3 border-2 border-press bg-press-2 p-3">
      <ul>
        {lines.map((line) => {
          const [head = '', rest = ''] = line.split(/: (.*)/);
          return (
            <li key={line} className="py-0.5 leading-6">
              <b className="font-semibold">{head}:</b> {rest}
            </li>
          );
        })}
      </ul>
      <div className="mt-2 flex gap-2">
        <button
          type="button"
          className="btn flex-1"
          onClick={() => {
            seen([of]);
          }}
        >
          Seen
        </button>
        <button
          type="button"
          className="btn line flex-1"
          onClick={() => {
            seen(Object.keys(FIRST_VISIT));
          }}
        >
          Not on any station
        </button>
      </div>
    </section>
  );
}
