import { useState } from 'react';
import type { PourAnswer } from '../../contract/index.ts';
import { putOffOf } from '#core/check';
import { moneyText } from '#core/units';
import { pourDayMs } from '#core/weather';
import { PourFields, type PourHead } from './PourFields.tsx';
import type { PourDocWork } from './usePourDoc.ts';

/** Code, title, day, mix, plant, forms and hold points of a pour that is there. */
export function HeadPart({
  record,
  work,
  nowMs,
}: {
  record: PourAnswer;
  work: PourDocWork;
  nowMs: number;
}) {
  const { pour, site } = record;
  const [said, setSaid] = useState<Partial<PourHead>>({});
  const head: PourHead = { ...pour, ...said };
  const walls = site.runs.some((r) => r.kind === 'wall' && pour.elements.includes(r.id));
  const moved = said.date !== undefined && said.date !== pour.date;
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        const { forms: had, ...rest } = pour;
        const forms = 'forms' in said ? said.forms : had;
        const next = { ...rest, ...said };
        delete next.forms;
        void work
          .keep(forms === undefined ? next : { ...next, forms }, `${head.code} is changed.`)
          .then((kept) => {
            if (kept) setSaid({});
          });
      }}
    >
      <PourFields
        siteId={record.siteId}
        site={site}
        value={head}
        change={(over) => {
          setSaid((s) => ({ ...s, ...over }));
        }}
        walls={walls}
        nowMs={nowMs}
      />
      {moved && <MoveCost record={record} nowMs={nowMs} />}
      <button className="btn" disabled={Object.keys(said).length === 0}>
        Keep
      </button>
    </form>
  );
}

/** What it costs now to take the pour off its day, by what was called for it. */
function MoveCost({ record, nowMs }: { record: PourAnswer; nowMs: number }) {
  const { pour, site } = record;
  if (pour.date === null) return null;
  const dayMs = pourDayMs(pour.date, pour.settings.firstLoadMin, site.timeZone);
  const off = putOffOf(pour, (nowMs - dayMs) / 60_000);
  if (off.rows.length === 0)
    return <p className="text-ink2">Nothing was called for it: moving it costs nothing here.</p>;
  return (
    <div>
      <p className="font-semibold">
        {off.costNow > 0
          ? `Moving it now costs ${moneyText(off.costNow, site.currency)}.`
          : 'Moving it now costs nothing.'}
      </p>
      <ul className="rows mt-1">
        {off.rows.map((r) => (
          <li key={r.what} className="flex justify-between py-1.5">
            <span>{r.what}</span>
            <span className={r.free ? 'text-ink2' : 'font-semibold text-ochre-t'}>
              {r.free ? 'free still' : moneyText(r.cost, site.currency)}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[14px] text-ink2">
        The plant is told on Plan; here only the day is changed.
      </p>
    </div>
  );
}
