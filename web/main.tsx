import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { mutate } from 'swr';
import { SessionGate } from './app/session.tsx';
import './app/theme.ts';
import { fetchScreens, Screens } from './router.tsx';
import { tellWorkerComes } from './sync/ready.ts';
import { hearFailures } from './sync/told.ts';
import './styles.css';
import { lazily } from './ui/lazily.tsx';
import { sayWrong } from './ui/say.ts';

hearFailures((message) => {
  sayWrong(message, 20_000);
});
const Messages = lazily(() => import('./ui/Messages.tsx'));

const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <StrictMode>
      <SessionGate>
        <BrowserRouter>
          <Screens />
        </BrowserRouter>
      </SessionGate>
      <Messages />
    </StrictMode>,
  );

// The shell is kept by a service worker, so that a phone without signal reloads and goes on. What
// was read before the worker had charge of the page is read once more through it, so that a first
// visit is kept like any other.
if ('serviceWorker' in navigator && import.meta.env.PROD) {
  // Heard from the first line on: a worker that a page before this one brought in may take charge
  // before it is registered here.
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    void mutate(() => true);
  });
  tellWorkerComes(true);
  void import('workbox-window')
    .then(({ Workbox }) => new Workbox('/sw.js').register())
    .catch(() => {
      tellWorkerComes(false);
    });
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
