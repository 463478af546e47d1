import { useMemo } from 'react';
import { type Sketch, sketchSite, type Sketched, type SketchFigures } from '#core/begin';
import { outlinesOf } from '#core/takeoff';
import { area, distanceText, textOf, type UnitSystem, volume } from '#core/units';
import { Dimension } from '../drawing/Dimension.tsx';
import { GridBubbles } from '../drawing/GridBubbles.tsx';
import { gridLines } from '../drawing/grid-lines.ts';
import { dimensionStrings } from '../drawing/PlanDimensions.tsx';
import { fitted, type PlanScale } from '../drawing/plan-paper.ts';
import { useSize } from '../drawing/useSize.ts';
import { Big, T } from '../ui/Text.tsx';

interface Props {
  sketch: Sketch;
  drawn: Sketched;
  figures: SketchFigures;
  units: UnitSystem;
}

/**
 * The sketch to scale: what is typed in ink, what is not yet dashed where it would come to lie, and
 * what it all comes to.
 */
export function SketchGround({ sketch, drawn, figures, units }: Props) {
  const [boxRef, box] = useSize();
  const site = useMemo(() => sketchSite(sketch, units), [sketch, units]);
  const outlines = useMemo(() => outlinesOf(site), [site]);
  const known = new Set(drawn.known);
  const wide = box.width > 520;
  const pad = wide ? 76 : 26;
  const scale = fitted(
    outlines.flatMap((o) => o.ring),
    { width: box.width, height: box.height, pad, foot: 0, marginM: 0 },
  );
  const all = outlines.map((o) => o.id);
  const strings =
    wide && drawn.known.length > 0
      ? dimensionStrings(site, drawn.known, scale, { ...box, pad, close: false })
      : [];
  const order = [...outlines].sort((a, b) => Number(known.has(a.id)) - Number(known.has(b.id)));
  return (
    <div ref={boxRef} className="relative h-full min-h-[180px]">
      {box.width > 20 && box.height > 20 && (
        <svg
          width={box.width}
          height={box.height}
          role="img"
          aria-label="The plan as far as it is typed"
        >
          {wide && (
            <GridBubbles
              lines={gridLines(site, all)}
              scale={scale}
              left={22}
              top={20}
              right={box.width - 8}
              bottom={box.height - 8}
            />
          )}
          {order.map((o) => (
            <polygon
              key={o.id}
              data-run={o.id}
              points={o.ring.map((p) => `${scale.x(p.x)},${scale.y(p.y)}`).join(' ')}
              fill={known.has(o.id) ? 'var(--fresh-2)' : 'none'}
              fillOpacity={o.kind === 'wall' ? 0.9 : 0.6}
              stroke={known.has(o.id) ? 'var(--ink)' : 'var(--line)'}
              strokeWidth={known.has(o.id) ? 2 : 1.25}
              strokeDasharray={known.has(o.id) ? undefined : '6 4'}
            />
          ))}
          {strings.map((s) => (
            <Dimension key={`${s.x1} ${s.y1} ${s.x2} ${s.y2}`} {...s} />
          ))}
        </svg>
      )}
      <Figures
        sketch={sketch}
        figures={figures}
        units={units}
        at={box.width > 20 ? freeMiddle(drawn, scale) : null}
      />
    </div>
  );
}

/** The middle of what a shape encloses where there is most room: of an L its upper part, of two bays the first; px. */
function freeMiddle({ traced: { nodes } }: Sketched, scale: PlanScale) {
  const spot = (id: string) => nodes.find((n) => n.id === id);
  const from = spot('A1');
  const to = spot('B3') && !spot('B1') ? spot('B3') : (spot('B2') ?? spot('A2'));
  if (!from || !to || from.yM === to.yM) return null;
  return { left: scale.x((from.xM + to.xM) / 2), top: scale.y((from.yM + to.yM) / 2) };
}

/** Inside the shape: the figure the first length already gives. */
function Figures({
  sketch,
  figures,
  units,
  at,
}: Omit<Props, 'drawn'> & { at: { left: number; top: number } | null }) {
  const { concreteM3, formM2, lengthM, diagonalM, whole } = figures;
  if (concreteM3 === 0)
    return (
      <p className="pointer-events-none absolute inset-0 flex items-center justify-center p-10 text-center text-[18px] text-ink2">
        Type the first length: it draws itself.
      </p>
    );
  const runs = sketch.shape !== 'pads' && sketch.shape !== 'piece';
  const closed = runs ? 'closed' : 'all typed';
  return (
    <div
      className="pointer-events-none absolute flex -translate-x-1/2 -translate-y-1/2 flex-col items-center bg-ground px-3 py-1 text-center"
      style={at ?? { left: '50%', top: '50%' }}
    >
      <Big figure={volume(concreteM3, units, 1)} size={72} />
      <p className="mt-2 font-semibold">of concrete, {whole ? closed : 'so far'}</p>
      <p className="text-ink2 max-sm:hidden">
        <T>
          {`${textOf(area(formM2, units))} of forms${lengthM > 0 ? `, ${distanceText(lengthM, units)}` : ''}`}
        </T>
      </p>
      {diagonalM !== null && (
        <p className="text-ink2 max-sm:hidden">
          <T>{`square when both diagonals read ${distanceText(diagonalM, units)}`}</T>
        </p>
      )}
    </div>
  );
}
