import type { FormSystem, SitePlan } from '#core/model';
import { DEEPEST_VIBRATED_M, vibratedTooDeep } from '#core/pourplan';
import { distanceText, quantityText, type UnitSystem } from '#core/units';

/** Panels or blocks of a form system, with what ties them. */
function piecesText(f: FormSystem, units: UnitSystem): string {
  const width = distanceText(f.panelWidthM, units);
  if (f.kind === 'foam') return `foam blocks ${width} long`;
  const high = f.panelHeightM === undefined ? '' : ` in ${distanceText(f.panelHeightM, units)}`;
  return `panels ${width} wide, ${f.tiesPerJoint} ties a joint${high}, ${f.walers} walers`;
}

function bracesText({ brace }: FormSystem, units: UnitSystem): string {
  if (!brace) return 'no braces';
  const only = brace.pushOnly ? ' that only pushes' : '';
  return `a brace every ${distanceText(brace.spacingM, units)}${only}`;
}

/** A form system in a line: what it holds, its pieces, its highest lift where the maker gives one, its braces. */
export const formSystemText = (f: FormSystem, units: UnitSystem): string =>
  [
    `holds ${quantityText(f.ratingKPa, 'KPa', units)}`,
    piecesText(f, units),
    ...(f.greatestLiftM === undefined
      ? []
      : [`lifts up to ${distanceText(f.greatestLiftM, units)}`]),
    bracesText(f, units),
  ].join(', ');

/** Why the pressure is full head where concrete is vibrated deep; null where the formula holds. */
export const deepVibrationText = (
  site: Pick<SitePlan, 'ruleProfile' | 'units'>,
  forms: FormSystem | undefined,
): string | null =>
  forms?.vibratedM !== undefined && vibratedTooDeep(site, forms)
    ? `Vibrated ${distanceText(forms.vibratedM, site.units)} deep at a time: the formula holds to ${distanceText(DEEPEST_VIBRATED_M, site.units)}, so the forms are taken to carry full head.`
    : null;
