import { useId } from 'react';
import { barNamed } from '#core/model';
import { lengthText, type UnitSystem } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import type { FootingShape } from './footing-shape.ts';
import { Board, Hatches, MeasuredBar, ragged, type CoverShown } from './parts.tsx';
import { CoverRows } from './CoverRows.tsx';

interface Props {
  s: FootingShape;
  units: UnitSystem;
  width: number;
  height: number;
  reading: CoverShown;
  label: string;
}

/** Cover is drawn at least this high where it is read; the rest of the footing is broken off, px. */
const COVER_PX = 46;
const noUnit = (text: string): string => text.replace(/ (in|mm)$/, '');

/**
 * The lower left corner of a footing where its cover is read: large enough to see what is missing,
 * the rest broken off.
 */
export function CornerDetail({ s, units, width, height, reading: r, label }: Props) {
  const clip = useId();
  const roomy = width >= 200;
  const formed = roomy ? 24 : 12;
  const form = s.unformed ? 10 : formed;
  const [x, y] = [form + 3, height - 30];
  const px = Math.max(
    (width - x - 14) / (s.widthM * 1000),
    Math.min(2, COVER_PX / Math.max(20, r.specifiedMm)),
  );
  const w = Math.min(s.widthM * 1000 * px, width - x - 4);
  const h = Math.min(s.depthM * 1000 * px, y - 10);
  const [cut, topCut] = [w < s.widthM * 1000 * px - 1, h < s.depthM * 1000 * px - 1];
  const top = y - h;
  const mm = (v: number) => v * px;
  const d = barNamed(s.along.bar).diameterMm;
  const t = s.across ? barNamed(s.across).diameterMm : 0;
  const bottom = r.face === 'bottom';
  const gapMm = s.along.count > 1 ? (s.widthM * 1000 - 2 * s.sideMm - d) / (s.along.count - 1) : 0;
  const along = Array.from(
    { length: s.along.count },
    (_, i) => x + mm(s.sideMm + d / 2 + i * gapMm),
  ).filter((bx) => bx < x + w - 4);
  // The bar that is read lies lower or higher than drawn by what the tape says; the others stay where they are wanted.
  const off = bottom && r.mm !== null ? mm(Math.max(0, r.mm) - r.specifiedMm) : 0;
  const acrossY = y - mm(s.bottomMm + t / 2) - (s.across ? off : 0);
  const alongY = y - mm(s.bottomMm + t + d / 2) - off;
  const strip = bottom
    ? { x, y: y - mm(r.leastMm), w, h: mm(r.leastMm) }
    : { x, y: top, w: mm(r.leastMm), h };
  const right = cut ? '' : `V${top}`;
  return (
    <svg width={width} height={height} role="img" aria-label={label}>
      <Hatches />
      <path
        d={`M0 ${y}H${width}V${height}H0Z${s.unformed ? `M0 ${top}H${x}V${y}H0Z` : ''}`}
        fill="url(#soil)"
      />
      {!s.unformed && <Board x={1} y={top} w={form} h={h} />}
      <rect x={x} y={top} width={w} height={h} fill="var(--ground)" />
      <rect x={strip.x} y={strip.y} width={strip.w} height={strip.h} fill="var(--chalk-2)" />
      <path
        d={bottom ? `M${x} ${strip.y}h${w}` : `M${x + strip.w} ${top}v${h}`}
        stroke="var(--chalk)"
        strokeWidth="2"
      />
      {s.across && (
        <path
          d={`M${x + mm(s.sideMm)} ${acrossY}H${x + w}`}
          stroke="var(--ink)"
          strokeWidth={Math.max(2, mm(t))}
        />
      )}
      <AlongBars along={along} alongY={alongY} mm={mm} d={d} bottom={bottom} r={r} />
      <path
        d={`M${x} ${top}V${y}H${x + w}${right}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="3"
      />
      {cut && (
        <path
          d={`M${x + w} ${y + 4}V${top + h / 2 + 14}l-6 -7l12 -14l-6 -7V${top - 4}H${width}V${y + 4}Z`}
          fill="var(--sheet)"
          stroke="none"
        />
      )}
      {cut && (
        <path
          d={`M${x + w} ${y}V${top + h / 2 + 14}l-6 -7l12 -14l-6 -7V${top}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.25"
        />
      )}
      {topCut && (
        <path d={`M${ragged(x, x + w, top)}`} fill="none" stroke="var(--ink)" strokeWidth="1.25" />
      )}
      {bottom && r.mm !== null && r.short && s.across && (
        <>
          <clipPath id={clip}>
            <rect {...{ x: strip.x, y: strip.y, width: strip.w, height: strip.h }} />
          </clipPath>
          <path
            d={`M${x + mm(s.sideMm)} ${acrossY}H${x + w}`}
            stroke="var(--chalk)"
            strokeWidth={Math.max(2, mm(t))}
            clipPath={`url(#${clip})`}
          />
        </>
      )}
      {bottom && <Columns r={r} units={units} x={x} y={y} w={w} top={top} px={px} roomy={roomy} />}
      {!bottom && roomy && (
        <CoverRows
          r={{ ...r, face: 'inside' }}
          units={units}
          top={top}
          h={Math.max(80, h * 0.8)}
          from={(_, v) => x + mm(v)}
          at={top + Math.max(80, h * 0.8) * 0.55}
          clearMm={s.sideMm + d}
          barMm={d}
          px={px}
        />
      )}
      {!bottom && !roomy && r.mm !== null && (
        <MeasuredBar
          id="corner-bar"
          cx={x + mm(Math.max(0, r.mm) + d / 2)}
          cy={top + h * 0.4}
          r={Math.max(3, mm(d / 2))}
          strip={strip}
        />
      )}
    </svg>
  );
}

function AlongBars({
  along,
  alongY,
  mm,
  d,
  bottom,
  r,
}: {
  along: number[];
  alongY: number;
  mm: (v: number) => number;
  d: number;
  bottom: boolean;
  r: CoverShown;
}) {
  return along.map((bx) => (
    <circle
      key={bx}
      cx={bx}
      cy={alongY}
      r={Math.max(2.5, mm(d / 2))}
      fill={!bottom && r.mm !== null && bx === along[0] ? 'none' : 'var(--ink)'}
      stroke="var(--ink)"
      strokeWidth="1.25"
      strokeDasharray={!bottom && bx === along[0] ? '3 3' : undefined}
    />
  ));
}

/** Least, wanted and read, each up from the bottom, side by side, with its words above it. */
function Columns({
  r,
  units,
  x,
  y,
  w,
  top,
  px,
  roomy,
}: {
  r: CoverShown;
  units: UnitSystem;
  x: number;
  y: number;
  w: number;
  top: number;
  px: number;
  roomy: boolean;
}) {
  const cols: [string, number, boolean, boolean][] = [
    ['least', r.leastMm, true, false],
    ['wanted', r.specifiedMm, false, false],
    ...(r.mm === null
      ? []
      : [['read', Math.max(0, r.mm), r.short, true] as [string, number, boolean, boolean]]),
  ];
  const shown = roomy ? cols : cols.filter((c) => c[3]);
  return (
    <g>
      {shown.map(([word, mm, chalk, bold], i) => {
        const cx = x + w * (roomy ? 0.3 + i * 0.27 : 0.55);
        const head = y - mm * px;
        // One above the other, so that no words meet.
        const ty = Math.max(
          top + 18,
          y - Math.max(r.specifiedMm, r.mm ?? 0) * px - 26 - (roomy ? i * 23 : 0),
        );
        return (
          <g key={word}>
            <Dimension
              x1={cx}
              y1={y}
              x2={cx}
              y2={head}
              text=""
              colour={chalk ? 'var(--chalk)' : 'var(--ink)'}
            />
            {roomy && (
              <path
                d={`M${cx} ${head}V${ty + 6}`}
                stroke={chalk ? 'var(--chalk)' : 'var(--ink)'}
                strokeWidth="0.75"
              />
            )}
            <text
              x={cx}
              y={ty}
              textAnchor="middle"
              fontSize="16"
              className="b halo"
              style={{ fill: chalk ? 'var(--chalk-t)' : undefined }}
            >
              <TSpans>{`${roomy ? `${word} ` : ''}${noUnit(lengthText(mm, units))}`}</TSpans>
            </text>
            {bold && r.short && roomy && (
              <text
                x={cx}
                y={ty - 21}
                textAnchor="middle"
                fontSize="18"
                className="b halo"
                style={{ fill: 'var(--chalk-t)' }}
              >
                <TSpans>{r.text.replace(/ (in|mm) /, ' ')}</TSpans>
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
