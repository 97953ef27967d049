import { downloadJob } from '../edges/files.ts';
import type { SaveState } from '../edges/session.ts';
import { useJob, useSaved } from './JobContext.tsx';

/** In words: saved at, or how many edits wait and for what, and whether the browser can keep them meanwhile. */
export function SaveLine() {
  const { job } = useJob();
  const snapshot = useSaved();
  const { text, calm } = sentence(snapshot.save);
  const unkept = snapshot.unkept && snapshot.save.kind !== 'saved';
  return (
    <span
      role="status"
      data-save={snapshot.save.kind}
      data-unkept={unkept || undefined}
      className={`text-note ${calm && !unkept ? 'text-ink-2' : 'font-medium text-copper'}`}
    >
      {text}
      {unkept && (
        <>
          . The browser’s storage is full or closed: leave this page open, or{' '}
          <button type="button" className="border-b border-copper phone:min-h-11" onClick={() => downloadJob(job)}>
            save the job file
          </button>
        </>
      )}
    </span>
  );
}

function sentence(save: SaveState): { text: string; calm: boolean } {
  switch (save.kind) {
    case 'saved': {
      const time = save.at.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hour12: false });
      return { text: `Saved ${time}`, calm: true };
    }
    case 'saving':
      return { text: 'Saving…', calm: true };
    case 'waiting':
      return { text: `${save.edits} ${save.edits === 1 ? 'edit waits' : 'edits wait'}: ${save.reason}`, calm: false };
    case 'refused':
      return { text: `Not saved: ${save.reason}`, calm: false };
    case 'conflict':
      return { text: 'Changed elsewhere', calm: false };
    case 'gone':
      return { text: 'Deleted elsewhere', calm: false };
  }
}
