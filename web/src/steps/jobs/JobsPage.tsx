import { blankJob } from '@joulemetric/core';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import useSWR from 'swr';
import type { JobListing } from '../../edges/answers.ts';
import { ApiError, api } from '../../edges/api.ts';
import { newUuid } from '../../edges/uuid.ts';
import { toggleTheme } from '../../shell/theme.ts';
import { Button } from '../../ui/Button.tsx';
import { OutboxLater } from '../../ui/OutboxLater.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { arrange, type Order } from './arrange.ts';
import { Finder } from './Finder.tsx';
import { Glance } from './Glance.tsx';
import { ImportJob } from './ImportJob.tsx';
import { OrphanEdits } from './OrphanEdits.tsx';
import { useWaiting } from './useWaiting.ts';

/** All jobs of the workspace, the last touched first. */
export function JobsPage() {
  const {
    data: jobs,
    error,
    mutate,
  } = useSWR('jobs', api.listJobs, {
    errorRetryInterval: 2000,
    // What is still being reckoned is there in a moment.
    refreshInterval: (listed) => (listed?.some(({ summary }) => summary === null) ? 1500 : 0),
  });
  const [word, setWord] = useState('');
  const [order, setOrder] = useState<Order>('touched');
  const shown = useMemo(() => arrange(jobs ?? [], word, order), [jobs, word, order]);
  const [removing, setRemoving] = useState<JobListing | null>(null);
  const waiting = useWaiting();
  return (
    <div className="mx-auto max-w-[920px] px-6 py-6 phone:px-4">
      <header className="flex items-center justify-between">
        <p className="text-[18px] font-semibold">
          Joule<span className="text-copper">metric</span>
        </p>
        <span className="flex gap-x-6 text-note text-ink-2">
          <Link to="/parts" className="hover:text-ink phone:inline-flex phone:min-h-11 phone:items-center">
            Parts list
          </Link>
          <Link to="/measured" className="hover:text-ink phone:inline-flex phone:min-h-11 phone:items-center">
            Measured
          </Link>
          <Link to="/logs" className="hover:text-ink phone:inline-flex phone:min-h-11 phone:items-center">
            Logs
          </Link>
          <button type="button" onClick={toggleTheme} className="hover:text-ink phone:min-h-11">
            Light or dark
          </button>
        </span>
      </header>
      <main>
        <div className="mt-10 flex items-end justify-between gap-6 border-b border-line pb-3 phone:mt-5 phone:block">
          <div>
            <h1 className="text-question font-semibold">Which vehicle?</h1>
            <p className="text-number text-ink-2">{summary(jobs)}</p>
          </div>
          <NewJob />
        </div>
        <OutboxLater className="pt-3" />
        {error && (
          <p role="alert" className="py-4 font-medium text-copper">
            {error instanceof ApiError ? error.message : 'The list cannot be fetched.'} It is tried again by itself.
          </p>
        )}
        {jobs?.length === 0 && (
          <p className="py-8 text-number text-ink-2">
            No job yet. Name one above, then take down what runs in it; every size follows from that.
          </p>
        )}
        {(jobs?.length ?? 0) > 3 && <Finder word={word} onWord={setWord} order={order} onOrder={setOrder} />}
        {jobs && jobs.length > 0 && shown.length === 0 && (
          <p className="py-6 text-number text-ink-2">No job has “{word.trim()}” in its name, client or vehicle.</p>
        )}
        <ul>
          {shown.map((job) => (
            <JobRow key={job.id} job={job} waiting={waiting.editsOf(job.id)} onRemove={() => setRemoving(job)} />
          ))}
        </ul>
        {jobs && <OrphanEdits jobs={jobs} waiting={waiting} />}
        <ImportJob />
      </main>
      <RemoveJob job={removing} onDone={() => setRemoving(null)} removed={() => void mutate()} />
    </div>
  );
}

function summary(jobs: readonly JobListing[] | undefined): string {
  if (!jobs) return 'Fetching the list…';
  return jobs.length === 1 ? '1 job' : `${jobs.length} jobs, the last touched first`;
}

function JobRow({ job, waiting, onRemove }: { job: JobListing; waiting: number; onRemove: () => void }) {
  const touched = new Date(job.updatedAt).toLocaleString([], {
    dateStyle: 'medium',
    timeStyle: 'short',
    hour12: false,
  });
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-4 border-b border-line">
      <Link to={`/jobs/${job.id}/loads`} className="group grid grid-cols-[1fr_300px_130px] gap-4 py-3 phone:block">
        <span>
          <span className="block text-total font-semibold group-hover:text-copper">{job.title}</span>
          <span className="block text-ink-2">
            {[job.client, job.vehicle].filter(Boolean).join(' · ') || 'no client yet'}
          </span>
          {waiting > 0 && (
            <span className="block font-medium text-copper">
              {waiting} {waiting === 1 ? 'edit waits' : 'edits wait'} in this browser; open the job to send{' '}
              {waiting === 1 ? 'it' : 'them'}
            </span>
          )}
        </span>
        <Glance summary={job.summary} loads={job.loads} />
        <span className="num self-center text-note text-ink-2">{touched}</span>
      </Link>
      <button
        type="button"
        onClick={onRemove}
        aria-label={`Remove ${job.title}`}
        className="px-2 text-note text-ink-2 hover:text-stop phone:min-h-11"
      >
        Remove
      </button>
    </li>
  );
}

/** What a new job is called until somebody names it. */
const UNNAMED = 'Unnamed job';

function NewJob() {
  const navigate = useNavigate();
  const [title, setTitle] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  // One id for as long as it takes: tried again after a lost answer, the job is made once.
  const [id] = useState(newUuid);
  const create = async () => {
    try {
      const stored = await api.createJob(id, blankJob(title.trim() || UNNAMED));
      // A job that has no name yet waits for one, ready to be typed.
      navigate(`/jobs/${stored.id}/brief`, { state: { nameIt: title.trim() === '' } });
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <form
      className="w-[400px] phone:mt-4 phone:w-full"
      onSubmit={(event) => {
        event.preventDefault();
        void create();
      }}
    >
      <div className="flex gap-3">
        <input
          aria-label="Name of the new job"
          placeholder="Name the new job…"
          value={title}
          maxLength={120}
          onChange={(event) => {
            setTitle(event.target.value);
            setProblem(null);
          }}
          className="min-h-9 min-w-0 grow border-b-2 border-ink bg-transparent text-number focus:border-copper focus:outline-none phone:min-h-11"
        />
        <Button strong type="submit">
          New job
        </Button>
      </div>
      {problem && (
        <p role="alert" className="mt-1 text-note text-copper">
          {problem}
        </p>
      )}
    </form>
  );
}

function RemoveJob({ job, onDone, removed }: { job: JobListing | null; onDone: () => void; removed: () => void }) {
  const [problem, setProblem] = useState<string | null>(null);
  const remove = async () => {
    if (!job) return;
    try {
      await api.deleteJob(job.id);
      onDone();
      removed();
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <Sheet
      open={job !== null}
      onOpenChange={(open) => {
        if (!open) onDone();
        setProblem(null);
      }}
      title={`Remove “${job?.title ?? ''}”?`}
      description="It is deleted for everybody of the firm. Save its job file first if you may want it again."
    >
      <div className="mt-5 flex gap-3">
        <Button strong onClick={remove}>
          Remove the job
        </Button>
        <Button onClick={onDone}>Keep it</Button>
      </div>
      {problem && <p className="mt-3 text-copper">{problem}</p>}
    </Sheet>
  );
}
