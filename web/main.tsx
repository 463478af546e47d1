import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { toast, Toaster } from 'sonner';
import { mutate } from 'swr';
import { Workbox } from 'workbox-window';
import { SessionGate } from './app/session.tsx';
import './app/theme.ts';
import { fetchScreens, router } from './router.tsx';
import { hearFailures } from './sync/told.ts';
import './styles.css';

hearFailures((message) => toast.error(message, { duration: 20_000 }));

const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <StrictMode>
      <SessionGate>
        <RouterProvider router={router} />
      </SessionGate>
      {/* Only says something: a press goes through it to what lies beneath. */}
      <Toaster position="top-center" toastOptions={{ style: { pointerEvents: 'none' } }} />
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

/** So long after it stands a page is taken to be at rest, ms. */
const REST_MS = 3000;

// The screens that are not open come when the page is at rest.
window.addEventListener('load', () => {
  setTimeout(() => {
    if ('requestIdleCallback' in window) window.requestIdleCallback(fetchScreens);
    else fetchScreens();
  }, REST_MS);
});
