import { typeChanges, type TypeChange } from '../../core/check/points/index.ts';
import type { PointState, Verdict } from '../../core/check/judge.ts';
import { wallHeightM, type SitePlan } from '../../core/model/site.ts';
import { MarkAt, VERDICT_WORD } from '../ui/Mark.tsx';
import { TSpans } from '../ui/Text.tsx';
import { flagText } from './flag-text.ts';
import { freeSpot, textWidth, type Box } from './free-spot.ts';
import type { RunOnPaper } from './plan-paper.ts';

interface Props {
  site: SitePlan;
  runs: RunOnPaper[];
  pxPerM: number;
  points: PointState[];
  selected: string | null;
  check: string | null;
  place: number;
  onRun: (id: string) => void;
  onPick: (point: PointState, place: number) => void;
}

/** Space between a wall in plan and the foot of its face, px. */
export const FACE_GAP_PX = 13;
const LOUD: Verdict[] = ['out', 'held', 'unread', 'tight', 'waived'];

/** A spot on a wall's face as it lies on the paper. */
const onFace = (r: RunOnPaper, pxPerM: number, atM: number, upM: number): [number, number] => {
  const out = r.halfWidthPx + FACE_GAP_PX + upM * pxPerM;
  const along = atM * pxPerM;
  return [
    r.a[0] + r.along[0] * along + r.out[0] * out,
    r.a[1] + r.along[1] * along + r.out[1] * out,
  ];
};

/** Walls laid down outwards round their plan, hinged at their feet: every reading stands at its true place and height. */
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
  const bars =
    type && on
      ? Array.from(
          { length: Math.floor(r.lengthM / type.vertical.spacingM) },
          (_, i) => (i + 0.5) * type.vertical.spacingM,
        )
      : [];
  const rows =
    type && on
      ? Array.from(
          { length: Math.floor(heightM / type.horizontal.spacingM) },
          (_, i) => (i + 0.5) * type.horizontal.spacingM,
        )
      : [];
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

/** The paper between some spots. */
const boxOf = (at: [number, number][]): Box => {
  const [xs, ys] = [at.map((p) => p[0]), at.map((p) => p[1])];
  return {
    x: Math.min(...xs),
    y: Math.min(...ys),
    w: Math.max(...xs) - Math.min(...xs),
    h: Math.max(...ys) - Math.min(...ys),
  };
};
/** Where the name of a face may stand, as shares of its length and height: its middle first. */
const NAME_AT = [
  [0.5, 0.5],
  [0.5, 0.66],
  [0.5, 0.34],
  [0.36, 0.5],
  [0.64, 0.5],
  [0.36, 0.66],
  [0.64, 0.66],
  [0.36, 0.34],
  [0.64, 0.34],
  [0.22, 0.6],
  [0.78, 0.6],
  [0.22, 0.36],
  [0.78, 0.36],
  [0.1, 0.5],
  [0.9, 0.5],
  [0.5, 0.82],
  [0.5, 0.2],
  [0.36, 0.82],
  [0.64, 0.82],
  [0.36, 0.2],
  [0.64, 0.2],
  [0.22, 0.82],
  [0.78, 0.82],
  [0.22, 0.2],
  [0.78, 0.2],
] as const;

/** Where a change flag lies on the face that takes over: the joint it stands on, and the words beside it, pointing along the face. */
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

/** What is good and not in hand is a small dot; what is not, and the check in hand, is a mark that can be pressed. */
function FaceMarks({
  r,
  heightM,
  spot,
  own,
  check,
  place,
  onPick,
  name,
  on,
  built,
}: {
  name: string;
  on: boolean;
  built: Box[];
  r: RunOnPaper;
  heightM: number;
  spot: (atM: number, upM: number) => [number, number];
  own: PointState[];
  check: string | null;
  place: number;
  onPick: Props['onPick'];
}) {
  const spotless = own.filter(
    (s) =>
      s.point.places.every((x) => x.atM === null) &&
      (LOUD.includes(s.verdict) || s.point.id === check),
  );
  const drawn = own.flatMap((s) => {
    // A round in hand shows every place; otherwise its first that is not good stands for it.
    const mine = s.point.id === check;
    const places = s.places.filter((x) => s.point.places[x.index]?.atM !== null);
    const shown =
      s.point.round && !mine ? places.filter((x) => x.verdict !== 'good').slice(0, 1) : places;
    return shown.map((x) => ({
      s,
      x,
      mine,
      loud: mine || LOUD.includes(x.verdict),
      at: spot(
        s.point.places[x.index]?.atM ?? 0,
        Math.min(
          heightM * 0.96,
          Math.max(heightM * 0.04, s.point.places[x.index]?.upM ?? heightM * 0.5),
        ),
      ),
    }));
  });
  const mark = (
    s: PointState,
    i: number,
    verdict: Verdict,
    at: [number, number],
    mine: boolean,
  ) => (
    <g
      key={`${s.point.id}#${i}`}
      role="button"
      tabIndex={-1}
      aria-label={`${s.point.elementId} ${s.point.title}: ${VERDICT_WORD[verdict]}`}
      onClick={() => {
        onPick(s, i);
      }}
    >
      <circle cx={at[0]} cy={at[1]} r="11" fill="transparent" />
      <MarkAt verdict={verdict} x={at[0]} y={at[1]} size={mine ? 17 : 14} />
      {mine && i === place && (
        <circle cx={at[0]} cy={at[1]} r="13" fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      )}
    </g>
  );
  const half = spotless.length / 2;
  const spotlessAt = (i: number) =>
    spot(r.lengthM / 2 + ((i - half + 0.5) * 20 * r.lengthM) / r.lengthPx, heightM * 0.28);
  // The name stands where no mark does: a mark over it would hide both.
  const round = ([x, y]: [number, number], radius: number): Box => ({
    x: x - radius,
    y: y - radius,
    w: 2 * radius,
    h: 2 * radius,
  });
  const taken = [
    ...built,
    ...drawn.map((d) => round(d.at, d.loud ? 10 : 4)),
    ...spotless.map((_, i) => round(spotlessAt(i), 10)),
  ];
  const w = Math.max(textWidth(r.id, 24), textWidth(name, 14));
  const face = boxOf([spot(0, 0), spot(r.lengthM, heightM)]);
  const names = NAME_AT.map(([a, u]) => {
    const [x, y] = spot(r.lengthM * a, heightM * u);
    return { x: x - w / 2, y: y - 21, w, h: 44 };
  });
  const at = freeSpot(names, taken, face) ?? names[0] ?? face;
  return (
    <g>
      {drawn
        .filter((d) => !d.loud)
        .map((d) => (
          <circle
            key={`${d.s.point.id}#${d.x.index}`}
            cx={d.at[0]}
            cy={d.at[1]}
            r="3"
            fill="var(--good)"
            pointerEvents="none"
          />
        ))}
      <g pointerEvents="none" textAnchor="middle">
        <text
          x={at.x + at.w / 2}
          y={at.y + 24}
          className={`a ${on ? 'halo-sheet' : 'halo'}`}
          fontSize="24"
        >
          {r.id}
        </text>
        <text
          x={at.x + at.w / 2}
          y={at.y + 41}
          className={`q ${on ? 'halo-sheet' : 'halo'}`}
          fontSize="14"
        >
          {name}
        </text>
      </g>
      {drawn
        .filter((d) => d.loud && !d.mine)
        .map((d) => mark(d.s, d.x.index, d.x.verdict, d.at, false))}
      {spotless.map((s, i) => mark(s, 0, s.verdict, spotlessAt(i), s.point.id === check))}
      {drawn.filter((d) => d.mine).map((d) => mark(d.s, d.x.index, d.x.verdict, d.at, true))}
    </g>
  );
}
