import { lazy, Suspense, type ComponentType } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { STAGE_IDS } from '#core/view';
import { PageFault } from './app/PageFault.tsx';
import { tellPartsFetched } from './sync/ready.ts';
import { insisted } from './ui/insisted.ts';
import { fetchParts } from './ui/lazily.tsx';

/**
 * Screens are fetched when they are first opened, so that a phone shows the one it asks for as soon
 * as can be; the others follow when it is at rest, and from then on are there without signal and
 * whatever the server has become meanwhile.
 */
const screens = {
  pours: () => import('./stages/pours/page.tsx'),
  pourLayout: () => import('./app/PourLayout.tsx'),
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

/**
 * Fetches the station that is open with its sheets, then every other screen with its parts. Without
 * signal it is tried again when there is some.
 */
export function fetchScreens(): void {
  const open = Object.entries(screens).find(([id]) => location.pathname.endsWith(id));
  Promise.resolve(open?.[1]())
    .then(fetchParts)
    .then(() => Promise.all(Object.values(screens).map((load) => load())))
    .then(fetchParts)
    .then(tellPartsFetched)
    .catch(() => {
      window.addEventListener('online', fetchScreens, { once: true });
    });
}

const OneMoment = () => <main className="p-8 text-[20px]">One moment.</main>;

const fetched = (load: (typeof screens)[keyof typeof screens]) =>
  lazy(async () => ({ default: (await insisted<{ Component: ComponentType }>(load)).Component }));

const Pours = fetched(screens.pours);
const PourLayout = fetched(screens.pourLayout);
const NewSite = fetched(screens.begin);
const Site = fetched(screens.site);
const NewPour = fetched(screens.newPour);
const People = fetched(screens.people);
const Workbench = fetched(screens.workbench);
const STAGES = STAGE_IDS.map((id) => ({ id, Stage: fetched(screens[id]) }));

/**
 * A screen as an element of its own: the address changes at once, and the screen before stands, and
 * hears keys, until the next one is fetched. Were the way there waited for, a sheet that closes
 * meanwhile would call it off.
 */
function Screen({ of: Fetched }: { of: ComponentType }) {
  // What took a screen down says so until one goes elsewhere.
  const { pathname } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={PageFault} resetKeys={[pathname]}>
      <Suspense fallback={<OneMoment />}>
        <Fetched />
      </Suspense>
    </ErrorBoundary>
  );
}

/** The addresses of the app, each with its screen. */
export function Screens() {
  return (
    <ErrorBoundary FallbackComponent={PageFault}>
      <Routes>
        <Route path="/" element={<Screen of={Pours} />} />
        <Route path="/pours/:pourId" element={<Screen of={PourLayout} />}>
          <Route index element={<Navigate to="setout" replace />} />
          {STAGES.map(({ id, Stage }) => (
            <Route key={id} path={id} element={<Screen of={Stage} />} />
          ))}
          <Route path="workbench" element={<Screen of={Workbench} />} />
          <Route path="workbench/:calc" element={<Screen of={Workbench} />} />
        </Route>
        <Route path="/new" element={<Screen of={NewSite} />} />
        <Route path="/sites/:siteId" element={<Screen of={Site} />} />
        <Route path="/sites/:siteId/pour" element={<Screen of={NewPour} />} />
        <Route path="/people" element={<Screen of={People} />} />
        <Route path="*" element={<Navigate to="/" replace />} />
      </Routes>
    </ErrorBoundary>
  );
}
