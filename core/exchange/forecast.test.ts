import { expect, test } from '@jest/globals';
import { forecastColumns, readForecast } from './forecast.ts';

test('lines of a table become hours of the site’s clock; a head and empty lines are passed over', () => {
  const { hours, problems } = readForecast(
    [
      ['time', 'air', 'humidity', 'wind', 'rain'],
      ['2026-09-24 06:00', '3,5', '80', '12', '0'],
      [''],
      ['2026-09-24T12:00:00Z', '11'],
    ],
    'Europe/Paris',
    'metric',
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
    'metric',
  );
  expect(hours).toEqual([]);
  expect(problems.map((p) => p.line)).toEqual([1, 2, 3]);
});

test('figures are in the site’s units, but for a column whose head names another', () => {
  const read = (head: string[][]) =>
    readForecast([...head, ['2026-09-24 06:00', '50', '80', '10', '0.1']], 'Europe/Paris', 'us')
      .hours[0];
  expect(read([])).toMatchObject({
    airTempC: expect.closeTo(10, 9),
    humidity: 0.8,
    windKmH: expect.closeTo(16.09344, 9),
    rainMmH: expect.closeTo(2.54, 9),
  });
  expect(read([['time', 'air °C', 'humidity', 'wind km/h', 'rain']])).toMatchObject({
    airTempC: 50,
    windKmH: 10,
    rainMmH: expect.closeTo(2.54, 9),
  });
  expect(forecastColumns('us')).toBe('time, air °F, humidity in 100, wind mph, rain in/h');
});
