import type { Verdict } from '#core/check';
import type { DrawnForms } from '#core/formwork';
import { lengthOf, type Run, type SitePlan, wallHeightM } from '#core/model';
import { distanceText } from '#core/units';
import { MarkAt, VERDICT_WORD } from '../ui/Mark.tsx';
import { TSpans } from '../ui/Text.tsx';
import { RunFace } from './RunFace.tsx';

/** A mark on the wall: where, what it says, and which one it is. */
export interface WallMark {
  key: string;
  atM: number;
  upM: number;
  verdict: Verdict;
  label: string;
  chosen: boolean;
}

interface Props {
  site: SitePlan;
  run: Run;
  width: number;
  height: number;
  marks: WallMark[];
  onPick?: (key: string) => void;
  /** Form system drawn over the wall: panel joints, walers and braces. */
  forms?: DrawnForms | null | undefined;
  /** What takes over beyond an end of the run, said on a flag. */
  flags?: { at: 'from' | 'to'; text: string }[];
  markSize?: number;
  bars?: boolean;
}

/** Drawn less high than this, px, a wall has no room for flags. */
const SMALL_PX = 110;

/**
 * One wall seen from inside, flat and to scale: bars at their spacing, openings cut out, bolts on
 * top, marks where they are read.
 */
export function ElevationDrawing({
  site,
  run,
  width,
  height,
  marks,
  onPick,
  forms,
  flags,
  markSize = 18,
  bars = true,
}: Props) {
  const lengthM = lengthOf(site, run);
  const footing = site.footingTypes.find((t) => t.mark === run.type);
  const heightM =
    run.topM !== undefined && run.kind === 'wall' ? wallHeightM(run) : (footing?.depthM ?? 0.3);
  if (width < 60 || height < 40 || lengthM <= 0) return null;
  const [padX, padTop, padBottom] = [22, 26, 22];
  // One scale both ways where the wall fits; a long low wall is drawn higher than it is, and says so.
  const px = (width - 2 * padX) / lengthM;
  const fit = (height - padTop - padBottom) / heightM;
  const py = Math.min(fit, px * Math.max(1, Math.min(4, (fit / px) * 0.98)));
  const stretch = py / px;
  const sx = px > py ? py : px;
  const left = (width - lengthM * sx) / 2;
  const base = padTop + (height - padTop - padBottom + heightM * py) / 2;
  // Seen from inside, as one stands between the forms and as the faces lie round the plan: the run
  // goes from right to left.
  const x = (m: number) => left + (lengthM - m) * sx;
  const y = (m: number) => base - m * py;
  const top = y(heightM);
  // On a wall drawn small a flag would cover what is read there: it is said beside the name of its end.
  const small = heightM * py < SMALL_PX;
  const told = (end: 'from' | 'to') =>
    flags
      ?.filter((f) => small && f.at === end)
      .map((f) => (
        <tspan key={end} className="b" style={{ fill: 'var(--ink)' }}>
          {end === 'to' ? '  ' : ''}
          <TSpans>{f.text}</TSpans>
          {end === 'from' ? '  ' : ''}
        </tspan>
      ));
  // Where marks stand on the foot of the wall, the word about its scale stands over it.
  const low =
    marks.some((m) => y(m.upM) > base - markSize) || (width < 480 && Boolean(told('from')?.length));
  return (
    <svg
      width={width}
      height={height}
      role="group"
      aria-label={`${run.id} unrolled, ${distanceText(lengthM, site.units)} long`}
    >
      <RunFace
        site={site}
        run={run}
        lengthM={lengthM}
        heightM={heightM}
        x={x}
        y={y}
        bars={bars}
        forms={forms}
      />
      <text x={left} y={base + 17} fontSize="14" className="q">
        {run.to}
        {told('to')}
      </text>
      <text x={x(0)} y={base + 17} fontSize="14" className="q" textAnchor="end">
        {told('from')}
        {run.from}
      </text>
      {stretch > 1.05 && px <= py && (
        <text
          x={x(lengthM / 2)}
          y={low ? top - 12 : base + 17}
          fontSize="14"
          className="q"
          textAnchor="middle"
        >{`heights drawn ${stretch.toFixed(1)} times`}</text>
      )}
      <Marks marks={marks} onPick={onPick} x={x} y={y} markSize={markSize} />
      {!small &&
        flags?.map((f) => {
          const end = f.at === 'from';
          const w = f.text.length * 7.6 + 16;
          return (
            <g
              key={f.at}
              transform={`translate(${end ? x(0) : left} ${top + 26}) ${end ? '' : 'scale(-1 1)'}`}
            >
              <path d={`M6 -14H${-w}l9 12l-9 12H6Z`} fill="var(--ink)" />
              <text
                x={end ? -w / 2 + 6 : w / 2 - 6}
                y="3"
                textAnchor="middle"
                fontSize="14"
                className="b"
                transform={end ? undefined : 'scale(-1 1)'}
                style={{ fill: 'var(--ground)' }}
              >
                <TSpans>{f.text}</TSpans>
              </text>
            </g>
          );
        })}
    </svg>
  );
}

/** Checks, each at its place. */
function Marks({
  marks,
  onPick,
  x,
  y,
  markSize,
}: {
  marks: WallMark[];
  onPick: ((key: string) => void) | undefined;
  x: (m: number) => number;
  y: (m: number) => number;
  markSize: number;
}) {
  return marks.map((m) => (
    <g
      key={m.key}
      role={onPick ? 'button' : undefined}
      tabIndex={onPick ? -1 : undefined}
      aria-label={`${m.label}: ${VERDICT_WORD[m.verdict]}`}
      data-mark={m.key}
      onClick={() => {
        onPick?.(m.key);
      }}
    >
      <circle cx={x(m.atM)} cy={y(m.upM)} r={Math.max(12, markSize * 0.9)} fill="transparent" />
      <MarkAt verdict={m.verdict} x={x(m.atM)} y={y(m.upM)} size={markSize} />
      {m.chosen && (
        <circle
          cx={x(m.atM)}
          cy={y(m.upM)}
          r={markSize * 0.85}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
      )}
    </g>
  ));
}
