import { wrap } from 'comlink';
import Papa from 'papaparse';
import { useRef, useState, type ChangeEvent } from 'react';
import { SCHEDULE_COLUMNS } from '#core/exchange';
import { Sheet } from '../../ui/Dialog.tsx';
import { usePlan } from '../../app/pour-context.tsx';
import type { DrawingRead, DxfWorker } from '../../workers/dxf.worker.ts';
import { DrawingImport } from './import/DrawingImport.tsx';
import { ScheduleImport } from './import/ScheduleImport.tsx';

/** Larger than this no plan of a foundation is, bytes. */
const MOST_BYTES = 60 * 1024 * 1024;

/** Brings in a schedule (pasted, CSV) or a drawing (DXF): looked at first, stored only then. */
export default function ImportSheet({ onClose }: { onClose: () => void }) {
  const { on } = usePlan();
  const [table, setTable] = useState<string[][] | null>(null);
  const [drawing, setDrawing] = useState<{ name: string; read: DrawingRead } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const worker = useRef<Worker | null>(null);
  const look = (raw: string) => {
    // A spreadsheet on the clipboard has tabs; files have commas or semicolons. The parser finds out.
    const parsed = Papa.parse<string[]>(raw.replace(/^\uFEFF/, '').trim(), {
      skipEmptyLines: 'greedy',
    });
    setTable(parsed.data.map((r) => r.map((c) => c.trim())));
  };
  const chosen = async (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = '';
    if (!file) return;
    setProblem(null);
    if (file.size > MOST_BYTES) {
      setProblem(`${file.name} has ${Math.round(file.size / 1_048_576)} MB; 60 MB is the most.`);
      return;
    }
    if (/\.json$/i.test(file.name)) {
      setProblem('A site file is a site of its own: bring it in on the list of pours.');
      return;
    }
    const content = await file.text();
    if (!/\.dxf$/i.test(file.name)) {
      look(content);
      return;
    }
    setBusy(file.name);
    worker.current = new Worker(new URL('../../workers/dxf.worker.ts', import.meta.url), {
      type: 'module',
    });
    try {
      setDrawing({ name: file.name, read: await wrap<DxfWorker>(worker.current).read(content) });
    } catch (x) {
      setProblem(x instanceof Error ? x.message : 'That drawing could not be read.');
    } finally {
      worker.current.terminate();
      setBusy(null);
    }
  };
  const cancel = () => {
    worker.current?.terminate();
    setBusy(null);
  };
  const within = () => {
    if (!on) return <p>One moment.</p>;
    if (drawing) return <DrawingImport read={drawing.read} onDone={onClose} />;
    if (table)
      return (
        <ScheduleImport
          table={table}
          onBack={() => {
            setTable(null);
          }}
          onDone={onClose}
        />
      );
    if (busy)
      return (
        <p className="flex items-center gap-4 text-[18px]">
          Reading {busy}.
          <button type="button" className="btn line" onClick={cancel}>
            Stop
          </button>
        </p>
      );
    return <Source problem={problem} onFile={(e) => void chosen(e)} onText={look} />;
  };
  const title = table ? 'Schedule' : 'Bring in';
  return (
    <Sheet open onClose={onClose} title={drawing?.name ?? title} wide>
      {within()}
    </Sheet>
  );
}

/** Where it comes from: a file, or cells pasted from a spreadsheet. */
function Source({
  problem,
  onFile,
  onText,
}: {
  problem: string | null;
  onFile: (e: ChangeEvent<HTMLInputElement>) => void;
  onText: (text: string) => void;
}) {
  const [text, setText] = useState('');
  return (
    <div className="flex flex-col gap-4">
      <label className="btn cursor-pointer">
        Schedule (CSV) or drawing (DXF)
        <input type="file" accept=".csv,.tsv,.txt,.dxf" className="sr-only" onChange={onFile} />
      </label>
      {problem && (
        <p role="alert" className="font-semibold text-chalk-t">
          {problem}
        </p>
      )}
      <label>
        Or paste cells of a spreadsheet, with the names of the columns in the first row
        <textarea
          className="field mt-1 font-mono! text-[14px]!"
          rows={6}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
          }}
        />
      </label>
      <p className="text-[14px] leading-[18px] text-ink2">
        Columns: {SCHEDULE_COLUMNS.join(', ')}. A footing needs mark, width, depth and along; a wall
        mark, thickness (as width), upright and level bars.
      </p>
      <button
        type="button"
        className="btn line"
        disabled={!text.trim()}
        onClick={() => {
          onText(text);
        }}
      >
        Look at it
      </button>
    </div>
  );
}
