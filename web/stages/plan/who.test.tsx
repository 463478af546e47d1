import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { JOBS } from '../../../core/model/resources.ts';
import { renderInPour } from '../../testing/pour.tsx';
import { MuchBench } from './much/MuchBench.tsx';
import { PlannedProvider } from './planned.tsx';
import WhoBench from './who/WhoBench.tsx';

const [HOSE] = JOBS;
const hand = (name: string, jobs: readonly (typeof JOBS)[number][]) => ({ name, jobs }) as never;
const open = (crew: unknown[], told: { job: typeof HOSE; name: string }[] = []) => {
  return renderInPour(
    <PlannedProvider>
      <WhoBench />
    </PlannedProvider>,
    { site: { crew } as never, settings: { crew: told } },
  );
};
const short = () => document.querySelector('[data-short-of-hands]')?.textContent;

describe('who does what', () => {
  test('without a crew every job wants a hand, and what each costs is told', () => {
    open([]);
    const jobs = document.querySelectorAll('[data-job]').length;
    expect(jobs).toBeGreaterThan(2);
    expect(short()).toMatch(new RegExp(`^${jobs} jobs without a hand`));
    expect(short()).toMatch(/Each hand less takes .*yd³ an hour off the rate/);
  });

  test('each job is found its hand among those who do it; who does not is marked so', () => {
    open([hand('A. Reyes', [HOSE]), hand('B. Lund', [])]);
    const [pick] = screen.getAllByRole<HTMLSelectElement>('combobox', {
      name: new RegExp(`^Who does ${HOSE}:`),
    });
    expect(pick?.value).toBe('A. Reyes');
    expect([...(pick?.options ?? [])].map((o) => o.text)).toEqual(
      expect.arrayContaining(['A. Reyes', 'B. Lund, not their job']),
    );
  });

  test('a hand who is told stands there, and alone is kept; all can be found again', async () => {
    const { saveSettings } = open([hand('A. Reyes', [HOSE]), hand('B. Lund', [])]);
    const [pick] = screen.getAllByRole('combobox', { name: new RegExp(`^Who does ${HOSE}:`) });
    await userEvent.selectOptions(pick as Element, 'B. Lund');
    expect(saveSettings.mock.calls[0]?.[0]).toEqual({ crew: [{ job: HOSE, name: 'B. Lund' }] });
  });

  test('what was told is let go by a press, and only then is there one', async () => {
    open([hand('A. Reyes', [HOSE])]);
    expect(screen.queryByRole('button', { name: 'Let all be found' })).toBeNull();
    document.body.innerHTML = '';
    const { saveSettings } = open([hand('A. Reyes', [HOSE])], [{ job: HOSE, name: 'A. Reyes' }]);
    await userEvent.click(screen.getByRole('button', { name: 'Let all be found' }));
    expect(saveSettings.mock.calls[0]?.[0]).toEqual({ crew: [] });
  });

  test('the crew itself is a sheet of its own', async () => {
    open([]);
    await userEvent.click(screen.getByRole('button', { name: 'The crew of this site' }));
    expect(screen.getByTestId('address').textContent).toBe('?sheet=crew');
  });
});

describe('how much, by presses', () => {
  const much = (settings: object = {}) => {
    return renderInPour(
      <PlannedProvider>
        <MuchBench />
      </PlannedProvider>,
      { code: 'P4', settings },
    );
  };

  test('waste goes up and down by one in a hundred, and an order that stood is open again', async () => {
    const { saveSettings } = much({ wasteRatio: 0.04 });
    await userEvent.click(screen.getByRole('button', { name: 'More: waste in 100' }));
    await waitFor(() => {
      expect(saveSettings).toHaveBeenCalledTimes(1);
    });
    const sent = saveSettings.mock.calls[0]?.[0] as { wasteRatio: number };
    expect(sent.wasteRatio).toBeCloseTo(0.05, 9);
  });

  test('waste never goes below none', async () => {
    const { saveSettings } = much({ wasteRatio: 0 });
    await userEvent.click(screen.getByRole('button', { name: 'Less: waste in 100' }));
    for (const [sent] of saveSettings.mock.calls)
      expect((sent as { wasteRatio: number }).wasteRatio).toBeGreaterThanOrEqual(0);
  });
});
