import { z } from 'zod';

/** A currency by its ISO 4217 code, as in USD or EUR. */
export const currencySchema = z
  .string()
  .refine((code) => isCurrency(code), 'must be the code of a currency, as in USD or EUR');

/** True for the code of a currency that this machine knows. */
export function isCurrency(code: string): boolean {
  return /^[A-Z]{3}$/.test(code) && currencies().includes(code);
}

/** Codes of all currencies this machine knows, in order. */
export const currencies = (): string[] => Intl.supportedValuesOf('currency');

/** A currency as people call it, with its code: "US Dollar, USD". */
export function currencyName(code: string): string {
  const name = new Intl.DisplayNames('en', { type: 'currency' }).of(code) ?? code;
  return name === code ? code : `${name}, ${code}`;
}

const kept = new Map<string, Intl.NumberFormat>();

/**
 * An amount of money to the whole unit: costs of a pour are estimates, and cents would pretend more.
 * @param currency ISO 4217 code; not given, the figure stands alone
 */
export function moneyText(amount: number, currency: string | undefined): string {
  let format = kept.get(currency ?? '');
  if (!format) {
    format = new Intl.NumberFormat('en', {
      maximumFractionDigits: 0,
      ...(currency ? { style: 'currency', currency } : {}),
    });
    kept.set(currency ?? '', format);
  }
  // No minus before nothing.
  return format.format(Math.round(amount) || 0).replace('-', '−');
}
