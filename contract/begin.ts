import { z } from 'zod';
import { siteHeadSchema } from '#core/begin';
import { anyNumber, oneLine } from '#core/kit';
import { measure, pourDocSchema } from '#core/model';
import { currencySchema } from '#core/units';

/** Bodies of what begins, changes and ends sites and pours. */
const version = () => z.number({ error: 'must be the version you read' }).int();

/** What a site is called and where, and whether it is out of the way; what is left out stays. */
export const putHeadBody = siteHeadSchema.partial().extend({
  /** `null` goes back to bare figures. */
  currency: currencySchema.nullable().optional(),
  version: version(),
  archived: z.boolean({ error: 'must be true or false' }).optional(),
});

/** A pour that is new: to which site it belongs, and all of it. */
export const newPourBody = z.object({ siteId: z.string().min(1).max(80), pour: pourDocSchema });
/** A pour as it is to be, over the version that was read. */
export const putPourBody = z.object({ version: version(), pour: pourDocSchema });
/** A pour cut in two: after which element, or where in a run, and what the second part is called. */
export const splitPourBody = z.object({
  /** Of the site that was read. */
  version: version(),
  id: z.uuid({ error: 'must be a UUID' }),
  element: oneLine().min(1, 'is empty').max(40),
  atM: measure('runLength').optional(),
  code: pourDocSchema.shape.code,
});

/** Where a picture lies under the plan: its upper left corner, how large a dot is, and how it is turned. */
export const placementSchema = z.object({
  xM: measure('coordinate'),
  yM: measure('coordinate'),
  mPerPx: anyNumber().gt(0, 'must be above 0').lte(10, 'must be 10 or less'),
  /** Turned about its upper left corner, degrees against the clock. */
  turnDeg: anyNumber().gte(-360, 'must be from −360 to 360').lte(360, 'must be from −360 to 360'),
  shown: z.boolean({ error: 'must be true or false' }),
  onReport: z.boolean({ error: 'must be true or false' }),
});
export type Placement = z.output<typeof placementSchema>;
/** The picture under a site's plan; none answers null. */
export interface Underlay extends Placement {
  /** Changes with the picture. */
  picture: string;
  width: number;
  height: number;
}

/** A site with its version, as it is changed from. */
export interface SiteAnswer<Site> {
  id: string;
  version: number;
  site: Site;
  /** Whether anything was logged on any of its pours: then it can be archived, and not removed. */
  logged: boolean;
}
