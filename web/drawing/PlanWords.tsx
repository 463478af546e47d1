import { memo } from 'react';
import { TSpans } from '../ui/Text.tsx';
import type { PlanText, FlagOnPaper } from './plan-words.ts';

export const PlanWords = memo(function PlanWords({ words }: { words: PlanText }) {
  return (
    <g pointerEvents="none">
      <g aria-hidden="true">
        {words.steps.flatMap((s) =>
          s.ticks.map(([x1, y1, x2, y2]) => (
            <path
              key={`${x1} ${y1}`}
              d={`M${x1} ${y1}L${x2} ${y2}`}
              stroke="var(--ink)"
              strokeWidth="3"
            />
          )),
        )}
        {words.names.map((n) => (
          <text key={n.id} x={n.x} y={n.y + n.h - 5} className="a halo" fontSize={n.size}>
            {n.id}
            {n.type && (
              <tspan
                className="q"
                fontSize="15"
                dx="6"
                style={{ fontWeight: 400, fontStretch: '100%', fill: 'var(--ink2)' }}
              >
                {n.type}
              </tspan>
            )}
          </text>
        ))}
      </g>
      {words.steps.map(
        (s) =>
          s.words && (
            <text
              key={s.words.text + String(s.words.x)}
              x={s.words.x}
              y={s.words.y + 15}
              fontSize="15"
              className="halo"
            >
              <TSpans>{s.words.text}</TSpans>
            </text>
          ),
      )}
      {words.flags.map((f) => (
        <Flag key={f.id} f={f} />
      ))}
    </g>
  );
});

/** A change flag, swallow-tailed, in ink across the drawing: carrying on with the last detail is the usual mistake. */
function Flag({ f }: { f: FlagOnPaper }) {
  const [near, far] = f.toLeft ? [f.x + f.w, f.x] : [f.x, f.x + f.w];
  const tail = f.toLeft ? 9 : -9;
  const mid = f.y + f.h / 2;
  return (
    <g>
      <path
        d={`M${f.nodeX - 9} ${f.nodeY - 9}L${f.nodeX + 9} ${f.nodeY + 9}`}
        stroke="var(--ink)"
        strokeWidth="3"
      />
      {Math.abs(mid - f.nodeY) > 4 && (
        <path d={`M${f.nodeX} ${f.nodeY}L${near} ${mid}`} stroke="var(--ink)" strokeWidth="1.5" />
      )}
      <path
        d={`M${near} ${f.y}H${far}l${tail} ${f.h / 2}l${-tail} ${f.h / 2}H${near}Z`}
        fill="var(--ink)"
      />
      <text
        x={(near + far) / 2 + (f.toLeft ? 4 : -4)}
        y={mid + 5}
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
