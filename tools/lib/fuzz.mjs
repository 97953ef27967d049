import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { hostileCall } from './fuzzHostile.mjs';
import { sickened } from './fuzzSick.mjs';
import { World } from './fuzzWorld.mjs';

/** ms after which a call counts as hanging. */
const HANG_MS = 15_000;
const AT_ONCE = 8;

/** What a call does; the things it is about are those that are there when it is made. */
const aCall = fc.record({
  kind: fc.constantFrom(
    ...['job.make', 'job.save', 'job.save', 'job.save', 'job.read', 'job.file', 'job.list', 'job.remove'],
    ...['photo.keep', 'photo.read', 'weather.keep', 'weather.read', 'place.find'],
    ...['part.make', 'part.save', 'part.save', 'part.list', 'part.remove'],
    ...['appliance.make', 'appliance.save', 'appliance.list', 'appliance.remove'],
    ...['log.make', 'log.save', 'log.read', 'log.list', 'log.remove', 'log.report', 'log.chart', 'log.file', 'log.csv'],
    ...['entry.add', 'entry.add', 'entry.save', 'entry.remove', 'table.import'],
    ...['instrument.make', 'instrument.save', 'instrument.list'],
    ...['hostile', 'hostile', 'hostile'],
  ),
  pick: fc.nat(),
  /** How the body is spoiled, if at all. */
  sick: fc.option(
    fc.record({
      how: fc.constantFrom('value', 'value', 'missing', 'extra', 'prototype', 'torn'),
      at: fc.nat(),
      value: fc.nat(),
    }),
    { freq: 2 },
  ),
  /** Whether a save names the version that is there, or an older one. */
  isStale: fc.boolean(),
  again: fc.boolean(),
});

/**
 * Sends calls about things of every kind that are really there, half of them spoiled, the same for the same seed; reads
 * back what was accepted, and counts what must never be.
 * @param {{ url: string, calls: number, seed: number, validate: Record<'job' | 'part' | 'appliance' | 'log' | 'hours', (document: unknown) => boolean> }} options
 * @returns {Promise<{ calls: number, faults: { what: string, call: string }[], statuses: Record<string, number>, readBack: number }>}
 */
export async function fuzz({ url, calls, seed, validate }) {
  const faults = [];
  const statuses = {};
  let readBack = 0;
  const world = new World(url);
  await world.begin();

  const send = async ({ method, path, headers = {}, body = undefined }) => {
    const tell = (what) => faults.push({ what, call: `${method} ${path.slice(0, 100)} ${String(body).slice(0, 200)}` });
    try {
      const response = await fetch(url + path, {
        method,
        headers,
        ...(method === 'GET' || method === 'DELETE' ? {} : { body }),
        signal: AbortSignal.timeout(HANG_MS),
      });
      const bytes = Buffer.from(await response.arrayBuffer());
      const text = bytes.toString('utf8');
      statuses[response.status] = (statuses[response.status] ?? 0) + 1;
      if (response.status >= 500) tell(`answer ${response.status}: ${text.slice(0, 300)}`);
      if (/\n\s+at |\.ts:\d+|node_modules/.test(text)) tell('a stack trace in the answer');
      if (response.status >= 400 && text.length > 20_000) tell(`a refusal of ${text.length} characters`);
      return { status: response.status, ok: response.ok, text, bytes, tell };
    } catch (error) {
      tell(error.name === 'TimeoutError' ? 'no answer in time' : `the connection broke: ${error.cause?.code ?? error}`);
      return { status: 0, ok: false, text: '', bytes: Buffer.alloc(0), tell };
    }
  };

  const one = async (call) => {
    if (call.kind === 'hostile') {
      await send(hostileCall(call));
      return;
    }
    const made = world.call(call);
    const { document, ...request } = made;
    const body =
      document === undefined ? made.body : call.sick ? sickened(document, call.sick) : JSON.stringify(document);
    const answer = await send({ ...request, body });
    if (call.again && answer.ok && request.headers?.['If-None-Match']) await sentTwice(made, body, answer);
    if (!answer.ok) return;
    const accepted = document === undefined || body === undefined ? undefined : JSON.parse(body);
    if (made.validated && !validate[made.validated](made.inner ? made.inner(accepted) : accepted))
      answer.tell('nonsense was accepted');
    await world.learn(made, accepted, answer);
    const back = made.back?.(accepted, answer);
    if (!back) return;
    readBack += 1;
    const found = await send({ method: 'GET', path: back.path });
    if (found.status === 404 && world.isGone(back)) return;
    const problem = found.ok ? back.differs(found, isDeepStrictEqual) : `reading it back answers ${found.status}`;
    if (problem) answer.tell(`what was accepted is not there: ${problem}`);
  };

  /** Made once more under the same id: the same thing, and nothing new. */
  const sentTwice = async ({ document: _document, ...request }, body, first) => {
    const second = await send({ ...request, body });
    if (second.status !== 200 && !world.isGone(request))
      second.tell(`the same creation answers ${second.status}, not 200`);
    else if (second.ok && JSON.parse(second.text).id !== JSON.parse(first.text).id) second.tell('made twice');
  };

  const all = fc.sample(aCall, { seed, numRuns: calls });
  let next = 0;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (next < all.length) await one(all[next++]);
    }),
  );
  for (const problem of await world.limits(send)) faults.push({ what: problem, call: 'afterwards' });
  return { calls: all.length, faults, statuses, readBack };
}
