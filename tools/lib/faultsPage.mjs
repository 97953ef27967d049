import { blankJob, isSame, PARTS, proposeLoad } from '@joulemetric/core';
import { api } from '../../web/src/edges/api.ts';
import { browserClock } from '../../web/src/edges/clock.ts';
import { Outbox } from '../../web/src/edges/outbox.ts';
import { JobSession } from '../../web/src/edges/session.ts';
import { newUuid } from '../../web/src/edges/uuid.ts';
import { VersionedEdits } from '../../web/src/edges/versionedList.ts';
import { onePixel } from './onePixel.mjs';

/** ms between two acts of an editor, and between two looks at what others have saved. */
const ACT_MS = 40;
const LOOK_MS = 400;
/** ms in which everything must have arrived once nothing breaks any more. */
const SETTLE_MS = 60_000;

/** A browser's storage of which nothing is asked here: what it keeps is tested on its own. */
const NOTHING_KEPT = {
  write: async () => {},
  clear: async () => {},
  left: async () => ({ waiting: [], torn: [] }),
  live: () => () => {},
};
/** A server that takes everything: what an editor would have alone. */
const ALONE = {
  saveJob: async (id, version) => ({ id, version: version + 1, updatedAt: '' }),
  createJob: async () => {
    throw new Error('nobody asks for it');
  },
};

const loadOf = (id) => ({ ...proposeLoad('lamp 10W 1h', () => id).load, id, name: id });
const own = (job, who) =>
  job.loads.filter(({ id }) => id.startsWith(`${who}-`)).sort((a, b) => a.id.localeCompare(b.id));

/** The n-th act of an editor on loads of its own: adding, changing, removing, undo and redo, by a fixed pattern. */
function act(session, who, n) {
  const id = `${who}-${n % 7}`;
  const kind = (n * 7919 + who.charCodeAt(0)) % 10;
  if (kind === 8) return session.undo();
  if (kind === 9) return session.redo();
  const loads = (change) => session.apply((job) => ({ ...job, loads: change(job.loads) }));
  if (kind < 4) return loads((all) => (all.some((one) => one.id === id) ? all : [...all, loadOf(id)]));
  if (kind < 7) return loads((all) => all.map((one) => (one.id === id ? { ...one, quantity: 2 + (n % 90) } : one)));
  return loads((all) => all.filter((one) => one.id !== id));
}

/**
 * The page's own parts, as they run in a browser, against a server that breaks: two sessions with undo and redo on one
 * job, readings and photos in an outbox, two people on one part. Call `stop` when nothing breaks any more.
 * @param {string} baseURL
 */
export async function pageUnderFaults(baseURL) {
  const fetchOf = globalThis.fetch;
  globalThis.fetch = (path, options) =>
    fetchOf(typeof path === 'string' && path.startsWith('/') ? baseURL + path : path, options);
  const jobId = newUuid();
  const stored = await api.createJob(jobId, blankJob('Under faults'));
  const session = (server) => new JobSession(stored, { server, waiting: NOTHING_KEPT, clock: browserClock });
  const people = ['a', 'b'].map((who) => ({ who, session: session(api), alone: session(ALONE), n: 0 }));

  const logId = newUuid();
  await api.addLog(logId, jobId, { format: 'joulemetric-log', version: 1, name: 'Under faults' });
  const outbox = new Outbox({
    reading: ({ id, logId: log, reading }) => api.addReadings(log, [{ ...reading, id }]),
    photo: ({ id, jobId: job, file }) => api.keepPhoto(job, id, file),
  });
  const readings = [];
  const photos = [];
  const picture = new Blob([onePixel()], { type: 'image/png' });

  const partId = newUuid();
  const part = PARTS.find(({ kind }) => kind === 'dc-dc');
  const asEntry = ({ id, version, part: document }) => ({ id, version, document });
  await api.addPart(partId, part);
  const writers = ['price', 'kg'].map((field) => {
    const edits = new VersionedEdits({
      replace: (id, version, document) => api.replacePart(id, version, document).then(asEntry),
      current: (current) => (current ? asEntry(current) : null),
    });
    edits.seen([{ id: partId, version: 1, document: part }]);
    return { field, edits, acknowledged: part[field], n: 0 };
  });

  let going = true;
  const every = async (ms, work) => {
    while (going) {
      await work();
      await new Promise((resolve) => setTimeout(resolve, ms));
    }
  };
  const look = async () => {
    const newest = await api.readJob(jobId).catch(() => null);
    for (const one of people) {
      if (newest) one.session.seen(newest);
      one.session.retry();
    }
  };
  const work = [
    ...people.map((one) =>
      every(ACT_MS, async () => {
        act(one.session, one.who, one.n);
        act(one.alone, one.who, one.n);
        one.n += 1;
      }),
    ),
    every(LOOK_MS, look),
    every(ACT_MS * 2, async () => {
      const id = newUuid();
      readings.push(id);
      await outbox.add({
        kind: 'reading',
        id,
        logId,
        reading: { at: '2026-06-01T10:00Z', soc: readings.length % 100 },
      });
    }),
    every(ACT_MS * 20, async () => {
      const id = newUuid();
      photos.push(id);
      await outbox.add({ kind: 'photo', id, jobId, file: picture });
    }),
    ...writers.map((writer) =>
      every(ACT_MS, async () => {
        const value = 1 + writer.n / 10;
        writer.n += 1;
        await writer.edits
          .change(partId, (now) => ({ ...now, [writer.field]: value }))
          .then(
            () => {
              writer.acknowledged = value;
            },
            () => undefined,
          );
      }),
    ),
  ];

  return {
    /** Waits until everything has arrived, and counts what is not as it must be. */
    stop: async () => {
      going = false;
      await Promise.all(work);
      const end = Date.now() + SETTLE_MS;
      const isDone = () =>
        outbox.snapshot().waiting.length === 0 && people.every((one) => one.session.snapshot().save.kind === 'saved');
      while (!isDone() && Date.now() < end) {
        await look();
        await outbox.send();
        await new Promise((resolve) => setTimeout(resolve, 200));
      }
      const hangs = isDone() ? 0 : 1;
      const { job } = await api.readJob(jobId);
      const undone = people.filter(({ who, alone }) => !isSame(own(job, who), own(alone.snapshot().job, who)));
      const { entries } = await api.readLog(logId);
      const there = entries.map(({ id }) => id);
      const lostPhotos = [];
      for (const id of photos) if (!(await fetchOf(baseURL + api.photoUrl(jobId, id))).ok) lostPhotos.push(id);
      const now = (await api.listParts()).find(({ id }) => id === partId)?.part;
      const lostFields = writers.filter(({ field, acknowledged }) => !(now[field] >= acknowledged));
      for (const one of people) one.session.close();
      globalThis.fetch = fetchOf;
      return {
        edits: people.reduce((sum, { n }) => sum + n, 0),
        readings: readings.length,
        photos: photos.length,
        partEdits: writers.reduce((sum, { n }) => sum + n, 0),
        lost:
          undone.length + readings.filter((id) => !there.includes(id)).length + lostPhotos.length + lostFields.length,
        doubled: there.length - new Set(there).size,
        hangs,
      };
    },
  };
}
