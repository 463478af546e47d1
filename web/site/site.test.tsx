import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { newSite } from '../../core/begin/index.ts';
import { demoSite } from '../../core/testdata/demo.ts';
import { Refusal, renderWithServer, type Asked } from '../testing/server.tsx';
import { SiteScreen } from './SiteScreen.tsx';

const HEAD = {
  name: 'Quarry Barn',
  latitude: 45.2,
  longitude: -92.6,
  timeZone: 'America/Chicago',
  units: 'us',
  ruleProfile: 'us-aci',
} as const;
const site = { ...newSite(HEAD, null), mixers: [], crew: [], wires: [] };
const answer = (over: object = {}) => ({ id: 's1', version: 4, site, logged: false, ...over });
const open = (answers: Record<string, unknown>, path = '/sites/s1') =>
  renderWithServer(
    <SiteScreen />,
    { 'GET /api/sites/s1': answer(), ...answers },
    {
      path,
      route: '/sites/:siteId',
    },
  );
/** What was put to the server. */
function sent(asked: Asked[]): unknown {
  const put = asked.find((a) => a.method === 'PUT');
  if (!put) throw new Error('nothing was put');
  return put.body;
}
const press = async (name: string | RegExp) =>
  userEvent.click(await screen.findByRole('button', { name }));

describe('a site by itself', () => {
  test('says which of its lists nobody has said yet', async () => {
    open({});
    const lists = await screen.findByRole('list', { name: 'Lists of the site' });
    expect(within(lists).getByRole('button', { name: /^Mixes/ }).textContent).toMatch(/2 usual/);
    expect(within(lists).getByRole('button', { name: /^Crew/ }).textContent).toMatch(/none yet/);
    expect(within(lists).getByRole('button', { name: /^Prices/ }).textContent).toMatch(
      /5 as they usually are/,
    );
  });

  test('its name is changed over the version that was read; what is refused is said', async () => {
    const { asked } = open({
      'PUT /api/sites/s1/head': () => new Refusal(409, 'Somebody changed this site.'),
    });
    const name = await screen.findByLabelText('Name and town');
    await userEvent.clear(name);
    await userEvent.type(name, 'Quarry House');
    await press('Keep');
    await waitFor(() => {
      expect(screen.getByText('Somebody changed this site.')).toBeTruthy();
    });
    expect(asked.find((a) => a.path.endsWith('/head'))?.body).toMatchObject({
      version: 4,
      name: 'Quarry House',
    });
  });

  test('removed for good only after a second press, and not at all once something was logged', async () => {
    const { asked } = open({});
    await press('Remove for good');
    expect(asked.some((a) => a.method === 'DELETE')).toBe(false);
    await press(/^Yes, remove/);
    await waitFor(() => {
      expect(asked.some((a) => a.method === 'DELETE')).toBe(true);
    });
  });

  test('with a log it can only be archived', async () => {
    open({ 'GET /api/sites/s1': answer({ logged: true }) });
    expect(await screen.findByRole('button', { name: 'Archive' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Remove for good' })).toBeNull();
  });
});

describe('lists of another site', () => {
  test('what is new and what stands over a usual figure is offered; what is pressed is sent', async () => {
    const { asked } = open(
      {
        'GET /api/sites': [
          { id: 's1', name: 'Quarry Barn' },
          { id: 's2', name: 'Quillback' },
        ],
        'GET /api/sites/s2/export': demoSite('quillback'),
        'PUT /api/sites/s1/resources': { version: 5 },
      },
      '/sites/s1?sheet=take-over',
    );
    const orrin = await screen.findByRole('button', { name: /^orrin/ });
    expect(orrin.getAttribute('aria-pressed')).toBe('true');
    await userEvent.click(screen.getByRole('button', { name: /^Prices\b.*over yours/ }));
    await press(/^Take over \d+ things/);
    await waitFor(() => {
      expect(asked.some((a) => a.method === 'PUT')).toBe(true);
    });
    const body = sent(asked) as {
      version: number;
      plants: { id: string }[];
      prices: unknown;
    };
    expect(body.version).toBe(4);
    expect(body.plants.map((p) => p.id)).toEqual(['plant', 'orrin']);
    expect(body.prices).toEqual(demoSite('quillback').prices);
  });
});

describe('mixes and plants', () => {
  test('a usual mix that is kept is the site’s own from then on; its water to cement is worked out', async () => {
    const { asked } = open(
      { 'PUT /api/sites/s1/resources': { version: 5 } },
      '/sites/s1?sheet=mixes',
    );
    await press(/^3000/);
    await userEvent.type(screen.getByLabelText(/^cementlb/i), '20');
    await userEvent.type(screen.getByLabelText(/^waterlb/i), '10');
    expect(screen.getByText(/Water to cement is 0\.50/)).toBeTruthy();
    await userEvent.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Keep' }));
    await waitFor(() => {
      expect(asked.some((a) => a.method === 'PUT')).toBe(true);
    });
    const { mixes } = sent(asked) as {
      mixes: { mark: string; usual?: boolean }[];
    };
    expect(mixes.map((m) => [m.mark, m.usual])).toEqual([
      ['3000', undefined],
      ['4000P', true],
    ]);
  });

  test('trucks are typed in a line in the site’s units; a plant without any is refused', async () => {
    const { asked } = open(
      { 'PUT /api/sites/s1/resources': { version: 5 } },
      '/sites/s1?sheet=plants',
    );
    await press(/^The plant/);
    const trucks = screen.getByLabelText(/^Trucks/);
    await userEvent.clear(trucks);
    const keep = within(screen.getByRole('dialog')).getByRole('button', { name: 'Keep' });
    await userEvent.click(keep);
    expect(await screen.findByText(/at least one truck/)).toBeTruthy();
    await userEvent.type(trucks, '8, 11');
    await userEvent.click(keep);
    await waitFor(() => {
      expect(asked.some((a) => a.method === 'PUT')).toBe(true);
    });
    const { plants } = sent(asked) as {
      plants: { trucksM3: number[] }[];
    };
    expect(plants[0]?.trucksM3).toEqual([expect.closeTo(6.1164, 3), expect.closeTo(8.4101, 3)]);
  });
});
