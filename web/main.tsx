import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { Toaster } from 'sonner';
import { mutate } from 'swr';
import { Workbox } from 'workbox-window';
import { SessionGate } from './app/session.tsx';
import './app/theme.ts';
import {
  CurePage,
  CheckPage,
  PlanPage,
  PourLayout,
  PourPage,
  SetOutPage,
  WorkPage,
} from './app/pages.tsx';
import { Pours } from './stages/pours/Pours.tsx';
import './styles.css';

const router = createBrowserRouter([
  { path: '/', element: <Pours /> },
  {
    path: '/pours/:pourId',
    element: <PourLayout />,
    children: [
      { index: true, element: <Navigate to="setout" replace /> },
      { path: 'setout', element: <SetOutPage /> },
      { path: 'check', element: <CheckPage /> },
      { path: 'plan', element: <PlanPage /> },
      { path: 'pour', element: <PourPage /> },
      { path: 'cure', element: <CurePage /> },
      { path: 'workbench', element: <WorkPage /> },
      { path: 'workbench/:calc', element: <WorkPage /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <StrictMode>
      <SessionGate>
        <RouterProvider router={router} />
      </SessionGate>
      <Toaster position="top-center" />
    </StrictMode>,
  );

// The shell is kept by a service worker, so that a phone without signal reloads and goes on. What was read before the worker
// had charge of the page is read once more through it, so that a first visit is kept like any other.
if ('serviceWorker' in navigator && import.meta.env.PROD) {
  // Heard from the first line on: a worker that a page before this one brought in may take charge before it is registered here.
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    void mutate(() => true);
  });
  void new Workbox('/sw.js').register().catch(() => undefined);
  // A page that was on its way while the worker took charge was not there to be taken: it asks for itself.
  void navigator.serviceWorker.ready.then(({ active }) => {
    if (!navigator.serviceWorker.controller) active?.postMessage({ type: 'claim' });
  });
}
