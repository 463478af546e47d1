import { barNamed, type SitePlan } from '#core/model';
import { barText, lengthText, type UnitSystem } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { footingShape } from './footing-shape.ts';
import { CornerDetail } from './CornerDetail.tsx';
import { Board, Hatches, type CoverShown } from './parts.tsx';
import { Soil, BOARD, Above } from './FootingGround.tsx';
import { Joint, KEY_MM } from './FootingJoint.tsx';
import { LETTER_PX, LINE_PX, type Box } from './footing-box.ts';

interface Props {
  site: SitePlan;
  elementId: string;
  besides: string[];
  width: number;
  height: number;
  reading: CoverShown | null;
}

/**
 * A footing or pad cut across, to scale: bars at true diameter, the wall or pier that comes on it,
 * its forms and its hole.
 */
export function FootingSection({ site, elementId, besides, width, height, reading }: Props) {
  const s = footingShape(site, elementId);
  if (!s) return null;
  if (reading && reading.face !== 'top')
    return (
      <CornerDetail
        s={s}
        units={site.units}
        width={width}
        height={height}
        reading={reading}
        label={`Corner of ${elementId}, cover at the ${reading.face}`}
      />
    );
  const roomy = width >= 300;
  const narrow = width >= 200 ? 48 : 22;
  const side = roomy ? 66 : narrow;
  const m = { l: side, r: side, t: roomy ? Math.round(height * 0.3) : 8, b: 46 };
  const others = besides.flatMap((id) => footingShape(site, id) ?? []);
  const px = Math.min(
    (width - m.l - m.r) / Math.max(s.widthM, ...others.map((o) => o.widthM)),
    (height - m.t - m.b) / Math.max(s.depthM, ...others.map((o) => o.depthM)),
  );
  const [w, h] = [s.widthM * px, s.depthM * px];
  const x = (width - w) / 2;
  const y = m.t + (height - m.t - m.b - h) / 2;
  const box: Box = { s, x, y, w, h, mm: (v) => (v / 1000) * px };
  const { units } = site;
  const inside = w >= 190 && h >= 84;
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Section of ${elementId}: ${lengthText(s.widthM * 1000, units)} by ${lengthText(s.depthM * 1000, units)}${s.above ? `, under ${s.above.id}` : ''}`}
    >
      <Hatches />
      <Soil
        {...box}
        width={width}
        height={height}
        belowGradeM={s.belowGradeM}
        px={px}
        roomy={roomy}
      />
      {!s.unformed &&
        [x - BOARD - 1.5, x + w + 1.5].map((fx) => <Board key={fx} x={fx} y={y} w={BOARD} h={h} />)}
      <rect x={x} y={y} width={w} height={h} fill="var(--ground)" />
      {roomy && s.above && <Above {...box} units={units} width={width} />}
      <Bars {...box} />
      {s.joint.length > 0 && <Joint {...box} px={px} />}
      <rect x={x} y={y} width={w} height={h} fill="none" stroke="var(--ink)" strokeWidth="3" />
      {s.bottomMm > 0 && width >= 200 && <CoverLine {...box} units={units} />}
      <Dimension
        x1={x}
        y1={y + h + 30}
        x2={x + w}
        y2={y + h + 30}
        text={lengthText(s.widthM * 1000, units)}
        halo="sheet"
      />
      {width >= 200 && (
        <Dimension
          x1={x - BOARD - 22}
          y1={y}
          x2={x - BOARD - 22}
          y2={y + h}
          text={lengthText(s.depthM * 1000, units)}
          halo="sheet"
        />
      )}
      {inside ? (
        <SteelWords {...box} />
      ) : (
        <text
          x={x + w / 2}
          y={Math.min(y + 22, y + h / 2)}
          fontSize="15"
          className="halo"
          textAnchor="middle"
        >
          <TSpans>{`${s.along.count} × ${barText(s.along.bar)}`}</TSpans>
        </text>
      )}
    </svg>
  );
}

/** Sides of its uprights, px: left of the first and right of the last; one side alone where nothing stands on it. */
function besideUprights({ s, x, w, mm }: Box): { left: number; right: number } | null {
  const uprights =
    s.above?.uprights.map((u) => x + w / 2 - mm(s.above?.leftMm ?? 0) + mm(u.atMm)) ?? [];
  return uprights.length === 0
    ? null
    : { left: Math.min(...uprights), right: Math.max(...uprights) };
}

/**
 * What is in it, written on the side of the uprights that has more room, under the keyway; where
 * neither side has room for the words, over the ground on the left, with a line to the steel.
 */
function SteelWords(box: Box) {
  const { s, x, y, w, mm } = box;
  const beside = besideUprights(box);
  const lines = s.words.flatMap((t) =>
    s.above && w < 330 ? t.split(/(?= across$)/).map((part) => part.trim()) : [t],
  );
  const wide = Math.max(...lines.map((t) => t.length)) * LETTER_PX;
  const onRight = beside !== null && x + w - beside.right > beside.left - x;
  const room = beside ? Math.max(x + w - beside.right, beside.left - x) - 18 : w - 18;
  if (beside && wide > room) return <WordsOutside {...box} />;
  const at = onRight
    ? { x: beside.right + 14, y: y + (s.joint.includes('keyway') ? mm(KEY_MM.deep) + 16 : 22) }
    : { x: x + 14, y: y + (s.along.topCount > 0 ? mm(s.topMm) + 26 : 22) };
  return <Lines lines={lines} {...at} />;
}

function Lines({ lines, x, y, on = '' }: { lines: string[]; x: number; y: number; on?: string }) {
  return lines.map((t, i) => (
    <text
      key={t}
      x={x}
      y={y + i * LINE_PX}
      fontSize="15"
      className={`${i ? '' : 'b '}${on || 'halo'}`}
    >
      <TSpans>{t}</TSpans>
    </text>
  ));
}

function WordsOutside({ s, x, y, w, h, mm }: Box) {
  const r = barNamed(s.along.bar).diameterMm / 2;
  const steel = {
    x: x + mm(s.sideMm + r),
    y: y + h - mm(s.bottomMm + (s.across ? barNamed(s.across).diameterMm : 0) + r),
  };
  const from = Math.min(x - BOARD, 60);
  const room = x + w / 2 - mm((s.above?.leftMm ?? 0) + (s.above?.thickMm ?? 0) / 2) - 8;
  const lines = s.words.flatMap((t) =>
    t.length * LETTER_PX > room ? t.split(/(?= across$)/).map((part) => part.trim()) : [t],
  );
  return (
    <g>
      <path
        d={`M${from} ${lines.length * LINE_PX + 3}L${Math.min(steel.x, x + w / 2)} ${steel.y}`}
        stroke="var(--ink)"
        strokeWidth="1"
      />
      <Lines lines={lines} x={4} y={14} on="halo-sheet" />
    </g>
  );
}

function Bars({ s, x, y, w, h, mm }: Box) {
  const d = barNamed(s.along.bar).diameterMm;
  const t = s.across ? barNamed(s.across).diameterMm : 0;
  const alongY = y + h - mm(s.bottomMm + t + d / 2);
  const inner = w - 2 * mm(s.sideMm + d / 2);
  const spread = (n: number, i: number) =>
    x + mm(s.sideMm + d / 2) + (n > 1 ? (inner * i) / (n - 1) : inner / 2);
  const r = Math.max(2, mm(d / 2));
  const across = (at: number) => (
    <path
      d={`M${x + mm(s.sideMm)} ${at}H${x + w - mm(s.sideMm)}`}
      stroke="var(--ink)"
      strokeWidth={Math.max(1.5, mm(t))}
    />
  );
  return (
    <g fill="var(--ink)">
      {s.across && across(y + h - mm(s.bottomMm + t / 2))}
      {s.acrossLegsMm.map(
        (leg, i) =>
          leg > 0 && (
            <path
              key={i}
              d={`M${i ? x + w - mm(s.sideMm + t / 2) : x + mm(s.sideMm + t / 2)} ${y + h - mm(s.bottomMm)}v${-mm(Math.min(leg, s.depthM * 1000 - s.bottomMm - s.topMm))}`}
              stroke="var(--ink)"
              strokeWidth={Math.max(1.5, mm(t))}
            />
          ),
      )}
      {Array.from({ length: s.along.count }, (_, i) => (
        <circle key={i} cx={spread(s.along.count, i)} cy={alongY} r={r} />
      ))}
      {s.topAcross && s.along.topCount > 0 && across(y + mm(s.topMm + t / 2))}
      {Array.from({ length: s.along.topCount }, (_, i) => (
        <circle
          key={`t${i}`}
          cx={spread(s.along.topCount, i)}
          cy={y + mm(s.topMm + (s.topAcross ? t : 0) + d / 2)}
          r={r}
        />
      ))}
    </g>
  );
}

/** Room that a line of words takes up, px. */
const WORDS_PX = 18;

/** Cover below, struck in chalk: the limit that is most often missed. */
function CoverLine({ s, x, y, w, h, mm, units }: Box & { units: UnitSystem }) {
  const at = x + w * 0.6;
  const c = mm(s.bottomMm);
  // Where the cover is lower than its words they stand over the mat.
  const up = c < WORDS_PX ? c + WORDS_PX : c / 2 - 5;
  return (
    <g stroke="var(--chalk)" strokeWidth="2">
      <path d={`M${at} ${y + h}v${-c}M${at - 5} ${y + h - c}h10`} fill="none" />
      <text
        x={at + 9}
        y={y + h - up}
        fontSize="15"
        className="b halo"
        stroke="none"
        style={{ fill: 'var(--ink)' }}
      >
        <TSpans>{`${lengthText(s.bottomMm, units)} cover`}</TSpans>
      </text>
    </g>
  );
}
