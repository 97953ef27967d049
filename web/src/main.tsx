import { setNonce } from 'get-nonce';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { JobPage } from './shell/JobPage.tsx';
import { PANEL_CONTENTS } from './shell/panelContents.ts';
import { StepMissing } from './shell/StepMissing.tsx';
import { SHEETS } from './shell/sheets.tsx';
import { Loads } from './steps/loads/Loads.tsx';
import { fetchLineReader } from './steps/loads/useLineReader.ts';
import { fetchOutboxLine } from './ui/OutboxLater.tsx';
import './styles.css';

/** Steps that are not the first to be seen: fetched when the page has nothing else to do, so that they open without a signal too. */
const LATER = {
  brief: () => import('./steps/brief/Brief.tsx').then(({ Brief }) => ({ default: Brief })),
  paths: () => import('./steps/paths/Paths.tsx').then(({ Paths }) => ({ default: Paths })),
  moment: () => import('./steps/moment/Moment.tsx').then(({ Moment }) => ({ default: Moment })),
  sources: () => import('./steps/sources/Sources.tsx').then(({ Sources }) => ({ default: Sources })),
  days: () => import('./steps/days/Days.tsx').then(({ Days }) => ({ default: Days })),
  runs: () => import('./steps/runs/Runs.tsx').then(({ Runs }) => ({ default: Runs })),
  store: () => import('./steps/store/Store.tsx').then(({ Store }) => ({ default: Store })),
  card: () => import('./steps/moment/Card.tsx').then(({ Card }) => ({ default: Card })),
  logbook: () => import('./steps/logbook/Logbook.tsx').then(({ Logbook }) => ({ default: Logbook })),
  result: () => import('./steps/result/Result.tsx').then(({ Result }) => ({ default: Result })),
};

function later([path, load]: [string, () => Promise<{ default: React.ComponentType }>]) {
  const Page = lazy(load);
  const element = (
    <Suspense fallback={null}>
      <Page />
    </Suspense>
  );
  return { path, element, ErrorBoundary: StepMissing };
}

/** Pages beside the jobs themselves. */
const PAGES = {
  '/': () => import('./steps/jobs/JobsPage.tsx').then(({ JobsPage }) => ({ default: JobsPage })),
  '/measured': () =>
    import('./steps/measured/MeasuredPage.tsx').then(({ MeasuredPage }) => ({ default: MeasuredPage })),
  '/logs': () => import('./steps/logbook/LogsPage.tsx').then(({ LogsPage }) => ({ default: LogsPage })),
  '/parts': () => import('./steps/parts/PartsPage.tsx').then(({ PartsPage }) => ({ default: PartsPage })),
};

const router = createBrowserRouter([
  ...Object.entries(PAGES).map(later),
  {
    path: '/jobs/:id',
    element: <JobPage />,
    children: [
      { index: true, element: <Navigate to="loads" replace /> },
      { path: 'loads', element: <Loads /> },
      ...Object.entries(LATER).map(later),
      { path: '*', element: <Navigate to="../loads" replace /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

// The dialogs' library puts in one style element; without the page's nonce the content policy would refuse it.
setNonce(document.querySelector<HTMLMetaElement>('meta[name=csp-nonce]')?.content ?? '');

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <RouterProvider router={router} />
  </StrictMode>,
);

/** ms after the first screen before other parts are fetched ahead, and ms without a touch or a key before each. */
const AHEAD_AFTER_MS = 1500;
const REST_MS = 800;

let touchedAt = 0;
for (const kind of ['keydown', 'input', 'pointerdown', 'wheel'])
  window.addEventListener(kind, () => (touchedAt = performance.now()), { capture: true, passive: true });

/** While somebody types nothing else is fetched and compiled. */
async function rests(): Promise<void> {
  const left = touchedAt + REST_MS - performance.now();
  if (left <= 0) return;
  await new Promise((resolve) => setTimeout(resolve, left));
  return rests();
}

async function fetchAhead(): Promise<void> {
  await fetchLineReader().catch(() => undefined);
  touchedAt = performance.now() + AHEAD_AFTER_MS - REST_MS;
  for (const load of [
    ...Object.values(PANEL_CONTENTS),
    ...Object.values(SHEETS),
    ...Object.values(PAGES),
    ...Object.values(LATER),
    () => import('./edges/older.ts'),
  ]) {
    await rests();
    // Without a signal nothing is fetched ahead; the step is fetched when it is opened.
    await load().catch(() => undefined);
  }
  // From then on the page itself opens without the server, and says what it cannot fetch.
  if (import.meta.env.PROD) navigator.serviceWorker?.register('/sw.js').catch(() => undefined);
}

/** What an earlier visit could not send goes out as soon as the page is there, wherever that is. */
async function sendWaiting(): Promise<void> {
  const [{ outbox }] = await Promise.all([import('./edges/outbox.ts'), fetchOutboxLine(), SHEETS.palette()]);
  window.addEventListener('online', () => void outbox.send());
  // What the browser could not keep would be lost with the page.
  window.addEventListener('beforeunload', (event) => {
    if (outbox.snapshot().waiting.some(({ isKept }) => !isKept)) event.preventDefault();
  });
  await outbox.send();
}

window.addEventListener(
  'load',
  () =>
    void sendWaiting()
      .catch(() => undefined)
      .then(fetchAhead),
);
