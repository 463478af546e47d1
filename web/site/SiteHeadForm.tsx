import { useState } from 'react';
import {
  parsePlace,
  type Place,
  placeText,
  PROFILE_WORDS,
  type SiteHead,
  siteHeadSchema,
} from '#core/begin';
import { currencies, currencyName } from '#core/units';
import type { SiteAnswer, SiteFile } from '../../contract/index.ts';
import { FormField } from '../forms/FormField.tsx';
import { usePostForm } from '../forms/usePostForm.ts';
import { sendJson } from '../sync/api.ts';
import { say } from '../ui/say.ts';
import { Choice } from '../begin/Choice.tsx';
import { PlaceField } from '../begin/HeadFields.tsx';

const headOf = (s: SiteFile): SiteHead => ({
  name: s.name,
  latitude: s.latitude,
  longitude: s.longitude,
  timeZone: s.timeZone,
  units: s.units,
  ruleProfile: s.ruleProfile,
  ...(s.currency ? { currency: s.currency } : {}),
});

/** What a site is called, where it is, in what it measures and what its costs are in. */
export function SiteHeadForm({ of, changed }: { of: SiteAnswer<SiteFile>; changed: () => void }) {
  const { site } = of;
  const [place, setPlace] = useState(() => placeText(site));
  const form = usePostForm(siteHeadSchema, headOf(site), async (body) => {
    await sendJson('PUT', `/api/sites/${of.id}/head`, {
      version: of.version,
      ...body,
      currency: body.currency ?? null,
    });
    say('The site is changed.');
    changed();
  });
  const moved = async (text: string) => {
    setPlace(text);
    const at: Place | null = parsePlace(text);
    if (!at) return;
    const { default: zoneAt } = await import('@photostructure/tz-lookup');
    form.setValue('latitude', at.latitude);
    form.setValue('longitude', at.longitude);
    form.setValue('timeZone', zoneAt(at.latitude, at.longitude));
  };
  return (
    <form noValidate className="flex flex-col gap-3" onSubmit={(e) => void form.submit(e)}>
      <FormField label="Name and town" autoComplete="off" {...form.field('name')} />
      <PlaceField
        value={place}
        onChange={(text) => void moved(text)}
        wrong={form.said('latitude') ?? form.said('longitude')}
      />
      <FormField label="Time zone" autoComplete="off" {...form.field('timeZone')} />
      <Choice
        label="Units"
        options={['us', 'metric'] as const}
        words={{ us: 'feet and inches', metric: 'metres, mm' }}
        value={form.watch('units')}
        onPick={(units) => {
          form.setValue('units', units);
        }}
      />
      <Choice
        label="Rules"
        options={['us-aci', 'metric-en'] as const}
        words={{
          'us-aci': PROFILE_WORDS['us-aci'].name,
          'metric-en': PROFILE_WORDS['metric-en'].name,
        }}
        value={form.watch('ruleProfile')}
        onPick={(ruleProfile) => {
          form.setValue('ruleProfile', ruleProfile);
        }}
      />
      {form.said('ruleProfile') && (
        <p role="alert" className="font-semibold text-chalk-t">
          {form.said('ruleProfile')}
        </p>
      )}
      <label className="block">
        Costs are in
        <select
          className="field mt-1"
          value={form.watch('currency') ?? ''}
          onChange={(e) => {
            form.setValue('currency', e.target.value || undefined);
          }}
        >
          <option value="">bare figures</option>
          {currencies().map((c) => (
            <option key={c} value={c}>
              {c}, {currencyName(c)}
            </option>
          ))}
        </select>
      </label>
      <button className="btn" disabled={form.busy}>
        Keep
      </button>
      {form.problem && (
        <p role="alert" className="font-semibold text-chalk-t">
          {form.problem}
        </p>
      )}
    </form>
  );
}
