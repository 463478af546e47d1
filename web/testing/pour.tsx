import { jest } from '@jest/globals';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, useLocation } from 'react-router';
import { SWRConfig } from 'swr';
import type { PourAnswer } from '../../contract/index.ts';
import type { EventBody, EventKind, LogEvent } from '../../core/log/events.ts';
import { replay } from '../../core/log/state.ts';
import { demoPour } from '../../core/testdata/demo.ts';
import { curingIn, viewOf } from '../../core/view/pour-view.ts';
import { midnightMs } from '../../core/weather/local-date.ts';
import { EditingContext, PourContext } from '../app/pour-context.tsx';
import type { PourView } from '../app/pour-view.ts';
import { SessionContext } from '../app/session.tsx';
import './screen.ts';

type Write = (kind: EventKind, body: EventBody<EventKind>, options?: object) => Promise<string>;

/** When the day of a demo pour begins, ms. */
export function dayOf(file: 'quillback' | 'kestrel', code: string): number {
  const { pour, site } = demoPour(file, code);
  return midnightMs(pour.date ?? '2026-09-23', site.timeZone);
}

interface Options {
  file?: 'quillback' | 'kestrel';
  code?: string;
  entries?: LogEvent[];
  nowMs?: number;
  role?: 'foreman' | 'crew' | 'inspector';
  /** What of the address says what the screen is about. */
  search?: string;
  write?: Write;
  /** What of the site, and of the settings of the pour, is another than the demo's. */
  site?: Partial<PourAnswer['site']>;
  settings?: Partial<PourAnswer['pour']['settings']>;
  saveResources?: PourView['saveResources'];
  saveRule?: PourView['saveRule'];
}

function Address() {
  return <output data-testid="address">{useLocation().search}</output>;
}

/** Draws a part of a station in a pour of the demo, with a log of its own; what it writes is caught. */
export function renderInPour(ui: ReactNode, options: Options = {}) {
  const { file = 'quillback', code = 'P2', entries = [], role = 'foreman', search = '' } = options;
  const { site, pour: demo, mix, plant } = demoPour(file, code);
  const pour = { ...demo, settings: { ...demo.settings, ...options.settings } };
  const dayMs = dayOf(file, code);
  const nowMs = options.nowMs ?? dayMs + 8 * 3_600_000;
  const record = {
    id: 'pour',
    siteId: 'site',
    version: 1,
    siteVersion: 1,
    duskMin: 1180,
    pour,
    site: {
      ...site,
      mixes: [mix],
      plants: [plant],
      pours: [pour],
      conveyances: [],
      mixers: [],
      crew: [],
      ...options.site,
    },
  } as unknown as PourAnswer;
  const state = replay(entries);
  const figures = viewOf(record, state, nowMs);
  if (!figures) throw new Error('the demo has no such pour');
  const write = jest.fn<Write>(options.write ?? (() => Promise.resolve('id')));
  const saveSettings = jest.fn<PourView['saveSettings']>(() => Promise.resolve(2));
  const saveResources = jest.fn<PourView['saveResources']>(
    options.saveResources ?? (() => Promise.resolve()),
  );
  const saveRule = jest.fn<PourView['saveRule']>(options.saveRule ?? (() => Promise.resolve(true)));
  const snapshot = {
    state,
    seq: entries.length,
    unsent: 0,
    others: [],
    refused: [],
    loaded: true,
    heard: true,
  };
  const view = {
    ...figures,
    record,
    units: site.units,
    nowMs,
    minuteOf: (ms: number) => (ms - figures.dayMs) / 60_000,
    state,
    curing: curingIn(record, figures, state, nowMs, []),
    weather: [],
    weatherNow: [],
    weatherHeardMs: null,
    store: {
      snapshot: () => snapshot,
      watch: () => () => undefined,
      subscribe: () => () => undefined,
      pull: () => Promise.resolve(0),
    },
    // An entry without anything said of it is told by its kind and body alone.
    write: (kind: EventKind, body: EventBody<EventKind>, options?: object) =>
      options && Object.keys(options).length > 0 ? write(kind, body, options) : write(kind, body),
    saveSettings,
    saveResources,
    saveRule,
    past: null,
    shut: null,
    elementName: (id: string) => id,
  } as unknown as PourView;
  window.history.replaceState(null, '', `/${search}`);
  const account = { id: 'a', name: 'I. Brandvold', role };
  const session = { account, demo: true, signOut: () => Promise.resolve() };
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <MemoryRouter initialEntries={[`/${search}`]}>
        <SessionContext value={session as never}>
          <EditingContext value={{ on: false, plan: null } as never}>
            <PourContext value={view}>{ui}</PourContext>
          </EditingContext>
        </SessionContext>
        <Address />
      </MemoryRouter>
    </SWRConfig>,
  );
  return { write, saveSettings, saveResources, saveRule, view };
}
