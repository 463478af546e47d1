import type { WallType } from '#core/model';
import { MeasuredBar, type CoverShown } from './parts.tsx';
import { CoverRows } from './CoverRows.tsx';

export function ReadCover({
  reading,
  roomy,
  units,
  top,
  h,
  from,
  at,
  outside,
  type,
  d,
  hd,
  px,
}: {
  reading: CoverShown | null;
  roomy: boolean;
  units: 'us' | 'metric';
  top: number;
  h: number;
  from: (face: 'inside' | 'outside', mm: number) => number;
  at: number;
  outside: boolean;
  type: Pick<WallType, 'coverInsideMm' | 'coverOutsideMm'>;
  d: number;
  hd: number;
  px: number;
}) {
  return (
    reading &&
    roomy && (
      <CoverRows
        r={reading}
        {...{ units, top, h, from, at }}
        clearMm={
          Math.max(reading.specifiedMm, outside ? type.coverOutsideMm : type.coverInsideMm) + d + hd
        }
        barMm={d}
        px={px}
      />
    )
  );
}

export function FaceNames({
  roomy,
  reading,
  foam,
  left,
  form,
  right,
  top,
  h,
}: {
  roomy: boolean;
  reading: CoverShown | null;
  foam: boolean;
  left: number;
  form: number;
  right: number;
  top: number;
  h: number;
}) {
  return (
    roomy &&
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
    ))
  );
}

export function SmallReading({
  reading,
  roomy,
  from,
  outside,
  d,
  at,
  px,
  left,
  top,
  h,
}: {
  reading: CoverShown | null;
  roomy: boolean;
  from: (face: 'inside' | 'outside', mm: number) => number;
  outside: boolean;
  d: number;
  at: number;
  px: number;
  left: number;
  top: number;
  h: number;
}) {
  return (
    reading &&
    !roomy &&
    reading.mm !== null && (
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
    )
  );
}
