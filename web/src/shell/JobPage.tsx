import { useEffect, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import useSWR from 'swr';
import { ApiError, api, type StoredJob } from '../edges/api.ts';
import { browserClock } from '../edges/clock.ts';
import { browserPending } from '../edges/pending.ts';
import { JobSession } from '../edges/session.ts';
import { JobProvider } from './JobContext.tsx';
import { JobShell } from './JobShell.tsx';

/** Fetches one job, opens a session on it, and watches for versions saved elsewhere. */
export function JobPage() {
  const { id = '' } = useParams();
  const { data, error } = useSWR(['job', id], () => api.readJob(id), {
    refreshInterval: 15_000,
    errorRetryInterval: 2000,
    onErrorRetry: (failure, _key, _config, revalidate, { retryCount }) => {
      if (failure instanceof ApiError && failure.isTemporary) setTimeout(() => revalidate({ retryCount }), 2000);
    },
  });
  if (data) return <OpenSession key={id} stored={data} />;
  if (error) return <NotOpened error={error} />;
  return <p className="p-6 text-ink-2">Opening the job…</p>;
}

function OpenSession({ stored }: { stored: StoredJob }) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: a session is opened once a job; later versions are `seen`.
  const session = useMemo(
    () => new JobSession(stored, { server: api, pending: browserPending, clock: browserClock }),
    [stored.id],
  );
  useEffect(() => session.seen(stored), [session, stored]);
  useEffect(() => {
    session.open();
    const retry = () => session.retry();
    window.addEventListener('online', retry);
    return () => {
      window.removeEventListener('online', retry);
      session.close();
    };
  }, [session]);
  return (
    <JobProvider session={session}>
      <JobShell />
    </JobProvider>
  );
}

function NotOpened({ error }: { error: Error }) {
  const temporary = error instanceof ApiError && error.isTemporary;
  return (
    <main className="mx-auto max-w-[560px] px-6 py-16">
      <h1 className="text-question font-semibold">
        {temporary ? 'The job cannot be fetched just now' : 'This job cannot be opened'}
      </h1>
      <p className="mt-2 text-number text-ink-2">{error.message}</p>
      <p className="mt-1 text-number">
        {temporary ? 'It opens by itself as soon as there is an answer.' : 'Choose another from the list.'}
      </p>
      <Link to="/" className="mt-4 inline-block border-b border-ink">
        All jobs
      </Link>
    </main>
  );
}
