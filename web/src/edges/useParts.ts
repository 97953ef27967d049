import { PARTS, type Part } from '@joulemetric/core';
import { useMemo, useState } from 'react';
import useSWR from 'swr';
import { isStoredPart, type StoredPart } from './answers.ts';
import { api } from './api.ts';
import { MakerIds } from './makerIds.ts';
import { type Versioned, VersionedEdits } from './versionedList.ts';

/** Fields of a part that an edit changes. */
export type PartChange = Readonly<Record<string, number | string | null>>;

const asEntry = ({ id, version, part }: StoredPart): Versioned<Part> => ({ id, version, document: part });

const newEdits = () =>
  new VersionedEdits<Part>({
    replace: (id, version, part) => api.replacePart(id, version, part).then(asEntry),
    current: (current) => (isStoredPart(current) ? asEntry(current) : null),
  });

const withChange = (part: Part, change: PartChange): Part => ({ ...part, ...change }) as unknown as Part;

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
  /** Rejects with `ChangedElsewhere` where somebody else has changed the same field since. */
  readonly replace: (id: string, change: PartChange) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
} {
  const [edits] = useState(newEdits);
  const [ids] = useState(() => new MakerIds());
  const { data: own, error, mutate } = useSWR('parts', api.listParts, { revalidateOnFocus: false });
  const [waiting, setWaiting] = useState(0);
  const all = useMemo(() => [...(own ?? []).map(({ part }) => part), ...PARTS], [own]);
  return {
    all,
    own,
    isSaving: waiting > 0,
    problem: error ? (error as Error).message : null,
    add: async (part) => {
      await api.addPart(ids.idOf(part), part);
      ids.made(part);
      await mutate();
    },
    replace: async (id, change) => {
      edits.seen((own ?? []).map(asEntry));
      // Shown at once, so that the next edit begins with it.
      await mutate((now) => now?.map((one) => (one.id === id ? { ...one, part: withChange(one.part, change) } : one)), {
        revalidate: false,
      });
      setWaiting((count) => count + 1);
      try {
        const { version } = await edits.change(
          id,
          (part) => withChange(part, change),
          (seen, theirs) => Object.keys(change).some((key) => seen[key as keyof Part] !== theirs[key as keyof Part]),
        );
        await mutate((now) => now?.map((one) => (one.id === id ? { ...one, version } : one)), { revalidate: false });
      } catch (error) {
        await mutate();
        throw error;
      } finally {
        setWaiting((count) => count - 1);
      }
    },
    remove: async (id) => {
      edits.seen((own ?? []).map(asEntry));
      try {
        await api.removePart(id, edits.version(id));
      } finally {
        await mutate();
      }
    },
  };
}
