import type { CheckPoint } from '../../core/check/points/index.ts';
import type { SitePlan } from '../../core/model/site.ts';
import { barNamed } from '../../core/steel/bars.ts';
import { barText, lengthText } from '../../core/units/index.ts';
import { TSpans } from '../ui/Text.tsx';
import { Dimension } from './Dimension.tsx';
import { PierSection } from './PierDrawing.tsx';

interface Props { /** Drawn at the scale of the widest of these elements, so that sections beside each other compare. */ besides?: string[]; site: SitePlan; elementId: string; width: number; height: number; /** The cover being read here, and what was read or is being typed. */ reading?: { point: CheckPoint; mm: number | null; short: boolean; shortText: string } | null }

interface Shape { widthM: number; depthM: number; ground: boolean; bottomMm: number; sideMm: number; along: { bar: string; count: number; topCount: number }; across: string | null; upright?: { bar: string; mats: 1 | 2; outsideMm: number; horizontal: string } }

function shapeOf(site: SitePlan, elementId: string): Shape | null {
  const run = site.runs.find((r) => r.id === elementId);
  const pad = site.pads.find((p) => p.id === elementId);
  if (pad) return { widthM: pad.widthM, depthM: pad.depthM, ground: true, bottomMm: pad.steel?.coverBottomMm ?? 0, sideMm: pad.steel?.coverSideMm ?? 0, along: { bar: pad.steel?.eachWay.bar ?? '#5', count: pad.steel?.eachWay.count ?? Math.ceil(pad.widthM / (pad.steel?.eachWay.spacingM ?? 0.2)), topCount: 0 }, across: pad.steel?.eachWay.bar ?? null };
  const f = site.footingTypes.find((t) => t.mark === run?.type);
  if (run && f && run.kind !== 'wall') return { widthM: f.widthM, depthM: f.depthM, ground: true, bottomMm: f.coverBottomMm, sideMm: f.coverSideMm, along: f.continuous, across: f.transverse?.bar ?? null };
  const w = site.wallTypes.find((t) => t.mark === run?.type);
  if (!run || !w || run.topM === undefined) return null;
  return { widthM: w.thicknessM, depthM: Math.min(w.thicknessM * 0.6, run.topM - run.bottomM), ground: false, bottomMm: w.coverInsideMm, sideMm: w.coverInsideMm, along: { bar: w.horizontal.bar, count: 0, topCount: 0 }, across: null, upright: { bar: w.vertical.bar, mats: w.mats, outsideMm: w.coverOutsideMm, horizontal: w.horizontal.bar } };
}

/** The selected run cut across, to scale: bars at true diameter, the strip no steel may enter tinted, the measured bar where it was measured. */
export function SectionDrawing({ site, elementId, width, height, reading = null, besides = [] }: Props) {
  const pier = site.piers.find((p) => p.id === elementId);
  if (pier && width >= 50) return <PierSection pier={pier} units={site.units} width={width} height={height} readMm={reading?.point.wanted.type === 'cover' ? reading.mm : null} short={reading?.short ?? false} />;
  const s = shapeOf(site, elementId);
  if (!s || width < 50) return null;
  const margin = s.upright ? { l: 18, r: 18, t: 12, b: 44 } : { l: 50, r: 50, t: 12, b: 44 };
  const beside = besides.flatMap((id) => shapeOf(site, id) ?? []);
  const px = Math.min((width - margin.l - margin.r) / Math.max(s.widthM, ...beside.map((b) => b.widthM)), (height - margin.t - margin.b) / Math.max(s.depthM, ...beside.map((b) => b.depthM)));
  const w = s.widthM * px;
  const h = s.depthM * px;
  const x = (width - w) / 2;
  const y = margin.t + (height - margin.t - margin.b - h) / 2;
  const mm = (v: number) => (v / 1000) * px;
  return (
    <svg width={width} height={height} role="img" aria-label={`Section of ${elementId}: ${lengthText(s.widthM * 1000, site.units)} by ${lengthText(s.depthM * 1000, site.units)}`}>
      <defs>
        <pattern id="soil" width="12" height="12" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><path d="M0 3h7M3 9h7" stroke="var(--line)" strokeWidth="1" /></pattern>
        <pattern id="board" width="5" height="5" patternUnits="userSpaceOnUse"><path d="M1 0v5" stroke="var(--line)" strokeWidth="1" /></pattern>
      </defs>
      {s.ground && <path d={`M0 ${y + h}H${width}V${height - 26}H0Z`} fill="url(#soil)" />}
      {[x - 13, x + w + 1].map((fx) => <rect key={fx} x={fx} y={y - (s.ground ? 0 : 8)} width="12" height={h + (s.ground ? 0 : 16)} fill="url(#board)" stroke="var(--line)" />)}
      <rect x={x} y={y} width={w} height={h} fill="var(--ground)" stroke="none" />
      <CoverStrip s={s} x={x} y={y} w={w} h={h} mm={mm} reading={reading} />
      {s.upright ? <WallBars s={s} x={x} y={y} w={w} h={h} mm={mm} /> : <FootingBars s={s} x={x} y={y} w={w} h={h} mm={mm} />}
      {s.ground ? <rect x={x} y={y} width={w} height={h} fill="none" stroke="var(--ink)" strokeWidth="3" /> : <path d={`M${x} ${y - 8}V${y + h + 8}M${x + w} ${y - 8}V${y + h + 8}`} stroke="var(--ink)" strokeWidth="3" />}
      <Measured x={x} y={y} w={w} h={h} mm={mm} reading={reading} units={site.units} />
      <Dimension x1={x} y1={y + h + 30} x2={x + w} y2={y + h + 30} text={lengthText(s.widthM * 1000, site.units)} halo="sheet" />
      {s.ground && <Dimension x1={x - 30} y1={y} x2={x - 30} y2={y + h} text={lengthText(s.depthM * 1000, site.units)} halo="sheet" />}
      {!(s.upright && reading) && <text x={x + w / 2} y={y + 22} fontSize="15" className="halo" textAnchor="middle">
        <TSpans>{s.upright ? `${barText(s.upright.bar)} up, ${barText(s.upright.horizontal)} across` : w < 240 ? `${s.along.count} × ${barText(s.along.bar)}` : `${s.along.count} × ${barText(s.along.bar)} along${s.across ? `, ${barText(s.across)} across` : ''}`}</TSpans>
      </text>}
    </svg>
  );
}

interface Part { s: Shape; x: number; y: number; w: number; h: number; mm: (v: number) => number }

function FootingBars({ s, x, y, w, h, mm }: Part) {
  const d = barNamed(s.along.bar).diameterMm;
  const t = s.across ? barNamed(s.across).diameterMm : 0;
  const acrossY = y + h - mm(s.bottomMm + t / 2);
  const alongY = y + h - mm(s.bottomMm + t + d / 2);
  const n = s.along.count;
  const inner = w - 2 * mm(s.sideMm + d / 2);
  return (
    <g fill="var(--ink)">
      {s.across && <path d={`M${x + mm(s.sideMm)} ${acrossY}H${x + w - mm(s.sideMm)}`} stroke="var(--ink)" strokeWidth={Math.max(1.5, mm(t))} strokeLinecap="butt" />}
      {Array.from({ length: n }, (_, i) => <circle key={i} cx={x + mm(s.sideMm + d / 2) + (n > 1 ? (inner * i) / (n - 1) : inner / 2)} cy={alongY} r={Math.max(2, mm(d / 2))} />)}
      {Array.from({ length: s.along.topCount }, (_, i) => <circle key={`t${i}`} cx={x + mm(s.sideMm + d / 2) + (inner * i) / Math.max(1, s.along.topCount - 1)} cy={y + mm(s.sideMm + d / 2)} r={Math.max(2, mm(d / 2))} />)}
    </g>
  );
}

function WallBars({ s, x, y, w, h, mm }: Part) {
  const u = s.upright;
  if (!u) return null;
  const d = barNamed(u.bar).diameterMm;
  const hd = barNamed(u.horizontal).diameterMm;
  const mats = [{ at: x + mm(s.sideMm + d / 2), side: 1 }, ...(u.mats === 2 ? [{ at: x + w - mm(u.outsideMm + d / 2), side: -1 }] : [])];
  return (
    <g fill="var(--ink)">
      {mats.map((m) => <path key={m.at} d={`M${m.at} ${y - 8}V${y + h + 8}`} stroke="var(--ink)" strokeWidth={Math.max(2, mm(d))} />)}
      {mats.flatMap((m) => [0.15, 0.5, 0.85].map((f) => <circle key={`${m.at}${f}`} cx={m.at + m.side * mm((d + hd) / 2)} cy={y + h * f} r={Math.max(2, mm(hd / 2))} />))}
    </g>
  );
}

type Reading = NonNullable<Props['reading']>;
const faceOf = (r: Reading | null): 'bottom' | 'side' | 'inside' | 'outside' | null => (r?.point.wanted.type === 'cover' ? r.point.wanted.face : null);

/** The strip no steel may enter: from the face to the least cover that would pass is for the verdict; to the specified cover is drawn. */
function CoverStrip({ s, x, y, w, h, mm, reading }: Part & { reading: Reading | null }) {
  const face = faceOf(reading);
  if (!face) return null;
  const c = mm(reading?.point.wanted.type === 'cover' ? reading.point.wanted.specifiedMm : 0);
  if (face === 'bottom') return <rect x={x} y={y + h - c} width={w} height={c} fill="var(--chalk-2)" />;
  const right = face === 'outside';
  return <><rect x={right ? x + w - c : x} y={y} width={c} height={h} fill="var(--chalk-2)" />{s.ground && face === 'side' && <rect x={x + w - c} y={y} width={c} height={h} fill="var(--chalk-2)" />}</>;
}

/** The bar where the tape says it is, with what is missing struck in chalk. */
function Measured({ x, y, w, h, mm, reading, units }: Omit<Part, 's'> & { reading: Reading | null; units: SitePlan['units'] }) {
  const face = faceOf(reading);
  if (!reading || !face || reading.point.wanted.type !== 'cover') return null;
  const { specifiedMm, bar } = reading.point.wanted;
  const r = Math.max(4, mm(barNamed(bar).diameterMm / 2));
  const read = reading.mm;
  if (face === 'bottom') {
    const bx = x + w * 0.72;
    const cy = read === null ? null : y + h - mm(Math.max(0, read)) - r;
    return (
      <g>
        <Dimension x1={x + w + 22} y1={y + h} x2={x + w + 22} y2={y + h - mm(specifiedMm)} text={lengthText(specifiedMm, units)} halo="sheet" side={-1} />
        {cy !== null && <circle cx={bx} cy={cy} r={r + 1} fill={reading.short ? 'var(--chalk)' : 'var(--ink)'} stroke="var(--ground)" strokeWidth="2" />}
        {cy !== null && read !== null && <Dimension x1={bx - r - 14} y1={y + h} x2={bx - r - 14} y2={y + h - mm(Math.max(0, read))} text={lengthText(read, units)} colour={reading.short ? 'var(--chalk)' : 'var(--ink)'} bold />}
        {reading.short && read !== null && <text x={bx + r + 8} y={(cy ?? 0) - 6} className="b halo" fontSize="17" style={{ fill: 'var(--chalk-t)' }}><TSpans>{reading.shortText}</TSpans></text>}
      </g>
    );
  }
  const right = face === 'outside';
  const cx = read === null ? null : right ? x + w - mm(Math.max(0, read)) - r : x + mm(Math.max(0, read)) + r;
  const at = y + h * 0.4;
  return cx === null || read === null ? null : (
    <g>
      <circle cx={cx} cy={at} r={r + 1} fill={reading.short ? 'var(--chalk)' : 'var(--ink)'} stroke="var(--ground)" strokeWidth="2" />
      <Dimension x1={right ? x + w : x} y1={at + r + 22} x2={right ? cx + r : cx - r} y2={at + r + 22} text={lengthText(read, units)} colour={reading.short ? 'var(--chalk)' : 'var(--ink)'} bold />
      {reading.short && <text x={right ? cx - r - 8 : cx + r + 8} y={at + 5} textAnchor={right ? 'end' : 'start'} className="b halo" fontSize="17" style={{ fill: 'var(--chalk-t)' }}><TSpans>{reading.shortText}</TSpans></text>}
    </g>
  );
}
