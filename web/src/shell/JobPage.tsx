import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import useSWR from 'swr';
import type { StoredJob } from '../edges/answers.ts';
import { ApiError, api } from '../edges/api.ts';
import { browserClock } from '../edges/clock.ts';
import { figures } from '../edges/compute.ts';
import { JobSession } from '../edges/session.ts';
import { browserWaiting } from '../edges/waiting.ts';
import { JobProvider } from './JobContext.tsx';
import { JobShell } from './JobShell.tsx';

/** Fetches one job, opens a session on it, and watches for versions saved elsewhere. */
export function JobPage() {
  const { id = '' } = useParams();
  // Up by the time the job is there.
  useEffect(() => figures.warm(), []);
  const { data, error } = useSWR(['job', id], () => api.readJob(id), {
    refreshInterval: 15_000,
    errorRetryInterval: 2000,
    onErrorRetry: (failure, _key, _config, revalidate, { retryCount }) => {
      if (failure instanceof ApiError && failure.isTemporary) setTimeout(() => revalidate({ retryCount }), 2000);
    },
  });
  if (data) return <OpenSession key={id} stored={data} />;
  if (error) return <NotOpened id={id} error={error} />;
  return <Opening />;
}

const Opening = () => <p className="p-6 text-ink-2">Opening the job…</p>;

function OpenSession({ stored }: { stored: StoredJob }) {
  const session = useSession(stored);
  useEffect(() => session?.seen(stored), [session, stored]);
  if (!session) return <Opening />;
  return (
    <JobProvider session={session}>
      <JobShell />
    </JobProvider>
  );
}

/** The session on a job, opened with what earlier ones left waiting, and closed when the page leaves it. */
function useSession(stored: StoredJob): JobSession | null {
  const [session, setSession] = useState<JobSession | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a session is opened once a job; later versions are `seen`.
  useEffect(() => {
    let wanted = true;
    let opened: JobSession | null = null;
    const nothing = { waiting: [], torn: [] };
    void browserWaiting
      .left(stored.id)
      .catch(() => nothing)
      .then((left) => {
        if (!wanted) return;
        opened = new JobSession(stored, { server: api, waiting: browserWaiting, clock: browserClock }, left);
        setSession(opened);
      });
    const retry = () => opened?.retry();
    // What neither the server nor the browser's storage has would be lost with the page.
    const ask = (event: BeforeUnloadEvent) => {
      if (opened?.snapshot().unkept) event.preventDefault();
    };
    window.addEventListener('online', retry);
    window.addEventListener('beforeunload', ask);
    return () => {
      wanted = false;
      window.removeEventListener('online', retry);
      window.removeEventListener('beforeunload', ask);
      opened?.close();
    };
  }, [stored.id]);
  return session;
}

function NotOpened({ id, error }: { id: string; error: Error }) {
  const temporary = error instanceof ApiError && error.isTemporary;
  return (
    <main className="mx-auto max-w-[560px] px-6 py-16">
      <h1 className="text-question font-semibold">
        {temporary ? 'The job cannot be fetched just now' : 'This job cannot be opened'}
      </h1>
      <p className="mt-2 text-number text-ink-2">{error.message}</p>
      <p className="mt-1 text-number">
        {temporary
          ? 'It opens by itself as soon as there is an answer. Edits that wait in this browser are kept meanwhile.'
          : 'Choose another from the list; edits of it that wait in this browser are listed there.'}
      </p>
      {error instanceof ApiError && error.problem.code === 'older-form' && (
        <a href={api.jobFileUrl(id)} download className="mr-5 mt-4 inline-block border-b border-ink">
          Save its file as it is
        </a>
      )}
      <Link to="/" className="mt-4 inline-block border-b border-ink">
        All jobs
      </Link>
    </main>
  );
}
