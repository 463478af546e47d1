import { typeChanges } from '#core/check';
import type { SitePlan } from '#core/model';
import { type Strip, unroll, type Unrolled, unrolledRows } from '#core/siteplan';
import { distanceText, level } from '#core/units';
import { TSpans } from '../ui/Text.tsx';
import { Dimension } from './Dimension.tsx';
import { flagText } from './flag-text.ts';
import { RunFace } from './RunFace.tsx';

interface Props {
  site: SitePlan;
  elements: string[];
  width: number;
  height: number;
  selected: string | null;
  onSelect: (id: string) => void;
}

/**
 * Room beside each row, px: flags above, and names too where runs are too low to hold them; nodes
 * and dimensions below.
 */
const ABOVE = { high: 36, low: 58 };
const BELOW = 40;
/** A wall lower than this holds no name, m. */
const LOW_M = 1;
/**
 * Runs are drawn no smaller than this, px a metre; the drawing grows down the page instead. On a
 * phone a row is a run or two.
 */
const LEAST = { wide: 12, narrow: 26 };
/** Room at the left for levels and at the right. */
const LEFT = 58;
const RIGHT = 26;

/**
 * The runs of a pour rolled out in rows, seen from inside, at one scale both ways: what stands in
 * which wall, all the way round.
 */
export function UnrolledDrawing({ site, elements, width, height, selected, onSelect }: Props) {
  const strips = unroll(site, elements);
  if (width < 80) return null;
  if (!strips.length)
    return (
      <p className="p-4 text-ink2">
        There are no runs to roll out: pads and piers are seen in the plan.
      </p>
    );
  const low = strips.every((s) => s.pieces.every((p) => p.topM - p.bottomM < LOW_M));
  const above = low ? ABOVE.low : ABOVE.high;
  const { rows, pxPerM } = unrolledRows(
    strips,
    width - LEFT - RIGHT,
    height - 8,
    above + BELOW,
    width < 500 ? LEAST.narrow : LEAST.wide,
  );
  const tops = rows.map((_, i) =>
    rows.slice(0, i).reduce((sum, r) => sum + (r.topM - r.bottomM) * pxPerM + above + BELOW, 0),
  );
  const last = rows.at(-1);
  const all = last ? (tops.at(-1) ?? 0) + (last.topM - last.bottomM) * pxPerM + above + BELOW : 0;
  const topOf = (i: number) => (tops[i] ?? 0) + above + Math.max(0, height - all) / 2;
  return (
    <svg
      width={width}
      height={Math.max(height, all)}
      role="group"
      aria-label={`Rolled out, seen from inside: ${strips.map((s) => distanceText(s.lengthM, site.units)).join(' and ')} in ${rows.length === 1 ? 'one row' : `${rows.length} rows`}`}
      data-unrolled={rows.length}
    >
      {rows.map((row, i) => (
        <Row
          key={row.pieces[0]?.run.id}
          row={row}
          pxPerM={pxPerM}
          top={topOf(i)}
          {...{ site, selected, onSelect }}
        />
      ))}
      {rows.flatMap((row, i) =>
        typeChanges(site, elements).flatMap((c) => {
          const k = row.pieces.findIndex((p) => p.run.id === c.toRun);
          const p = row.pieces[k];
          return p
            ? [
                <Flag
                  key={c.id}
                  text={flagText(c).replace(' from here', '')}
                  right={c.nodeId === p.left}
                  x={LEFT + (c.nodeId === p.left ? p.atM : p.atM + p.lengthM) * pxPerM}
                  y={topOf(i) + (row.topM - p.topM) * pxPerM}
                  high={(p.topM - p.bottomM) * pxPerM}
                  room={p.lengthM * pxPerM}
                  lift={low ? 24 : 0}
                />,
              ]
            : [];
        }),
      )}
    </svg>
  );
}

interface RowProps extends Pick<Props, 'site' | 'selected' | 'onSelect'> {
  row: Strip;
  pxPerM: number;
  top: number;
}

function Row({ row, pxPerM, top, site, selected, onSelect }: RowProps) {
  const base = top + (row.topM - row.bottomM) * pxPerM;
  const lines = base + 26;
  return (
    <g>
      {row.pieces.map((p) => (
        <Piece
          key={p.run.id}
          p={p}
          left={LEFT + p.atM * pxPerM}
          base={base - (p.bottomM - row.bottomM) * pxPerM}
          {...{ pxPerM, site, selected, onSelect }}
        />
      ))}
      {row.pieces.map((p, i) => {
        const [left, right] = [LEFT + p.atM * pxPerM, LEFT + (p.atM + p.lengthM) * pxPerM];
        const before = row.pieces[i - 1];
        return (
          <g key={p.run.id} pointerEvents="none">
            {right - left > 62 && (
              <Dimension
                x1={left}
                y1={lines}
                x2={right}
                y2={lines}
                text={distanceText(p.lengthM, site.units)}
              />
            )}
            {(right - left > 30 || !before) && (
              <text x={left} y={lines + 14} fontSize="14" className="q halo" textAnchor="middle">
                {p.left}
              </text>
            )}
            {i === row.pieces.length - 1 && (
              <text x={right} y={lines + 14} fontSize="14" className="q halo" textAnchor="middle">
                {p.right}
              </text>
            )}
            {(!before || (Math.abs(before.topM - p.topM) > 1e-6 && right - left > 190)) && (
              <text
                x={before ? left + 4 : LEFT - 10}
                y={base - (p.topM - row.bottomM) * pxPerM + (before ? -9 : 5)}
                fontSize="14"
                className="q halo"
                textAnchor={before ? 'start' : 'end'}
              >
                {level(p.topM, site.units).value}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

function Piece({
  p,
  left,
  base,
  pxPerM,
  site,
  selected,
  onSelect,
}: Omit<RowProps, 'row' | 'top'> & { p: Unrolled; left: number; base: number }) {
  const on = p.run.id === selected;
  const [w, h] = [p.lengthM * pxPerM, (p.topM - p.bottomM) * pxPerM];
  const x = (m: number) => left + (p.firstAtRight ? p.lengthM - m : m) * pxPerM;
  const y = (m: number) => base - m * pxPerM;
  const inside = h >= 58 && w >= 54;
  const name = `${p.run.id} ${p.run.type}`;
  return (
    <g
      role="button"
      tabIndex={-1}
      aria-pressed={on}
      aria-label={`${p.run.id}, ${distanceText(p.lengthM, site.units)} long`}
      data-face={p.run.id}
      onClick={() => {
        onSelect(p.run.id);
      }}
    >
      <rect
        x={left}
        y={base - Math.max(h, 40)}
        width={w}
        height={Math.max(h, 40) + 8}
        fill="transparent"
      />
      <RunFace
        site={site}
        run={p.run}
        lengthM={p.lengthM}
        heightM={p.topM - p.bottomM}
        x={x}
        y={y}
        fill={on ? 'var(--sheet)' : 'var(--ground)'}
        strokeWidth={on ? 4 : 2}
      />
      {inside ? (
        <text
          x={left + w / 2}
          y={base - h / 2 + 12}
          textAnchor="middle"
          className={on ? 'a halo-sheet' : 'a halo'}
          fontSize="26"
        >
          {p.run.id}
          <tspan fontSize="15" dx="6" className="q">
            {p.run.type}
          </tspan>
        </text>
      ) : (
        w > name.length * 9 && (
          <text
            x={left + w / 2}
            y={base - h - 9}
            textAnchor="middle"
            className="a halo"
            fontSize="19"
          >
            {p.run.id}
            <tspan fontSize="14" dx="5" className="q">
              {p.run.type}
            </tspan>
          </text>
        )
      )}
    </g>
  );
}

/** What takes over at a joint: a line from foot to top, and words over the run that takes over. */
function Flag({
  text,
  right,
  x,
  y,
  high,
  room,
  lift,
}: {
  text: string;
  right: boolean;
  x: number;
  y: number;
  high: number;
  room: number;
  lift: number;
}) {
  const w = text.length * 7.3 + 16;
  const foot = -9 - lift;
  return (
    <g pointerEvents="none" transform={`translate(${x} ${y})`}>
      <path d={`M0 ${high + 6}V${foot - 22}`} stroke="var(--ink)" strokeWidth="3" />
      {w + 8 <= room && (
        <path
          d={`M0 ${foot - 22}H${right ? w : -w}l${right ? 8 : -8} 11l${right ? -8 : 8} 11H0Z`}
          fill="var(--ink)"
        />
      )}
      {w + 8 <= room && (
        <text
          x={(right ? w : -w) / 2}
          y={foot - 6}
          textAnchor="middle"
          fontSize="14"
          className="b"
          style={{ fill: 'var(--ground)' }}
        >
          <TSpans>{text}</TSpans>
        </text>
      )}
    </g>
  );
}
