import type { Verdict } from '../../core/check/judge.ts';
import type { FormSystem } from '../../core/model/objects.ts';
import type { Run, SitePlan } from '../../core/model/site.ts';
import { bracePlaces, panelJoints } from '../../core/check/points/forms.ts';
import { distanceText } from '../../core/units/index.ts';
import { MarkAt, VERDICT_WORD } from '../ui/Mark.tsx';
import { TSpans } from '../ui/Text.tsx';

/** A mark on the wall: where, what it says, and which one it is. */
export interface WallMark { key: string; atM: number; upM: number; verdict: Verdict; label: string; chosen: boolean }

interface Props {
  site: SitePlan; run: Run; width: number; height: number; marks: WallMark[]; onPick?: (key: string) => void;
  /** Form system drawn over the wall: panel joints, walers and braces. */
  forms?: FormSystem | undefined;
  /** What takes over beyond an end of the run, said on a flag. */
  flags?: { at: 'from' | 'to'; text: string }[]; markSize?: number; bars?: boolean;
}

const lengthOf = (site: SitePlan, run: Run): number => {
  const [a, b] = [site.nodes.find((n) => n.id === run.from), site.nodes.find((n) => n.id === run.to)];
  return a && b ? Math.hypot(b.xM - a.xM, b.yM - a.yM) : 0;
};
const steps = (lengthM: number, spacingM: number): number[] => Array.from({ length: Math.max(0, Math.floor(lengthM / spacingM)) }, (_, i) => (i + 0.5) * spacingM).filter((x) => x < lengthM);

/** One wall seen from inside, flat and to scale: bars at their spacing, openings cut out, bolts on top, marks where they are read. */
export function ElevationDrawing({ site, run, width, height, marks, onPick, forms, flags, markSize = 18, bars = true }: Props) {
  const lengthM = lengthOf(site, run);
  const type = site.wallTypes.find((t) => t.mark === run.type);
  const footing = site.footingTypes.find((t) => t.mark === run.type);
  const heightM = run.topM !== undefined && run.kind === 'wall' ? run.topM - run.bottomM : (footing?.depthM ?? 0.3);
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
  // Seen from inside, as one stands between the forms and as the faces lie round the plan: the run goes from right to left.
  const x = (m: number) => left + (lengthM - m) * sx;
  const y = (m: number) => base - m * py;
  const top = y(heightM);
  const own = site.anchors.filter((a) => a.elementId === run.id);
  return (
    <svg width={width} height={height} role="group" aria-label={`${run.id} unrolled, ${distanceText(lengthM, site.units)} long`}>
      <rect x={left} y={top} width={lengthM * sx} height={heightM * py} fill="var(--sheet)" stroke="none" />
      {bars && type && steps(lengthM, type.vertical.spacingM).map((m) => <path key={`v${m}`} d={`M${x(m)} ${top}V${base}`} stroke="var(--hair)" strokeWidth="1" />)}
      {bars && type && steps(heightM, type.horizontal.spacingM).map((m) => <path key={`h${m}`} d={`M${x(0)} ${y(m)}H${x(lengthM)}`} stroke="var(--hair)" strokeWidth="1" />)}
      {type?.ledge && <path d={`M${x(0)} ${y(heightM - type.ledge.heightM)}H${x(lengthM)}`} stroke="var(--ink)" strokeWidth="1.25" strokeDasharray="10 4" />}
      {forms && <Forms f={forms} lengthM={lengthM} heightM={heightM} x={x} y={y} />}
      {run.openings.map((o, i) => <g key={i}><rect x={x(o.atM + o.widthM)} y={y(o.headM)} width={o.widthM * sx} height={(o.headM - o.sillM) * py} fill="var(--void)" stroke="var(--ink)" strokeWidth="1.25" strokeDasharray={o.kind === 'pocket' ? '5 4' : undefined} />{o.kind === 'sleeve' && <path d={`M${x(o.atM + o.widthM / 2)} ${y(o.headM) - 4}V${y(o.sillM) + 4}M${x(o.atM + o.widthM) - 4} ${y((o.headM + o.sillM) / 2)}H${x(o.atM) + 4}`} stroke="var(--ink)" strokeWidth="0.75" />}</g>)}
      <rect x={left} y={top} width={lengthM * sx} height={heightM * py} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      {own.map((a) => <path key={a.id} d={a.kind === 'dowel' ? `M${x(a.atM)} ${base + 8}v-14` : `M${x(a.atM)} ${top - (a.kind === 'holdDown' ? 12 : 8)}V${top + Math.min(18, (a.embedmentMm / 1000) * py)}`} stroke="var(--ink)" strokeWidth={a.kind === 'holdDown' ? 3.5 : 2} />)}
      <text x={left} y={base + 17} fontSize="14" className="q">{run.to}</text><text x={x(0)} y={base + 17} fontSize="14" className="q" textAnchor="end">{run.from}</text>
      {stretch > 1.05 && px <= py && <text x={x(lengthM / 2)} y={base + 17} fontSize="14" className="q" textAnchor="middle">{`heights drawn ${stretch.toFixed(1)} times`}</text>}
      {marks.map((m) => (
        <g key={m.key} role={onPick ? 'button' : undefined} tabIndex={onPick ? -1 : undefined} aria-label={`${m.label}: ${VERDICT_WORD[m.verdict]}`} data-mark={m.key} onClick={() => { onPick?.(m.key); }}>
          <circle cx={x(m.atM)} cy={y(m.upM)} r={Math.max(12, markSize * 0.9)} fill="transparent" />
          <MarkAt verdict={m.verdict} x={x(m.atM)} y={y(m.upM)} size={markSize} />
          {m.chosen && <circle cx={x(m.atM)} cy={y(m.upM)} r={markSize * 0.85} fill="none" stroke="var(--ink)" strokeWidth="2.5" />}
        </g>
      ))}
      {flags?.map((f) => { const end = f.at === 'from'; const w = f.text.length * 7.6 + 16; return <g key={f.at} transform={`translate(${end ? x(0) : left} ${top + 26}) ${end ? '' : 'scale(-1 1)'}`}><path d={`M6 -14H${-w}l9 12l-9 12H6Z`} fill="var(--ink)" /><text x={end ? -w / 2 + 6 : w / 2 - 6} y="3" textAnchor="middle" fontSize="14" className="b" transform={end ? undefined : 'scale(-1 1)'} style={{ fill: 'var(--ground)' }}><TSpans>{f.text}</TSpans></text></g>; })}
    </svg>
  );
}

function Forms({ f, lengthM, heightM, x, y }: { f: FormSystem; lengthM: number; heightM: number; x: (m: number) => number; y: (m: number) => number }) {
  return (
    <g stroke="var(--line)" fill="none">
      {panelJoints(lengthM, f.panelWidthM).map((m) => <path key={m} d={`M${x(m)} ${y(heightM)}V${y(0)}`} strokeWidth="1" strokeDasharray="6 4" />)}
      {Array.from({ length: f.walers }, (_, i) => heightM * ((i + 0.6) / (f.walers + 0.4))).map((h) => <path key={h} d={`M${x(0)} ${y(h)}H${x(lengthM)}`} strokeWidth="4" opacity="0.5" />)}
      {f.brace && bracePlaces(lengthM, f.brace.spacingM).map((m) => <path key={m} d={`M${x(m)} ${y(Math.min(heightM, f.brace?.attachM ?? 0))}L${x(m) + 10} ${y(0) + 6}`} stroke="var(--ink2)" strokeWidth="2.5" />)}
    </g>
  );
}
