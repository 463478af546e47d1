import { barsMm, type WallType } from '#core/model';
import { lengthText, type UnitSystem } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { Board, type CoverShown } from './parts.tsx';
import { type FaceMat, steelWordsOf, Mats, SteelWords, WORDS_OFF_PX } from './WallSteel.tsx';
import { FaceNames, ReadCover, SmallReading } from './WallReading.tsx';

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

/** px a mm that a cut of this wall fits a width at. */
export const wallCutPx = (type: WallType, width: number): number =>
  (width - 2 * formPx(width) - 4) / (type.thicknessM * 1000);
const formPx = (width: number): number => (width >= 240 ? 26 : 13);

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
  const [d, hd] = [barsMm(type.vertical), barsMm(type.horizontal)];
  const mats: FaceMat[] = [
    { face: 'inside' as const, coverMm: type.coverInsideMm },
    ...(type.mats === 2 ? [{ face: 'outside' as const, coverMm: type.coverOutsideMm }] : []),
  ];
  const behindPx = from('inside', type.coverInsideMm + d + hd);
  const betweenPx =
    mats.length > 1
      ? from('outside', type.coverOutsideMm + d + hd) - behindPx
      : right - behindPx - WORDS_OFF_PX;
  const steelWords = steelWordsOf(type, units, betweenPx - 8);
  const breakX = outside ? left + 12 : right - 12 - BREAK_PX + 8;
  const at = h * (reading ? 0.55 : 0.5) + top;
  return (
    <g>
      <Board x={left - form - 1.5} y={top} w={form} h={h} foam={foam} />
      <Board x={right + 1.5} y={top} w={form} h={h} foam={foam} />
      <FaceNames {...{ roomy, reading, foam, left, form, right, top, h }} />
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
      <Mats {...{ mats, from, d, hd, reading, top, px, h, at }} />
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
      <ReadCover {...{ reading, roomy, units, top, h, from, at, outside, type, d, hd, px }} />
      <SmallReading {...{ reading, roomy, from, outside, d, at, px, left, top, h }} />
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
      <SteelWords
        {...{ reading, roomy, mats, steelWords, left, right, from, type, d, hd, top, h, at }}
      />
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
