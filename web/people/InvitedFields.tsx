import useSWR from 'swr';
import type { Invitation, SiteSummary } from '../../contract/index.ts';
import { HOLD_NAME, HOLDS } from '#core/model';
import { getJson } from '../sync/api.ts';

export const NO_LIMIT: Invitation = { site: null, hold: null, until: null };
/** Nothing is limited: no invitation is kept. */
export const asKept = (v: Invitation): Invitation | null =>
  v.site === null && v.hold === null && v.until === null ? null : v;

/** The last moment of a day, as the device's own clock has it. */
const endOf = (date: string): string => new Date(`${date}T23:59:59`).toISOString();
const dateOf = (iso: string | null): string =>
  iso === null ? '' : new Date(Date.parse(iso)).toLocaleDateString('sv-SE');

/** For what somebody is asked here alone: one site, one hold point, until a day. */
export function InvitedFields({
  value,
  onChange,
}: {
  value: Invitation;
  onChange: (value: Invitation) => void;
}) {
  const { data: sites } = useSWR<SiteSummary[], Error>('/api/sites', getJson);
  const select = (
    label: string,
    name: 'site' | 'hold',
    all: string,
    options: readonly { id: string; text: string }[],
  ) => (
    <label className="block">
      {label}
      <select
        className="field mt-1"
        value={value[name] ?? ''}
        onChange={(e) => {
          onChange({ ...value, [name]: e.target.value === '' ? null : e.target.value });
        }}
      >
        <option value="">{all}</option>
        {options.map((o) => (
          <option key={o.id} value={o.id}>
            {o.text}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      {select(
        'Asked to',
        'site',
        'every site',
        (sites ?? []).map((s) => ({ id: s.id, text: s.name })),
      )}
      {select(
        'Signs',
        'hold',
        'what the role may',
        HOLDS.filter((h) => h !== 'own').map((h) => ({ id: h, text: HOLD_NAME[h] })),
      )}
      <label className="block">
        Until
        <input
          type="date"
          className="field mt-1"
          value={dateOf(value.until)}
          onChange={(e) => {
            onChange({ ...value, until: e.target.value ? endOf(e.target.value) : null });
          }}
        />
      </label>
    </div>
  );
}
