import { PARTS, type Part } from '@joulemetric/core';
import { useMemo } from 'react';
import useSWR from 'swr';
import { api, type StoredPart } from './api.ts';

/** The firm's own parts and those that ship; without a signal those that were fetched last, or the shipped ones alone. */
export function useParts(): {
  /** The firm's own first. */
  readonly all: readonly Part[];
  /** Undefined until they are fetched. */
  readonly own: readonly StoredPart[] | undefined;
  readonly problem: string | null;
  readonly add: (part: Part) => Promise<void>;
  readonly replace: (id: string, part: Part) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
} {
  const { data: own, error, mutate } = useSWR('parts', api.listParts, { revalidateOnFocus: false });
  const all = useMemo(() => [...(own ?? []).map(({ part }) => part), ...PARTS], [own]);
  return {
    all,
    own,
    problem: error ? (error as Error).message : null,
    add: async (part) => {
      await api.addPart(part);
      await mutate();
    },
    replace: async (id, part) => {
      await api.replacePart(id, part);
      await mutate((now) => now?.map((one) => (one.id === id ? { id, part } : one)), { revalidate: false });
    },
    remove: async (id) => {
      await api.removePart(id);
      await mutate();
    },
  };
}
