import { useFormContext, useWatch } from 'react-hook-form';
import type { z } from 'zod';
import { waterCementRatio } from '#core/concrete';
import { CEMENTS, cubeMPa, type MixRecord, mixSchema, STRENGTH_CLASSES } from '#core/model';
import { lengthText, strength, textOf } from '#core/units';
import { useSite } from '../app/site-context.tsx';
import { EntryForm } from '../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput, TextInput, ToggleChip } from '../forms/fields.tsx';
import { Sheet } from '../ui/Dialog.tsx';
import { T } from '../ui/Text.tsx';
import { ResourceList, type RowForm } from './ResourceList.tsx';

type CementType = MixRecord['cementType'];

/** Every field of the form is given: what the schema would fill in stands in it. */
const formSchema = mixSchema as unknown as z.ZodType<MixRecord, MixRecord>;

/** Concrete as it is ordered on this site: a list, each changed in place. */
export default function MixesSheet({ onClose }: { onClose: () => void }) {
  const v = useSite();
  return (
    <Sheet open onClose={onClose} title="Mixes">
      <ResourceList
        items={v.site.mixes}
        keyOf={(m) => m.mark}
        nameOf={(m) => `${m.mark}  ${m.label}`}
        tells={(m) => (
          <T>{`${textOf(strength(m.fcMPa, v.units))}, ${lengthText(m.slumpMm, v.units)}`}</T>
        )}
        save={(mixes) => v.saveResources({ mixes })}
        add="Add a mix"
        form={(row) => <MixForm {...row} />}
      />
    </Sheet>
  );
}

function MixForm({ of, write }: RowForm<MixRecord>) {
  const { site } = useSite();
  const en = site.ruleProfile === 'metric-en';
  return (
    <EntryForm
      schema={formSchema}
      defaults={
        of ?? {
          mark: '',
          label: '',
          slumpKind: 'nominal',
          cementType: 'I',
          cement: 'plain',
          retarderFactor: 1,
        }
      }
      write={write}
      act="Keep"
      className="grid grid-cols-2 gap-3"
    >
      <TextInput name="mark" label="Mark, as on the ticket" autoFocus />
      <TextInput name="label" label="What it is called" />
      {en ? <StrengthClass /> : <QuantityInput name="fcMPa" label="strength, f′c" />}
      <QuantityInput name="slumpMm" label="slump" />
      <ChipChoice name="slumpKind" options={['nominal', 'maximum']} label="The slump is" />
      <TextInput name="slumpClass" label="Slump class, where there is one" />
      <QuantityInput name="largestAggregateMm" label="largest aggregate" required={false} />
      <QuantityInput name="cementKgM3" label="cement" required={false} />
      <QuantityInput name="waterKgM3" label="water" required={false} />
      <QuantityInput name="maxWcRatio" label="water to cement, at most" required={false} />
      <WaterToCement />
      <QuantityInput name="airRatio" label="air" required={false} />
      <QuantityInput name="fibreKgM3" label="fibre" required={false} />
      <QuantityInput name="maxAgeMin" label="oldest at the hose" required={false} />
      <QuantityInput
        name="pricePerM3"
        label={`price${site.currency ? `, ${site.currency}` : ''}`}
        required={false}
      />
      {en && <ToggleChip name="siteWater" label="its producer answers for water on the site" />}
      <ChipChoice
        name="cementType"
        options={['I', 'III']}
        label="Cement type"
        say={(type) => (en ? EN_CEMENT[type as CementType] : `Type ${type}`)}
      />
      <ChipChoice
        name="cement"
        options={CEMENTS}
        label="In the cement"
        say={(cement) => BLEND[en ? 'en' : 'us'][cement as Cement]}
      />
      <QuantityInput
        name="retarderFactor"
        label="retarder stretches its times by"
        quantity={null}
      />
    </EntryForm>
  );
}

/** Cements to EN 197 that set as these types of ASTM C150 do. */
const EN_CEMENT: Record<CementType, string> = {
  I: 'CEM 32.5 or 42.5 N',
  III: 'CEM 42.5 R or 52.5',
};

type Cement = (typeof CEMENTS)[number];

/** What is in the cement, as a plant calls it. */
const BLEND: Record<'us' | 'en', Record<Cement, string>> = {
  us: {
    plain: 'no slag or ash',
    blend: 'some slag or ash',
    highBlend: 'slag from 70 %, ash from 40 %',
  },
  en: {
    plain: 'CEM I',
    blend: 'CEM II, III/A',
    highBlend: 'CEM III/B, III/C',
  },
};

/** The class of a mix to EN 206: it says the strength of its cylinders and of its cubes. */
function StrengthClass() {
  const { setValue } = useFormContext<MixRecord>();
  const chosen = useWatch<MixRecord, 'strengthClass'>({ name: 'strengthClass' });
  return (
    <div className="col-span-full flex flex-wrap gap-2" role="group" aria-label="Strength class">
      {STRENGTH_CLASSES.map((c) => (
        <button
          key={c}
          type="button"
          className="chip"
          aria-pressed={chosen === c}
          onClick={() => {
            setValue('strengthClass', c, { shouldDirty: true });
            setValue('fcMPa', cubeMPa(c), { shouldDirty: true });
          }}
        >
          {c}
        </button>
      ))}
    </div>
  );
}

/** What the water and the cement come to, against the most that is allowed. */
function WaterToCement() {
  const [water, cement, most] = useWatch<MixRecord, ['waterKgM3', 'cementKgM3', 'maxWcRatio']>({
    name: ['waterKgM3', 'cementKgM3', 'maxWcRatio'],
  });
  if (!water || !cement) return null;
  const ratio = waterCementRatio(water, cement);
  const over = Boolean(most && ratio > most + 1e-9);
  return (
    <p className={`col-span-full ${over ? 'font-semibold text-chalk-t' : 'text-ink2'}`}>
      Water to cement is {ratio.toFixed(2)}
      {over ? ', more than its most: as batched it is refused.' : '.'}
    </p>
  );
}
