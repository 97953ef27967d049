import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { JobListing } from '../../edges/answers.ts';
import { api } from '../../edges/api.ts';
import { newUuid } from '../../edges/uuid.ts';
import type { Waiting } from '../../edges/waiting.ts';
import { Button } from '../../ui/Button.tsx';
import type { WaitingEdits } from './useWaiting.ts';

/** Edits that wait for a job which is no longer there: kept until somebody says what becomes of them. */
export function OrphanEdits({ jobs, waiting }: { jobs: readonly JobListing[]; waiting: WaitingEdits }) {
  const known = new Set(jobs.map(({ id }) => id));
  const orphans = waiting.all.filter(({ jobId }) => !known.has(jobId));
  if (orphans.length === 0) return null;
  return (
    <section className="mt-6" aria-label="Edits of removed jobs">
      <h2 className="text-total font-semibold">Edits of removed jobs</h2>
      <ul>
        {orphans.map((one) => (
          <Orphan key={one.session} one={one} drop={() => waiting.drop(one.session)} />
        ))}
      </ul>
    </section>
  );
}

function Orphan({ one, drop }: { one: Waiting; drop: () => void }) {
  const navigate = useNavigate();
  const [id] = useState(newUuid);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    try {
      await api.createJob(id, one.job);
      drop();
      navigate(`/jobs/${id}/loads`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <li className="flex flex-wrap items-center gap-3 border-b border-line py-3">
      <p className="grow">
        {one.job.title}: {one.edits} {one.edits === 1 ? 'edit waits' : 'edits wait'} in this browser,{' '}
        {one.job.loads.length} loads
      </p>
      <Button strong onClick={keep}>
        Keep as a new job
      </Button>
      <Button onClick={drop}>Drop</Button>
      {problem && <p className="w-full text-copper">{problem}</p>}
    </li>
  );
}
