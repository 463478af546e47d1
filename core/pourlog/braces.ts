import { braceTurn } from '#core/formwork';
import { evaluate, type Evaluated } from '#core/kit';
import type { FormSystem, PourDoc, SitePlan } from '#core/model';
import type { Leg } from '#core/pourplan';
import type { z } from 'zod';

/** A wall is read at no more places than these, m apart where no brace says otherwise. */
const MOST_PLACES = 12;
const APART_M = 3;

type Brace = NonNullable<FormSystem['brace']>;

/** Where the top of a wall is read against its string: at its braces, from its first node on. */
export interface LinePlaces {
  brace: Brace | null;
  atM: number[];
}

/** The places at which a wall is read: at each brace of its form system, at both ends where it has none. */
export function linePlaces(
  site: Pick<SitePlan, 'formSystems'>,
  pour: Pick<PourDoc, 'forms'>,
  leg: Pick<Leg, 'lengthM'>,
): LinePlaces {
  const brace = site.formSystems.find((f) => f.mark === pour.forms)?.brace ?? null;
  const apart = brace?.spacingM ?? APART_M;
  const n = Math.min(MOST_PLACES - 1, Math.max(1, Math.round(leg.lengthM / apart)));
  return { brace, atM: Array.from({ length: n + 1 }, (_, i) => (leg.lengthM * i) / n) };
}

/**
 * How far, and which way, the turnbuckle at a place is turned; null where the forms have no brace that is described.
 * @param offsetMm the reading less the gauge block: above 0 the top stands out, away from its brace
 */
export const turnAt = (
  brace: Brace | null,
  wallHeightM: number,
  offsetMm: number,
): Evaluated<z.output<typeof braceTurn.output>> | null =>
  brace
    ? evaluate(braceTurn, {
        offsetMm,
        wallHeightM,
        attachHeightM: Math.min(brace.attachM, wallHeightM),
        angleDeg: brace.angleDeg,
        pitchMmPerTurn: brace.pitchMmPerTurn,
        pushOnly: brace.pushOnly,
      })
    : null;
