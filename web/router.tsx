import { lazy, Suspense } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Navigate, Outlet, Route, Routes, useLocation, useParams } from 'react-router';
import { STAGE_IDS } from '#core/view';
import { PageFault } from './app/PageFault.tsx';
import { PourProvider } from './app/pour-context.tsx';
import { fetchParts } from './ui/lazily.tsx';

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

/** Fetches every screen that has not been opened yet, with its parts. Without signal it is tried again when there is some. */
export function fetchScreens(): void {
  Promise.all(Object.values(screens).map((load) => load()))
    .then(fetchParts)
    .catch(() => {
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
  return function Screen() {
    // What took a screen down says so until one goes elsewhere.
    const { pathname } = useLocation();
    return (
      <ErrorBoundary FallbackComponent={PageFault} resetKeys={[pathname]}>
        <Suspense fallback={<OneMoment />}>
          <Fetched />
        </Suspense>
      </ErrorBoundary>
    );
  };
}

const Pours = screen(screens.pours);
const NewSite = screen(screens.begin);
const Site = screen(screens.site);
const NewPour = screen(screens.newPour);
const People = screen(screens.people);
const Workbench = screen(screens.workbench);
const STAGES = STAGE_IDS.map((id) => ({ id, Stage: screen(screens[id]) }));

/** The addresses of the app, each with its screen. */
export function Screens() {
  return (
    <ErrorBoundary FallbackComponent={PageFault}>
      <Routes>
        <Route path="/" element={<Pours />} />
        <Route path="/pours/:pourId" element={<PourLayout />}>
          <Route index element={<Navigate to="setout" replace />} />
          {STAGES.map(({ id, Stage }) => (
            <Route key={id} path={id} element={<Stage />} />
          ))}
          <Route path="workbench" element={<Workbench />} />
          <Route path="workbench/:calc" element={<Workbench />} />
        </Route>
        <Route path="/new" element={<NewSite />} />
        <Route path="/sites/:siteId" element={<Site />} />
        <Route path="/sites/:siteId/pour" element={<NewPour />} />
        <Route path="/people" element={<People />} />
        <Route path="*" element={<Navigate to="/" replace />} />
      </Routes>
    </ErrorBoundary>
  );
}
