import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { JobPage } from './shell/JobPage.tsx';
import { Brief } from './steps/brief/Brief.tsx';
import { JobsPage } from './steps/jobs/JobsPage.tsx';
import { Loads } from './steps/loads/Loads.tsx';
import './styles.css';

/** Steps that are not the first to be seen: fetched when the page has nothing else to do, so that they open without a signal too. */
const later = {
  paths: () => import('./steps/paths/Paths.tsx').then(({ Paths }) => ({ Component: Paths })),
  moment: () => import('./steps/moment/Moment.tsx').then(({ Moment }) => ({ Component: Moment })),
  card: () => import('./steps/moment/Card.tsx').then(({ Card }) => ({ Component: Card })),
  result: () => import('./steps/result/Result.tsx').then(({ Result }) => ({ Component: Result })),
};

const router = createBrowserRouter([
  { path: '/', element: <JobsPage /> },
  {
    path: '/jobs/:id',
    element: <JobPage />,
    // Nothing stands there until the step of a deep link has come.
    HydrateFallback: () => null,
    children: [
      { index: true, element: <Navigate to="loads" replace /> },
      { path: 'brief', element: <Brief /> },
      { path: 'loads', element: <Loads /> },
      ...Object.entries(later).map(([path, lazy]) => ({ path, lazy })),
      { path: '*', element: <Navigate to="../loads" replace /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <RouterProvider router={router} />
  </StrictMode>,
);

/** ms after the first screen. */
const LATER_MS = 1500;
window.addEventListener('load', () => {
  setTimeout(() => {
    for (const step of Object.values(later)) void step();
  }, LATER_MS);
});
