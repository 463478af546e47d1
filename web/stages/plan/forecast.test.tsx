import { expect, jest, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useMemo, useState } from 'react';
import type { WeatherHour } from '../../../contract/index.ts';
import type { Odds, WhatIf, WhatIfAsk } from '../../../core/pourplan/index.ts';
import { dayOf, renderInPour } from '../../testing/pour.tsx';

/** Mornings on which nothing goes wrong. */
const NO_TROUBLE = {} as Odds;
const asked: WhatIfAsk[] = [];
const worker = {
  odds: () => Promise.resolve(NO_TROUBLE),
  whatIfs: (ask: WhatIfAsk) => {
    asked.push(ask);
    return Promise.resolve({ plan: NO_TROUBLE, whatIfs: [] as WhatIf[] });
  },
};
// Mornings are drawn in a worker; this one tells what it was asked.
jest.unstable_mockModule('../../workers/odds.ts', () => ({ oddsWorker: () => worker }));
const { PourContext, usePour } = await import('../../app/pour-context.tsx');
const { PlannedProvider } = await import('./planned.tsx');
const { useWhatIfs } = await import('./useOdds.ts');

const hour = (at: number, rainMmH: number): WeatherHour => ({
  at: new Date(dayOf('quillback', 'P2') + at * 3_600_000).toISOString(),
  airTempC: 15,
  humidity: 60,
  windKmH: 8,
  rainMmH,
  sky: rainMmH > 0 ? 'rain' : 'cloud',
});
const day = (rainFrom: number) =>
  Array.from({ length: 24 }, (_, h) => hour(h, h >= rainFrom ? 3 : 0));

function Asked() {
  const found = useWhatIfs();
  return <p>{found ? 'worked out' : 'on its way'}</p>;
}
/** The pour under a forecast that comes later, and changes. */
function Under() {
  const view = usePour();
  const [weather, setWeather] = useState<WeatherHour[]>([]);
  const under = useMemo(() => ({ ...view, weather }), [view, weather]);
  return (
    <PourContext value={under}>
      {[15, 10].map((from) => (
        <button
          key={from}
          type="button"
          onClick={() => {
            setWeather(day(from));
          }}
        >
          rain from {from}
        </button>
      ))}
      <PlannedProvider>
        <Asked />
      </PlannedProvider>
    </PourContext>
  );
}

test('what may go otherwise is asked again when the forecast comes, and when it changes, and not for a mere tick', async () => {
  renderInPour(<Under />, {});
  await screen.findByText('worked out');
  expect(asked.map((a) => a.noGo)).toEqual([[]]);
  const rainFrom = async (from: number) =>
    userEvent.click(screen.getByRole('button', { name: `rain from ${from}` }));
  await rainFrom(15);
  await waitFor(() => {
    expect(asked).toHaveLength(2);
  });
  expect(asked[1]?.noGo[0]?.fromMin).toBe(15 * 60);
  await screen.findByText('worked out');
  // The same hours told once more.
  await rainFrom(15);
  expect(screen.getByText('worked out').textContent).toBe('worked out');
  await rainFrom(10);
  await waitFor(() => {
    expect(asked).toHaveLength(3);
  });
  expect(asked[2]?.noGo[0]?.fromMin).toBe(10 * 60);
});
