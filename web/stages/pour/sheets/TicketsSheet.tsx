import Papa from 'papaparse';
import { useState } from 'react';
import { readTickets, type Ticket } from '#core/exchange';
import { counted, textOf, timeOfDay, loadVolume, volume } from '#core/units';
import { localDate } from '#core/weather';
import { usePour } from '../../../app/pour-context.tsx';
import { LinesOrFile } from '../../../forms/LinesOrFile.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { T } from '../../../ui/Text.tsx';

/** Tickets of the plant from a file or pasted: each is logged as the load it is, at the time it was here. */
export function TicketsSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const [text, setText] = useState('');
  const [busy, setBusy] = useState(false);
  const { site, pour } = v.record;
  const read = readTickets(text.trim() === '' ? [] : Papa.parse<string[]>(text.trim()).data, {
    timeZone: site.timeZone,
    date: pour.date ?? localDate(v.nowMs, site.timeZone),
    units: v.units,
  });
  const known = new Set(v.loads.flatMap((l) => l.ticket ?? []));
  const fresh = read.tickets.filter((t) => !known.has(t.ticket) && t.hereMs <= v.nowMs);
  const rest = read.tickets.length - fresh.length;
  const take = async () => {
    setBusy(true);
    try {
      for (const t of withLoads(fresh, v.loads))
        await v.write(
          'load-arrived',
          {
            loadId: t.loadId,
            ticket: t.ticket,
            volumeM3: t.volumeM3,
            batchedAt: new Date(t.batchedMs).toISOString(),
            ...(t.concreteTempC === null ? {} : { concreteTempC: t.concreteTempC }),
          },
          { atMs: t.hereMs },
        );
      onClose();
    } catch {
      // What could not be kept is told by whoever writes; what was kept is no longer fresh.
    } finally {
      setBusy(false);
    }
  };
  return (
    <Sheet open onClose={onClose} title="Tickets of the plant">
      <p className="mb-2">
        A line a load: load, ticket, volume in {volume(0, v.units).unit}, batched, here, and the
        concrete’s temperature where it was read. Times as 07:42.
      </p>
      <LinesOrFile
        text={text}
        onText={setText}
        onFile={(file) => {
          void file.text().then(setText);
        }}
        accept=".csv,.txt"
        fileLabel="or a file, CSV"
        placeholder="1, 88210, 9.5, 07:05, 07:38, 68"
        problems={read.problems}
      />
      <ul className="my-2 flex flex-col gap-1">
        {fresh.map((t) => (
          <li key={t.ticket}>
            <T>{`${t.ticket}, ${textOf(loadVolume(t.volumeM3, v.units))}, here ${timeOfDay(t.hereMs, site.timeZone)}`}</T>
          </li>
        ))}
        {rest > 0 && (
          <li className="text-ink2">{counted(rest, 'line')} known already or not here yet.</li>
        )}
      </ul>
      <button
        type="button"
        className="btn w-full"
        disabled={busy || fresh.length === 0 || read.problems.length > 0}
        onClick={() => void take()}
      >
        Log {counted(fresh.length, 'load')}
      </button>
    </Sheet>
  );
}

/** Which load each ticket is: as it says, else the next that has not come. */
function withLoads(
  tickets: readonly Ticket[],
  loads: readonly { id: string; arrivedAt: string | null }[],
): (Ticket & { loadId: string })[] {
  const here = new Set(loads.filter((l) => l.arrivedAt !== null).map((l) => l.id));
  let beyond = loads.length;
  return [...tickets]
    .sort((a, b) => a.hereMs - b.hereMs)
    .map((t) => {
      const own = t.loadId !== null && !here.has(t.loadId) ? t.loadId : undefined;
      let loadId = own ?? loads.find((l) => !here.has(l.id))?.id;
      while (loadId === undefined || here.has(loadId)) {
        beyond += 1;
        loadId = `L${beyond}`;
      }
      here.add(loadId);
      return { ...t, loadId };
    });
}
