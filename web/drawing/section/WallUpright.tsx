import { barsMm, type Run, type SitePlan, wallHeightM, type WallType } from '#core/model';
import { footingUnder } from '#core/siteplan';
import { distanceText } from '#core/units';
import { TSpans } from '../../ui/Text.tsx';
import { Dimension } from '../Dimension.tsx';
import { ragged } from './parts.tsx';

/**
 * A wall cut upright over its whole height, inside at the left: on its footing, in its ground, with
 * its bars and what stands out of its top.
 */
export function WallUpright({
  site,
  run,
  type,
  width,
  height,
}: {
  site: SitePlan;
  run: Run;
  type: WallType;
  width: number;
  height: number;
}) {
  if (run.topM === undefined) return null;
  const footing = footingUnder(site, run);
  const footingType = site.footingTypes.find((t) => t.mark === footing?.type);
  const wallM = wallHeightM(run);
  const underM = footingType?.depthM ?? 0;
  const [top, foot] = [20, 22];
  const px = Math.min(
    (height - top - foot) / (wallM + underM),
    (width - 84) / Math.max(type.thicknessM, footingType?.widthM ?? 0),
  );
  const cx = 58 + (width - 58) / 2;
  const [yTop, yBase] = [top, top + wallM * px];
  const half = (type.thicknessM / 2) * px;
  const [l, r] = [cx - half, cx + half];
  const grade = site.ground ? yTop + (run.topM - site.ground.gradeM) * px : null;
  const d = barsMm(type.vertical) / 1000;
  const hd = barsMm(type.horizontal) / 1000;
  const mats = [
    { x: l + (type.coverInsideMm / 1000 + d / 2) * px, in: 1 },
    ...(type.mats === 2 ? [{ x: r - (type.coverOutsideMm / 1000 + d / 2) * px, in: -1 }] : []),
  ];
  const rows = rowsOf(type.horizontal?.spacingM, wallM, yBase, px).filter((y) => y > yTop + 3);
  const bolt = site.anchors.find((a) => a.elementId === run.id && a.kind !== 'dowel');
  const fw = ((footingType?.widthM ?? 0) / 2) * px;
  return (
    <g>
      {grade !== null && grade < yBase + underM * px && (
        <SoilBeside {...{ r, cx, fw, width, yTop, grade, yBase }} yFoot={yBase + underM * px} />
      )}
      {footingType && (
        <rect
          x={cx - fw}
          y={yBase}
          width={2 * fw}
          height={underM * px}
          fill="var(--stiff-2)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      )}
      <rect
        x={l}
        y={yTop}
        width={2 * half}
        height={wallM * px}
        fill="var(--ground)"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      {type.ledge && (
        <path
          d={`M${r - type.ledge.widthM * px} ${yTop}h${type.ledge.widthM * px}v${type.ledge.heightM * px}h${-type.ledge.widthM * px}Z`}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      )}
      <MatLines
        mats={mats}
        yTop={yTop}
        yBase={yBase}
        underM={underM}
        px={px}
        d={d}
        rows={rows}
        hd={hd}
      />
      {run.crawl && (
        <Crawl
          x={l}
          yGround={yTop + (run.topM - run.crawl.groundM) * px}
          yJoists={yTop + (run.topM - run.crawl.joistsM) * px}
          text={distanceText(run.crawl.joistsM - run.crawl.groundM, site.units)}
        />
      )}
      {bolt && (
        <path
          d={`M${cx} ${yTop - (bolt.projectionMm / 1000) * px - 2}V${yTop + (bolt.embedmentMm / 1000) * px}`}
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
      )}
      <Dimension
        x1={34}
        y1={yTop}
        x2={34}
        y2={yBase}
        text={distanceText(wallM, site.units)}
        halo="sheet"
      />
      {footingType && footing && (
        <text
          x={34}
          y={yBase + underM * px * 0.5 + 5}
          textAnchor="middle"
          fontSize="14"
          className="q halo-sheet"
        >
          <TSpans>{`on ${footing.type}`}</TSpans>
        </text>
      )}
    </g>
  );
}

/** Where the bars across are cut, from the foot up; none where the wall has none. */
function rowsOf(apartM: number | undefined, wallM: number, yBase: number, px: number): number[] {
  if (apartM === undefined) return [];
  return Array.from(
    { length: Math.max(1, Math.floor(wallM / apartM)) },
    (_, i) => yBase - (i + 0.5) * apartM * px,
  );
}

function MatLines({
  mats,
  yTop,
  yBase,
  underM,
  px,
  d,
  rows,
  hd,
}: {
  mats: { x: number; in: number }[];
  yTop: number;
  yBase: number;
  underM: number;
  px: number;
  d: number;
  rows: number[];
  hd: number;
}) {
  return mats.map((m) => (
    <g key={m.in}>
      {d > 0 && (
        <path
          d={`M${m.x} ${yTop + 4}V${yBase + underM * px * 0.7}`}
          stroke="var(--ink)"
          strokeWidth={Math.max(1.25, d * px)}
        />
      )}
      {rows.map((y) => (
        <circle
          key={y}
          cx={m.x + m.in * ((d + hd) / 2) * px}
          cy={y}
          r={Math.max(1.6, (hd / 2) * px)}
          fill="var(--ink)"
        />
      ))}
    </g>
  ));
}

/** How far from the wall the crawl space is drawn, px. */
const CRAWL_PX = 46;

/** The crawl space inside: its ground, the underside of the joists over it, and what is left between. */
function Crawl({
  x,
  yGround,
  yJoists,
  text,
}: {
  x: number;
  yGround: number;
  yJoists: number;
  text: string;
}) {
  return (
    <g>
      <path d={`M${x} ${yGround}H${x - CRAWL_PX}v7H${x}Z`} fill="url(#soil)" />
      <path d={`M${x} ${yGround}H${x - CRAWL_PX}`} stroke="var(--ink)" strokeWidth="1" />
      <path
        d={`M${x} ${yJoists}H${x - CRAWL_PX}`}
        stroke="var(--ink)"
        strokeWidth="2.5"
        strokeDasharray="8 4"
      />
      <Dimension x1={x - 14} y1={yJoists} x2={x - 14} y2={yGround} text={text} halo="sheet" />
    </g>
  );
}

/** The ground beside a wall and under its footing. */
function SoilBeside({
  r,
  cx,
  fw,
  width,
  yTop,
  grade,
  yBase,
  yFoot,
}: Record<'r' | 'cx' | 'fw' | 'width' | 'yTop' | 'grade' | 'yBase' | 'yFoot', number>) {
  return (
    <>
      <path
        d={`M${r} ${Math.max(yTop, grade)}L${ragged(r, width - 2, Math.max(yTop, grade))}V${yFoot + 8}H${cx - fw}V${yFoot}H${cx + fw}V${yBase}H${r}Z`}
        fill="url(#soil)"
      />
      <path d={`M${r} ${grade}H${width - 2}`} stroke="var(--ink)" strokeWidth="1" />
    </>
  );
}
