import { createContext, useContext } from 'react';
import type { Resources, SiteFile } from '../../contract/index.ts';
import type { UnitSystem } from '#core/units';
import { PourContext } from './pour-context.tsx';

/** A site whose lists are looked at and changed, from one of its pours or by itself. */
export interface SiteView {
  siteId: string;
  site: SiteFile;
  units: UnitSystem;
  saveResources: (lists: Resources) => Promise<void>;
}
/** What the screens of a site stand in that belong to no pour. */
export const SiteContext = createContext<SiteView | null>(null);

/** The site that is on the screen: of its own, or that of the pour. */
export function useSite(): SiteView {
  const own = useContext(SiteContext);
  const pour = useContext(PourContext);
  if (own) return own;
  if (!pour) throw new Error('useSite is used outside a site');
  const { record, units, saveResources } = pour;
  return { siteId: record.siteId, site: record.site, units, saveResources };
}
