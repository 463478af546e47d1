import type { DrawnForms } from '#core/formwork';
import type { Run, SitePlan } from '#core/model';

interface Props {
  site: SitePlan;
  run: Run;
  lengthM: number;
  heightM: number;
  /** Metres along the run from its first node, and above its bottom, on the paper. */
  x: (m: number) => number;
  y: (m: number) => number;
  bars?: boolean;
  forms?: DrawnForms | null | undefined;
  fill?: string;
  strokeWidth?: number;
}

const steps = (lengthM: number, spacingM: number): number[] =>
  Array.from(
    { length: Math.max(0, Math.floor(lengthM / spacingM)) },
    (_, i) => (i + 0.5) * spacingM,
  ).filter((x) => x < lengthM);

/** The face of a run: bars at their spacing, openings cut out, ledge, plates, bolts and dowels, and what is laid in. */
export function RunFace({
  site,
  run,
  lengthM,
  heightM,
  x,
  y,
  bars = true,
  forms,
  fill = 'var(--sheet)',
  strokeWidth = 2.5,
}: Props) {
  const type = site.wallTypes.find((t) => t.mark === run.type);
  const [left, right] = [Math.min(x(0), x(lengthM)), Math.max(x(0), x(lengthM))];
  const [top, base] = [y(heightM), y(0)];
  // Bars closer on the paper than can be told apart are not drawn.
  const apart = (spacingM: number) => Math.abs(x(spacingM) - x(0)) >= 3;
  return (
    <g>
      <rect x={left} y={top} width={right - left} height={base - top} fill={fill} stroke="none" />
      {bars &&
        type?.vertical &&
        apart(type.vertical.spacingM) &&
        steps(lengthM, type.vertical.spacingM).map((m) => (
          <path key={`v${m}`} d={`M${x(m)} ${top}V${base}`} stroke="var(--hair)" strokeWidth="1" />
        ))}
      {bars &&
        type?.horizontal &&
        apart(type.horizontal.spacingM) &&
        steps(heightM, type.horizontal.spacingM).map((m) => (
          <path
            key={`h${m}`}
            d={`M${left} ${y(m)}H${right}`}
            stroke="var(--hair)"
            strokeWidth="1"
          />
        ))}
      {type?.ledge && (
        <path
          d={`M${left} ${y(heightM - type.ledge.heightM)}H${right}`}
          stroke="var(--ink)"
          strokeWidth="1.25"
          strokeDasharray="10 4"
        />
      )}
      {forms && <Forms f={forms} lengthM={lengthM} heightM={heightM} x={x} y={y} />}
      {run.openings.map((o, i) => {
        const [ox, w] = [Math.min(x(o.atM), x(o.atM + o.widthM)), Math.abs(x(o.widthM) - x(0))];
        return (
          <g key={i}>
            <rect
              x={ox}
              y={y(o.headM)}
              width={w}
              height={y(o.sillM) - y(o.headM)}
              fill="var(--void)"
              stroke="var(--ink)"
              strokeWidth="1.25"
              strokeDasharray={o.kind === 'pocket' ? '5 4' : undefined}
            />
            {o.kind === 'sleeve' && (
              <path
                d={`M${ox + w / 2} ${y(o.headM) - 4}V${y(o.sillM) + 4}M${ox - 4} ${y((o.headM + o.sillM) / 2)}H${ox + w + 4}`}
                stroke="var(--ink)"
                strokeWidth="0.75"
              />
            )}
          </g>
        );
      })}
      <Embeds site={site} run={run} heightM={heightM} x={x} y={y} />
      <rect
        x={left}
        y={top}
        width={right - left}
        height={base - top}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={strokeWidth}
      />
      {site.plates
        .filter((p) => p.elementId === run.id)
        .map((p) => (
          <path
            key={p.id}
            d={`M${x(p.fromM)} ${top - 3.5}H${x(p.toM)}`}
            stroke="var(--line)"
            strokeWidth="3"
          />
        ))}
      {site.anchors
        .filter((a) => a.elementId === run.id)
        .map((a) => (
          <path
            key={a.id}
            d={
              a.kind === 'dowel'
                ? `M${x(a.atM)} ${base + 8}v-14`
                : `M${x(a.atM)} ${top - (a.kind === 'holdDown' ? 12 : 8)}V${Math.min(y(heightM - a.embedmentMm / 1000), top + 18)}`
            }
            stroke="var(--ink)"
            strokeWidth={a.kind === 'holdDown' ? 3.5 : 2}
          />
        ))}
    </g>
  );
}

/**
 * Weep holes, waterstops, keyways, drains and the like, at their height where one is given; a hole
 * is a cross: a ring is a reading that is not taken.
 */
function Embeds({ site, run, heightM, x, y }: Pick<Props, 'site' | 'run' | 'heightM' | 'x' | 'y'>) {
  return site.embeds
    .filter((e) => e.elementId === run.id)
    .map((e) => {
      const up = y(e.upM ?? { keyway: heightM, drain: -0.1 }[e.kind as string] ?? heightM / 2);
      if (e.toM === undefined)
        return (
          <path
            key={e.id}
            d={`M${x(e.atM) - 5} ${up}h10M${x(e.atM)} ${up - 5}v10`}
            stroke="var(--ink)"
            strokeWidth="1.5"
          >
            <title>{e.label ?? e.id}</title>
          </path>
        );
      return (
        <path
          key={e.id}
          d={`M${x(e.atM)} ${up}H${x(e.toM)}`}
          stroke="var(--ink)"
          strokeWidth="1.5"
          strokeDasharray={e.kind === 'drain' ? '2 4' : '8 3'}
        >
          <title>{e.label ?? e.id}</title>
        </path>
      );
    });
}

/** The forms over the face: joints dashed, courses thin, walers broad, braces with their foot. */
function Forms({
  f,
  lengthM,
  heightM,
  x,
  y,
}: { f: DrawnForms } & Pick<Props, 'lengthM' | 'heightM' | 'x' | 'y'>) {
  const level = (h: number) => `M${x(0)} ${y(h)}H${x(lengthM)}`;
  return (
    <g stroke="var(--line)" fill="none">
      {f.joints.map((m) => (
        <path key={m} d={`M${x(m)} ${y(heightM)}V${y(0)}`} strokeWidth="1" strokeDasharray="6 4" />
      ))}
      {f.courses.map((h) => (
        <path key={h} d={level(h)} strokeWidth="1" />
      ))}
      {f.walers.map((h) => (
        <path key={h} d={level(h)} strokeWidth="4" opacity="0.5" />
      ))}
      {f.braces.map((b) => (
        <path
          key={b.atM}
          d={`M${x(b.atM)} ${y(b.upM)}L${x(b.atM) + 10} ${y(0) + 6}`}
          stroke="var(--ink2)"
          strokeWidth="2.5"
        />
      ))}
    </g>
  );
}
