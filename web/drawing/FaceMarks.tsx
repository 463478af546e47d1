import type { PointState, Verdict } from '#core/check';
import { VERDICT_WORD, MarkAt } from '../ui/Mark.tsx';
import { type Box, textWidth, freeSpot } from './free-spot.ts';
import { type Props, NAME_AT } from './laid-face.ts';
import type { RunOnPaper } from './plan-paper.ts';

const LOUD: Verdict[] = ['out', 'held', 'unread', 'tight', 'waived'];
/** The paper between some spots. */
export const boxOf = (at: [number, number][]): Box => {
  const [xs, ys] = [at.map((p) => p[0]), at.map((p) => p[1])];
  return {
    x: Math.min(...xs),
    y: Math.min(...ys),
    w: Math.max(...xs) - Math.min(...xs),
    h: Math.max(...ys) - Math.min(...ys),
  };
};

/** What is good and not in hand is a small dot; what is not, and the check in hand, is a mark that can be pressed. */
export function FaceMarks({
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
      <MarkWords at={at} on={on} r={r} name={name} />
      {drawn
        .filter((d) => d.loud && !d.mine)
        .map((d) => mark(d.s, d.x.index, d.x.verdict, d.at, false))}
      {spotless.map((s, i) => mark(s, 0, s.verdict, spotlessAt(i), s.point.id === check))}
      {drawn.filter((d) => d.mine).map((d) => mark(d.s, d.x.index, d.x.verdict, d.at, true))}
    </g>
  );
}

function MarkWords({ at, on, r, name }: { at: Box; on: boolean; r: RunOnPaper; name: string }) {
  return (
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
  );
}
