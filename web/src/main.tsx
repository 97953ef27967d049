import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { JobPage } from './shell/JobPage.tsx';
import { Brief } from './steps/brief/Brief.tsx';
import { JobsPage } from './steps/jobs/JobsPage.tsx';
import { Loads } from './steps/loads/Loads.tsx';
import { Card } from './steps/moment/Card.tsx';
import { Moment } from './steps/moment/Moment.tsx';
import { Paths } from './steps/paths/Paths.tsx';
import { Result } from './steps/result/Result.tsx';
import './styles.css';

const router = createBrowserRouter([
  { path: '/', element: <JobsPage /> },
  {
    path: '/jobs/:id',
    element: <JobPage />,
    children: [
      { index: true, element: <Navigate to="loads" replace /> },
      { path: 'brief', element: <Brief /> },
      { path: 'loads', element: <Loads /> },
      { path: 'paths', element: <Paths /> },
      { path: 'moment', element: <Moment /> },
      { path: 'card', element: <Card /> },
      { path: 'result', element: <Result /> },
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
