import { blankJob, type Job } from '@joulemetric/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { changeJob } from '../commands/design.ts';
import type { StoredJob } from './answers.ts';
import { ApiError } from './api.ts';
import { JobSession } from './session.ts';
import type { Left, Waiting } from './waiting.ts';

/** A server, a browser's storage and a clock that do what the test says. */
class World {
  stored: StoredJob = { id: 'j', version: 1, updatedAt: '2026-01-01T00:00:00Z', job: blankJob('Start') };
  down: string | null = null;
  /** The server takes the save, and its answer is lost on the way. */
  answerLost = false;
  saves = 0;
  created: string[] = [];
  kept = new Map<string, Waiting>();
  full = false;
  timers: { ms: number; call: () => void }[] = [];

  server = {
    saveJob: async (_id: string, seen: number, job: Job): Promise<StoredJob> => {
      this.saves += 1;
      if (this.down)
        throw new ApiError({ code: this.down, title: '', detail: this.down, status: STATUS[this.down] ?? 503 });
      if (seen !== this.stored.version) {
        throw new ApiError({ code: 'version-conflict', title: '', detail: '', current: this.stored });
      }
      this.stored = { ...this.stored, version: seen + 1, job: JSON.parse(JSON.stringify(job)) };
      if (this.answerLost) throw new ApiError({ code: 'unreachable', title: '', detail: '' });
      return this.stored;
    },
    createJob: async (id: string, job: Job): Promise<StoredJob> => {
      this.created.push(id);
      return { ...this.stored, id: 'copy', version: 1, job };
    },
  };
  waiting = {
    write: async (value: Waiting) => {
      if (this.full) throw new Error('QuotaExceededError');
      this.kept.set(value.session, value);
    },
    clear: async (session: string) => void this.kept.delete(session),
    left: async (): Promise<Left> => ({ waiting: [], torn: [] }),
    live: () => () => {},
  };
  /** What a closed tab left. */
  leave(title: string, part: Partial<Waiting> = {}): Waiting {
    const session = `tab-${this.kept.size}`;
    const one: Waiting = {
      session,
      jobId: 'j',
      baseVersion: 1,
      base: this.stored.job,
      job: { ...this.stored.job, title },
      edits: 1,
      at: `2026-01-01T10:00:0${this.kept.size}Z`,
      ...part,
    };
    this.kept.set(session, one);
    return one;
  }
  clock = {
    now: () => new Date('2026-01-01T12:00:00Z'),
    after: (ms: number, call: () => void) => {
      const timer = { ms, call };
      this.timers.push(timer);
      return () => {
        this.timers = this.timers.filter((other) => other !== timer);
      };
    },
  };

  open = () => new JobSession(this.stored, this, { waiting: [...this.kept.values()], torn: [] });

  /** Lets all timers run out and all answers arrive. */
  async settle(): Promise<void> {
    for (let round = 0; round < 3; round++) {
      const due = this.timers;
      this.timers = [];
      for (const { call } of due) call();
      await new Promise((resolve) => setTimeout(resolve));
    }
  }

  elsewhere(title: string): void {
    this.stored = { ...this.stored, version: this.stored.version + 1, job: blankJob(title) };
  }
}

const STATUS: Record<string, number> = { 'unknown-job': 404, unexpected: 500, 'too-many-requests': 429 };

let world: World;
beforeEach(() => {
  world = new World();
});
const rename = (title: string) => changeJob({ title });
const title = (session: JobSession) => session.snapshot().job.title;

describe('a session', () => {
  it('saves edits by itself, one save for several quick ones', async () => {
    const session = world.open();
    session.apply(rename('a'));
    session.apply(rename('b'));
    expect(session.snapshot().save.kind).toBe('saving');
    await world.settle();
    expect([world.saves, world.stored.job.title, session.snapshot().save.kind]).toEqual([1, 'b', 'saved']);
    expect(world.kept.size).toBe(0);
  });

  it('undoes and redoes, typing in one field being one step', async () => {
    const session = world.open();
    session.apply(rename('x'), 'title');
    session.apply(rename('xy'), 'title');
    session.apply(changeJob({ client: 'c' }), 'client');
    session.undo();
    expect([title(session), session.snapshot().job.client]).toEqual(['xy', '']);
    session.undo();
    expect(title(session)).toBe('Start');
    expect(session.snapshot().canUndo).toBe(false);
    session.redo();
    expect(title(session)).toBe('xy');
    await world.settle();
    expect(world.stored.job.title).toBe('xy');
  });

  it('remembers the job before the edit, for "was …"', () => {
    const session = world.open();
    session.apply(rename('new'));
    expect(session.snapshot().before?.title).toBe('Start');
  });

  it('keeps edits while the database is away and saves them when it is back', async () => {
    const session = world.open();
    world.down = 'database-unreachable';
    session.apply(rename('offline'));
    await world.settle();
    expect(session.snapshot().save).toMatchObject({ kind: 'waiting', edits: 1 });
    session.apply(rename('still offline'));
    expect(session.snapshot().save).toMatchObject({ kind: 'waiting', edits: 2 });
    expect([...world.kept.values()].map(({ job }) => job.title)).toEqual(['still offline']);
    world.down = null;
    await world.settle();
    expect([world.stored.job.title, session.snapshot().save.kind, world.kept.size]).toEqual([
      'still offline',
      'saved',
      0,
    ]);
  });

  it('writes each edit ahead at once, before any save', () => {
    const session = world.open();
    session.apply(rename('a'));
    expect([...world.kept.values()]).toMatchObject([{ jobId: 'j', baseVersion: 1, job: { title: 'a' }, edits: 1 }]);
    session.apply(rename('b'));
    expect([...world.kept.values()]).toMatchObject([{ job: { title: 'b' }, edits: 2 }]);
    expect(world.saves).toBe(0);
  });

  it('says at once when the browser cannot keep an edit, and no more when it is saved', async () => {
    const session = world.open();
    world.full = true;
    world.down = 'unreachable';
    session.apply(rename('nowhere else'));
    await world.settle();
    expect(session.snapshot()).toMatchObject({ unkept: true, save: { kind: 'waiting' } });
    world.down = null;
    await world.settle();
    expect(session.snapshot()).toMatchObject({ unkept: false, save: { kind: 'saved' } });
  });

  it('sends on what an earlier visit could not save', async () => {
    world.leave('from before');
    const session = world.open();
    expect(title(session)).toBe('from before');
    await world.settle();
    expect([world.stored.job.title, world.kept.size]).toEqual(['from before', 0]);
    session.undo();
    expect(title(session)).toBe('Start');
  });

  it('asks when an earlier visit’s edits meet a newer version', () => {
    world.leave('from before');
    world.elsewhere('newer');
    expect(world.open().snapshot().save.kind).toBe('conflict');
  });

  it('a fault of the server is tried again, less and less often', async () => {
    const session = world.open();
    world.down = 'unexpected';
    session.apply(rename('persistent'));
    const waits: (number | undefined)[] = [];
    for (let i = 0; i < 8; i++) {
      const [timer] = world.timers;
      waits.push(timer?.ms);
      world.timers = [];
      timer?.call();
      await new Promise((resolve) => setTimeout(resolve));
    }
    expect(waits).toEqual([400, 2000, 4000, 8000, 16_000, 30_000, 30_000, 30_000]);
    expect(session.snapshot().save).toMatchObject({ kind: 'waiting', reason: 'the server has a fault' });
    world.down = null;
    await world.settle();
    expect([world.stored.job.title, session.snapshot().save.kind]).toEqual(['persistent', 'saved']);
  });

  it.each(['database-busy', 'too-many-requests', 'unreachable'])('%s is waited out', async (code) => {
    const session = world.open();
    world.down = code;
    session.apply(rename('patient'));
    await world.settle();
    expect(session.snapshot().save.kind).toBe('waiting');
    world.down = null;
    await world.settle();
    expect(world.stored.job.title).toBe('patient');
  });

  it('a lost answer is no conflict with oneself', async () => {
    const session = world.open();
    world.answerLost = true;
    session.apply(rename('sent'));
    const [timer] = world.timers;
    timer?.call();
    await new Promise((resolve) => setTimeout(resolve));
    expect([world.stored.version, session.snapshot().save.kind]).toEqual([2, 'waiting']);
    world.answerLost = false;
    await world.settle();
    expect(session.snapshot().save.kind).toBe('saved');
    expect([world.stored.version, world.kept.size]).toEqual([2, 0]);
  });

  it('edits made after a lost answer go on from it, without a question', async () => {
    const session = world.open();
    world.answerLost = true;
    session.apply(rename('sent'));
    world.timers[0]?.call();
    await new Promise((resolve) => setTimeout(resolve));
    session.apply(changeJob({ client: 'after' }));
    world.answerLost = false;
    await world.settle();
    expect(world.stored.job).toMatchObject({ title: 'sent', client: 'after' });
    expect([world.stored.version, session.snapshot().save.kind]).toEqual([3, 'saved']);
  });

  it('what was sent and then seen by the refresh is no conflict either', async () => {
    const session = world.open();
    world.answerLost = true;
    session.apply(rename('sent'));
    world.timers[0]?.call();
    await new Promise((resolve) => setTimeout(resolve));
    session.seen(world.stored);
    expect(session.snapshot().save.kind).toBe('saved');
  });

  it('takes over a newer version when nothing here is unsaved', () => {
    const session = world.open();
    world.elsewhere('newer');
    session.seen(world.stored);
    expect([title(session), session.snapshot().save.kind]).toEqual(['newer', 'saved']);
  });
});

describe('two browsers on one job', () => {
  async function conflict(): Promise<JobSession> {
    const session = world.open();
    world.elsewhere('theirs');
    session.apply(rename('mine'));
    await world.settle();
    expect(session.snapshot().save.kind).toBe('conflict');
    expect(world.stored.job.title).toBe('theirs');
    return session;
  }

  it('keep mine saves over theirs, knowingly', async () => {
    const session = await conflict();
    session.keepMine();
    await world.settle();
    expect([world.stored.job.title, session.snapshot().save.kind]).toEqual(['mine', 'saved']);
  });

  it('take theirs leaves mine one undo away', async () => {
    const session = await conflict();
    session.takeTheirs();
    expect(title(session)).toBe('theirs');
    session.undo();
    expect(title(session)).toBe('mine');
  });

  it('keep both makes mine a job of its own', async () => {
    const session = await conflict();
    expect(await session.keepBoth()).toBe('copy');
    expect(title(session)).toBe('theirs');
  });

  it('nothing is sent while the question stands, however much is edited', async () => {
    const session = await conflict();
    const before = world.saves;
    session.apply(rename('mine again'));
    await world.settle();
    expect(world.saves).toBe(before);
    expect([...world.kept.values()].map(({ job }) => job.title)).toEqual(['mine again']);
  });

  it('a job deleted elsewhere is said, and can be kept as a new one', async () => {
    const session = world.open();
    world.down = 'unknown-job';
    session.apply(rename('orphan'));
    await world.settle();
    expect(session.snapshot().save.kind).toBe('gone');
    expect(await session.keepBoth()).toBe('copy');
  });
});

describe('several tabs left edits of one job', () => {
  it('that change different things: all are put together and sent', async () => {
    world.leave('renamed by one');
    world.leave('Start', { job: { ...world.stored.job, client: 'named by another' } });
    const session = world.open();
    expect(session.snapshot().left).toEqual([]);
    await world.settle();
    expect(world.stored.job).toMatchObject({ title: 'renamed by one', client: 'named by another' });
    expect(world.kept.size).toBe(0);
  });

  it('that change the same thing: the first stands, the other is asked about and stays kept', async () => {
    world.leave('one');
    const other = world.leave('another');
    const session = world.open();
    await world.settle();
    expect(world.stored.job.title).toBe('one');
    expect(session.snapshot().left).toEqual([other]);
    expect([...world.kept.keys()]).toEqual([other.session]);

    session.takeLeft(other);
    await world.settle();
    expect([world.stored.job.title, world.kept.size]).toEqual(['another', 0]);
    session.undo();
    expect(title(session)).toBe('one');
  });

  it('kept as a new job, it is made once however often it is asked for', async () => {
    world.leave('one');
    const other = world.leave('another', { session: '0a1b2c3d-0000-4000-8000-000000000001' });
    const session = world.open();
    await world.settle();
    await session.keepLeft(other);
    await session.keepLeft(other);
    expect(new Set(world.created).size).toBe(1);
    expect(world.kept.has(other.session)).toBe(false);
  });

  it('that the server has already: nothing is asked or sent', async () => {
    world.leave('Start');
    const session = world.open();
    await world.settle();
    expect([session.snapshot().save.kind, world.saves, world.kept.size]).toEqual(['saved', 0, 0]);
  });

  it('a save clears nobody else’s edits', async () => {
    const session = world.open();
    const other = world.leave('of a tab that is open');
    session.apply(rename('mine'));
    await world.settle();
    expect(world.stored.job.title).toBe('mine');
    expect([...world.kept.keys()]).toEqual([other.session]);
  });

  it('edits that the browser could not take over stay where they were', async () => {
    const other = world.leave('from before');
    world.full = true;
    world.down = 'unreachable';
    world.open();
    await world.settle();
    expect([...world.kept.keys()]).toEqual([other.session]);
  });
});
