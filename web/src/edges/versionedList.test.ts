import { describe, expect, it } from 'vitest';
import { ApiError } from './api.ts';
import { ChangedElsewhere, type Versioned, VersionedEdits } from './versionedList.ts';

interface Doc {
  readonly name: string;
  readonly price: number;
}

/** A server with one entry; what it is asked to store is refused where its writer has seen another version. */
function server() {
  const state = {
    stored: { id: 'p', version: 1, document: { name: 'Battery', price: 90 } } as Versioned<Doc>,
    saves: 0,
  };
  const edits = new VersionedEdits<Doc>({
    replace: async (id, version, document) => {
      if (version !== state.stored.version)
        throw new ApiError({ code: 'version-conflict', title: '', detail: '', status: 412, current: state.stored });
      state.saves += 1;
      state.stored = { id, version: version + 1, document };
      return state.stored;
    },
    current: (current) => (current as Versioned<Doc>) ?? null,
  });
  edits.seen([state.stored]);
  const elsewhere = (part: Partial<Doc>) => {
    const { id, version, document } = state.stored;
    state.stored = { id, version: version + 1, document: { ...document, ...part } };
  };
  const set = (part: Partial<Doc>) =>
    edits.change(
      'p',
      (doc) => ({ ...doc, ...part }),
      (seen, theirs) => (Object.keys(part) as (keyof Doc)[]).some((key) => seen[key] !== theirs[key]),
    );
  return { state, edits, elsewhere, set };
}

describe('edits of a list that others edit too', () => {
  it('go one after the other, each with the version before it', async () => {
    const { state, set } = server();
    await Promise.all([set({ price: 91 }), set({ price: 92 }), set({ name: 'Ours' })]);
    expect(state.stored).toMatchObject({ version: 4, document: { name: 'Ours', price: 92 } });
  });

  it('keep what somebody else has changed in another field', async () => {
    const { state, elsewhere, set } = server();
    elsewhere({ name: 'Theirs' });
    await set({ price: 80 });
    expect(state.stored.document).toEqual({ name: 'Theirs', price: 80 });
  });

  it('are asked about where both changed the same field, and nothing is overwritten', async () => {
    const { state, elsewhere, set } = server();
    elsewhere({ price: 70 });
    const failure = await set({ price: 80 }).catch((error: unknown) => error);
    expect(failure).toBeInstanceOf(ChangedElsewhere);
    expect(failure).toMatchObject({ mine: { price: 80 }, theirs: { document: { price: 70 } } });
    expect([state.stored.document.price, state.saves]).toEqual([70, 0]);
    await set({ price: 80 });
    expect(state.stored.document.price).toBe(80);
  });

  it('an older list that comes late does not bring an older version back', async () => {
    const { edits, set, state } = server();
    const before = state.stored;
    await set({ price: 80 });
    edits.seen([before]);
    await set({ price: 81 });
    expect(state.stored).toMatchObject({ version: 3, document: { price: 81 } });
  });

  it('what fails otherwise is told, and the next edit goes', async () => {
    const { edits, set, state } = server();
    await expect(edits.change('gone', (doc) => doc)).rejects.toThrow('not in the list');
    await set({ price: 5 });
    expect(state.stored.document.price).toBe(5);
  });
});
