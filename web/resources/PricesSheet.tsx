import { PRICES, pricesSchema, USUAL_PRICES } from '#core/model';
import { PRICE_WORDS } from '#core/words';
import { useSite } from '../app/site-context.tsx';
import { EntryForm } from '../forms/EntryForm.tsx';
import { QuantityInput } from '../forms/fields.tsx';
import { Sheet } from '../ui/Dialog.tsx';

/** What things cost on this site. What is left empty counts as it usually is. */
export default function PricesSheet({ onClose }: { onClose: () => void }) {
  const v = useSite();
  const { prices, currency } = v.site;
  return (
    <Sheet open onClose={onClose} title="Prices of this site">
      <p className="mb-2 text-ink2">
        Weighed wherever plans are compared. What is left empty counts as it usually is.
      </p>
      <EntryForm
        schema={pricesSchema}
        defaults={prices ?? {}}
        write={(body) => v.saveResources({ prices: body }).then(onClose)}
        act="Keep"
        className="grid grid-cols-1 gap-3 sm:grid-cols-2"
      >
        {PRICES.map((name) => (
          <div key={name}>
            <QuantityInput
              name={name}
              label={`${PRICE_WORDS[name]}${currency ? `, ${currency}` : ''}`}
              quantity={null}
              required={false}
            />
            <span className="text-[14px] text-ink2">usually {USUAL_PRICES[name]}</span>
          </div>
        ))}
      </EntryForm>
    </Sheet>
  );
}
