import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { PourDoc } from '../../core/model/index.ts';
import { demoSite } from '../../core/testdata/demo.ts';
import { midnightMs } from '../../core/weather/index.ts';
import { Refusal, renderWithServer } from '../testing/server.tsx';
import { HeadPart } from './HeadPart.tsx';
import { NewPour } from './NewPour.tsx';
import PourSheet from './PourSheet.tsx';

const quillback = demoSite('quillback');
const P2 = quillback.pours[1] as PourDoc;
const record = {
  id: 'p2',
  siteId: 's1',
  version: 3,
  siteVersion: 7,
  duskMin: 1180,
  airBeforeC: null,
  pour: P2,
  site: { ...quillback, pours: [] },
};
const answer = { id: 's1', version: 7, site: quillback, logged: true };
const NOW = midnightMs('2026-09-23', quillback.timeZone);
const press = async (name: string | RegExp) =>
  userEvent.click(await screen.findByRole('button', { name }));
const sent = (asked: { method: string; path: string; body: unknown }[], method: string) =>
  asked.find((a) => a.method === method)?.body;

describe('a new pour', () => {
  const open = (answers: Record<string, unknown> = {}) =>
    renderWithServer(
      <NewPour />,
      {
        'GET /api/sites/s1': answer,
        'GET /api/clock': { now: new Date(NOW).toISOString(), settable: false },
        ...answers,
      },
      { path: '/sites/s1/pour?like=P2', route: '/sites/:siteId/pour' },
    );
  test('code and title are offered from what is chosen; like another it has its mix and hold points', async () => {
    open();
    await press('all pads');
    expect(screen.getByLabelText<HTMLInputElement>('Code').value).toBe('P5');
    expect(screen.getByLabelText<HTMLInputElement>('Title').value).toBe('4 pads');
    const mixes = screen.getByRole('group', { name: 'Mix' });
    expect(within(mixes).getByRole('button', { pressed: true }).textContent).toMatch(/pump mix/);
    const holds = screen.getByRole('group', { name: 'Who has to agree' });
    expect(within(holds).getAllByRole('button', { pressed: true })).toHaveLength(P2.holds.length);
    expect(screen.getByText(/are in P3: poured in both/)).toBeTruthy();
  });
  test('nothing chosen makes nothing; a code taken meanwhile is said beside it', async () => {
    const { asked } = open();
    const make = await screen.findByRole<HTMLButtonElement>('button', { name: /^Make P5/ });
    expect(make.disabled).toBe(true);
    globalThis.fetch = ((fetch) => (url: string, init?: RequestInit) =>
      init?.method === 'PUT'
        ? Promise.resolve({
            ok: false,
            status: 409,
            text: () =>
              Promise.resolve(
                JSON.stringify({
                  status: 409,
                  detail: 'There is a pour P5 already.',
                  issues: [{ path: 'pour.code', message: 'is taken' }],
                }),
              ),
          } as Response)
        : fetch(url, init))(globalThis.fetch) as typeof fetch;
    await press('all pads');
    await press(/^Make P5/);
    expect(await screen.findByText('is taken')).toBeTruthy();
    expect(screen.getByText('There is a pour P5 already.')).toBeTruthy();
    expect(asked.some((a) => a.method === 'PUT')).toBe(false);
  });
  test('a site on which nothing is drawn says what to do first', async () => {
    const bare = { ...quillback, runs: [], pads: [], piers: [], pours: [] };
    open({ 'GET /api/sites/s1': { ...answer, site: bare } });
    expect(await screen.findByText(/Nothing is drawn on this site yet/)).toBeTruthy();
  });
});

describe('a pour that is there', () => {
  const kept: PourDoc[] = [];
  const work = {
    record,
    problem: null,
    attempt: () => Promise.resolve(true),
    keep: (pour: PourDoc) => {
      kept.push(pour);
      return Promise.resolve(true);
    },
  };
  test('moved to another day it says what that costs by now, and keeps the rest', async () => {
    renderWithServer(<HeadPart record={record} work={work} nowMs={NOW + 420 * 60_000} />, {});
    await press(/Friday 25/i);
    // At 07:00 of a 07:30 pour the plant (42 min) and the pump (40) cost; finishers (20) are free still.
    expect(screen.getByText('Moving it now costs $605.')).toBeTruthy();
    expect(screen.getByText('free still')).toBeTruthy();
    await press('Keep');
    expect(kept.at(-1)).toMatchObject({ date: '2026-09-25', mix: P2.mix, forms: 'A3' });
  });

  test('called off it wants a reason, and keeps who said so', async () => {
    const { asked } = renderWithServer(
      <PourSheet pourId="p2" siteId="s1" onClose={() => undefined} />,
      {
        'GET /api/pours/p2': record,
        'GET /api/sites/s1': answer,
        'PUT /api/pours/p2/doc': record,
      },
    );
    await press('Standing');
    await press('Call off');
    expect((await screen.findByRole('alert')).textContent).toBe('is missing');
    expect(sent(asked, 'PUT')).toBeUndefined();
    await userEvent.type(screen.getByLabelText(/why/), 'No money');
    await press('Call off');
    await waitFor(() => {
      expect(sent(asked, 'PUT')).toMatchObject({
        version: 3,
        pour: { cancelled: { reason: 'No money', by: 'I. Brandvold' } },
      });
    });
  });

  test('what the server will not take is said over it', async () => {
    renderWithServer(<PourSheet pourId="p2" siteId="s1" onClose={() => undefined} />, {
      'GET /api/pours/p2': record,
      'GET /api/sites/s1': answer,
      'PUT /api/pours/p2/doc': () =>
        new Refusal(400, 'P2 has been started: its date cannot change.'),
    });
    await press('Standing');
    await press('Put off, without a day yet');
    expect(await screen.findByText(/P2 has been started/)).toBeTruthy();
  });

  test('cut in a run it sends where, and under which code the rest goes on', async () => {
    const { asked } = renderWithServer(
      <PourSheet pourId="p2" siteId="s1" onClose={() => undefined} />,
      {
        'GET /api/pours/p2': record,
        'GET /api/sites/s1': answer,
        'POST /api/pours/p2/split': record,
      },
    );
    await press('Runs');
    await userEvent.click(
      (await screen.findAllByRole('button', { name: 'Cut here' }))[1] as HTMLElement,
    );
    await userEvent.type(screen.getByLabelText(/so far from its first node/), '10');
    await press(/^Cut W at 10 ft/);
    await waitFor(() => {
      expect(sent(asked, 'POST')).toMatchObject({
        version: 7,
        element: 'W',
        atM: expect.closeTo(3.048, 6),
        code: 'P5',
      });
    });
  });
});
