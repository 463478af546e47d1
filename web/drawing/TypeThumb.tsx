import { barNamed, type FootingType, type WallType } from '#core/model';

const BOX = { width: 66, height: 30 };

/** A type as a thumb, all types of a table at one scale: footings cut across, walls from above. */
export function TypeThumb({
  type,
  all,
  dark,
}: {
  type: FootingType | WallType;
  all: (FootingType | WallType)[];
  dark: boolean;
}) {
  const ink = dark ? 'var(--ground)' : 'var(--ink)';
  if ('thicknessM' in type) {
    const px = 24 / Math.max(...all.map((t) => ('thicknessM' in t ? t.thicknessM : 0)));
    const h = type.thicknessM * px;
    const y = (BOX.height - h) / 2;
    const mats =
      type.mats === 2
        ? [
            y + h - (type.coverInsideMm / 1000) * px - 1.5,
            y + (type.coverOutsideMm / 1000) * px + 1.5,
          ]
        : [y + h - (type.coverInsideMm / 1000) * px - 1.5];
    return (
      <svg {...BOX} aria-hidden="true">
        <path d={`M1 ${y}H65M1 ${y + h}H65`} stroke={ink} strokeWidth="1.5" />
        {mats.map((m) => (
          <g key={m}>
            <path d={`M2 ${m}H64`} stroke={ink} strokeWidth="1" />
            {[10, 24, 38, 52].map((x) => (
              <circle key={x} cx={x} cy={m - 1.5} r="1.7" fill={ink} />
            ))}
          </g>
        ))}
      </svg>
    );
  }
  const widest = Math.max(...all.map((t) => ('widthM' in t ? t.widthM : 0)));
  const deepest = Math.max(...all.map((t) => ('depthM' in t ? t.depthM : 0)));
  const px = Math.min(62 / widest, 27 / deepest);
  const [w, h] = [type.widthM * px, type.depthM * px];
  const y = BOX.height - 1.5 - h;
  const n = type.continuous.count;
  const side = (type.coverSideMm / 1000) * px;
  return (
    <svg {...BOX} aria-hidden="true">
      <rect x="1" y={y} width={w} height={h} fill="none" stroke={ink} strokeWidth="1.5" />
      {type.transverse && (
        <path
          d={`M${1 + side} ${y + h - (type.coverBottomMm / 1000) * px}H${1 + w - side}`}
          stroke={ink}
          strokeWidth="1.2"
        />
      )}
      {Array.from({ length: n }, (_, i) => (
        <circle
          key={i}
          cx={1 + side + (n > 1 ? ((w - 2 * side) * i) / (n - 1) : w / 2 - side)}
          cy={y + h - (type.coverBottomMm / 1000) * px - 2.2}
          r={Math.max(1.4, (barNamed(type.continuous.bar).diameterMm / 2000) * px)}
          fill={ink}
        />
      ))}
    </svg>
  );
}
