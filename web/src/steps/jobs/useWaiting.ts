import { useEffect, useState } from 'react';
import { browserWaiting, type Waiting } from '../../edges/waiting.ts';

export interface WaitingEdits {
  readonly all: readonly Waiting[];
  /** How many edits of a job wait in this browser, in tabs that are closed. */
  readonly editsOf: (jobId: string) => number;
  readonly drop: (session: string) => void;
}

/** The edits that closed tabs of this browser left and that the server has not got. */
export function useWaiting(): WaitingEdits {
  const [all, setAll] = useState<readonly Waiting[]>([]);
  useEffect(() => {
    let wanted = true;
    browserWaiting.left().then(
      ({ waiting }) => wanted && setAll(waiting),
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, []);
  return {
    all,
    editsOf: (jobId) => all.filter((one) => one.jobId === jobId).reduce((sum, { edits }) => sum + edits, 0),
    drop: (session) => {
      void browserWaiting.clear(session).catch(() => undefined);
      setAll((now) => now.filter((one) => one.session !== session));
    },
  };
}
