import { currencies, currencyName } from '#core/units';
import { usePlan } from '../../app/pour-context.tsx';

const CODES = currencies();

/** What costs are in on this site. Changed while the plan is, like everything the whole site shares. */
export function CurrencyField() {
  const { plan, apply } = usePlan();
  if (!plan) return null;
  return (
    <label className="flex flex-col">
      Costs of the site are in
      <select
        className="field mt-0.5"
        value={plan.currency ?? ''}
        onChange={(e) => apply({ do: 'setCurrency', currency: e.target.value })}
      >
        {plan.currency === undefined && <option value="">not said: bare figures</option>}
        {CODES.map((code) => (
          <option key={code} value={code}>
            {currencyName(code)}
          </option>
        ))}
      </select>
    </label>
  );
}
