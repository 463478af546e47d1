import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { SWRConfig } from 'swr';
import type { Account } from '../../contract/index.ts';
import { SessionContext } from '../app/session.tsx';
import './screen.ts';

/** What was asked of the server that a test stands in for. */
export interface Asked {
  method: string;
  path: string;
  body: unknown;
}
/** Something the server refuses, with its status and where it is wrong. */
export class Refusal {
  readonly status: number;
  readonly detail: string;
  readonly issues: { path: string; message: string }[];
  constructor(status: number, detail: string, issues: { path: string; message: string }[] = []) {
    this.status = status;
    this.detail = detail;
    this.issues = issues;
  }
}

/**
 * Draws a screen that reads and writes by the server's addresses. `answers` are by method and path
 * (`GET /api/sites`); what is not among them answers null. Answers what was asked.
 */
export function renderWithServer(
  ui: ReactNode,
  answers: Record<string, unknown>,
  {
    path = '/',
    route = '*',
    role = 'foreman',
    invited,
  }: {
    path?: string;
    route?: string;
    role?: Account['role'];
    invited?: Account['invited'];
  } = {},
): { asked: Asked[]; address: () => string } {
  const asked: Asked[] = [];
  globalThis.fetch = ((url: string, init: RequestInit = {}) => {
    const method = init.method ?? 'GET';
    const body: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : init.body;
    asked.push({ method, path: url, body });
    const given = answers[`${method} ${url.split('?')[0] ?? url}`] ?? null;
    const answer: unknown =
      typeof given === 'function' ? (given as (b: unknown) => unknown)(body) : given;
    const refused = answer instanceof Refusal ? answer : null;
    const text = JSON.stringify(
      refused ? { status: refused.status, detail: refused.detail, issues: refused.issues } : answer,
    );
    return Promise.resolve({
      ok: !refused,
      status: refused?.status ?? 200,
      json: () => Promise.resolve(JSON.parse(text) as unknown),
      text: () => Promise.resolve(text),
    } as Response);
  }) as typeof fetch;
  const session = {
    account: { name: 'I. Brandvold', role, ...(invited ? { invited } : {}) },
    demo: false,
    signOut: () => Promise.resolve(),
    takeOver: () => Promise.resolve(),
  };
  let address = path;
  const Address = () => {
    address = useLocation().pathname;
    return null;
  };
  render(
    <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>
      <SessionContext value={session}>
        <MemoryRouter initialEntries={[path]}>
          <Routes>
            <Route path={route} element={ui} />
            <Route path="*" element={null} />
          </Routes>
          <Address />
        </MemoryRouter>
      </SessionContext>
    </SWRConfig>,
  );
  return { asked, address: () => address };
}
