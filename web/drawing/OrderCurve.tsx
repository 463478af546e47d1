import { line as d3line, scaleLinear, type ScaleLinear } from 'd3';
import { moneyText, type UnitSystem, volume } from '#core/units';

/** Width of the words beside the line of calling the balance, px. */
const CALL_PX = 110;
/** Width of the words beside the line of what is needed, px. */
const NEEDED_PX = 100;
const CALL_SPOTS = [
  { end: true, dy: -5 },
  { end: true, dy: 17 },
  { end: false, dy: 17 },
  { end: false, dy: -5 },
];

interface Props {
  width: number;
  height: number;
  units: UnitSystem;
  all: { orderM3: number; cost: number }[];
  chosenM3: number;
  bestM3: number;
  meanM3: number;
  currency?: string | undefined;
  call: { firstM3: number; cost: number } | null;
  onPick: (m3: number) => void;
}

/** What ordering too much or too little is likely to cost; each step of the order can be picked. */
export function OrderCurve({
  width,
  height,
  units,
  all,
  chosenM3,
  bestM3,
  meanM3,
  currency,
  call,
  onPick,
}: Props) {
  // The left wing climbs to the cost of a stopped crew: it is cut off where the choice is.
  const cheapest = Math.min(...all.map((c) => c.cost));
  const curve = all.filter((c) => c.cost <= 4.5 * cheapest + 1);
  const first = curve[0];
  const last = curve.at(-1);
  if (!first || !last || width < 100) return null;
  const m = { l: 50, r: 14, t: 12, b: 26 };
  const most = Math.max(...curve.map((c) => c.cost), call?.cost ?? 0) * 1.04;
  // A small pour needs less than the least that is brought: what it needs stands on the chart too.
  const x = scaleLinear(
    [Math.min(first.orderM3, meanM3), Math.max(last.orderM3, meanM3)],
    [m.l, width - m.r],
  );
  const atEnd = x(meanM3) > width - NEEDED_PX;
  const y = scaleLinear([0, most], [height - m.b, m.t]).clamp(true);
  const neededY = m.t + (call && Math.abs(y(call.cost) - m.t - 5) < 12 ? 27 : 10);
  const path = d3line<{ orderM3: number; cost: number }>()
    .x((c) => x(c.orderM3))
    .y((c) => y(c.cost));
  const near = curve.reduce((a, b) =>
    Math.abs(b.orderM3 - chosenM3) < Math.abs(a.orderM3 - chosenM3) ? b : a,
  );
  // The name of the line stands at either end, over or under it, where the curve does not run; else
  // the line goes unnamed.
  const named =
    call === null
      ? undefined
      : CALL_SPOTS.find(({ end, dy }) => {
          const [from, to] = end ? [width - m.r - CALL_PX, width - m.r] : [m.l, m.l + CALL_PX];
          const text = y(call.cost) + dy;
          return curve.every((c, i) => {
            const next = curve[i + 1] ?? c;
            const beside = x(next.orderM3) < from || x(c.orderM3) > to;
            const [upper, lower] = [y(c.cost), y(next.cost)].sort((p, q) => p - q) as [
              number,
              number,
            ];
            return beside || lower < text - 14 || upper > text + 5;
          });
        });
  return (
    <svg width={width} height={height} role="group" aria-label="Cost of the order">
      {y.ticks(3).map((c) => (
        <g key={c}>
          <path d={`M${m.l} ${y(c)}H${width - m.r}`} stroke="var(--hair)" />
          <text x={m.l - 6} y={y(c) + 5} textAnchor="end" fontSize="14" className="m q">
            {c}
          </text>
        </g>
      ))}
      <path d={`M${x(meanM3)} ${m.t}V${height - m.b}`} stroke="var(--line)" strokeDasharray="5 4" />
      <text
        x={x(meanM3) + (atEnd ? -5 : 5)}
        y={neededY}
        textAnchor={atEnd ? 'end' : 'start'}
        fontSize="14"
        className="q halo-sheet"
      >
        {volume(meanM3, units, 1).value} needed
      </text>
      <path d={path(curve) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      {call && <CallLine y={y(call.cost)} from={m.l} to={width - m.r} named={named} />}
      <Orders
        curve={curve}
        most={most}
        units={units}
        currency={currency}
        onPick={onPick}
        x={x}
        m={m}
        height={height}
        bestM3={bestM3}
        y={y}
      />
      <circle cx={x(near.orderM3)} cy={y(near.cost)} r="6.5" fill="var(--ink)" />
      {curve
        .filter((_, i) => i % Math.ceil(curve.length / 6) === 0)
        .map((c) => (
          <text
            key={c.orderM3}
            x={x(c.orderM3)}
            y={height - 6}
            textAnchor="middle"
            fontSize="14"
            className="q"
          >
            {volume(c.orderM3, units, 1).value}
          </text>
        ))}
    </svg>
  );
}

/** What calling the balance is likely to cost, whatever is ordered; its name where there is room. */
function CallLine({
  y,
  from,
  to,
  named,
}: {
  y: number;
  from: number;
  to: number;
  named: { end: boolean; dy: number } | undefined;
}) {
  return (
    <g>
      <path d={`M${from} ${y}H${to}`} stroke="var(--fresh)" strokeWidth="2" strokeDasharray="6 4" />
      {named && (
        <text
          x={named.end ? to : from + 4}
          y={y + named.dy}
          textAnchor={named.end ? 'end' : 'start'}
          fontSize="14"
          className="halo-sheet"
          style={{ fill: 'var(--fresh)' }}
        >
          call the balance
        </text>
      )}
    </g>
  );
}

/** Every order there is, as high as it costs. */
function Orders({
  curve,
  most,
  units,
  currency,
  onPick,
  x,
  m,
  height,
  bestM3,
  y,
}: {
  curve: { orderM3: number; cost: number }[];
  most: number;
  units: UnitSystem;
  currency: string | undefined;
  onPick: (m3: number) => void;
  x: ScaleLinear<number, number>;
  m: { l: number; r: number; t: number; b: number };
  height: number;
  bestM3: number;
  y: ScaleLinear<number, number>;
}) {
  return curve.map((c) =>
    c.cost <= most ? (
      <g
        key={c.orderM3}
        role="button"
        tabIndex={0}
        aria-label={`Order ${volume(c.orderM3, units).value}, costs ${moneyText(c.cost, currency)}`}
        onClick={() => {
          onPick(c.orderM3);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') onPick(c.orderM3);
        }}
      >
        <rect
          x={x(c.orderM3) - 8}
          y={m.t}
          width="16"
          height={height - m.t - m.b}
          fill="transparent"
        />
        {c.orderM3 === bestM3 && (
          <circle
            cx={x(c.orderM3)}
            cy={y(c.cost)}
            r="5"
            fill="none"
            stroke="var(--ink)"
            strokeWidth="2"
          />
        )}
      </g>
    ) : null,
  );
}
