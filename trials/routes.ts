import type { Role } from './server.ts';

/** Every address of the API with who may ask it; `body` is one that is refused for what it says, not for who asks. */
export interface Route {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  path: string;
  may: readonly Role[];
}
const ALL: readonly Role[] = ['foreman', 'crew', 'inspector', 'viewer'];
const HANDS: readonly Role[] = ['foreman', 'crew', 'inspector'];
const FOREMAN: readonly Role[] = ['foreman'];
const SIGNERS: readonly Role[] = ['foreman', 'inspector'];

/** `:pour` and `:site` are filled in with ones that are there. */
export const ROUTES: Route[] = [
  { method: 'GET', path: '/api/sites', may: ALL },
  { method: 'GET', path: '/api/sites/:site/lanes', may: ALL },
  { method: 'GET', path: '/api/sites/:site/outline', may: ALL },
  { method: 'GET', path: '/api/upkeep', may: FOREMAN },
  { method: 'POST', path: '/api/sites/import', may: FOREMAN },
  { method: 'POST', path: '/api/sites/made-up', may: FOREMAN },
  { method: 'GET', path: '/api/sites/:site', may: ALL },
  { method: 'PUT', path: '/api/sites/none', may: FOREMAN },
  { method: 'PUT', path: '/api/sites/:site/head', may: FOREMAN },
  { method: 'DELETE', path: '/api/sites/none', may: FOREMAN },
  { method: 'GET', path: '/api/sites/:site/underlay', may: ALL },
  { method: 'POST', path: '/api/sites/:site/underlay', may: FOREMAN },
  { method: 'PUT', path: '/api/sites/:site/underlay', may: FOREMAN },
  { method: 'DELETE', path: '/api/sites/none/underlay', may: FOREMAN },
  { method: 'GET', path: '/api/sites/:site/underlay/none', may: ALL },
  { method: 'PUT', path: '/api/pours/none', may: FOREMAN },
  { method: 'PUT', path: '/api/pours/:pour/doc', may: FOREMAN },
  { method: 'POST', path: '/api/pours/:pour/split', may: FOREMAN },
  { method: 'DELETE', path: '/api/pours/none', may: FOREMAN },
  { method: 'GET', path: '/api/sites/:site/export', may: ALL },
  { method: 'GET', path: '/api/sites/:site/weather?from=x', may: ALL },
  { method: 'PUT', path: '/api/sites/:site/rules', may: FOREMAN },
  { method: 'PUT', path: '/api/sites/:site/plan', may: FOREMAN },
  { method: 'GET', path: '/api/sites/:site/plan.dxf', may: ALL },
  { method: 'PUT', path: '/api/sites/:site/resources', may: FOREMAN },
  { method: 'PUT', path: '/api/sites/:site/forecast', may: FOREMAN },
  { method: 'GET', path: '/api/sites/:site/learned', may: ALL },
  { method: 'GET', path: '/api/sites/:site/calendar.ics', may: ALL },
  { method: 'POST', path: '/api/pours/:pour/order', may: FOREMAN },
  { method: 'GET', path: '/api/pours/:pour/deliveries', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/card.pdf', may: ALL },
  { method: 'GET', path: '/api/pours', may: ALL },
  { method: 'GET', path: '/api/pours/:pour', may: ALL },
  { method: 'PUT', path: '/api/pours/:pour/settings', may: FOREMAN },
  { method: 'POST', path: '/api/pours/:pour/events', may: HANDS },
  { method: 'GET', path: '/api/pours/:pour/events?after=0', may: ALL },
  { method: 'POST', path: '/api/pours/:pour/sign', may: SIGNERS },
  { method: 'POST', path: '/api/pours/:pour/unsign', may: SIGNERS },
  { method: 'GET', path: '/api/pours/:pour/log.jsonl', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/stream', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/report.pdf', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/takeoff.csv', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/rebar.csv', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/verify', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/log.csv', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/loads.csv', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/probe', may: ALL },
  { method: 'GET', path: '/api/pours/:pour/laser?setup=0', may: ALL },
  { method: 'PUT', path: '/api/pours/:pour/photos/x', may: HANDS },
  { method: 'GET', path: '/api/pours/:pour/photos/x', may: ALL },
  { method: 'GET', path: '/api/clock', may: ALL },
  { method: 'POST', path: '/api/clock', may: FOREMAN },
  { method: 'GET', path: '/api/connect', may: ALL },
  { method: 'GET', path: '/api/session/hands', may: ALL },
  { method: 'GET', path: '/api/accounts', may: FOREMAN },
  { method: 'POST', path: '/api/accounts', may: FOREMAN },
  { method: 'PUT', path: '/api/accounts/none', may: FOREMAN },
  { method: 'DELETE', path: '/api/accounts/none', may: FOREMAN },
  { method: 'DELETE', path: '/api/accounts/none/sessions', may: FOREMAN },
  { method: 'PUT', path: '/api/session/pin', may: ALL },
];

export const filled = (path: string, pour: string, site: string): string =>
  path.replace(':pour', pour).replace(':site', site);
