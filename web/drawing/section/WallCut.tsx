import type { WallType } from '../../../core/model/site.ts';
import { barNamed } from '../../../core/model/bars.ts';
import { barText, lengthText, type UnitSystem } from '../../../core/units/index.ts';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { Board, MeasuredBar, type CoverShown } from './parts.tsx';

interface Props {
  type: WallType;
  units: UnitSystem;
  width: number;
  height: number;
  reading: CoverShown | null;
  /** Drawn no larger than this, px a mm, so that two cuts beside each other compare. */ mostPx?:
    number | undefined;
  /** Foam forms stay on the wall. */
  foam?: boolean;
  x0?: number;
}

/** Cover is drawn at least this wide where it is read; the rest of the wall is broken out, px. */
const COVER_PX = 54;
const BREAK_PX = 22;
const noUnit = (text: string): string => text.replace(/ (in|mm)$/, '');

/** px a mm that a cut of this wall fits a width at. */
export const wallCutPx = (type: WallType, width: number): number =>
  (width - 2 * formPx(width) - 4) / (type.thicknessM * 1000);
const formPx = (width: number): number => (width >= 240 ? 26 : 13);

/** About how wide a letter of the words is, px. */
const LETTER_PX = 7.6;

/** Its steel in words, each broken in two where it would not stand between the mats. */
function steelWordsOf(type: WallType, units: UnitSystem, roomPx: number): string[] {
  const words = [
    `${barText(type.vertical.bar)} at ${lengthText(type.vertical.spacingM * 1000, units)} up`,
    `${barText(type.horizontal.bar)} at ${lengthText(type.horizontal.spacingM * 1000, units)} across`,
  ];
  const wide = Math.max(...words.map((t) => t.length)) * LETTER_PX;
  return wide <= roomPx ? words : words.flatMap((t) => t.split(/ (?=at )/));
}

/** A wall cut level, from above, inside at the left: uprights as circles, bars across along the faces, the strip no steel may enter tinted. */
export function WallCut({
  type,
  units,
  width,
  height,
  reading,
  mostPx,
  foam = false,
  x0 = 0,
}: Props) {
  const thickMm = type.thicknessM * 1000;
  const form = formPx(width);
  const avail = width - 2 * form - 4;
  const whole = wallCutPx(type, width);
  const roomy = width >= 240;
  const px =
    reading && roomy
      ? Math.max(whole, Math.min(2.2, COVER_PX / Math.max(10, reading.specifiedMm)))
      : Math.min(whole, mostPx ?? whole, roomy ? 1.1 : whole);
  const broken = thickMm * px > avail + 0.5;
  const drawn = Math.min(avail, thickMm * px);
  const left = x0 + (width - drawn) / 2;
  const right = left + drawn;
  const [top, bottom] = [2, height - 26];
  const h = bottom - top;
  const outside = reading?.face === 'outside';
  // Every bar is placed from the face it belongs to; the break lies between the mats, nearer to the far face.
  const from = (face: 'inside' | 'outside', mm: number) =>
    face === 'inside' ? left + mm * px : right - mm * px;
  const [d, hd] = [
    barNamed(type.vertical.bar).diameterMm,
    barNamed(type.horizontal.bar).diameterMm,
  ];
  const mats = [
    { face: 'inside' as const, coverMm: type.coverInsideMm },
    ...(type.mats === 2 ? [{ face: 'outside' as const, coverMm: type.coverOutsideMm }] : []),
  ];
  const betweenPx =
    mats.length > 1
      ? from('outside', type.coverOutsideMm + d + hd) - from('inside', type.coverInsideMm + d + hd)
      : Infinity;
  const steelWords = steelWordsOf(type, units, betweenPx - 8);
  const breakX = outside ? left + 12 : right - 12 - BREAK_PX + 8;
  const at = h * (reading ? 0.55 : 0.5) + top;
  return (
    <g>
      <Board x={left - form - 1.5} y={top} w={form} h={h} foam={foam} />
      <Board x={right + 1.5} y={top} w={form} h={h} foam={foam} />
      {roomy &&
        reading &&
        [
          [foam ? 'inside foam' : 'inside form', left - form / 2 + 3],
          [foam ? 'outside foam' : 'outside form', right + form / 2 + 6],
        ].map(([word, x]) => (
          <text
            key={word}
            transform={`translate(${x} ${top + h / 2}) rotate(-90)`}
            textAnchor="middle"
            fontSize="14"
            className="halo-sheet"
          >
            {word}
          </text>
        ))}
      <rect x={left} y={top} width={drawn} height={h} fill="var(--ground)" />
      {reading && (
        <rect
          x={outside ? from('outside', reading.leastMm) : left}
          y={top}
          width={reading.leastMm * px}
          height={h}
          fill="var(--chalk-2)"
        />
      )}
      {mats.map((m) => {
        const dir = m.face === 'inside' ? 1 : -1;
        const strip = from(m.face, m.coverMm + d + (dir < 0 ? hd : 0));
        const hide = reading?.face === m.face && reading.mm !== null;
        return (
          <g key={m.face}>
            <rect
              x={strip}
              y={top}
              width={Math.max(2, hd * px)}
              height={h}
              fill="var(--stiff-2)"
              stroke="var(--ink)"
              strokeWidth="1"
            />
            <circle
              cx={from(m.face, m.coverMm + d / 2)}
              cy={at}
              r={Math.max(2.5, (d / 2) * px)}
              fill={hide ? 'none' : 'var(--ink)'}
              stroke={hide ? 'var(--ink)' : 'none'}
              strokeWidth="1.25"
              strokeDasharray={hide ? '3 3' : undefined}
            />
          </g>
        );
      })}
      {reading && (
        <path
          d={`M${from(reading.face === 'outside' ? 'outside' : 'inside', reading.leastMm)} ${top}V${bottom}`}
          stroke="var(--chalk)"
          strokeWidth="2"
        />
      )}
      <path
        d={`M${left} ${top}V${bottom}M${right} ${top}V${bottom}`}
        stroke="var(--ink)"
        strokeWidth="3"
      />
      {broken && <Break x={breakX} top={top} bottom={bottom} />}
      {reading && roomy && (
        <CoverRows
          r={reading}
          {...{ units, top, h, from, at }}
          clearMm={
            Math.max(reading.specifiedMm, outside ? type.coverOutsideMm : type.coverInsideMm) +
            d +
            hd
          }
          barMm={d}
          px={px}
        />
      )}
      {reading && !roomy && reading.mm !== null && (
        <MeasuredBar
          id="cut-narrow"
          cx={from(outside ? 'outside' : 'inside', reading.mm + d / 2)}
          cy={at}
          r={Math.max(3, (d / 2) * px)}
          strip={{
            x: outside ? from('outside', reading.leastMm) : left,
            y: top,
            w: reading.leastMm * px,
            h,
          }}
        />
      )}
      {!reading &&
        roomy &&
        mats.map((m, i) => (
          <CoverLabel
            key={m.face}
            face={m.face}
            coverMm={m.coverMm}
            clearMm={m.coverMm + d + hd}
            y={top + h * (0.12 + 0.13 * i)}
            {...{ from, units }}
          />
        ))}
      {!reading && roomy && (
        <g textAnchor={mats.length > 1 ? 'middle' : 'start'}>
          {steelWords.map((t, i) => (
            <text
              key={i}
              x={
                mats.length > 1
                  ? (left + right) / 2
                  : from('inside', type.coverInsideMm + d + hd) + 12
              }
              y={
                mats.length > 1
                  ? top + h * 0.72 + (i + 1 - steelWords.length / 2) * 19
                  : at + 5 + i * 20
              }
              fontSize="15"
              className={i < steelWords.length / 2 ? 'b halo' : 'halo'}
            >
              <TSpans>{t}</TSpans>
            </text>
          ))}
        </g>
      )}
      <Dimension
        x1={left}
        y1={bottom + 20}
        x2={right}
        y2={bottom + 20}
        text={lengthText(thickMm, units)}
        halo="sheet"
      />
    </g>
  );
}

/** Cover of a mat, from its face to its bars, in words beside them. */
function CoverLabel({
  face,
  coverMm,
  clearMm,
  y,
  from,
  units,
}: {
  face: 'inside' | 'outside';
  coverMm: number;
  clearMm: number;
  y: number;
  from: (face: 'inside' | 'outside', mm: number) => number;
  units: UnitSystem;
}) {
  const [zero, edge, inward] = [from(face, 0), from(face, coverMm), face === 'inside' ? 1 : -1];
  const tx = from(face, clearMm) + inward * 12;
  return (
    <g>
      <Dimension x1={Math.min(zero, edge)} y1={y} x2={Math.max(zero, edge)} y2={y} text="" />
      <path d={`M${edge} ${y}H${tx - inward * 3}`} stroke="var(--ink)" strokeWidth="0.75" />
      <text
        x={tx}
        y={y + 5}
        textAnchor={inward > 0 ? 'start' : 'end'}
        fontSize="15"
        className="halo"
      >
        <TSpans>{`${lengthText(coverMm, units)} cover`}</TSpans>
      </text>
    </g>
  );
}

/** Two ragged lines with nothing between: the wall is wider than it is drawn. */
function Break({ x, top, bottom }: { x: number; top: number; bottom: number }) {
  const my = (top + bottom) / 2;
  const line = (at: number) => `M${at} ${top - 1}V${my - 16}l-7 8l14 16l-7 8V${bottom + 1}`;
  return (
    <>
      <path
        d={`${line(x)}H${x + BREAK_PX - 8}V${my + 16}l7 -8l-14 -16l7 -8V${top - 1}Z`}
        fill="var(--sheet)"
      />
      <path d={line(x)} fill="none" stroke="var(--ink)" strokeWidth="1.25" />
      <path d={line(x + BREAK_PX - 8)} fill="none" stroke="var(--ink)" strokeWidth="1.25" />
    </>
  );
}

/** Least, wanted, the bar where it was read, and what was read: one under the other, each with its words beside it. */
export function CoverRows({
  r,
  units,
  top,
  h,
  from,
  at,
  clearMm,
  barMm,
  px,
}: {
  r: CoverShown;
  units: UnitSystem;
  top: number;
  h: number;
  from: (face: 'inside' | 'outside', mm: number) => number;
  at: number;
  clearMm: number;
  barMm: number;
  px: number;
}) {
  const face = r.face === 'outside' ? 'outside' : 'inside';
  const inward = face === 'inside' ? 1 : -1;
  const zero = from(face, 0);
  const tx = from(face, Math.max(clearMm, (r.mm ?? 0) + barMm + 4)) + inward * 12;
  const row = (y: number, mm: number, word: string, chalk: boolean) => {
    const edge = from(face, mm);
    return (
      <g key={word}>
        <Dimension
          x1={Math.min(zero, edge)}
          y1={y}
          x2={Math.max(zero, edge)}
          y2={y}
          text=""
          colour={chalk ? 'var(--chalk)' : 'var(--ink)'}
        />
        <path
          d={`M${edge} ${y}H${tx - inward * 3}`}
          stroke={chalk ? 'var(--chalk)' : 'var(--ink)'}
          strokeWidth="0.75"
        />
        <text
          x={tx}
          y={y + 5}
          textAnchor={inward > 0 ? 'start' : 'end'}
          fontSize="16"
          className="b halo"
          style={{ fill: chalk ? 'var(--chalk-t)' : undefined }}
        >
          <TSpans>{`${word} ${noUnit(lengthText(mm, units))}`}</TSpans>
        </text>
      </g>
    );
  };
  const strip = { x: Math.min(zero, from(face, r.leastMm)), y: top, w: r.leastMm * px, h };
  return (
    <g>
      {row(top + h * 0.14, r.leastMm, 'least', true)}
      {row(top + h * 0.31, r.specifiedMm, 'wanted', false)}
      {r.mm !== null && (
        <>
          <MeasuredBar
            id={`cut-${face}`}
            cx={from(face, Math.max(0, r.mm) + barMm / 2)}
            cy={at}
            r={Math.max(4, (barMm / 2) * px)}
            strip={strip}
          />
          {r.short && (
            <text
              x={tx}
              y={at + 6}
              textAnchor={inward > 0 ? 'start' : 'end'}
              fontSize="18"
              className="b halo"
              style={{ fill: 'var(--chalk-t)' }}
            >
              <TSpans>{r.text.replace(/ (in|mm) /, ' ')}</TSpans>
            </text>
          )}
          {row(top + h * 0.8, Math.max(0, r.mm), 'read', r.short)}
        </>
      )}
    </g>
  );
}
