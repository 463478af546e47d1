import { type ChangeEvent, useState } from 'react';
import { movedBy, scaledTo, squaredBy } from '#core/siteplan';
import type { Spot } from '#core/model';
import type { UnitSystem } from '#core/units';
import { QuantityField } from '../ui/QuantityField.tsx';
import { useUnderlay } from './useUnderlay.ts';

/** What two presses on the plan are for. */
type UnderlayAct = 'scale' | 'square' | 'move';
export interface UnderlayTool {
  act: UnderlayAct;
  from: Spot | null;
  to: Spot | null;
}

const ASKS: Record<UnderlayAct, string> = {
  scale: 'Press both ends of a length that is written on the drawing.',
  square: 'Press two points of a line that is to lie level or upright.',
  move: 'Press a point of the drawing, then where it belongs.',
};
const ACTS: [UnderlayAct, string][] = [
  ['scale', 'Scale it'],
  ['square', 'Turn it square'],
  ['move', 'Move it'],
];

/** A photo or a page of the drawing under the plan: brought in, scaled by two points, turned square by two more. */
export default function UnderlayPanel({
  siteId,
  units,
  tool,
  setTool,
}: {
  siteId: string;
  units: UnitSystem;
  tool: UnderlayTool | null;
  setTool: (tool: UnderlayTool | null) => void;
}) {
  const { underlay, place, put, remove } = useUnderlay(siteId);
  if (!underlay) return <BringDrawing put={put} />;
  const { from, to } = tool ?? {};
  const flag = (name: 'shown' | 'onReport', words: string) => (
    <button
      type="button"
      className="chip"
      aria-pressed={underlay[name]}
      onClick={() => void place({ ...underlay, [name]: !underlay[name] })}
    >
      {words}
    </button>
  );
  const done = (next: typeof underlay) => {
    setTool(null);
    void place(next);
  };
  return (
    <section aria-label="Drawing under the plan" className="flex flex-col gap-3">
      <div className="flex flex-wrap gap-2">
        {flag('shown', 'shown')}
        {flag('onReport', 'on the report')}
        {ACTS.map(([act, words]) => (
          <button
            key={act}
            type="button"
            className="chip"
            aria-pressed={tool?.act === act}
            onClick={() => {
              setTool(tool?.act === act ? null : { act, from: null, to: null });
            }}
          >
            {words}
          </button>
        ))}
        <button
          type="button"
          className="chip text-chalk-t!"
          onClick={() => {
            setTool(null);
            void remove();
          }}
        >
          Take it away
        </button>
      </div>
      {tool && !(from && to) && (
        <p className="font-semibold">
          {ASKS[tool.act]}
          {from ? ' One is pressed.' : ''}
        </p>
      )}
      {tool && from && to && (
        <>
          {tool.act === 'scale' ? (
            <LengthBetween
              units={units}
              take={(lengthM) => {
                done(scaledTo(underlay, from, to, lengthM));
              }}
            />
          ) : (
            <button
              type="button"
              className="btn"
              onClick={() => {
                done(
                  tool.act === 'square'
                    ? squaredBy(underlay, from, to)
                    : movedBy(underlay, from, to),
                );
              }}
            >
              {tool.act === 'square' ? 'Turn it' : 'Move it there'}
            </button>
          )}
        </>
      )}
    </section>
  );
}

/** The length that is written between the two points. */
function LengthBetween({ units, take }: { units: UnitSystem; take: (lengthM: number) => void }) {
  const [lengthM, setLengthM] = useState<number | null>(null);
  return (
    <form
      className="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (lengthM !== null && lengthM > 0) take(lengthM);
      }}
    >
      <QuantityField
        label="between the two it is"
        quantity="M"
        units={units}
        value={lengthM}
        autoFocus
        onChange={setLengthM}
      />
      <button className="btn" disabled={lengthM === null || lengthM <= 0}>
        Scale it
      </button>
    </form>
  );
}

/** A photo, or a page of a PDF. */
function BringDrawing({ put }: { put: (bytes: Blob) => Promise<void> }) {
  const [pdf, setPdf] = useState<{
    pages: number;
    picture: (page: number) => Promise<Blob>;
  } | null>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const working = async (act: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    try {
      await act();
    } catch (e) {
      setProblem(
        e instanceof Error ? `That file cannot be read: ${e.message}` : 'That did not work.',
      );
    } finally {
      setBusy(false);
    }
  };
  const bring = (e: ChangeEvent<HTMLInputElement>) => {
    const file = e.target.files?.[0];
    e.target.value = '';
    if (!file) return;
    void working(async () => {
      if (file.type !== 'application/pdf') {
        await put(file);
        return;
      }
      const { openPdf } = await import('./pdf-page.ts');
      const doc = await openPdf(file);
      if (doc.pages === 1) await put(await doc.picture(1));
      else setPdf(doc);
    });
  };
  return (
    <section aria-label="Drawing under the plan" className="flex flex-wrap items-center gap-3">
      <label className="btn line cursor-pointer">
        {busy ? 'One moment' : 'Lay a drawing under the plan'}
        <input
          type="file"
          accept="image/*,application/pdf"
          className="sr-only"
          disabled={busy}
          onChange={bring}
        />
      </label>
      <span className="text-[14px] text-ink2">a photo, or a page of a PDF</span>
      {pdf && (
        <div className="flex w-full flex-wrap gap-2" role="group" aria-label="Which page">
          {Array.from({ length: Math.min(pdf.pages, MOST_PAGES) }, (_, i) => (
            <button
              key={i}
              type="button"
              className="chip"
              disabled={busy}
              onClick={() => void working(async () => put(await pdf.picture(i + 1)))}
            >
              page {i + 1}
            </button>
          ))}
        </div>
      )}
      {problem && (
        <p role="alert" className="w-full font-semibold text-chalk-t">
          {problem}
        </p>
      )}
    </section>
  );
}
/** Pages that are offered; a set with more is cut before. */
const MOST_PAGES = 60;
