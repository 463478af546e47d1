import { useState } from 'react';
import { lineStations } from '#core/check';
import { entries } from '#core/log';
import { attempt } from '#core/kit';
import { straightness } from '#core/setout';
import { lengthOf } from '#core/model';
import { distanceText, lengthText } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { readQuantity } from '../../ui/quantity-text.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';

/** A string line along a run: offsets of the form from it, drawn exaggerated. */
export function LinePanel({ id }: { id: string }) {
  const v = usePour();
  const [boxRef, box] = useSize();
  const run = v.record.site.runs.find((r) => r.id === id);
  const lengthM = run ? lengthOf(v.record.site, run) : 0;
  const at = lineStations(
    lengthM,
    v.points.find((p) => p.point.kind === 'line' && p.point.elementId === id)?.point,
  );
  const [typedText, setText] = useState<string[]>([]);
  const text = at.map((_, i) => typedText[i] ?? '');
  const [block, setBlock] = useState<number | null>(v.units === 'us' ? 38.1 : 40);
  if (!run || lengthM <= 0) return null;
  const read = text.map((t) => readQuantity(t, 'Mm', v.units, false));
  const typed = read.flatMap((mm, i) =>
    mm !== null && !Number.isNaN(mm)
      ? [{ atM: at[i] ?? 0, offsetMm: Number((mm - (block ?? 0)).toFixed(4)) }]
      : [],
  );
  const kept =
    entries(v.state, 'line').findLast((e) => e.body.elementId === id)?.body.offsets ?? [];
  const shown = typed.length >= 2 ? typed : kept;
  const toleranceMm = v.rules.value('straight');
  // The calculation takes readings past a block: any block does, as long as no reading falls below it.
  const gaugeMm = Math.max(block ?? 0, ...shown.map((o) => -o.offsetMm));
  const input = {
    gaugeMm,
    readings: shown.map((o) => ({ stationM: o.atM, readingMm: o.offsetMm + gaugeMm })),
    toleranceMm,
  };
  const worked = shown.length >= 2 ? attempt(straightness, input).done?.result : undefined;
  const worst = Math.abs(worked?.worstMm ?? 0);
  const half = 26;
  const y = (mm: number) => 40 - (mm / Math.max(worst, toleranceMm * 1.6)) * half;
  const x = (m: number) => 10 + (m / lengthM) * (box.width - 20);
  return (
    <section
      aria-label={`String line of ${id}`}
      className="flex flex-col gap-2 border-t-2 border-ink pt-3"
    >
      <h2 className="head">String line of {id}</h2>
      <p className="text-ink2">
        From the string to the form, at the ends and where the check wants it: it counts there. The
        string runs outside, past blocks; more than the block is in, less is out.
      </p>
      <QuantityField
        label="Block"
        quantity="Mm"
        units={v.units}
        value={block}
        onChange={setBlock}
      />
      <div className="grid grid-cols-[repeat(auto-fill,minmax(84px,1fr))] gap-2">
        {text.map((t, i) => (
          <label key={i}>
            <T>{distanceText(at[i] ?? 0, v.units)}</T>
            <input
              className="field mt-0.5 px-2!"
              value={t}
              aria-invalid={read[i] !== null && Number.isNaN(read[i])}
              onChange={(e) => {
                setText(text.map((o, k) => (k === i ? e.target.value : o)));
              }}
            />
          </label>
        ))}
      </div>
      <OffsetDrawing
        boxRef={boxRef}
        box={box}
        shown={shown}
        worst={worst}
        y={y}
        toleranceMm={toleranceMm}
        x={x}
      />
      {worked && (
        <p
          className={worked.ok ? 'font-semibold text-good-t' : 'font-semibold text-chalk-t'}
          data-line={worked.ok}
        >
          <FigureWithWorking name="the line" id="straightness" input={input}>
            <T>{`Worst ${lengthText(worst, v.units)} off the string, ${distanceText(worked.worstAtM, v.units)} from ${run.from}`}</T>
          </FigureWithWorking>
          <T>{`; bow ${lengthText(Math.abs(worked.bowMm), v.units)}. ${lengthText(toleranceMm, v.units)} is taken.`}</T>
        </p>
      )}
      <button
        type="button"
        className="btn line"
        disabled={typed.length < 2}
        onClick={() => {
          void v.write('line', { elementId: id, offsets: typed }).then(() => {
            setText([]);
          });
        }}
      >
        Log the line
      </button>
    </section>
  );
}

/** The string and how far off it each reading stands, enlarged. */
function OffsetDrawing({
  boxRef,
  box,
  shown,
  worst,
  y,
  toleranceMm,
  x,
}: {
  boxRef: (el: Element | null) => (() => void) | undefined;
  box: { width: number; height: number };
  shown: { atM: number; offsetMm: number }[];
  worst: number;
  y: (mm: number) => number;
  toleranceMm: number;
  x: (m: number) => number;
}) {
  const v = usePour();
  return (
    <div ref={boxRef} className="h-20">
      {box.width > 50 && (
        <svg
          width={box.width}
          height="80"
          role="img"
          aria-label={
            shown.length ? `Worst ${lengthText(worst, v.units)} off the string` : 'No offsets yet'
          }
        >
          <rect
            x="10"
            y={y(toleranceMm)}
            width={box.width - 20}
            height={y(-toleranceMm) - y(toleranceMm)}
            fill="var(--good-2)"
          />
          <path
            d={`M10 40H${box.width - 10}`}
            stroke="var(--chalk)"
            strokeWidth="1.5"
            strokeDasharray="6 4"
          />
          {shown.length > 1 && (
            <path
              d={shown.map((o, i) => `${i ? 'L' : 'M'}${x(o.atM)} ${y(o.offsetMm)}`).join('')}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="2.5"
            />
          )}
          {shown.map((o) => (
            <circle
              key={o.atM}
              cx={x(o.atM)}
              cy={y(o.offsetMm)}
              r="4"
              fill={Math.abs(o.offsetMm) <= toleranceMm + 1e-9 ? 'var(--good)' : 'var(--chalk)'}
            />
          ))}
        </svg>
      )}
    </div>
  );
}
