const rules = new Intl.PluralRules('en');

/**
 * A count with its noun: "1 run", "4 runs". Nouns that do not take an s are given in both forms.
 * @param many the noun for anything but one
 */
export const counted = (n: number, one: string, many = `${one}s`): string =>
  `${n} ${rules.select(n) === 'one' ? one : many}`;
