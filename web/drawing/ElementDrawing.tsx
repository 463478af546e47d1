import type { ComponentProps } from 'react';
import type { Pad } from '#core/model';
import { lengthText } from '#core/units';
import { MarkAt, VERDICT_WORD } from '../ui/Mark.tsx';
import { Dimension } from './Dimension.tsx';
import { ElevationDrawing } from './ElevationDrawing.tsx';
import { PierElevation } from './PierDrawing.tsx';

type Props = Omit<ComponentProps<typeof ElevationDrawing>, 'run'> & { elementId: string };

/** A run unrolled, a pad from above, or a pier from the side, with marks where they are read. */
export function ElementDrawing({ elementId, ...rest }: Props) {
  const run = rest.site.runs.find((r) => r.id === elementId);
  const pad = rest.site.pads.find((p) => p.id === elementId);
  if (run) return <ElevationDrawing run={run} {...rest} />;
  const pier = rest.site.piers.find((p) => p.id === elementId);
  if (pier)
    return (
      <PierElevation
        pier={pier}
        units={rest.site.units}
        width={rest.width}
        height={rest.height}
        marks={rest.marks}
        markSize={rest.markSize ?? 18}
        onPick={rest.onPick}
      />
    );
  return pad ? <PadDrawing pad={pad} {...rest} /> : null;
}

function PadDrawing({
  pad,
  site,
  width,
  height,
  marks,
  onPick,
  markSize = 18,
}: { pad: Pad } & Omit<Props, 'elementId'>) {
  if (width < 60 || height < 60) return null;
  const px = Math.min((width - 80) / pad.widthM, (height - 52) / pad.lengthM);
  const [w, h] = [pad.widthM * px, pad.lengthM * px];
  const [left, top] = [(width - w) / 2 + 10, 12];
  const x = (m: number) => left + m * px;
  const y = (m: number) => top + h / 2 - m * px;
  return (
    <svg
      width={width}
      height={height}
      role="group"
      aria-label={`${pad.id} from above, ${lengthText(pad.widthM * 1000, site.units)} by ${lengthText(pad.lengthM * 1000, site.units)}`}
    >
      <rect
        x={left}
        y={top}
        width={w}
        height={h}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      {site.anchors
        .filter((a) => a.elementId === pad.id)
        .map((a) => (
          <g key={a.id} stroke="var(--ink)" strokeWidth="1.25">
            <circle
              cx={x(a.atM)}
              cy={y(a.acrossM ?? 0)}
              r={Math.max(3, (a.diameterMm / 2000) * px)}
              fill="var(--ink)"
            />
            <path
              d={`M${x(a.atM) - 9} ${y(a.acrossM ?? 0)}h18M${x(a.atM)} ${y(a.acrossM ?? 0) - 9}v18`}
            />
          </g>
        ))}
      <Dimension
        x1={left}
        y1={top + h + 26}
        x2={left + w}
        y2={top + h + 26}
        text={lengthText(pad.widthM * 1000, site.units)}
      />
      <Dimension
        x1={left - 20}
        y1={top}
        x2={left - 20}
        y2={top + h}
        text={lengthText(pad.lengthM * 1000, site.units)}
      />
      {marks.map((m) => (
        <g
          key={m.key}
          role={onPick ? 'button' : undefined}
          tabIndex={onPick ? -1 : undefined}
          aria-label={`${m.label}: ${VERDICT_WORD[m.verdict]}`}
          onClick={() => {
            onPick?.(m.key);
          }}
        >
          <MarkAt verdict={m.verdict} x={x(m.atM)} y={y(0)} size={markSize} />
          {m.chosen && (
            <circle
              cx={x(m.atM)}
              cy={y(0)}
              r={markSize * 0.85}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="2.5"
            />
          )}
        </g>
      ))}
    </svg>
  );
}
