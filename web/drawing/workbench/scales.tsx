import { scaleLinear } from 'd3';
import type { Verdict } from '#core/check';
import { type Quantity, quantityText, type UnitSystem } from '#core/units';
import { MarkAt } from '../../ui/Mark.tsx';
import { TSpans } from '../../ui/Text.tsx';
import { list, num, type DrawProps } from './parts.tsx';

interface RangeProps {
  width: number;
  height: number;
  units: UnitSystem;
  quantity: Quantity | null;
  readings: number[];
  low: number | null;
  high: number | null;
  wanted: number | null;
  verdictOf: (i: number) => Verdict;
  label: string;
}

/** Readings as marks over a measure, with the range allowed and what is wanted. */
function RangeDrawing({
  width,
  height,
  units,
  quantity,
  readings,
  low,
  high,
  wanted,
  verdictOf,
  label,
}: RangeProps) {
  const known = [...readings, low, high, wanted].filter((n): n is number => n !== null);
  const spread = Math.max(...known) - Math.min(...known) || Math.abs(known[0] ?? 1) || 1;
  const x = scaleLinear(
    [Math.min(...known) - spread * 0.18, Math.max(...known) + spread * 0.18],
    [40, width - 40],
  );
  const y = height * 0.46;
  const say = (n: number) => quantityText(n, quantity, units);
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`${label}: ${readings.map(say).join(', ')}`}
    >
      <rect
        x={low === null ? 40 : x(low)}
        y={y - 40}
        width={(high === null ? width - 40 : x(high)) - (low === null ? 40 : x(low))}
        height="80"
        fill="var(--good-2)"
      />
      <path d={`M40 ${y}H${width - 40}`} stroke="var(--ink)" strokeWidth="2" />
      {x.ticks(10).map((t) => (
        <path key={t} d={`M${x(t)} ${y}v8`} stroke="var(--ink)" />
      ))}
      {(
        [
          [low, 'least'],
          [high, 'most'],
        ] as const
      ).map(([n, word]) =>
        n === null ? null : (
          <g key={word}>
            <path d={`M${x(n)} ${y - 48}V${y + 48}`} stroke="var(--chalk)" strokeWidth="2.5" />
            <text
              x={x(n)}
              y={y + 68}
              textAnchor="middle"
              fontSize="15"
              className="b"
              style={{ fill: 'var(--chalk-t)' }}
            >
              <TSpans>{`${word} ${say(n)}`}</TSpans>
            </text>
          </g>
        ),
      )}
      {wanted !== null && (
        <g>
          <path d={`M${x(wanted)} ${y - 58}V${y + 30}`} stroke="var(--ink)" strokeDasharray="6 4" />
          <text x={x(wanted)} y={y - 66} textAnchor="middle" fontSize="15">
            <TSpans>{`wanted ${say(wanted)}`}</TSpans>
          </text>
        </g>
      )}
      {readings.map((r, i) => (
        <g key={i}>
          <MarkAt verdict={verdictOf(i)} x={x(r)} y={y} size={24} />
          <text
            x={x(r)}
            y={y - 20 - (i % 2) * 18}
            textAnchor="middle"
            fontSize="15"
            className="halo b"
          >
            <TSpans>{say(r)}</TSpans>
          </text>
        </g>
      ))}
    </svg>
  );
}

/** Checks that lay readings beside their limits. */
export function VerdictDrawing({ id, input, result, units, width, height }: DrawProps) {
  const readings = list<number>(input, id === 'strength-acceptance' ? 'testsMPa' : 'readingsMm');
  const failing = new Set(
    list<number>(result, id === 'strength-acceptance' ? 'failingTests' : 'failing'),
  );
  const shared = { width, height, units, label: 'Readings' };
  if (id === 'strength-acceptance')
    return (
      <RangeDrawing
        {...shared}
        quantity="MPa"
        readings={readings}
        low={num(result, 'lowestAllowedMPa')}
        high={null}
        wanted={num(input, 'fcMPa')}
        verdictOf={(i) => (failing.has(i) ? 'out' : 'good')}
      />
    );
  if (id === 'slump-verdict')
    return (
      <RangeDrawing
        {...shared}
        quantity="Mm"
        readings={[num(input, 'measuredMm')]}
        low={num(result, 'lowMm')}
        high={num(result, 'highMm')}
        wanted={num(input, 'targetMm')}
        verdictOf={() => (result.verdict === 'accept' ? 'good' : 'out')}
      />
    );
  if (id === 'load-verdict')
    return (
      <RangeDrawing
        {...shared}
        quantity="Min"
        readings={[num(result, 'ageMin')]}
        low={null}
        high={num(input, 'limitMin')}
        wanted={null}
        verdictOf={() =>
          (({ reject: 'out', adjust: 'tight' }) as const)[String(result.verdict) as 'reject'] ??
          'good'
        }
      />
    );
  if (id === 'min-cover')
    return (
      <RangeDrawing
        {...shared}
        quantity="Mm"
        readings={[]}
        low={num(result, 'minCoverMm')}
        high={null}
        wanted={null}
        verdictOf={() => 'good'}
      />
    );
  if (id === 'spacing-verdict') {
    const wanted = num(input, 'specifiedMm');
    const tol = num(input, 'toleranceMm');
    return (
      <RangeDrawing
        {...shared}
        quantity="Mm"
        readings={readings.length ? readings : [num(result, 'meanMm')]}
        low={wanted - tol}
        high={wanted + tol}
        wanted={wanted}
        verdictOf={(i) => (failing.has(i) ? 'out' : 'good')}
      />
    );
  }
  const wanted = num(input, id === 'cover-verdict' ? 'specifiedMm' : 'wantedMm');
  const low = num(result, id === 'cover-verdict' ? 'allowedLeastMm' : 'lowMm');
  // The core says whether the worst reading is tight; the others stand further from the limit.
  const worst = num(result, id === 'cover-verdict' ? 'leastMm' : 'worstMm');
  return (
    <RangeDrawing
      {...shared}
      quantity="Mm"
      readings={readings}
      low={low}
      high={typeof result.highMm === 'number' ? result.highMm : null}
      wanted={wanted}
      verdictOf={(i) => {
        if (failing.has(i)) return 'out';
        return result.verdict === 'tight' && readings[i] === worst ? 'tight' : 'good';
      }}
    />
  );
}

/** What it is called, how much, in what, and whether it rules. */
type AmountRow = [string, number, Quantity | null, boolean];

/** The amounts a calculation compares, by its id. */
const AMOUNTS: Record<string, (p: DrawProps) => AmountRow[]> = {
  'placing-rate': ({ result }) =>
    list<{ by: string; rateM3PerH: number }>(result, 'limits').map((l) => [
      l.by,
      l.rateM3PerH,
      'M3PerH',
      l.by === result.limitedBy,
    ]),
  'water-addition': ({ result }) => [
    ['needed', num(result, 'neededL'), 'L', false],
    ['allowed', num(result, 'allowedL'), 'L', false],
    ['add', num(result, 'addL'), 'L', true],
  ],
  'site-mix': ({ result }) =>
    (['cement', 'sand', 'stone'] as const).map((k) => [
      k,
      num(result.perBatch as Record<string, unknown>, `${k}Kg`),
      'Kg',
      k === 'cement',
    ]),
  'bag-count': ({ result }) => [
    ['bags', num(result, 'bags'), null, true],
    ['trips', num(result, 'trips'), null, false],
  ],
  'learned-yield': ({ input, result }) => [
    ['as the profile has it', 100 * num(input, 'priorWaste'), null, false],
    ['as learned, in 100', 100 * num(result, 'wasteRatio'), null, true],
    ['spread, in 100', 100 * num(result, 'sdRatio'), null, false],
  ],
  'learned-delay': ({ input, result }) => [
    ['median as given', num(input, 'priorMedianMin'), 'Min', false],
    ['median as learned', num(result, 'medianMin'), 'Min', true],
    ['one in ten later than', num(result, 'p90Min'), 'Min', false],
  ],
  'trench-fill': ({ result }) => [
    ['trench', num(result, 'trenchM3'), 'M3', false],
    ['gravel, loose', num(result, 'gravelM3'), 'M3', true],
  ],
  yield: ({ input, result }) => [
    ['neat', num(input, 'neatTotalM3'), 'M3', false],
    ['as planned', num(result, 'plannedM3'), 'M3', false],
    ['forecast', num(result, 'totalM3'), 'M3', true],
  ],
};

/** What has to be held, and what there is: the calculations that list their own checks. */
const checkRows = ({ result, units }: DrawProps): AmountRow[] =>
  list<{ what: string; haveM: number; needM: number; ok: boolean }>(result, 'checks').map((c) => [
    `${c.what.replace(/([A-Z])/g, ' $1').toLowerCase()}, needs ${quantityText(c.needM, 'M', units)}`,
    c.haveM,
    'M',
    !c.ok,
  ]);

/** Amounts beside each other, the one that rules drawn dark. */
export function CompareDrawing(props: DrawProps) {
  const { id, units, width, height } = props;
  const rows = (AMOUNTS[id] ?? checkRows)(props);
  const most = Math.max(...rows.map((r) => r[1]), 1e-9);
  const x = scaleLinear([0, most], [0, width - 330]);
  const step = Math.min(64, (height - 40) / Math.max(1, rows.length));
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={rows.map((r) => `${r[0]} ${quantityText(r[1], r[2], units)}`).join(', ')}
    >
      {rows.map(([label, n, q, rules], i) => (
        <g key={label} transform={`translate(20 ${24 + i * step})`}>
          <text y={step * 0.45} fontSize="16" className={rules ? 'b' : ''}>
            {label.length > 24 ? `${label.slice(0, 23)}…` : label}
          </text>
          <rect
            x="190"
            y={step * 0.1}
            width={Math.max(2, x(Math.max(0, n)))}
            height={step * 0.56}
            fill={rules ? 'var(--ink)' : 'var(--stiff)'}
          />
          <text x={198 + x(Math.max(0, n))} y={step * 0.5} fontSize="16" className="b">
            <TSpans>{quantityText(n, q, units)}</TSpans>
          </text>
        </g>
      ))}
    </svg>
  );
}
