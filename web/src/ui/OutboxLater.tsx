import { lazy, Suspense } from 'react';

/** What waits in this browser is said a while after it began to wait: its line is fetched after the first screen. */
export const fetchOutboxLine = () => import('./OutboxLine.tsx').then(({ OutboxLine }) => ({ default: OutboxLine }));

const OutboxLine = lazy(fetchOutboxLine);

export const OutboxLater = ({ className }: { className: string }) => (
  <Suspense fallback={null}>
    <OutboxLine className={className} />
  </Suspense>
);
