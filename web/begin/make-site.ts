import { mutate } from 'swr';
import { newSite, parsePlace } from '#core/begin';
import { sendJson } from '../sync/api.ts';
import { type Draft, sketchOf } from './useSketch.ts';

/** What is wrong with a draft before it can be a site, by the field it is about. */
export function draftFaults(draft: Draft): Partial<Record<'name' | 'place', string>> {
  return {
    ...(draft.name.trim() ? {} : { name: 'Give it a name.' }),
    ...(parsePlace(draft.place)
      ? {}
      : { place: 'Where is it? Sun, frost and weather hang on it: 45.2 N 92.6 W.' }),
  };
}

/** Makes the site, under the id the draft has: sent again because no answer was heard, it is the same one. */
export async function makeSite(
  draft: Draft,
  drawn: boolean,
): Promise<{ id: string; pours: { id: string }[] }> {
  const place = parsePlace(draft.place);
  if (!place) throw new Error('Say where the site is first.');
  const { default: zoneAt } = await import('@photostructure/tz-lookup');
  const name = [draft.name.trim(), draft.where.trim()].filter(Boolean).join(', ');
  const site = newSite(
    {
      name,
      ...place,
      timeZone: zoneAt(place.latitude, place.longitude),
      units: draft.units,
      ruleProfile: draft.ruleProfile,
    },
    drawn ? sketchOf(draft) : null,
  );
  const made = await sendJson<{ id: string; pours: { id: string }[] }>(
    'PUT',
    `/api/sites/${draft.id}`,
    site,
  );
  await Promise.all([mutate('/api/sites'), mutate('/api/pours')]);
  return made;
}
