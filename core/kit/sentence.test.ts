import { expect, test } from '@jest/globals';
import type { z } from 'zod';
import { loadVerdict } from '../concrete/load-verdict.ts';
import { resultOf } from './calculation.ts';
import { sentenceIn } from './sentence.ts';
import { resultRows } from './words.ts';

test('what the core says in SI is said in the units of the site', () => {
  expect(sentenceIn('38 °C is hotter than 35 °C', 'us')).toBe('100 °F is hotter than 95 °F');
  expect(sentenceIn('38 °C is hotter than 35 °C', 'metric')).toBe('38 °C is hotter than 35 °C');
  expect(sentenceIn('add 37.8541 L and mix', 'us')).toBe('add 10 gal and mix');
  expect(sentenceIn('1.2 kg/m²/h is much, 1 kg/m³ is not', 'us')).not.toMatch(/kg/);
});

test('words, ages and names of units inside words stay as they are', () => {
  const text = '104 min old, 14 over its 90; ticket 12 Langley, 3 mixers';
  expect(sentenceIn(text, 'us')).toBe(text);
});

test('the reasons against a load on a US site name no °C and no litre', () => {
  const stiff = { batchMin: 400, nowMin: 450, slump: 'low', addL: 20, neededL: 45 } as const;
  const reasonsOf = (load: z.input<typeof loadVerdict.input>) =>
    resultRows('load-verdict', resultOf(loadVerdict, load), 'us').find((r) => r.name === 'reasons')
      ?.text ?? '';
  const hot = reasonsOf({ ...stiff, concreteTempC: 38 });
  expect(hot).toMatch(/100 °F is hotter than 95 °F/);
  const watered = reasonsOf(stiff);
  expect(watered).toMatch(/5\.3 gal may be added, 11\.9 gal are wanted/);
  expect(hot + watered).not.toMatch(/°C| L\b/);
});
