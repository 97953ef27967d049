import type { Job } from '@joulemetric/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { downloadText } from '../edges/files.ts';
import type { Torn, Waiting } from '../edges/waiting.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { useJob, useSaved } from './JobContext.tsx';
import { namesOnlyIn } from './jobDifferences.ts';

/** Edits that other tabs of this browser left of this job and that need a choice: none goes without being asked about. */
export function LeftSheet() {
  const snapshot = useSaved();
  const [later, setLater] = useState(false);
  const { left, torn, save } = snapshot;
  // One question at a time: first which version stands.
  const asked = left.length + torn.length > 0 && save.kind !== 'conflict' && save.kind !== 'gone' && !later;
  return (
    <Sheet
      open={asked}
      onOpenChange={(open) => setLater(!open)}
      title="Edits of an earlier tab are still here"
      description="They change the same things as what is open now, or cannot be read, so nothing was done with them yet."
    >
      <ul className="mt-4">
        {left.map((one) => (
          <LeftEdits key={one.session} left={one} />
        ))}
        {torn.map((one) => (
          <TornEdits key={one.session} torn={one} />
        ))}
      </ul>
      <Button className="mt-4" onClick={() => setLater(true)}>
        Decide later
      </Button>
    </Sheet>
  );
}

function LeftEdits({ left }: { left: Waiting }) {
  const { session, job } = useJob();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const keep = () =>
    session.keepLeft(left).then(
      (id) => navigate(`/jobs/${id}/loads`),
      (error: Error) => setProblem(error.message),
    );
  return (
    <li className="border-t border-line py-3">
      <p className="num">
        {left.edits} {left.edits === 1 ? 'edit' : 'edits'}, {timeOf(left.at)}: {differences(left.job, job)}
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <Button strong onClick={keep}>
          Keep as a new job
        </Button>
        <Button onClick={() => session.takeLeft(left)}>Put in place of what is open</Button>
        <Button onClick={() => session.dropLeft(left.session)}>Drop</Button>
      </div>
      {problem && <p className="mt-2 text-copper">{problem}</p>}
    </li>
  );
}

function TornEdits({ torn }: { torn: Torn }) {
  const { session, job } = useJob();
  return (
    <li className="border-t border-line py-3">
      <p>
        {torn.text.length} characters that this browser kept for the job cannot be read. The job itself is as the server
        has it.
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <Button onClick={() => downloadText(job, torn.text, '-unread.txt')}>Save them as a file</Button>
        <Button onClick={() => session.dropLeft(torn.session)}>Drop</Button>
      </div>
    </li>
  );
}

const timeOf = (at: string): string =>
  at === ''
    ? 'from an earlier program'
    : new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short', hour12: false });

function differences(theirs: Job, mine: Job): string {
  const there = namesOnlyIn(theirs.loads, mine.loads);
  const here = namesOnlyIn(mine.loads, theirs.loads);
  const parts = [there && `with ${there}`, here && `without ${here}`].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : 'the same loads with other figures';
}
