import Papa from 'papaparse';
import { useState } from 'react';
import { useSWRConfig } from 'swr';
import { forecastColumns, readForecast } from '#core/exchange';
import { counted } from '#core/units';
import { useSite } from '../app/site-context.tsx';
import { LinesOrFile } from '../forms/LinesOrFile.tsx';
import { ApiProblem, sendJson } from '../sync/api.ts';
import { Sheet } from '../ui/Dialog.tsx';

/** A forecast of one's own: typed, pasted or from a file; a few lines are enough, and they rule over any service. */
export default function ForecastSheet({ onClose }: { onClose: () => void }) {
  const v = useSite();
  const { mutate } = useSWRConfig();
  const [text, setText] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const rows = Papa.parse<string[]>(text.trim()).data;
  const read = readForecast(text.trim() === '' ? [] : rows, v.site.timeZone, v.units);
  const send = async (hours: unknown) => {
    try {
      await sendJson('PUT', `/api/sites/${v.siteId}/forecast`, { hours });
      await mutate((key) => typeof key === 'string' && key.includes('/weather?'));
      onClose();
    } catch (e) {
      const issue = e instanceof ApiProblem ? e.problem.issues?.[0] : undefined;
      const said = e instanceof Error ? e.message : 'That did not work.';
      setRefused(issue ? `${issue.path} ${issue.message}.` : said);
    }
  };
  const take = (file: File) => {
    void file.text().then((t) => {
      setRefused(null);
      // JSON goes as it is: the server reads it by the same rules.
      if (file.name.endsWith('.json')) {
        try {
          const doc = JSON.parse(t) as { hours?: unknown };
          void send(Array.isArray(doc) ? doc : doc.hours);
        } catch {
          setRefused('That file is no JSON.');
        }
      } else setText(t);
    });
  };
  return (
    <Sheet open onClose={onClose} title="A forecast of your own">
      <p className="mb-2">
        A line an hour or a few a day: <b>{forecastColumns(v.units)}</b>. The last three may be left
        out; hours between are reckoned. Another unit is named over its column.
      </p>
      <LinesOrFile
        text={text}
        onText={setText}
        onFile={take}
        accept=".csv,.txt,.json"
        fileLabel="or a file, CSV or JSON"
        placeholder={
          v.units === 'us'
            ? '2026-09-24 06:00, 38, 85, 4, 0\n2026-09-24 12:00, 52, 60, 6, 0'
            : '2026-09-24 06:00, 3, 85, 6, 0\n2026-09-24 12:00, 11, 60, 10, 0'
        }
        problems={read.problems}
      />
      <ul className="my-2 flex flex-col gap-1">
        {refused && (
          <li className="font-semibold text-chalk-t" role="alert">
            {refused}
          </li>
        )}
      </ul>
      <button
        type="button"
        className="btn w-full"
        disabled={read.hours.length === 0 || read.problems.length > 0}
        onClick={() => void send(read.hours)}
      >
        Take {counted(read.hours.length, 'hour')}
      </button>
      <button
        type="button"
        className="mt-2 min-h-12 font-semibold text-press"
        onClick={() => void send([])}
      >
        Forget what was brought in
      </button>
    </Sheet>
  );
}
