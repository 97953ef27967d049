import type { SaveState } from '../edges/session.ts';
import { useJob } from './JobContext.tsx';

/** In words: saved at, or how many edits wait and for what. */
export function SaveLine() {
  const { snapshot } = useJob();
  const { text, calm } = sentence(snapshot.save);
  return (
    <span
      role="status"
      data-save={snapshot.save.kind}
      className={`text-note ${calm ? 'text-ink-2' : 'font-medium text-copper'}`}
    >
      {text}
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
