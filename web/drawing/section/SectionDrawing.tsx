import type { SitePlan } from '#core/model';
import { lengthText } from '#core/units';
import { PierSection } from '../PierDrawing.tsx';
import { FootingSection } from './FootingSection.tsx';
import { coverShown, Hatches, type CoverReading } from './parts.tsx';
import { WallCut, wallCutPx } from './WallCut.tsx';
import { WallUpright } from './WallUpright.tsx';

interface Props {
  /** The wall stands in foam forms. */
  foam?: boolean;
  site: SitePlan;
  elementId: string;
  width: number;
  height: number;
  /** Drawn at the scale of the widest of these elements, so that sections beside each other compare. */
  besides?: string[];
  /** The cover being read here, and what was read or is being typed. */
  reading?: CoverReading | null;
}

/** From this width a wall shows its whole height beside its cut. */
const BOTH_PX = 380;

/**
 * What is selected, cut and to scale: a footing or pad across, a wall level (with its whole height
 * beside it where there is room), a pier level.
 */
export function SectionDrawing({
  site,
  elementId,
  width,
  height,
  reading = null,
  besides = [],
  foam = false,
}: Props) {
  if (width < 50) return null;
  const shown = coverShown(site, reading);
  const pier = site.piers.find((p) => p.id === elementId);
  if (pier)
    return (
      <PierSection
        pier={pier}
        units={site.units}
        width={width}
        height={height}
        readMm={shown?.mm ?? null}
        short={shown?.short ?? false}
      />
    );
  const run = site.runs.find((r) => r.id === elementId);
  const type = run?.kind === 'wall' ? site.wallTypes.find((t) => t.mark === run.type) : undefined;
  if (!run || !type)
    return (
      <FootingSection
        site={site}
        elementId={elementId}
        besides={besides}
        width={width}
        height={height}
        reading={shown}
      />
    );
  const both = !shown && !besides.length && width >= BOTH_PX;
  const left = both ? Math.round(width * 0.36) : 0;
  const others = besides.flatMap(
    (id) => site.wallTypes.find((t) => t.mark === site.runs.find((r) => r.id === id)?.type) ?? [],
  );
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Section of ${elementId}: ${lengthText(type.thicknessM * 1000, site.units)} thick`}
    >
      <Hatches />
      {both && <WallUpright site={site} run={run} type={type} width={left} height={height} />}
      <WallCut
        type={type}
        units={site.units}
        width={width - left}
        height={height}
        x0={left}
        reading={shown}
        foam={foam}
        mostPx={others.length ? Math.min(...others.map((t) => wallCutPx(t, width))) : undefined}
      />
    </svg>
  );
}
