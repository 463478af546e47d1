import { expect, test } from '@jest/globals';
import { readForecast } from './forecast.ts';

test('lines of a table become hours of the site’s clock; a head and empty lines are passed over', () => {
  const { hours, problems } = readForecast(
    [
      ['time', 'air', 'humidity', 'wind', 'rain'],
      ['2026-09-24 06:00', '3,5', '80', '12', '0'],
      [''],
      ['2026-09-24T12:00:00Z', '11'],
    ],
    'Europe/Paris',
  );
  expect(problems).toEqual([]);
  // Six in the morning in Paris is four by universal time.
  expect(hours).toEqual([
    { at: '2026-09-24T04:00:00.000Z', airTempC: 3.5, humidity: 0.8, windKmH: 12, rainMmH: 0 },
    { at: '2026-09-24T12:00:00.000Z', airTempC: 11 },
  ]);
});

test('what cannot be read is said by its line', () => {
  const { hours, problems } = readForecast(
    [
      ['2026-09-24 06:00', ''],
      ['noon', '4'],
      ['2026-09-24 09:00', '5', 'wet'],
    ],
    'Europe/Paris',
  );
  expect(hours).toEqual([]);
  expect(problems.map((p) => p.line)).toEqual([1, 2, 3]);
});
