/**
 * Letters of other scripts that are drawn like Latin ones, in small: Cyrillic, then Greek (a part of
 * the table of Unicode UTS 39, that of names as they are typed on a site).
 */
const LOOKS_LIKE: Record<string, string> = Object.fromEntries(
  [...'аеорсухіјѕһԁԛԝкмтвнгӏ', ...'αονρτυικεγχωβηζμ'].map((from, i) => [
    from,
    [...'aeopcyxijshdqwkmtbhrl', ...'aovptuikeyxwbnzm'][i] as string,
  ]),
);

/** Figures that are drawn like letters where a name is told from another by it. */
const FIGURES: Record<string, string> = { '0': 'o', '1': 'l' };

/**
 * A name as it looks: names with the same key cannot be told apart on a screen, and are one.
 * Capitals, doubled or strange blanks, marks that are not drawn and letters of other scripts make no
 * other name.
 * @param name as somebody typed it
 */
export const nameKey = (name: string): string =>
  name
    .normalize('NFKC')
    .replace(/[\p{Default_Ignorable_Code_Point}\p{Cc}\p{Cf}]/gu, '')
    .replace(/[\p{Z}\s]+/gu, ' ')
    .trim()
    .toLowerCase()
    .replace(/./gu, (c) => LOOKS_LIKE[c] ?? c)
    .normalize('NFC');

/** The same of a code, which has figures: P1 and Pl are one. */
export const codeKey = (code: string): string =>
  nameKey(code).replace(/[01]/g, (c) => FIGURES[c] as string);
