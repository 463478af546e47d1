import { describe, expect, test } from '@jest/globals';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Refusal } from '../../testing/server.tsx';
import { BARN, MILL, open, pour, site } from '../../testing/pour-list.tsx';

/** The least that a site file holds. */
const YARD = {
  format: 'jactum.site/1',
  name: 'Yard',
  units: 'us',
  latitude: 45,
  longitude: -92,
  timeZone: 'America/Chicago',
  ruleProfile: 'us-aci',
  nodes: [],
  runs: [],
};
const press = async (name: string | RegExp) =>
  userEvent.click(await screen.findByRole('button', { name }));
const lanes = () =>
  [...document.querySelectorAll('[data-pour]')].map((el) => el.getAttribute('data-pour'));
const tabs = () => within(screen.getByRole('navigation', { name: 'Sites' })).getAllByRole('button');

describe('before there is a site', () => {
  test('a foreman draws one, brings one in, or looks round with one that is made up', async () => {
    const { asked } = open([], [], { 'POST /api/sites/made-up': { id: 'made' } });
    const link = await screen.findByRole('link', { name: /New site/ });
    expect(link.getAttribute('href')).toBe('/new');
    await press('Look round with a made-up site');
    await waitFor(() => {
      expect(asked.map((a) => `${a.method} ${a.path}`)).toContain('POST /api/sites/made-up');
    });
  });

  test('what the server says against it stands there, and it can be pressed again', async () => {
    open([], [], { 'POST /api/sites/made-up': () => new Refusal(409, 'It is here already.') });
    await press('Look round with a made-up site');
    expect((await screen.findByRole('alert')).textContent).toBe('It is here already.');
    const again = screen.getByRole<HTMLButtonElement>('button', { name: /^Look round/ });
    expect(again.disabled).toBe(false);
  });

  test('others are told whom to ask', async () => {
    open([], [], {}, { role: 'crew' });
    expect((await screen.findByText(/The foreman makes one/)).textContent).toMatch(/asks you/);
    expect(screen.queryByRole('link', { name: /New site/ })).toBeNull();
  });
});

describe('the sites', () => {
  test('stand with the one poured soonest first, archived ones last, and only three on the rail', async () => {
    const sites = [
      site('a', 'Old Yard', { archived: true }),
      site('b', 'No Day Lodge'),
      MILL,
      BARN,
      site('e', 'Late House'),
    ];
    open(sites, [
      pour('mill', 'P1', { date: '2026-10-20' }),
      pour('barn', 'P1', { date: '2026-09-23' }),
      pour('e', 'P1', { date: '2026-10-01', cancelled: true }),
    ]);
    await screen.findByText('Quarry Barn');
    // Called off, a pour does not make its site the next one.
    expect(tabs().map((b) => b.textContent)).toEqual([
      'Quarry BarnLower Field, 1 pour',
      'Mill Shed1 pour',
      'Late House1 pour',
      'All 5 sites',
    ]);
    expect(tabs()[0]?.getAttribute('aria-current')).toBe('page');
  });

  test('are all found by name or by a pour, and the one that is picked comes to the rail', async () => {
    open(
      [BARN, MILL, site('c', 'Third'), site('d', 'Fourth'), site('e', 'Fifth')],
      [pour('e', 'P1', { title: 'Cellar walls', date: null })],
    );
    await press('All 5 sites');
    const sheet = await screen.findByRole('dialog', { name: 'All sites' });
    const field = within(sheet).getByLabelText(/^Find by name/);
    await userEvent.type(field, 'zebra');
    expect(sheet.textContent).toContain('No site and no pour is called that.');
    await userEvent.clear(field);
    await userEvent.type(field, 'cellar');
    const list = within(sheet).getByRole('list', { name: 'Sites found' });
    expect(within(list).getAllByRole('button')).toHaveLength(1);
    await userEvent.click(within(list).getByRole('button', { name: /^Fifth/ }));
    await waitFor(() => {
      expect(screen.queryByRole('dialog')).toBeNull();
    });
    expect(tabs().find((b) => b.getAttribute('aria-current'))?.textContent).toMatch(/^Fifth/);
    expect(lanes()).toEqual(['P1']);
  });
});

describe('the pours of a site', () => {
  const POURS = [
    pour('barn', 'P1', { date: '2026-09-10' }),
    pour('barn', 'P2'),
    pour('barn', 'P3', { cancelled: true }),
    pour('barn', 'P4', { archived: true }),
    pour('mill', 'M1', { date: '2026-10-05' }),
  ];

  test('are those in work; the others come by a press, and go again', async () => {
    open([BARN, MILL], POURS);
    await screen.findByText('P1');
    expect(lanes()).toEqual(['P1', 'P2']);
    await press('Show 2 pours called off or archived');
    expect(lanes()).toEqual(['P1', 'P2', 'P3', 'P4']);
    await press('Hide 2 pours called off or archived');
    expect(lanes()).toEqual(['P1', 'P2']);
  });

  test('open where the work is: one that is over at its curing, one to come at its checks', async () => {
    open([BARN], POURS);
    await screen.findByText('P1');
    const links = () =>
      [...document.querySelectorAll('[data-pour]')].map((a) => a.getAttribute('href'));
    // Once the site's clock is heard.
    await waitFor(() => {
      expect(links()).toEqual(['/pours/barn-P1/cure', '/pours/barn-P2/check']);
    });
  });

  test('are changed by a foreman alone, and not on a site that is archived', async () => {
    open([BARN], POURS);
    await screen.findByText('P1');
    expect(screen.getAllByRole('button', { name: /^Change P/ })).toHaveLength(2);
    expect(screen.getByRole('link', { name: 'New pour' }).getAttribute('href')).toBe(
      '/sites/barn/pour',
    );
  });

  test('stay as they are for the crew, and on a site that is archived', async () => {
    open([BARN], POURS, {}, { role: 'crew' });
    await screen.findByText('P1');
    expect(screen.queryAllByRole('button', { name: /^Change P/ })).toEqual([]);
    expect(screen.queryByRole('link', { name: 'New pour' })).toBeNull();
  });

  test('are a foreman’s who was asked to this site alone; sites are not', async () => {
    const invited = { site: 'barn', hold: null, until: null };
    open([BARN], POURS, {}, { invited });
    await screen.findByRole('link', { name: 'New pour' });
    expect(screen.queryByRole('link', { name: 'New site' })).toBeNull();
    expect(screen.queryByText('Bring in a site file')).toBeNull();
  });

  test('there are none on a site that is new: it says how one is made', async () => {
    open([MILL], []);
    expect((await screen.findByText(/has no pours yet/)).textContent).toMatch(
      /pressed on the plan/,
    );
  });
});

describe('a site file that is brought in', () => {
  const bring = async (text: string) => {
    const input = (await screen.findByText('Bring in a site file')).querySelector('input');
    fireEvent.change(input as Element, {
      target: { files: [{ name: 'yard.json', text: () => Promise.resolve(text) }] },
    });
  };
  const sent = (asked: { method: string; path: string }[]) =>
    asked.filter((a) => a.method === 'POST').map((a) => a.path);

  test('and is no JSON is not sent: the line is named', async () => {
    const { asked } = open([], []);
    await bring('{\n "format": "jactum.site/1",\n "name": oops\n}');
    expect((await screen.findByRole('alert')).textContent).toContain(
      'yard.json is not JSON: something is wrong on line 3',
    );
    expect(sent(asked)).toEqual([]);
  });

  test('and is refused names each place of the file', async () => {
    open([], [], {
      'POST /api/sites/import': () =>
        new Refusal(422, 'The site file was not stored.', [
          { path: 'runs.0.type', message: 'names F9, which is no footing type' },
        ]),
    });
    await bring('{"format": "jactum.site/1"}');
    const told = await screen.findByRole('alert');
    expect(told.textContent).toContain('The site file was not stored.');
    expect(told.textContent).toContain('runs.0.type');
  });

  test('goes in at once where there is no site yet, and says what of it was left out', async () => {
    const { asked } = open([], [], {
      'POST /api/sites/import': {
        id: 'yard',
        pours: [],
        warnings: [{ path: 'colour', message: 'is not known and was left out' }],
      },
    });
    await bring('{"format": "jactum.site/1"}');
    expect((await screen.findByRole('alert')).textContent).toContain('colour');
    expect(sent(asked)).toEqual(['/api/sites/import']);
  });

  test('is asked about first where there are sites: it may be meant for one of them', async () => {
    const { asked } = open([BARN], [], { 'POST /api/sites/import': { id: 'yard', warnings: [] } });
    await bring('{"format": "jactum.site/1", "name": "Yard"}');
    // What is wrong with it is said before anything is asked.
    expect((await screen.findByRole('dialog')).textContent).toContain('Nothing was stored.');
    await userEvent.keyboard('{Escape}');
    await bring(JSON.stringify(YARD));
    const sheet = await screen.findByRole('dialog', { name: 'Bring in Yard' });
    expect(sheet.textContent).toContain('0 pours, 0 runs.');
    expect(sent(asked)).toEqual([]);
    await press('A site of its own');
    await waitFor(() => {
      expect(sent(asked)).toEqual(['/api/sites/import']);
    });
  });
});
