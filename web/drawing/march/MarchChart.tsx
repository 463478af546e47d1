import { useId } from 'react';
import { clockText } from '#core/units';
import { ColdMarks } from './ColdMarks.tsx';
import { DayShade, FoldWords } from './DayShade.tsx';
import { lazily } from '../../ui/lazily.tsx';
import { LoadBar } from './LoadBar.tsx';
import { NowLine } from './NowLine.tsx';
import { Passes, WindowWords } from './Passes.tsx';
import { RouteAxis } from './RouteAxis.tsx';
import { marchOf, type March, type MarchProps } from './scales.ts';

const WeatherColumn = lazily(() => import('./WeatherColumn.tsx'));

/** Hatches, the roughness of a chalk line, and where the passes are cut off; by names of this chart alone. */
function Defs({ id, m }: { id: string; m: March }) {
  const hatched = { patternUnits: 'userSpaceOnUse', patternTransform: 'rotate(45)' } as const;
  return (
    <defs>
      <pattern id={`${id}knit`} width="7" height="7" {...hatched}>
        <path d="M0 0V7" stroke="var(--fresh)" strokeWidth="1" />
      </pattern>
      <pattern id={`${id}rain`} width="10" height="10" {...hatched}>
        <path d="M0 0V10" stroke="var(--ink)" strokeWidth="1.4" opacity=".34" />
      </pattern>
      <filter id={`${id}rough`}>
        <feTurbulence type="fractalNoise" baseFrequency="0.9" numOctaves="2" seed="3" />
        <feDisplacementMap in="SourceGraphic" scale="3.5" />
      </filter>
      <clipPath id={`${id}cut`}>
        <rect
          x={m.x0}
          y={m.top}
          width={Math.max(0, m.x1 - m.x0)}
          height={Math.max(0, m.edge - m.top)}
        />
      </clipPath>
    </defs>
  );
}

/** The chart in words. */
function labelOf({ plan, planned, done, actual }: March): string {
  const cold = plan.timetable.seams.filter((s) => s.verdict === 'cold').length;
  const from = clockText(plan.timetable.placements[0]?.fromMin ?? 0);
  const to = clockText(plan.timetable.finishMin);
  return `March chart: ${planned.length} stretches planned from ${from} to ${to}, ${cold} cold seams${actual ? `, ${done.length} stretches placed` : ''}`;
}

/**
 * The march chart: time runs down, the route runs across; weather on the left and loads on the right share the
 * time axis. Behind each pass stands the window in which the next one knits.
 */
export function MarchChart(props: MarchProps) {
  const id = useId();
  const m = marchOf(props);
  if (!m) return null;
  const { plan, actual, nowMin } = m;
  return (
    <svg
      width={m.width}
      height={m.height}
      // On paper it is fitted to the page.
      viewBox={`0 0 ${m.width} ${m.height}`}
      className="print:h-auto print:max-w-full"
      role="img"
      aria-label={labelOf(m)}
    >
      <Defs id={id} m={m} />
      <DayShade m={m} hatch={`${id}rain`} />
      <RouteAxis m={m} />
      <WeatherColumn m={m} />
      <g clipPath={`url(#${id}cut)`}>
        <Passes m={m} hatch={`${id}knit`} />
      </g>
      <FoldWords m={m} />
      <ColdMarks m={m} />
      <WindowWords m={m} />
      {plan.loadIds.map((load, i) => (
        <LoadBar
          key={load}
          index={i}
          of={plan.loadIds.length}
          x={m.x1 + 14}
          width={m.loadsW}
          id={load}
          plan={plan}
          t={m.t}
          units={m.units}
          maxAgeMin={m.maxAgeMin}
          actual={actual?.loads.find((l) => l.id === load)}
          minuteOf={actual?.minuteOf}
          nowMin={nowMin}
          bottom={m.edge}
          strip={m.strip}
        />
      ))}
      {m.near && nowMin !== null && <NowLine m={m} nowMin={nowMin} rough={`${id}rough`} />}
    </svg>
  );
}
