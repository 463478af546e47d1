import { scaleLinear } from 'd3';
import { clockText } from '#core/units';
import { useSize } from '../../../drawing/useSize.ts';
import { usePlanned } from '../planned.tsx';
import { useCrew } from './useCrew.ts';

const ROW = 44;
const TOP = 44;
const LEFT = 132;

/** A name as far as there is room for it: without its initials where they do not fit. */
const shortName = (name: string, px: number): string =>
  name.length * 7.4 + 8 < px ? name : (name.replace(/^(\S\.\s*)+/, '').split('-')[0] ?? name);

/** Turns are told apart by their shade; a job without a hand is an empty frame. */
function inkOf(name: string | null, turn: number): { bar: string; word: string } {
  if (name === null) return { bar: 'none', word: 'var(--chalk-t)' };
  return turn % 2
    ? { bar: 'var(--fresh-2)', word: 'var(--ink)' }
    : { bar: 'var(--fresh)', word: 'var(--on-fresh)' };
}

/** The day of everybody: the jobs down, the hours of the pour across, the heavy ones changing hands. */
export default function WhoGround() {
  const { plan, settings } = usePlanned();
  const [boxRef, box] = useSize();
  const { jobs, turns } = useCrew();
  const from = settings.firstLoadMin - 30;
  const to = plan.timetable.finishMin + 60;
  const x = scaleLinear([from, to], [LEFT, Math.max(LEFT + 40, box.width - 16)]);
  const hours: number[] = [];
  for (let m = Math.ceil(from / 30) * 30; m <= to; m += 30) hours.push(m);
  const every = hours.length > 12 ? 60 : 30;
  return (
    <div ref={boxRef} className="min-h-0 flex-1 overflow-y-auto">
      <svg
        width={box.width}
        height={Math.max(0, TOP + jobs.length * ROW + 16)}
        role="img"
        aria-label={jobs.map((j) => `${j.job}: ${j.name ?? 'nobody'}`).join(', ')}
      >
        {hours
          .filter((m) => m % every === 0 && x(m) < box.width - 24)
          .map((m) => (
            <g key={m}>
              <path d={`M${x(m)} ${TOP - 10}V${TOP + jobs.length * ROW}`} stroke="var(--hair)" />
              <text x={x(m)} y="24" textAnchor="middle" fontSize="14" className="m">
                {clockText(m)}
              </text>
            </g>
          ))}
        {jobs.map((j, i) => {
          const y = TOP + i * ROW;
          const own = j.name === null ? [] : turns.filter((t) => t.job === j.job);
          const first = own.length > 1 && jobs.findIndex((o) => o.job === j.job) === i;
          const parts = first
            ? own
            : [{ fromMin: settings.firstLoadMin, job: j.job, name: j.name ?? '' }];
          return (
            <g key={i}>
              <text x="12" y={y + 24} fontSize="16" className="b">
                {j.job}
              </text>
              {parts.map((t, k) => {
                const end = parts[k + 1]?.fromMin ?? plan.timetable.finishMin;
                const w = Math.max(2, x(end) - x(t.fromMin) - 2);
                return (
                  <g key={k}>
                    <rect
                      x={x(t.fromMin)}
                      y={y + 4}
                      width={w}
                      height={ROW - 12}
                      fill={inkOf(j.name, k).bar}
                      stroke={j.name === null ? 'var(--chalk)' : 'none'}
                      strokeWidth="2"
                      strokeDasharray="6 4"
                    />
                    {w > (shortName(t.name, w).length || 6) * 7.4 + 8 && (
                      <text
                        x={x(t.fromMin) + 6}
                        y={y + 25}
                        fontSize="14"
                        className="b"
                        style={{
                          fill: inkOf(j.name, k).word,
                        }}
                      >
                        {shortName(t.name, w) || 'nobody'}
                      </text>
                    )}
                  </g>
                );
              })}
            </g>
          );
        })}
      </svg>
    </div>
  );
}
