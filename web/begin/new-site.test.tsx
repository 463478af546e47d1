import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Refusal, renderWithServer } from '../testing/server.tsx';
import { NewSite } from './NewSite.tsx';

const field = (label: string | RegExp) => screen.getByLabelText(label);
const press = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));
const puts = (asked: { method: string; body: unknown }[]) =>
  asked.filter((a) => a.method === 'PUT');

async function named(place = '45.2 N 92.6 W') {
  await userEvent.type(field('Name of the site'), 'Quarry Barn');
  await userEvent.type(field('Where it is'), place);
}

const ID = '00000000-0000-4000-8000-000000000001';

describe('a new site', () => {
  test('the first length gives a figure; the second closes the ring and says its diagonals', async () => {
    renderWithServer(<NewSite />, {});
    await press('feet and inches');
    await press('US, ACI and IRC');
    await userEvent.type(field(/^north side(?!, to)/), '36');
    expect(screen.getAllByText(/2\.7/).length).toBeGreaterThan(0);
    expect(screen.getByText('of concrete, so far')).toBeTruthy();
    await userEvent.type(field(/^east side(?!, to)/), '28');
    expect(screen.getByText(/square when both diagonals read 45 ft 7/)).toBeTruthy();
    expect(screen.getByText(/S and W close themselves/).textContent).toMatch(/9\.5/);
  });

  test('without a name or a place nothing is sent, and both are said beside their fields', async () => {
    const { asked } = renderWithServer(<NewSite />, {});
    await userEvent.type(field(/^north side(?!, to)/), '6');
    await userEvent.type(field(/^east side(?!, to)/), '5{Enter}');
    expect(screen.getAllByText('Give it a name.').length).toBeGreaterThan(0);
    await userEvent.type(field('Where it is'), 'at the quarry');
    expect(screen.getAllByRole('alert').some((a) => /45\.2 N/.test(a.textContent))).toBe(true);
    expect(puts(asked)).toEqual([]);
  });

  test('made, it is sent once with its zone and its pours, and the first pour opens', async () => {
    localStorage.setItem('new-site', JSON.stringify({ id: ID }));
    const { asked, address } = renderWithServer(<NewSite />, {
      [`PUT /api/sites/${ID}`]: { id: ID, pours: [{ id: 'p1' }, { id: 'p2' }] },
    });
    await press('metres, mm');
    await press('EN, metric');
    await press('both');
    await named('47.1, 6.2');
    await userEvent.type(field(/^north side(?!, to)/), '10');
    await userEvent.type(field(/^east side(?!, to)/), '8');
    await press(/Make the site/);
    await waitFor(() => {
      expect(puts(asked)).toHaveLength(1);
    });
    const body = puts(asked)[0]?.body as { timeZone: string; pours: { code: string }[] };
    expect(body).toMatchObject({ timeZone: 'Europe/Paris', ruleProfile: 'metric-en' });
    expect(body.pours.map((p) => p.code)).toEqual(['P1', 'P2']);
    await waitFor(() => {
      expect(address()).toBe('/pours/p1/setout');
    });
  });

  test('what the server refuses is said, and all that was typed stands there still', async () => {
    localStorage.setItem('new-site', JSON.stringify({ id: ID }));
    renderWithServer(<NewSite />, {
      [`PUT /api/sites/${ID}`]: () => new Refusal(400, 'The site was not stored: it is too large.'),
    });
    await named();
    await userEvent.type(field(/^north side(?!, to)/), '10');
    await userEvent.type(field(/^east side(?!, to)/), '8');
    await press(/Make the site/);
    expect(await screen.findByText('The site was not stored: it is too large.')).toBeTruthy();
    expect((field('Name of the site') as HTMLInputElement).value).toBe('Quarry Barn');
  });

  test('an inner corner that leaves no south side says so and cannot be made', async () => {
    renderWithServer(<NewSite />, {});
    await press('metres, mm');
    await press('L');
    await named();
    for (const [label, text] of [
      [/^north side/, '6'],
      [/east side, to the inner/, '4'],
      [/back west/, '7'],
      [/down from the inner/, '3'],
    ] as const)
      await userEvent.type(field(label), text);
    expect(screen.getByText(/leaves nothing of the south side/)).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /Make the site/ }).disabled).toBe(
      true,
    );
  });
});

describe('sizes that are typed over the usual ones', () => {
  const open = async (kept: object = {}) => {
    localStorage.setItem('new-site', JSON.stringify({ id: ID, ...kept }));
    const { asked } = renderWithServer(<NewSite />, {});
    await press('metres, mm');
    await press('EN, metric');
    return { asked };
  };
  const thick = () => screen.getByLabelText<HTMLInputElement>(/^wall(?!s)/i);
  const make = () => screen.getByRole<HTMLButtonElement>('button', { name: /Make the site/ });

  test('are typed key by key: on its way a figure may be none that can be, and says so', async () => {
    await open();
    await press('walls');
    await userEvent.type(field(/^north side(?!, to)/), '8');
    await userEvent.type(field(/^east side(?!, to)/), '5');
    await userEvent.clear(thick());
    await userEvent.type(thick(), '3');
    expect(thick().value).toBe('3');
    expect(screen.getByRole('alert').textContent).toMatch(/^3 mm cannot be/);
    expect(make().disabled).toBe(true);
    await userEvent.type(thick(), '00');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(make().disabled).toBe(false);
    // (2 × 8 + 2 × 5) × 0.3 × 2.4 to the middle, unless the usual height is another.
    expect(screen.getByText(/neat\. Levels, steps and openings/)).toBeTruthy();
  });

  test('that cannot be, kept by a device of before, do not keep the screen from opening', async () => {
    await open({ sizes: { wallThicknessM: 0.002, footingWidthM: 'wide' }, typed: { N: 1e9 } });
    expect(screen.getByRole('heading', { name: 'The first plan' })).toBeTruthy();
    await userEvent.clear(field(/^north side(?!, to)/));
    await userEvent.type(field(/^north side(?!, to)/), '8');
    expect(screen.getByText('of concrete, so far')).toBeTruthy();
  });

  test('of what is not drawn any more are not in the way', async () => {
    await open();
    await press('walls');
    await userEvent.clear(thick());
    await userEvent.type(thick(), '3');
    await press('footings');
    await userEvent.type(field(/^north side(?!, to)/), '8');
    await userEvent.type(field(/^east side(?!, to)/), '5');
    expect(make().disabled).toBe(false);
  });
});
