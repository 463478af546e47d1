import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { conveyanceSchema } from '../../core/model/resources.ts';
import { mixerSchema } from '../../core/model/mixers.ts';
import { renderInPour } from '../testing/pour.tsx';
import AskPrices from './AskPrices.tsx';
import ConveyancesSheet from './ConveyancesSheet.tsx';
import CrewSheet from './CrewSheet.tsx';
import MixersSheet from './MixersSheet.tsx';
import PricesSheet from './PricesSheet.tsx';

const close = () => undefined;
const said = () => screen.queryAllByRole('alert').map((a) => a.textContent);
const drum = mixerSchema.parse({ id: 'drum', label: 'Drum', batchM3: 0.1, batchMin: 8 });

describe('what mixes on the site', () => {
  test('a first one is asked for at once, and kept in SI under a name of its own', async () => {
    const user = userEvent.setup();
    const { saveResources } = renderInPour(<MixersSheet onClose={close} />);
    await user.type(screen.getByLabelText(/What it is called/), 'Half bag');
    const batch = screen.getByLabelText(/^a batch gives/i);
    await user.clear(batch);
    await user.type(batch, '0.2');
    await user.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => {
      expect(saveResources).toHaveBeenCalledTimes(1);
    });
    const [mixer] = saveResources.mock.calls[0]?.[0].mixers ?? [];
    expect(mixer).toMatchObject({ id: 'half-bag', label: 'Half bag', by: 'parts', cement: 1 });
    expect(mixer?.batchM3).toBeCloseTo(0.2 * 0.764554857984, 6);
  });

  test('bags are chosen by weight; a batch no drum holds is refused and nothing is kept', async () => {
    const user = userEvent.setup();
    const { saveResources } = renderInPour(<MixersSheet onClose={close} />, {
      site: { mixers: [drum] },
    });
    await user.click(screen.getByRole('button', { name: /^Drum/ }));
    await user.click(screen.getByRole('button', { name: 'bags' }));
    expect(screen.queryByLabelText(/sand, parts/)).toBeNull();
    await user.click(screen.getByRole('button', { name: '60' }));
    const batch = screen.getByLabelText(/^a batch gives/i);
    await user.clear(batch);
    await user.type(batch, '40');
    await user.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => {
      expect(said().join()).toMatch(/must be/);
    });
    expect(saveResources).not.toHaveBeenCalled();
    await user.clear(batch);
    await user.type(batch, '0.3');
    await user.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => {
      expect(saveResources).toHaveBeenCalledWith({
        mixers: [expect.objectContaining({ id: 'drum', by: 'bags', bagLb: 60 })],
      });
    });
  });
});

describe('what conveys it', () => {
  const boom = conveyanceSchema.parse({
    id: 'boom',
    label: 'Boom',
    kind: 'boom',
    reachM: 30,
    rateM3PerH: 40,
  });
  test('a second of the same name gets an id of its own', async () => {
    const user = userEvent.setup();
    const { saveResources } = renderInPour(<ConveyancesSheet onClose={close} />, {
      site: { conveyances: [boom] },
    });
    await user.click(screen.getByRole('button', { name: 'Add one' }));
    await user.type(screen.getByLabelText(/What it is called/), 'Boom');
    await user.type(screen.getByLabelText(/^reaches/i), '60 ft');
    await user.type(screen.getByLabelText(/^at most, an hour/i), '20');
    await user.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => {
      expect(saveResources.mock.calls[0]?.[0].conveyances?.map((c) => c.id)).toEqual([
        'boom',
        'boom-2',
      ]);
    });
  });

  test('one that a pour still uses says so, and stays', async () => {
    const user = userEvent.setup();
    renderInPour(<ConveyancesSheet onClose={close} />, {
      site: { conveyances: [boom] },
      saveResources: () => Promise.reject(new Error('P2 still uses conveyance boom.')),
    });
    await user.click(screen.getByRole('button', { name: /^Boom/ }));
    await user.click(screen.getByRole('button', { name: 'Take it off the list' }));
    await waitFor(() => {
      expect(said()).toEqual(['P2 still uses conveyance boom.']);
    });
    expect(screen.getByDisplayValue('Boom')).toBeTruthy();
  });
});

test('a hand is kept with what they may do and what an hour costs', async () => {
  const user = userEvent.setup();
  const { saveResources } = renderInPour(<CrewSheet onClose={close} />);
  await user.type(screen.getByLabelText('Name'), 'R. Vale');
  await user.click(screen.getByRole('button', { name: 'vibrator' }));
  await user.type(screen.getByLabelText(/an hour costs/i), '42');
  await user.click(screen.getByRole('button', { name: 'Keep' }));
  await waitFor(() => {
    expect(saveResources).toHaveBeenCalledWith({
      crew: [{ name: 'R. Vale', role: '', jobs: ['vibrator'], costPerH: 42 }],
    });
  });
});

test('a price below nothing is refused; what is left empty is left to the usual', async () => {
  const user = userEvent.setup();
  const { saveResources } = renderInPour(<PricesSheet onClose={close} />, {
    site: { prices: { crewPerMin: 4 } },
  });
  const old = screen.getByLabelText(/gets too old/i);
  await user.type(old, '-5');
  await user.click(screen.getByRole('button', { name: 'Keep' }));
  await waitFor(() => {
    expect(said()).toHaveLength(1);
  });
  await user.clear(old);
  await user.type(old, '350');
  await user.click(screen.getByRole('button', { name: 'Keep' }));
  await waitFor(() => {
    expect(saveResources).toHaveBeenCalledWith({ prices: { crewPerMin: 4, oldLoad: 350 } });
  });
});

describe('prices nobody has given', () => {
  test('only those are asked for; what is typed and the usual of the rest are kept with the site', async () => {
    const user = userEvent.setup();
    const { saveResources } = renderInPour(<AskPrices />, {
      site: { prices: { crewPerMin: 4, pumpPerMin: 2, oldLoad: 350 }, crew: [] },
    });
    expect(screen.queryByLabelText(/crew standing/)).toBeNull();
    await user.type(screen.getByLabelText(/dusk/), '150');
    await user.click(screen.getByRole('button', { name: /^Keep/ }));
    await waitFor(() => {
      expect(saveResources).toHaveBeenCalledWith({
        prices: { crewPerMin: 4, pumpPerMin: 2, oldLoad: 350, afterDusk: 150, coldSeam: 1500 },
      });
    });
  });

  test('once all are given nothing is asked', () => {
    renderInPour(<AskPrices />, {
      site: {
        prices: { crewPerMin: 4, pumpPerMin: 0, oldLoad: 1, afterDusk: 0, coldSeam: 9 },
      },
    });
    expect(screen.queryByRole('region')).toBeNull();
  });
});
