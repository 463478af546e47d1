import { useState, type SubmitEvent } from 'react';
import { type Trade, TRADES, WHOLE_POUR } from '#core/check';
import { parseMeasure } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { Sheet } from '../../ui/Dialog.tsx';

type Kind = 'eye' | 'count' | 'size';
const KIND: Record<Kind, string> = { eye: 'look at', count: 'count', size: 'measure' };

/** Something to check that the plan does not ask for. */
export function ItemSheet({ elementId, onClose }: { elementId: string; onClose: () => void }) {
  const v = usePour();
  const [title, setTitle] = useState('');
  const [trade, setTrade] = useState<Trade>(elementId === WHOLE_POUR ? 'access' : 'forms');
  const [kind, setKind] = useState<Kind>('eye');
  const [wanted, setWanted] = useState('');
  const [off, setOff] = useState('');
  const [places, setPlaces] = useState('1');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    const n = Number(places);
    if (!title.trim()) {
      setProblem('Say what is to be checked.');
      return;
    }
    if (!Number.isInteger(n) || n < 1 || n > 50) {
      setProblem('From 1 to 50 readings.');
      return;
    }
    const size = parseMeasure(wanted, v.units);
    const tolerance = parseMeasure(off || '0', v.units);
    if (kind === 'size' && !size.ok) {
      setProblem(`Wanted: ${size.message}`);
      return;
    }
    if (kind === 'size' && !tolerance.ok) {
      setProblem(`More or less: ${tolerance.message}`);
      return;
    }
    if (kind === 'count' && !/^\d{1,4}$/.test(wanted.trim())) {
      setProblem('Wanted: a whole number.');
      return;
    }
    const offMm = tolerance.ok ? tolerance.mm : 0;
    const bodies = {
      eye: { type: 'eye' as const },
      count: { type: 'count' as const, wanted: Number(wanted) },
      size: {
        type: 'size' as const,
        wantedMm: size.ok ? size.mm : 0,
        minusMm: offMm,
        plusMm: offMm,
      },
    };
    const body = bodies[kind];
    void v
      .write('item', { elementId, title: title.trim(), trade, wanted: body, places: n })
      .then(onClose);
  };
  return (
    <Sheet open onClose={onClose} title={`Add to the list, ${v.elementName(elementId)}`}>
      <form className="flex flex-col gap-3" onSubmit={submit}>
        <label>
          What
          <input
            className="field mt-1"
            maxLength={80}
            value={title}
            onChange={(e) => {
              setTitle(e.target.value);
            }}
          />
        </label>
        <div className="flex flex-wrap gap-2" role="group" aria-label="Trade">
          {TRADES.map((t) => (
            <button
              key={t}
              type="button"
              className="chip"
              aria-pressed={t === trade}
              onClick={() => {
                setTrade(t);
              }}
            >
              {t}
            </button>
          ))}
        </div>
        <div className="flex gap-2" role="group" aria-label="How it is read">
          {(Object.keys(KIND) as Kind[]).map((k) => (
            <button
              key={k}
              type="button"
              className="chip flex-1 justify-center"
              aria-pressed={k === kind}
              onClick={() => {
                setKind(k);
              }}
            >
              {KIND[k]}
            </button>
          ))}
        </div>
        <Sizes kind={kind} wanted={wanted} setWanted={setWanted} off={off} setOff={setOff} />
        <label>
          How many readings
          <input
            className="field mt-1"
            inputMode="numeric"
            value={places}
            onChange={(e) => {
              setPlaces(e.target.value);
            }}
          />
        </label>
        {problem && (
          <p role="alert" className="font-semibold text-chalk-t">
            {problem}
          </p>
        )}
        <button className="btn">Add it</button>
      </form>
    </Sheet>
  );
}

/** What it is to measure or count. */
function Sizes({
  kind,
  wanted,
  setWanted,
  off,
  setOff,
}: {
  kind: Kind;
  wanted: string;
  setWanted: (text: string) => void;
  off: string;
  setOff: (text: string) => void;
}) {
  return (
    kind !== 'eye' && (
      <div className="grid grid-cols-2 gap-2">
        <label>
          Wanted
          <input
            className="field mt-1"
            value={wanted}
            inputMode={kind === 'count' ? 'numeric' : 'text'}
            onChange={(e) => {
              setWanted(e.target.value);
            }}
          />
        </label>
        {kind === 'size' && (
          <label>
            More or less
            <input
              className="field mt-1"
              value={off}
              onChange={(e) => {
                setOff(e.target.value);
              }}
            />
          </label>
        )}
      </div>
    )
  );
}
