import { blankJob, type Job } from '@joulemetric/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { changeJob } from '../commands/design.ts';
import { ApiError, type StoredJob } from './api.ts';
import type { Pending } from './pending.ts';
import { JobSession } from './session.ts';

/** A server, a browser's storage and a clock that do what the test says. */
class World {
  stored: StoredJob = { id: 'j', version: 1, updatedAt: '2026-01-01T00:00:00Z', job: blankJob('Start') };
  down: string | null = null;
  saves = 0;
  kept = new Map<string, Pending>();
  timers: { ms: number; call: () => void }[] = [];

  server = {
    saveJob: async (_id: string, seen: number, job: Job): Promise<StoredJob> => {
      this.saves += 1;
      if (this.down) throw new ApiError({ code: this.down, title: '', detail: this.down });
      if (seen !== this.stored.version) {
        throw new ApiError({ code: 'version-conflict', title: '', detail: '', current: this.stored });
      }
      this.stored = { ...this.stored, version: seen + 1, job };
      return this.stored;
    },
    createJob: async (job: Job): Promise<StoredJob> => ({ ...this.stored, id: 'copy', version: 1, job }),
  };
  pending = {
    read: (id: string) => this.kept.get(id) ?? null,
    write: (id: string, value: Pending) => void this.kept.set(id, value),
    clear: (id: string) => void this.kept.delete(id),
  };
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

  open = () => new JobSession(this.stored, this);

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
    expect(world.kept.get('j')?.job.title).toBe('still offline');
    world.down = null;
    await world.settle();
    expect([world.stored.job.title, session.snapshot().save.kind, world.kept.size]).toEqual([
      'still offline',
      'saved',
      0,
    ]);
  });

  it('sends on what an earlier visit could not save', async () => {
    world.kept.set('j', { baseVersion: 1, job: blankJob('from before') });
    const session = world.open();
    expect(title(session)).toBe('from before');
    await world.settle();
    expect(world.stored.job.title).toBe('from before');
  });

  it('asks when an earlier visit’s edits meet a newer version', () => {
    world.kept.set('j', { baseVersion: 1, job: blankJob('from before') });
    world.elsewhere('newer');
    expect(world.open().snapshot().save.kind).toBe('conflict');
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
    expect(world.kept.get('j')?.job.title).toBe('mine again');
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
