import type { SiteFile } from '../../contract/index.ts';
import { type Hold, HOLD_NAME, HOLDS, type PourDoc } from '#core/model';
import { FormField } from '../forms/FormField.tsx';
import { ChipRow } from './ChipRow.tsx';
import { DayStrip } from './DayStrip.tsx';

/** What is chosen for a pour beside its runs. */
export type PourHead = Pick<PourDoc, 'code' | 'title' | 'date' | 'mix' | 'plant' | 'holds'> & {
  forms?: string | undefined;
};

/** Code and title, the day, what is poured and who has to agree. */
export function PourFields({
  siteId,
  site,
  value,
  change,
  walls,
  nowMs,
  codeError,
}: {
  siteId: string;
  site: SiteFile;
  value: PourHead;
  change: (over: Partial<PourHead>) => void;
  /** It has walls: they stand in forms. */
  walls: boolean;
  nowMs: number;
  codeError?: string | undefined;
}) {
  return (
    <div className="flex flex-col gap-4">
      <div className="grid grid-cols-[110px_minmax(0,1fr)] gap-3">
        <FormField
          label="Code"
          maxLength={12}
          autoComplete="off"
          value={value.code}
          error={codeError}
          onChange={(e) => {
            change({ code: e.target.value });
          }}
        />
        <FormField
          label="Title"
          maxLength={80}
          autoComplete="off"
          value={value.title}
          onChange={(e) => {
            change({ title: e.target.value });
          }}
        />
      </div>
      <DayStrip
        site={{ id: siteId, timeZone: site.timeZone, units: site.units }}
        value={value.date}
        nowMs={nowMs}
        onPick={(date) => {
          change({ date });
        }}
      />
      <ChipRow
        label="Mix"
        options={site.mixes.map((m) => ({ id: m.mark, text: m.label }))}
        on={(id) => id === value.mix}
        onPress={(mix) => {
          change({ mix });
        }}
      />
      <ChipRow
        label="From"
        options={site.plants.map((p) => ({ id: p.id, text: p.label }))}
        on={(id) => id === value.plant}
        onPress={(plant) => {
          change({ plant });
        }}
      />
      {walls && (
        <ChipRow
          label="Forms"
          options={site.formSystems.map((f) => ({ id: f.mark, text: f.label ?? f.mark }))}
          on={(id) => id === value.forms}
          onPress={(forms) => {
            change({ forms: forms === value.forms ? undefined : forms });
          }}
        />
      )}
      <ChipRow
        label="Who has to agree"
        options={HOLDS.map((h) => ({ id: h, text: HOLD_NAME[h] }))}
        on={(id) => value.holds.includes(id as Hold)}
        onPress={(id) => {
          const hold = id as Hold;
          change({
            holds: value.holds.includes(hold)
              ? value.holds.filter((h) => h !== hold)
              : HOLDS.filter((h) => h === hold || value.holds.includes(h)),
          });
        }}
      />
    </div>
  );
}
