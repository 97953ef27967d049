import type { Job } from '@joulemetric/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { ClashTable, ThreeColumns } from './ClashTable.tsx';
import { useJob, useSaved } from './JobContext.tsx';
import { namesOnlyIn } from './jobDifferences.ts';

/** Two browsers edited the same job: nothing is overwritten until somebody says which version stands. */
export function ConflictSheet() {
  const { session, job } = useJob();
  const snapshot = useSaved();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const { save } = snapshot;
  if (save.kind !== 'conflict' && save.kind !== 'gone') return null;

  const keepBoth = () =>
    session.keepBoth().then(
      (id) => navigate(`/jobs/${id}/loads`),
      (error: Error) => setProblem(error.message),
    );
  if (save.kind === 'gone') {
    return (
      <Sheet
        open
        onOpenChange={() => {}}
        title="This job was deleted elsewhere"
        description="Your edits are still here."
      >
        <div className="mt-5 flex gap-3">
          <Button strong onClick={keepBoth}>
            Keep it as a new job
          </Button>
          <Button onClick={() => void session.letGo().finally(() => navigate('/'))}>Leave it deleted</Button>
        </div>
        {problem && <p className="mt-3 text-copper">{problem}</p>}
      </Sheet>
    );
  }
  const { theirs, clashes } = save;
  const at = new Date(theirs.updatedAt).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });
  return (
    <Sheet
      open
      onOpenChange={() => {}}
      title="This job was changed elsewhere"
      description={`Somebody saved it at ${at} while you were editing. ${
        clashes.length > 0
          ? 'You both changed what is listed here; everything else is put together either way.'
          : 'The two versions cannot be put together. Nothing of either is lost yet.'
      }`}
    >
      {clashes.length > 0 ? (
        <ClashTable clashes={clashes} jobs={[job, theirs.job]} heads={['Yours', 'Theirs']} />
      ) : (
        <Versions mine={job} theirs={theirs.job} />
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        <Button strong onClick={() => session.keepMine()}>
          Keep mine
        </Button>
        <Button onClick={() => session.takeTheirs()}>Take theirs</Button>
        <Button onClick={keepBoth}>Keep both</Button>
      </div>
      <p className="mt-3 text-note text-ink-2">
        Take theirs leaves yours one undo away. Keep both makes your version a new job.
      </p>
      {problem && <p className="mt-3 text-copper">{problem}</p>}
    </Sheet>
  );
}

/** Two versions of which nothing more is known: what only one of them has. */
function Versions({ mine, theirs }: { mine: Job; theirs: Job }) {
  const rows = [
    ['Title', mine.title, theirs.title],
    ['Loads', mine.loads.length, theirs.loads.length],
    [
      'Only there',
      namesOnlyIn(mine.loads, theirs.loads) || 'no load',
      namesOnlyIn(theirs.loads, mine.loads) || 'no load',
    ],
  ] as const;
  return (
    <ThreeColumns
      heads={['Yours', 'Theirs']}
      rows={rows.map(([part, one, other]) => ({ part, mine: String(one), theirs: String(other) }))}
    />
  );
}
