import { type TypeChange, typeChanges } from '#core/check';
import { wallHeightM } from '#core/model';
import { TSpans } from '../ui/Text.tsx';
import { flagText } from './flag-text.ts';
import { type Box } from './free-spot.ts';
import type { RunOnPaper } from './plan-paper.ts';
import { FaceMarks, boxOf } from './FaceMarks.tsx';
import type { Props } from './laid-face.ts';

/** Space between a wall in plan and the foot of its face, px. */
export const FACE_GAP_PX = 13;

/** A spot on a wall's face as it lies on the paper. */
const onFace = (r: RunOnPaper, pxPerM: number, atM: number, upM: number): [number, number] => {
  const out = r.halfWidthPx + FACE_GAP_PX + upM * pxPerM;
  const along = atM * pxPerM;
  return [
    r.a[0] + r.along[0] * along + r.out[0] * out,
    r.a[1] + r.along[1] * along + r.out[1] * out,
  ];
};

/**
 * Walls laid down outwards round their plan, hinged at their feet: every reading stands at its true
 * place and height.
 */
export function LaidFaces(p: Props) {
  const changes = typeChanges(
    p.site,
    p.runs.map((r) => r.id),
  );
  const flags = changes.flatMap((c) => flagOn(p, c)?.box ?? []);
  return (
    <>
      {p.runs.map((r) => (
        <Face key={r.id} {...p} r={r} flags={flags} />
      ))}
      {changes.map((c) => (
        <FaceFlag key={c.id} {...p} change={c} />
      ))}
    </>
  );
}

function Face({
  site,
  r,
  pxPerM,
  points,
  selected,
  check,
  place,
  onRun,
  onPick,
  flags,
}: Props & { r: RunOnPaper; flags: Box[] }) {
  const run = site.runs.find((x) => x.id === r.id);
  if (run?.topM === undefined) return null;
  const heightM = wallHeightM(run);
  const spot = (atM: number, upM: number) => onFace(r, pxPerM, atM, upM);
  const poly = (a: number, b: number, low: number, high: number) =>
    [spot(a, low), spot(b, low), spot(b, high), spot(a, high)].map((q) => q.join(',')).join(' ');
  const own = points.filter((s) => s.point.elementId === r.id);
  const on = r.id === selected;
  const type = site.wallTypes.find((t) => t.mark === run.type);
  const stations = (layer: { spacingM: number } | null | undefined, overM: number): number[] =>
    layer && on
      ? Array.from(
          { length: Math.floor(overM / layer.spacingM) },
          (_, i) => (i + 0.5) * layer.spacingM,
        )
      : [];
  const bars = stations(type?.vertical, r.lengthM);
  const rows = stations(type?.horizontal, heightM);
  const line = (a: [number, number], b: [number, number]) => `M${a[0]} ${a[1]}L${b[0]} ${b[1]}`;
  return (
    <g>
      <polygon
        points={poly(0, r.lengthM, 0, heightM)}
        fill={on ? 'var(--sheet)' : 'var(--ground)'}
        stroke="var(--ink)"
        strokeWidth={on ? 2.5 : 1}
        role="button"
        tabIndex={-1}
        aria-label={`Face of ${r.id}`}
        onClick={() => {
          onRun(r.id);
        }}
      />
      <g pointerEvents="none">
        {[
          ...bars.map((m) => line(spot(m, 0), spot(m, heightM))),
          ...rows.map((m) => line(spot(0, m), spot(r.lengthM, m))),
        ].map((d) => (
          <path key={d} d={d} stroke="var(--hair)" strokeWidth="1" />
        ))}
        {run.openings.map((o, i) =>
          o.kind === 'sleeve' ? (
            <Cross key={i} at={spot(o.atM + o.widthM / 2, (o.sillM + o.headM) / 2)} />
          ) : (
            <polygon
              key={i}
              points={poly(o.atM, o.atM + o.widthM, o.sillM, o.headM)}
              fill="var(--void)"
              stroke="var(--ink)"
              strokeWidth="1"
            />
          ),
        )}
      </g>
      <FaceMarks
        r={r}
        heightM={heightM}
        spot={spot}
        own={own}
        check={check}
        place={place}
        onPick={onPick}
        name={run.type}
        on={on}
        built={[
          ...flags,
          ...run.openings.map((o) =>
            boxOf([spot(o.atM, o.sillM), spot(o.atM + o.widthM, o.headM)]),
          ),
        ]}
      />
    </g>
  );
}

/**
 * Where a change flag lies on the face that takes over: the joint it stands on, and the words
 * beside it, pointing along the face.
 */
function flagOn(
  { site, runs, pxPerM }: Pick<Props, 'site' | 'runs' | 'pxPerM'>,
  change: TypeChange,
) {
  const r = runs.find((x) => x.id === change.toRun);
  const run = site.runs.find((x) => x.id === change.toRun);
  if (!r || run?.topM === undefined) return null;
  const heightM = wallHeightM(run);
  const atM = run.from === change.nodeId ? 0 : r.lengthM;
  const text = flagText(change);
  const w = text.length * 7.3 + 18;
  // The flag points along the face it speaks of, inward from the line.
  const inward = run.from === change.nodeId ? 1 : -1;
  const [mx, my] = onFace(r, pxPerM, atM, heightM * 0.5);
  const [x, y] =
    Math.abs(r.along[1]) > 0.5
      ? [mx, my + r.along[1] * inward * 13]
      : [mx + r.along[0] * inward * (w / 2 + 6), my];
  return {
    text,
    w,
    x,
    y,
    foot: onFace(r, pxPerM, atM, -0.25),
    head: onFace(r, pxPerM, atM, heightM),
    box: { x: x - w / 2, y: y - 13, w: w + 8, h: 26 },
  };
}

function FaceFlag({ change, ...p }: Props & { change: TypeChange }) {
  const f = flagOn(p, change);
  if (!f) return null;
  return (
    <g pointerEvents="none">
      <path d={`M${f.foot.join(' ')}L${f.head.join(' ')}`} stroke="var(--ink)" strokeWidth="3" />
      <path
        d={`M${f.x - f.w / 2} ${f.y - 12}H${f.x + f.w / 2 + 8}l-8 12l8 12H${f.x - f.w / 2}Z`}
        fill="var(--ink)"
      />
      <text
        x={f.x}
        y={f.y + 5}
        textAnchor="middle"
        fontSize="14"
        className="b"
        style={{ fill: 'var(--ground)' }}
      >
        <TSpans>{f.text}</TSpans>
      </text>
    </g>
  );
}

const Cross = ({ at: [x, y] }: { at: [number, number] }) => (
  <g stroke="var(--line)" fill="none">
    <path d={`M${x - 7} ${y}h14M${x} ${y - 7}v14`} />
  </g>
);
