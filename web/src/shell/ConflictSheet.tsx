import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
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
  const { theirs } = save;
  const at = new Date(theirs.updatedAt).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });
  return (
    <Sheet
      open
      onOpenChange={() => {}}
      title="This job was changed elsewhere"
      description={`Somebody saved it at ${at} while you were editing. Nothing of either version is lost yet.`}
    >
      <table className="mt-4 w-full text-left">
        <thead>
          <tr className="text-note text-ink-2">
            <th className="font-normal">
              <span className="sr-only">What</span>
            </th>
            <th className="font-normal">Yours</th>
            <th className="font-normal">Theirs</th>
          </tr>
        </thead>
        <tbody className="num">
          <tr className="border-t border-line">
            <th className="py-1 font-normal text-ink-2">Title</th>
            <td>{job.title}</td>
            <td>{theirs.job.title}</td>
          </tr>
          <tr className="border-t border-line">
            <th className="py-1 font-normal text-ink-2">Loads</th>
            <td>{job.loads.length}</td>
            <td>{theirs.job.loads.length}</td>
          </tr>
          <tr className="border-t border-line">
            <th className="py-1 pr-3 font-normal text-ink-2">Only there</th>
            <td className="pr-3">{namesOnlyIn(job.loads, theirs.job.loads) || 'no load'}</td>
            <td>{namesOnlyIn(theirs.job.loads, job.loads) || 'no load'}</td>
          </tr>
        </tbody>
      </table>
      <div className="mt-5 flex flex-wrap gap-3">
        <Button strong onClick={() => session.keepMine()}>
          Keep mine
        </Button>
        <Button onClick={() => session.takeTheirs()}>Take theirs</Button>
        <Button onClick={keepBoth}>Keep both</Button>
      </div>
      <p className="mt-3 text-note text-ink-2">
        Keep mine saves over their version. Take theirs leaves yours one undo away. Keep both makes yours a new job.
      </p>
      {problem && <p className="mt-3 text-copper">{problem}</p>}
    </Sheet>
  );
}
