import { useFieldArray, useFormContext } from 'react-hook-form';
import type { z } from 'zod';
import type { PourAnswer } from '../../contract/index.ts';
import { CURED_BY, type PourDoc, pourDocSchema } from '#core/model';
import { CURED_BY_WORDS } from '#core/words';
import { EntryForm } from '../forms/EntryForm.tsx';
import { ChipChoice, QuantityInput, TextInput, ToggleChip } from '../forms/fields.tsx';
import type { PourDocWork } from './usePourDoc.ts';

const schema = pourDocSchema.pick({
  drawing: true,
  callOff: true,
  stripping: true,
  testsWaived: true,
  settings: true,
});
type More = Pick<PourDoc, 'drawing' | 'callOff' | 'stripping' | 'settings' | 'testsWaived'>;
/** Every field of the form is given: what the schema would fill in stands in it. */
const formSchema = schema as unknown as z.ZodType<More, More>;

/**
 * Everything else a pour says: its drawing, what the order counts with, what can be called off,
 * when forms come off.
 */
export function MorePart({ record, work }: { record: PourAnswer; work: PourDocWork }) {
  const { pour, site } = record;
  const money = site.currency ? `, ${site.currency}` : '';
  const cost = (name: string, label: string, required = true) => (
    <QuantityInput
      name={`settings.costs.${name}`}
      label={`${label}${money}`}
      quantity={name.endsWith('PerM3') ? 'PerM3' : null}
      required={required}
    />
  );
  return (
    <EntryForm
      schema={formSchema}
      defaults={{
        callOff: pour.callOff,
        stripping: pour.stripping,
        settings: pour.settings,
        ...(pour.testsWaived ? { testsWaived: true } : {}),
        ...(pour.drawing ? { drawing: pour.drawing } : {}),
      }}
      write={async (body) => {
        // Not kept it stands there still; why is said over it.
        const { concreteTempC } = body.settings;
        const said = concreteTempC !== pour.settings.concreteTempC;
        const settings = said ? { ...body.settings, concreteTempSaid: true } : body.settings;
        if (!(await work.keep({ ...pour, ...body, settings }, `${pour.code} is changed.`)))
          throw new Error('Not kept.');
      }}
      act="Keep"
      className="grid grid-cols-2 gap-3 sm:grid-cols-3"
    >
      <TextInput name="drawing" label="Drawing" className="col-span-full" />
      <Head>What the order counts with</Head>
      <QuantityInput name="settings.wasteRatio" label="waste" />
      <QuantityInput name="settings.sdRatio" label="give or take" />
      <QuantityInput name="settings.leftBehindM3" label="stays in the pump" />
      <QuantityInput name="settings.truckM3" label="truck" />
      <QuantityInput name="settings.placingRateM3PerH" label="placed" />
      <QuantityInput name="settings.changeOverMin" label="from truck to truck" />
      <QuantityInput name="settings.firstLoadMin" label="first load" clock />
      <QuantityInput name="settings.concreteTempC" label="concrete comes at" />
      <QuantityInput name="settings.ratingKPa" label="forms hold" />
      <Head>What it costs</Head>
      {cost('costPerM3', 'concrete')}
      {cost('disposalPerM3', 'left over, got rid of')}
      {cost('shortFixed', 'too little: once')}
      {cost('shortPerM3', 'too little')}
      {cost('callFee', 'calling the balance')}
      {cost('perLoad', 'one more trip', false)}
      <Head>When forms may come off</Head>
      <QuantityInput name="stripping.stripMPa" label="at a strength of" />
      <QuantityInput name="stripping.floorH" label="never before" />
      <QuantityInput name="stripping.expectedTempC" label="expected air" />
      <Head>How it is kept</Head>
      <ChipChoice
        name="stripping.curedBy"
        label="Kept from drying"
        options={CURED_BY}
        say={(by) => CURED_BY_WORDS[by as (typeof CURED_BY)[number]]}
      />
      <ToggleChip name="stripping.sheltered" label="nothing loads it young, nor frost after" />
      <ToggleChip name="testsWaived" label="strength tests waived by the building official" />
      <CallOffs money={money} />
    </EntryForm>
  );
}

const Head = ({ children }: { children: string }) => (
  <h3 className="head col-span-full mt-2 border-t border-hair pt-2">{children}</h3>
);

/** What was called for the pour, until when each is put off free of charge, and what it costs after. */
function CallOffs({ money }: { money: string }) {
  const { control } = useFormContext<More>();
  const { fields, append, remove } = useFieldArray({ control, name: 'callOff' });
  return (
    <>
      <Head>What can be called off</Head>
      {fields.map((f, i) => (
        <div key={f.id} className="col-span-full grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-3">
          <TextInput name={`callOff.${i}.what`} label="What" />
          <QuantityInput name={`callOff.${i}.noticeMin`} label="free until before" />
          <QuantityInput name={`callOff.${i}.cost`} label={`then${money}`} quantity={null} />
          <button
            type="button"
            className="min-h-12 font-semibold text-chalk-t"
            onClick={() => {
              remove(i);
            }}
          >
            Take off
          </button>
        </div>
      ))}
      <button
        type="button"
        className="btn line col-span-full"
        onClick={() => {
          append({ what: '', noticeMin: 60, cost: 0 });
        }}
      >
        Add one
      </button>
    </>
  );
}
