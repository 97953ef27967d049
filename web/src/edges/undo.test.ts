import { blankJob, isSame, type Job, proposeLoad } from '@joulemetric/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeJob } from '../commands/design.ts';
import { addLoad, changeLoad, type Edit, removeLoad } from '../commands/loads.ts';
import type { StoredJob } from './answers.ts';
import { ApiError } from './api.ts';
import { JobSession } from './session.ts';

/** One server for several sessions; their timers run when the test says so. */
class Shared {
  stored: StoredJob = { id: 'j', version: 1, updatedAt: '2026-01-01T00:00:00Z', job: blankJob('Start') };
  #timers: (() => void)[] = [];

  readonly edges = {
    server: {
      saveJob: async (_id: string, seen: number, job: Job) => {
        if (seen !== this.stored.version)
          throw new ApiError({ code: 'version-conflict', title: '', detail: '', current: this.stored });
        this.stored = { ...this.stored, version: seen + 1, job: JSON.parse(JSON.stringify(job)) };
        return this.stored;
      },
      createJob: async () => this.stored,
    },
    waiting: {
      write: async () => {},
      clear: async () => {},
      left: async () => ({ waiting: [], torn: [] }),
      live: () => () => {},
    },
    clock: {
      now: () => new Date('2026-01-01T12:00:00Z'),
      after: (_ms: number, call: () => void) => {
        this.#timers.push(call);
        return () => {
          this.#timers = this.#timers.filter((other) => other !== call);
        };
      },
    },
  };

  open = () => new JobSession(this.stored, this.edges);

  /** Everything is saved and seen by everybody. */
  async settle(sessions: readonly JobSession[]): Promise<void> {
    for (let round = 0; round < 4; round++) {
      for (const call of this.#timers.splice(0)) call();
      await new Promise((resolve) => setImmediate(resolve));
      for (const session of sessions) session.seen(this.stored);
    }
  }
}

const load = (name: string) => {
  const { load: found } = proposeLoad(`${name} 10W 1h`, () => name);
  if (!found) throw new Error(name);
  return { ...found, id: name };
};
const names = (session: JobSession) => session.snapshot().job.loads.map(({ name }) => name);

async function two() {
  const shared = new Shared();
  const [one, other] = [shared.open(), shared.open()];
  const settle = () => shared.settle([one, other]);
  return { shared, one, other, settle };
}

describe('undo of one’s own edits on a job that others change too', () => {
  it('takes back a lamp and leaves the kettle and the toaster that somebody else has saved since', async () => {
    const { shared, one, other, settle } = await two();
    one.apply(addLoad(load('lamp')));
    await settle();
    other.apply(addLoad(load('kettle')));
    other.apply(addLoad(load('toaster')));
    await settle();
    expect(names(one)).toEqual(['Lamp', 'Kettle', 'Toaster']);
    one.undo();
    await settle();
    expect(names(one)).toEqual(['Kettle', 'Toaster']);
    expect(names(other)).toEqual(['Kettle', 'Toaster']);
    one.redo();
    await settle();
    expect(shared.stored.job.loads.map(({ name }) => name).sort()).toEqual(['Kettle', 'Lamp', 'Toaster']);
  });

  it('asks where both changed the same part, and does nothing before somebody chooses', async () => {
    const { shared, one, other, settle } = await two();
    one.apply(addLoad(load('lamp')));
    await settle();
    one.apply(changeLoad('lamp', { quantity: 2, room: 'cab' }));
    await settle();
    other.apply(changeLoad('lamp', { quantity: 7 }));
    await settle();
    one.undo();
    expect(one.snapshot().asked).toMatchObject({
      way: 'undo',
      isPossible: true,
      clashes: [{ path: ['loads', 'lamp', 'quantity'], mine: 1, theirs: 7 }],
    });
    expect(one.snapshot().job.loads[0]).toMatchObject({ quantity: 7, room: 'cab' });
    one.answer('cancel');
    await settle();
    expect(shared.stored.job.loads[0]).toMatchObject({ quantity: 7, room: 'cab' });
    one.undo();
    one.answer('rest');
    await settle();
    expect(shared.stored.job.loads[0]).toMatchObject({ quantity: 7, room: '' });
    one.redo();
    one.answer('over');
    await settle();
    expect(shared.stored.job.loads[0]).toMatchObject({ quantity: 2, room: 'cab' });
  });

  it('of what is typed on in one field takes back nothing that came from elsewhere in between', async () => {
    const { one, other, settle } = await two();
    one.apply(changeJob({ title: 'x' }), 'title');
    await settle();
    other.apply(addLoad(load('kettle')));
    await settle();
    one.apply(changeJob({ title: 'xy' }), 'title');
    one.undo();
    expect([one.snapshot().job.title, names(one)]).toEqual(['x', ['Kettle']]);
    one.undo();
    expect([one.snapshot().job.title, names(one)]).toEqual(['Start', ['Kettle']]);
  });

  it('of a load that somebody else has changed since asks before it goes', async () => {
    const { one, other, settle } = await two();
    one.apply(addLoad(load('lamp')));
    await settle();
    other.apply(changeLoad('lamp', { room: 'hold' }));
    await settle();
    one.undo();
    expect(one.snapshot().asked?.clashes).toMatchObject([{ path: ['loads', 'lamp'], mine: undefined }]);
    one.answer('over');
    await settle();
    expect(names(other)).toEqual([]);
  });

  it('two edits at the same time of different parts are put together without a question', async () => {
    const { shared, one, other, settle } = await two();
    one.apply(addLoad(load('kettle')));
    other.apply(addLoad(load('toaster')));
    other.apply(changeJob({ client: 'C' }));
    await settle();
    expect([one.snapshot().save.kind, other.snapshot().save.kind]).toEqual(['saved', 'saved']);
    expect(shared.stored.job.client).toBe('C');
    expect(names(one)).toEqual(names(other));
    expect(names(one).sort()).toEqual(['Kettle', 'Toaster']);
  });

  it('take theirs, undone, brings mine back and leaves what else they changed', async () => {
    const { shared, one, other, settle } = await two();
    one.apply(addLoad(load('lamp')));
    await settle();
    other.apply(changeLoad('lamp', { quantity: 7 }));
    other.apply(addLoad(load('kettle')));
    one.apply(changeLoad('lamp', { quantity: 2 }));
    await shared.settle([other]);
    expect(one.snapshot().save).toMatchObject({ kind: 'conflict', clashes: [{ mine: 2, theirs: 7 }] });
    one.takeTheirs();
    await settle();
    expect(shared.stored.job.loads.map(({ quantity }) => quantity)).toEqual([7, 1]);
    one.undo();
    await settle();
    expect(shared.stored.job.loads.map(({ quantity }) => quantity)).toEqual([2, 1]);
  });
});

/** What one editor does: an edit of loads of its own (by number), an undo, a redo, or everything is saved and seen. */
type Act = { readonly do: 'add' | 'change' | 'remove' | 'undo' | 'redo' | 'settle'; readonly n: number };
const act = fc.record({
  do: fc.constantFrom<Act['do']>('add', 'change', 'change', 'remove', 'undo', 'undo', 'redo', 'settle'),
  n: fc.nat({ max: 5 }),
});

const editOf = (who: string, { do: what, n }: Act, turn: number): Edit | null => {
  const id = `${who}-${n}`;
  if (what === 'add') return (job) => (job.loads.some((one) => one.id === id) ? job : addLoad(load(id))(job));
  if (what === 'change') return changeLoad(id, { quantity: 2 + turn });
  if (what === 'remove') return removeLoad(id);
  return null;
};

function perform(session: JobSession, who: string, one: Act, turn: number): void {
  if (one.do === 'undo') session.undo();
  else if (one.do === 'redo') session.redo();
  else {
    const edit = editOf(who, one, turn);
    if (edit) session.apply(edit);
  }
}

const ofWhom = (job: Job, who: string) => job.loads.filter(({ id }) => id.startsWith(`${who}-`));
const byId = (a: { id: string }, b: { id: string }) => a.id.localeCompare(b.id);

it('property: of two random editors with undo and redo each ends with just what it would have alone', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(fc.constantFrom('a', 'b'), act), { maxLength: 40 }), async (script) => {
      const { shared, one, other, settle } = await two();
      const alone = { a: new Shared(), b: new Shared() };
      const solo = { a: alone.a.open(), b: alone.b.open() };
      for (const [turn, [who, what]] of script.entries()) {
        if (what.do === 'settle') await settle();
        else {
          perform(who === 'a' ? one : other, who, what, turn);
          perform(solo[who as 'a' | 'b'], who, what, turn);
        }
      }
      await settle();
      expect([one.snapshot().asked, other.snapshot().asked]).toEqual([null, null]);
      expect([one.snapshot().save.kind, other.snapshot().save.kind]).toEqual(['saved', 'saved']);
      for (const session of [one, other]) expect(isSame(session.snapshot().job, shared.stored.job)).toBe(true);
      for (const who of ['a', 'b'] as const)
        expect([...ofWhom(shared.stored.job, who)].sort(byId)).toEqual(
          JSON.parse(JSON.stringify([...ofWhom(solo[who].snapshot().job, who)].sort(byId))),
        );
    }),
    { numRuns: 150 },
  );
});
