import type { UnitSystem } from '#core/units';

/** What every drawing of the workbench is given: input and result of the calculation, and its room. */
export interface DrawProps {
  id: string;
  input: Record<string, unknown>;
  result: Record<string, unknown>;
  units: UnitSystem;
  width: number;
  height: number;
}

/** A number of an input or result; 0 where there is none. */
export const num = (from: Record<string, unknown>, key: string): number =>
  typeof from[key] === 'number' ? from[key] : 0;
export const list = <T,>(from: Record<string, unknown>, key: string): T[] =>
  Array.isArray(from[key]) ? (from[key] as T[]) : [];
export const text = (from: Record<string, unknown>, key: string): string =>
  typeof from[key] === 'string' ? from[key] : '';

/** Arrows are drawn, never typed: a head at the end of a line. */
export function Arrow({
  x1,
  y1,
  x2,
  y2,
  colour = 'var(--ink)',
  thick = 2,
}: {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
  colour?: string;
  thick?: number;
}) {
  const l = Math.hypot(x2 - x1, y2 - y1) || 1;
  const [ux, uy] = [(x2 - x1) / l, (y2 - y1) / l];
  const h = Math.min(11, l * 0.5);
  return (
    <g stroke={colour} fill={colour}>
      <path d={`M${x1} ${y1}L${x2 - ux * h} ${y2 - uy * h}`} strokeWidth={thick} />
      <path
        stroke="none"
        d={`M${x2} ${y2}L${x2 - ux * h - uy * h * 0.45} ${y2 - uy * h + ux * h * 0.45}L${x2 - ux * h + uy * h * 0.45} ${y2 - uy * h - ux * h * 0.45}Z`}
      />
    </g>
  );
}

/** Ground hatching along a line. */
export const Ground = ({ x1, x2, y }: { x1: number; x2: number; y: number }) => (
  <g stroke="var(--line)">
    <path d={`M${x1} ${y}H${x2}`} stroke="var(--ink)" strokeWidth="2" />
    {Array.from({ length: Math.max(0, Math.floor((x2 - x1) / 12)) }, (_, i) => (
      <path key={i} d={`M${x1 + 6 + i * 12} ${y}l-6 8`} />
    ))}
  </g>
);
