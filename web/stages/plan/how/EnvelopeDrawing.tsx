import { scaleLinear } from 'd3';
import { type envelopeOf, overRating } from '#core/pourplan';
import { distanceText, quantityText, type UnitSystem } from '#core/units';

type Envelope = NonNullable<ReturnType<typeof envelopeOf>>;
const METHOD = { aci347: 'ACI 347', ciria108: 'CIRIA 108', hydrostatic: 'full head' } as const;
const H = 190;
/** Where the form stands across the drawing, px. */
const wallX = 74;

/** The form, lift on lift. */
function FormWall({ e, y }: { e: Envelope; y: (m: number) => number }) {
  return (
    <g>
      <rect
        x={wallX}
        y={y(e.heightM)}
        width="26"
        height={y(0) - y(e.heightM)}
        fill="var(--stiff-2)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      {e.lifts.map((lift, i) => (
        <g key={i}>
          {i > 0 && (
            <path d={`M${wallX - 6} ${y(lift.fromM)}h38`} stroke="var(--ink)" strokeWidth="1.25" />
          )}
          <text
            x={wallX - 8}
            y={(y(lift.fromM) + y(lift.toM)) / 2 + 5}
            textAnchor="end"
            fontSize="14"
          >
            lift {i + 1}
          </text>
        </g>
      ))}
    </g>
  );
}

/**
 * What the concrete presses on the form over its height, lift by lift, against what the form is
 * rated for; the other methods pale.
 */
export function EnvelopeDrawing({
  envelope: e,
  width,
  units,
}: {
  envelope: Envelope;
  width: number;
  units: UnitSystem;
}) {
  if (width < 260) return null;
  const most = Math.max(e.ratingKPa, e.fullHeadKPa) * 1.06;
  const x = scaleLinear([0, most], [wallX + 34, width - 12]);
  const y = scaleLinear([0, e.heightM], [H - 8, 40]);
  /** Straight down from the top to where the pressure is held, then straight. */
  const line = (maxKPa: number, topM: number) => {
    const headM = Math.min(topM, (maxKPa / e.fullHeadKPa) * e.heightM);
    return `M${x(0)} ${y(topM)}L${x(maxKPa)} ${y(topM - headM)}V${y(0)}`;
  };
  const ruling = e.byMethod.find((m) => m.rules);
  const ok = ruling !== undefined && !overRating(ruling.maxPressureKPa, e.ratingKPa);
  return (
    <section aria-label="Pressure on the forms">
      <div className="flex flex-wrap justify-between gap-x-3">
        <h2 className="head">Pressure on the forms</h2>
        <span className="text-ink2">
          {e.elementId}, {ruling ? METHOD[ruling.method] : ''}, rising there{' '}
          {quantityText(e.riseMPerH, 'MPerH', units)}
        </span>
      </div>
      <svg
        width={width}
        height={H}
        role="img"
        aria-label={`Up to ${quantityText(ruling?.maxPressureKPa ?? 0, 'KPa', units)}, forms rated ${quantityText(e.ratingKPa, 'KPa', units)}`}
      >
        <FormWall e={e} y={y} />
        {e.byMethod
          .filter((m) => !m.rules)
          .map((m) => (
            <g key={m.method}>
              <path
                d={line(m.maxPressureKPa, e.heightM)}
                fill="none"
                stroke="var(--line)"
                strokeWidth="1.25"
                strokeDasharray="4 4"
              />
            </g>
          ))}
        {ruling && (
          <path
            d={`${line(ruling.maxPressureKPa, e.heightM)}H${x(0)}Z`}
            fill="var(--fresh-2)"
            fillOpacity="0.5"
            stroke="var(--fresh)"
            strokeWidth="2.5"
          />
        )}
        {e.byLift.slice(0, -1).map((p, i) => (
          <path
            key={i}
            d={line(p, e.lifts[i]?.toM ?? e.heightM)}
            fill="none"
            stroke="var(--ink2)"
            strokeWidth="1"
            strokeDasharray="5 4"
          />
        ))}
        <path d={`M${x(e.ratingKPa)} 22V${y(0)}`} stroke="var(--chalk)" strokeWidth="3" />
        <text
          x={x(e.ratingKPa) - 6}
          y="16"
          textAnchor="end"
          fontSize="15"
          className="b"
          style={{ fill: 'var(--chalk-t)' }}
        >
          forms rated {quantityText(e.ratingKPa, 'KPa', units)}
        </text>
        {ruling && (
          <text
            x={Math.min(x(ruling.maxPressureKPa), x(e.ratingKPa)) - 10}
            y={y(0) - 10}
            textAnchor="end"
            className="a halo"
            fontSize="22"
            style={{ fill: ok ? 'var(--ink)' : 'var(--chalk-t)' }}
          >
            {quantityText(ruling.maxPressureKPa, 'KPa', units)}
          </text>
        )}
        <path d={`M${wallX - 8} ${y(0)}H${width}`} stroke="var(--ink)" strokeWidth="1.5" />
      </svg>
      <p className="text-[14px] leading-[18px] text-ink2">
        {e.byMethod
          .filter((m) => !m.rules)
          .map((m) => `${METHOD[m.method]} ${quantityText(m.maxPressureKPa, 'KPa', units)}`)
          .join(', ')}
        , over {distanceText(e.heightM, units)}. The profile’s one rules.
      </p>
    </section>
  );
}
