import { useEffect, useState } from 'react';

export type LineReader = typeof import('./readLine.ts');

let there: LineReader | null = null;

/** Fetches what reads a line, and has it read one, so that the first key that is typed does not wait for its patterns. */
export async function fetchLineReader(): Promise<LineReader> {
  if (there) return there;
  const reader = await import('./readLine.ts');
  reader.proposeLoad('2 lamps 12 V 5 A 3x20 min', (name) => name);
  there = reader;
  return reader;
}

/**
 * What reads the entry line, once somebody wants it; null until it is there.
 * @param text typed so far; where fetching failed, the next key tries again
 */
export function useLineReader(isWanted: boolean, text: string): { reader: LineReader | null; problem: string | null } {
  const [reader, setReader] = useState(there);
  const [problem, setProblem] = useState<string | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each key tries anew what could not be fetched.
  useEffect(() => {
    if (!isWanted || reader) return;
    let isHere = true;
    fetchLineReader().then(
      (fetched) => isHere && setReader(() => fetched),
      () => isHere && setProblem('What reads a line could not be fetched. Check the signal, then type on.'),
    );
    return () => {
      isHere = false;
    };
  }, [isWanted, reader, text]);
  return { reader, problem: reader ? null : problem };
}
