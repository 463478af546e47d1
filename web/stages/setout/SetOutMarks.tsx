import { verdictOfLevel } from '#core/check';
import { memo } from 'react';
import { type LogEvent, openQuestions } from '#core/log';
import { lengthText, level } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { type PourView } from '../../app/pour-view.ts';
import { useSetFocus } from '../../app/useFocus.ts';
import { freeSpot, textWidth, type Box } from '../../drawing/free-spot.ts';
import type { Paper, PlanScale, RunOnPaper } from '../../drawing/plan-paper.ts';
import { MarkAt } from '../../ui/Mark.tsx';
import { TSpans } from '../../ui/Text.tsx';
import { useLevels } from './useLevels.ts';

/** More levels than this are too many to read: then only what was read is said. */
const CROWDED = 40;
/** Spots beside a point for a word, px: right and above first. */
const beside = (x: number, y: number, w: number, h = 18): Box[] => [
  { x: x + 9, y: y - h - 3, w, h },
  { x: x + 9, y: y + 4, w, h },
  { x: x - 9 - w, y: y - h - 3, w, h },
  { x: x - 9 - w, y: y + 4, w, h },
  { x: x - w / 2, y: y - h - 11, w, h },
  { x: x - w / 2, y: y + 11, w, h },
  { x: x + 9, y: y - 2 * h - 6, w, h },
  { x: x + 9, y: y + h + 8, w, h },
];

interface MarkedQuestion {
  q: LogEvent<'question'>;
  x: number;
  y: number;
  text: string;
  spot: Box | null;
}

/** Open questions on their runs, where they hide no word and no level; `taken` grows by their marks. */
function markedQuestions(
  v: PourView,
  runs: RunOnPaper[],
  paper: Paper,
  taken: Box[],
  written: Box[],
): MarkedQuestion[] {
  return openQuestions(v.state).flatMap(({ entry: q }) => {
    const r = runs
      .filter((x) => q.body.elementIds.includes(x.id))
      .sort((a, b) => b.lengthPx - a.lengthPx)[0];
    if (!r) return [];
    // On its run, where it hides no word and no level.
    const at = [0.5, 0.35, 0.65, 0.22, 0.78].map((share) => ({
      x: r.a[0] + (r.b[0] - r.a[0]) * share - 15,
      y: r.a[1] + (r.b[1] - r.a[1]) * share - 15,
      w: 30,
      h: 30,
    }));
    const mark = freeSpot(at, written, paper.sheet) ?? (at[0] as Box);
    taken.push(mark);
    const [x, y] = [mark.x + 15, mark.y + 15];
    const text = `Question ${q.body.number}`;
    const w = textWidth(text, 17) + 4;
    const spot = freeSpot(
      [
        { x: x + 18, y: y - 11, w, h: 22 },
        { x: x - 18 - w, y: y - 11, w, h: 22 },
        { x: x - w / 2, y: y + 18, w, h: 22 },
        { x: x - w / 2, y: y - 40, w, h: 22 },
      ],
      taken,
      paper.sheet,
    );
    return [{ q, x, y, text, spot }];
  });
}

/**
 * On the plan while it is set out: form tops at their nodes with the level read there, and open
 * questions on what they hold.
 */
export const SetOutMarks = memo(function SetOutMarks({
  scale,
  runs,
  paper,
}: {
  scale: PlanScale;
  runs: RunOnPaper[];
  paper: Paper;
}) {
  const v = usePour();
  const levels = useLevels();
  const tops = levels.targets.filter((t) => t.what === 'top');
  const crowded = tops.length > CROWDED;
  const points = tops.flatMap((t) => {
    const read = levels.latest.get(t.id);
    return crowded && !read
      ? []
      : [
          {
            t,
            read,
            x: scale.x(t.xM),
            y: scale.y(t.yM),
            verdict: verdictOfLevel(read?.ok ?? null),
          },
        ];
  });
  const taken: Box[] = [
    ...paper.taken,
    ...points.map((p) => ({ x: p.x - 7, y: p.y - 7, w: 14, h: 14 })),
  ];
  // What is out is said first and in full; of what is right only the level, where there is room.
  const said = [...points]
    .sort((a, b) => Number(b.verdict === 'out') - Number(a.verdict === 'out'))
    .flatMap((p) => {
      if (p.read?.deviationMm == null) return [];
      const off = p.read.deviationMm;
      const text = `${level(p.read.elevationM, v.units).value}${p.verdict === 'out' ? `, ${lengthText(Math.abs(off), v.units)} ${off > 0 ? 'high' : 'low'}` : ''}`;
      const spot = freeSpot(beside(p.x, p.y, textWidth(text, 14)), taken, paper.sheet);
      return spot ? [{ key: p.t.id, text, spot, out: p.verdict === 'out' }] : [];
    });
  const questions = markedQuestions(v, runs, paper, taken, [
    ...paper.written,
    ...points.map((p) => ({ x: p.x - 7, y: p.y - 7, w: 14, h: 14 })),
    ...said.map((s) => s.spot),
  ]);
  return (
    <g>
      <g pointerEvents="none">
        {points.map((p) => (
          <MarkAt key={p.t.id} verdict={p.verdict} x={p.x} y={p.y} size={15} />
        ))}
        {said.map((s) => (
          <text
            key={s.key}
            x={s.spot.x}
            y={s.spot.y + 14}
            fontSize="14"
            className={`halo tnum ${s.out ? 'b' : ''}`}
            style={s.out ? { fill: 'var(--chalk-t)' } : undefined}
          >
            <TSpans>{s.text}</TSpans>
          </text>
        ))}
      </g>
      <QuestionMarks questions={questions} />
    </g>
  );
});

/** Questions, each where it was asked. */
function QuestionMarks({ questions }: { questions: MarkedQuestion[] }) {
  const set = useSetFocus();
  return questions.map(({ q, x, y, text, spot }) => (
    <g
      key={q.id}
      role="button"
      tabIndex={-1}
      aria-label={`${text} holds ${q.body.elementIds.join(', ')}`}
      style={{ cursor: 'pointer' }}
      onClick={() => {
        set({ sheet: `answer:${q.id}` });
      }}
    >
      <circle cx={x} cy={y} r="24" fill="transparent" />
      <circle cx={x} cy={y} r="14" fill="var(--ground)" stroke="var(--ochre)" strokeWidth="2" />
      <MarkAt verdict="held" x={x} y={y} size={18} />
      {spot && (
        <text
          x={spot.x}
          y={spot.y + 17}
          fontSize="17"
          className="b halo"
          style={{ fill: 'var(--ochre-t)' }}
        >
          {text}
        </text>
      )}
    </g>
  ));
}
