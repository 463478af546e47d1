import { type Prices, PRICES } from '#core/model';
import { moneyText } from '#core/units';

/** What each price of a site is of. */
export const PRICE_WORDS: Record<keyof Prices, string> = {
  crewPerMin: 'The crew standing, a minute',
  pumpPerMin: 'The pump standing, a minute',
  oldLoad: 'A load that gets too old',
  afterDusk: 'Going on after dusk',
  coldSeam: 'Mending a seam that went cold',
};

/** A price as it is told: with its cents where they matter. */
const priceText = (n: number, currency: string | undefined): string =>
  n < 100 && !Number.isInteger(n)
    ? `${n.toFixed(2)}${currency ? ` ${currency}` : ''}`
    : moneyText(n, currency);

/** The prices a comparison weighs, in one line. */
export const weighedText = (prices: Partial<Prices>, currency: string | undefined): string =>
  PRICES.flatMap((k) => {
    const n = prices[k];
    return n === undefined ? [] : [`${PRICE_WORDS[k].toLowerCase()} ${priceText(n, currency)}`];
  }).join('; ');
