import { clearOf } from '#core/pourplan';
import { distanceText } from '#core/units';
import { outlinesOf } from '#core/takeoff';
import { usePour } from '../../../app/pour-context.tsx';
import { fitted, type PlanScale } from '../../../drawing/plan-paper.ts';
import { useSize } from '../../../drawing/useSize.ts';
import { usePlanned } from '../planned.tsx';
import { LeftOverForm } from './LeftOverForm.tsx';
import { PlanHandle } from './PlanHandle.tsx';
import { Pump } from './Pump.tsx';
import { useStands } from './useStands.ts';

/** The plan with where the conveyance stands: what it reaches, what it does not, wires and the edge it keeps off. */
export default function HowGround() {
  const v = usePour();
  const p = usePlanned();
  const [boxRef, box] = useSize();
  const { conveyance, places, stand, offers } = useStands();
  const { site, pour } = p.record;
  if (!conveyance)
    return (
      <div ref={boxRef} className="min-h-0 flex-1 p-6 text-[18px] leading-6">
        How the concrete gets from the truck into the form is not settled: pick it beside.
      </div>
    );
  const { leftOver } = p.settings;
  const spots = [
    ...(leftOver?.at ? [leftOver.at] : []),
    ...places.flatMap((x) => x.ends),
    ...(p.settings.setUp ? [p.settings.setUp] : []),
    ...offers.map((o) => o.stand.at),
  ];
  const s: PlanScale = fitted(
    spots.map((q) => ({ x: q.xM, y: q.yM })),
    { width: box.width, height: box.height, pad: 46, foot: 30, marginM: 5 },
  );
  const elements = new Set(pour.elements);
  return (
    <div ref={boxRef} className="relative min-h-0 flex-1 touch-none">
      <svg width={box.width} height={box.height} role="group" aria-label="Where it stands">
        <Wires s={s} width={box.width} />
        {outlinesOf(site)
          .filter((o) => o.ring.length > 2)
          .map((o) => (
            <polygon
              key={o.id}
              points={o.ring.map((q) => `${s.x(q.x)},${s.y(q.y)}`).join(' ')}
              fill={elements.has(o.id) ? 'var(--stiff-2)' : 'none'}
              stroke={elements.has(o.id) ? 'var(--ink)' : 'var(--line)'}
              strokeWidth={elements.has(o.id) ? 1.5 : 1}
            />
          ))}
        {stand && <OutOfReach s={s} places={places} out={stand.cellsOut} />}
        {offers
          .filter(
            (o) =>
              !stand || Math.hypot(o.stand.at.xM - stand.at.xM, o.stand.at.yM - stand.at.yM) > 2,
          )
          .map((o) => (
            <Pump key={o.side} s={s} at={o.stand.at} conveyance={conveyance} name={o.side} ghost />
          ))}
        {leftOver && <LeftOverForm s={s} of={leftOver} />}
        {stand && (
          <Pump
            s={s}
            at={stand.at}
            conveyance={conveyance}
            name=""
            stopM={stand.boomStopM}
            words={
              stand.out.length
                ? `${distanceText(stand.outM, v.units)} out of reach`
                : `all within ${distanceText(stand.furthestM, v.units)}`
            }
            bad={stand.out.length > 0}
          />
        )}
      </svg>
      {p.settings.setUp && (
        <PlanHandle
          s={s}
          at={p.settings.setUp}
          name="Where it stands"
          handle="set-up"
          changeTo={(setUp) => ({ setUp })}
        />
      )}
      {leftOver?.at && (
        <PlanHandle
          s={s}
          at={leftOver.at}
          name={leftOver.what}
          handle="left-over"
          changeTo={(at) => ({ leftOver: { ...leftOver, at } })}
        />
      )}
    </div>
  );
}

/** What is not reached from there, struck over the plan. */
function OutOfReach({
  s,
  places,
  out,
}: {
  s: PlanScale;
  places: ReturnType<typeof useStands>['places'];
  out: ReadonlySet<string>;
}) {
  return (
    <g data-out-of-reach>
      {places
        .filter((q) => out.has(q.cell.id))
        .map((q) => (
          <path
            key={q.cell.id}
            d={`M${s.x(q.ends[0].xM)} ${s.y(q.ends[0].yM)}L${s.x(q.ends[1].xM)} ${s.y(q.ends[1].yM)}`}
            stroke="var(--chalk)"
            strokeWidth={Math.max(6, 0.3 * s.pxPerM)}
          />
        ))}
    </g>
  );
}

/** Overhead wires with the room a boom keeps off them. */
function Wires({ s, width }: { s: PlanScale; width: number }) {
  const v = usePour();
  const { site } = usePlanned().record;
  return (
    <g>
      {(site.wires ?? []).map((w) => {
        const clearM = clearOf(w, v.rules);
        return (
          <g key={w.id}>
            <rect
              x={0}
              y={Math.min(s.y(w.from.yM), s.y(w.to.yM)) - clearM * s.pxPerM}
              width={width}
              height={2 * clearM * s.pxPerM}
              fill="var(--chalk-2)"
              opacity={w.from.yM === w.to.yM ? 0.6 : 0}
            />
            <path
              d={`M${s.x(w.from.xM)} ${s.y(w.from.yM)}L${s.x(w.to.xM)} ${s.y(w.to.yM)}`}
              stroke="var(--ink)"
              strokeWidth="2"
            />
            <text
              x={width - 12}
              y={Math.max(20, s.y(w.from.yM) + clearM * s.pxPerM - 6)}
              textAnchor="end"
              fontSize="14"
              className="b halo"
              style={{ fill: 'var(--chalk-t)' }}
            >
              wires, {distanceText(clearM, v.units)} clear
            </text>
          </g>
        );
      })}
    </g>
  );
}
