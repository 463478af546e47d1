import { missingPrices, pricesOf, pricesSchema, USUAL_PRICES } from '#core/model';
import { PRICE_WORDS } from '#core/words';
import { useSite } from '../app/site-context.tsx';
import { EntryForm } from '../forms/EntryForm.tsx';
import { QuantityInput } from '../forms/fields.tsx';

/** Prices nobody has given, asked for once where they are weighed, each with what it usually is; kept with the site. */
export default function AskPrices() {
  const v = useSite();
  const { site } = v;
  const missing = missingPrices(site);
  if (missing.length === 0) return null;
  const usual = Object.fromEntries(missing.map((k) => [k, USUAL_PRICES[k]]));
  return (
    <section aria-label="Prices not given" className="border-2 border-ink p-3">
      <h2 className="head">What does it cost here?</h2>
      <p className="mb-2 text-ink2">Asked once. Until then it counts as it usually is.</p>
      <EntryForm
        schema={pricesSchema}
        defaults={{}}
        write={(body) => {
          const given = Object.entries(body).filter(([, n]) => typeof n === 'number');
          return v.saveResources({
            prices: { ...site.prices, ...usual, ...Object.fromEntries(given) },
          });
        }}
        act="Keep, what is empty as usual"
        className="grid grid-cols-1 gap-3 sm:grid-cols-2"
      >
        {missing.map((name) => (
          <div key={name}>
            <QuantityInput
              name={name}
              label={`${PRICE_WORDS[name]}${site.currency ? `, ${site.currency}` : ''}`}
              quantity={null}
              required={false}
            />
            <span className="text-[14px] text-ink2">usually {pricesOf(site)[name]}</span>
          </div>
        ))}
      </EntryForm>
    </section>
  );
}
