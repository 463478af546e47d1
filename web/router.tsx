import { lazy, Suspense, type ReactNode } from 'react';
import { createBrowserRouter, Navigate, Outlet, useParams, type RouteObject } from 'react-router';
import { STAGE_IDS } from '#core/view';
import { PageFault } from './app/PageFault.tsx';
import { PourProvider } from './app/pour-context.tsx';

/**
 * Screens are fetched when they are first opened, so that a phone shows the one it asks for as soon as can be; the others
 * follow when it is at rest, and from then on are there without signal and whatever the server has become meanwhile.
 */
const screens = {
  pours: () => import('./stages/pours/page.tsx'),
  setout: () => import('./stages/setout/page.tsx'),
  check: () => import('./stages/check/page.tsx'),
  plan: () => import('./stages/plan/page.tsx'),
  pour: () => import('./stages/pour/page.tsx'),
  cure: () => import('./stages/cure/page.tsx'),
  begin: () => import('./begin/page.tsx'),
  site: () => import('./site/page.tsx'),
  newPour: () => import('./pour/page.tsx'),
  people: () => import('./people/page.tsx'),
  workbench: () => import('./stages/workbench/page.tsx'),
};

/** Fetches every screen that has not been opened yet. Without signal it is tried again when there is some. */
export function fetchScreens(): void {
  void Promise.all(Object.values(screens).map((load) => load())).catch(() => {
    window.addEventListener('online', fetchScreens, { once: true });
  });
}

function PourLayout() {
  const { pourId = '' } = useParams();
  return (
    <PourProvider key={pourId} pourId={pourId}>
      <Outlet />
    </PourProvider>
  );
}

const OneMoment = () => <main className="p-8 text-[20px]">One moment.</main>;

/**
 * A screen as an element of its own: going to it takes place at once, and what is fetched is waited for where it stands. Were the
 * way there waited for, a sheet that closes meanwhile would call it off.
 */
function screen(load: (typeof screens)[keyof typeof screens]) {
  const Fetched = lazy(async () => ({ default: (await load()).Component }));
  return (
    <Suspense fallback={<OneMoment />}>
      <Fetched />
    </Suspense>
  );
}

const workbench = screen(screens.workbench);
const stage = (path: string, element: ReactNode): RouteObject => ({
  path,
  element,
  ErrorBoundary: PageFault,
});

export const router = createBrowserRouter([
  {
    ErrorBoundary: PageFault,
    children: [
      { path: '/', element: screen(screens.pours) },
      {
        path: '/pours/:pourId',
        Component: PourLayout,
        children: [
          { index: true, element: <Navigate to="setout" replace /> },
          ...STAGE_IDS.map((id) => stage(id, screen(screens[id]))),
          stage('workbench', workbench),
          stage('workbench/:calc', workbench),
        ],
      },
      { path: '/new', element: screen(screens.begin) },
      { path: '/sites/:siteId', element: screen(screens.site) },
      { path: '/sites/:siteId/pour', element: screen(screens.newPour) },
      { path: '/people', element: screen(screens.people) },
      { path: '*', element: <Navigate to="/" replace /> },
    ],
  },
]);
