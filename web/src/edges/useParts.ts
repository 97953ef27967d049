import { PARTS, type Part } from '@joulemetric/core';
import { useMemo, useRef, useState } from 'react';
import useSWR from 'swr';
import { api, type StoredPart } from './api.ts';

/** The firm's own parts and those that ship; without a signal those that were fetched last, or the shipped ones alone. */
export function useParts(): {
  /** The firm's own first. */
  readonly all: readonly Part[];
  /** Undefined until they are fetched. */
  readonly own: readonly StoredPart[] | undefined;
  readonly problem: string | null;
  /** Whether an edit is on its way. */
  readonly isSaving: boolean;
  readonly add: (part: Part) => Promise<void>;
  readonly replace: (id: string, part: Part) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
} {
  const { data: own, error, mutate } = useSWR('parts', api.listParts, { revalidateOnFocus: false });
  const sent = useRef<Promise<unknown>>(Promise.resolve());
  const [waiting, setWaiting] = useState(0);
  const all = useMemo(() => [...(own ?? []).map(({ part }) => part), ...PARTS], [own]);
  return {
    all,
    own,
    isSaving: waiting > 0,
    problem: error ? (error as Error).message : null,
    add: async (part) => {
      await api.addPart(part);
      await mutate();
    },
    replace: async (id, part) => {
      // Shown at once, so that the next edit begins with it; sent one after the other, so that the last one stands.
      await mutate((now) => now?.map((one) => (one.id === id ? { id, part } : one)), { revalidate: false });
      setWaiting((count) => count + 1);
      const turn = sent.current.catch(() => undefined).then(() => api.replacePart(id, part));
      sent.current = turn;
      try {
        await turn;
      } catch (error) {
        await mutate();
        throw error;
      } finally {
        setWaiting((count) => count - 1);
      }
    },
    remove: async (id) => {
      await api.removePart(id);
      await mutate();
    },
  };
}
