import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadsOfTemplate, PARTS, SCHEMA_VERSION, TEMPLATES } from '@joulemetric/core';
import { onePixel } from './onePixel.mjs';
import { ROOT } from './paths.mjs';

const JSON_TYPE = { 'Content-Type': 'application/json' };
const MAKE = { ...JSON_TYPE, 'If-None-Match': '*' };
const seen = (version) => ({ ...JSON_TYPE, 'If-Match': `"${version}"` });

const jobs = readdirSync(join(ROOT, 'demo')).map((name) => JSON.parse(readFileSync(join(ROOT, 'demo', name), 'utf8')));
const [load] = loadsOfTemplate(TEMPLATES[0], []);
const list = (value) => Array(24).fill(value);
const instrument = {
  kind: 'monitor',
  everyS: 60,
  speed: 60,
  seed: 1,
  truth: {
    stepMin: 60,
    ah: 100,
    w: list(40),
    needW: list(40),
    soc: list(0.8),
    v: list(12.8),
    airC: list(20),
    storeC: list(18),
  },
};
const aLog = (n) => ({
  format: 'joulemetric-log',
  version: 1,
  name: `Log ${n}`,
  capacity: { ah: 100, chemistry: 'lfp' },
});
const anEntry = (n) => ({ id: randomUUID(), at: `2026-06-01T${String(n % 24).padStart(2, '0')}:00Z`, soc: n % 101 });
const hours = (n) => ({
  latitudeDeg: n % 60,
  longitudeDeg: 0,
  utcOffsetH: 0,
  ghiWh: Array.from({ length: 8760 }, (_, h) => (h * 7 + n) % 900),
  tempC: Array.from({ length: 8760 }, (_, h) => ((h + n) % 60) - 20),
});

/** What is there to be asked about, and what a call about it looks like. */
export class World {
  #url;
  /** Things that are there, with the version they were last seen in. */
  #there = { job: [], part: [], appliance: [], log: [], photo: [], entry: [], instrument: [] };
  #removed = new Set();
  #picture = onePixel();

  constructor(url) {
    this.#url = url;
  }

  async begin() {
    for (const kind of ['job.make', 'job.make', 'part.make', 'appliance.make', 'log.make', 'log.make'])
      for (let pick = 1; pick < 4; pick++) await this.#make(this.call({ kind, pick }));
    for (const kind of ['photo.keep', 'weather.keep', 'entry.add', 'instrument.make'])
      for (let pick = 1; pick < 4; pick++) await this.#make(this.call({ kind, pick }));
  }

  async #make({ method, path, headers, document, body, ...made }) {
    const answer = await fetch(this.#url + path, { method, headers, body: body ?? JSON.stringify(document) });
    const text = await answer.text();
    if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${text.slice(0, 200)}`);
    await this.learn({ ...made, path }, document, { text, status: answer.status });
  }

  #one(kind, pick) {
    const those = this.#there[kind];
    return those[pick % Math.max(1, those.length)] ?? { id: randomUUID(), version: 1 };
  }

  /** Whether what a path is about has been removed by another call. */
  isGone = ({ path }) => [...this.#removed].some((id) => path.includes(id));

  /** Remembers what was made, changed or removed. */
  async learn({ kind, path, about }, accepted, { text, status }) {
    if (about) {
      const those = this.#there[about.kind];
      const at = those.findIndex(({ id }) => id === about.id);
      if (at >= 0) those.splice(at, 1);
      return;
    }
    if (kind.endsWith('.remove') || status === 204 || !/\.(make|save|keep|add)$/.test(kind)) return;
    const [what] = kind.split('.');
    const those = this.#there[what];
    if (!those) return;
    if (what === 'entry') {
      for (const { id } of Array.isArray(accepted) ? accepted : [])
        if (!those.some((one) => one.id === id)) those.push({ id, in: path.split('/')[3] });
      return;
    }
    const { id, version = 1 } = JSON.parse(text);
    const known = those.find((one) => one.id === id);
    if (known) known.version = Math.max(known.version, version);
    else those.push({ id, version, in: path.split('/')[3] });
  }

  /** @param {{ kind: string, pick: number, isStale?: boolean }} call */
  call({ kind, pick, isStale = false }) {
    const [what, verb] = kind.split('.');
    const of = this.#CALLS[kind] ?? this.#CALLS[what];
    const made = { kind, ...of.call(this, pick, verb, isStale && pick % 4 === 0) };
    // From now on another call may find it gone.
    if (made.about) this.#removed.add(made.about.id);
    return made;
  }

  /** A list of the firm: made, saved and removed alike. */
  #listed(what, path, document, inner) {
    return (pick, verb, isStale) => {
      const one = this.#one(what, pick);
      if (verb === 'list') return { method: 'GET', path };
      if (verb === 'remove')
        return {
          method: 'DELETE',
          path: `${path}/${one.id}`,
          headers: seen(one.version),
          about: { kind: what, id: one.id },
        };
      const id = verb === 'make' ? randomUUID() : one.id;
      return {
        method: 'PUT',
        path: `${path}/${id}`,
        headers: verb === 'make' ? MAKE : seen(isStale ? 99_999 : one.version),
        document: document(pick),
        validated: what,
        back: (accepted, { text }) => {
          const { version } = JSON.parse(text);
          return {
            path,
            differs: (found, isSame) => {
              const there = JSON.parse(found.text).find((other) => other.id === id);
              if (!there) return this.#removed.has(id) ? null : 'it is not in the list';
              return there.version !== version || isSame(there[inner], accepted) ? null : 'it is another';
            },
          };
        },
      };
    };
  }

  #CALLS = {
    job: (pick, verb, isStale) => {
      const one = this.#one('job', pick);
      const path = `/api/jobs/${one.id}`;
      if (verb === 'list') return { method: 'GET', path: '/api/jobs' };
      if (verb === 'read') return { method: 'GET', path };
      if (verb === 'file') return { method: 'GET', path: `${path}/file` };
      // Photos and hours go with their job: a few jobs are removed, most stay.
      if (verb === 'remove' && pick % 3 === 0) return { method: 'DELETE', path, about: { kind: 'job', id: one.id } };
      const id = verb === 'make' ? randomUUID() : one.id;
      return {
        method: 'PUT',
        path: `/api/jobs/${id}`,
        headers: verb === 'make' ? MAKE : seen(isStale ? 99_999 : one.version),
        document: { ...jobs[pick % jobs.length], client: `Client ${pick}` },
        validated: 'job',
        back: (accepted, { text }) => {
          const { version } = JSON.parse(text);
          return {
            path: `/api/jobs/${id}`,
            differs: (found, isSame) => {
              const there = JSON.parse(found.text);
              return there.version !== version || isSame(there.job, accepted) ? null : 'it is another';
            },
          };
        },
      };
    },
    'job.remove': (pick, verb, isStale) => this.#CALLS.job(pick, pick % 3 === 0 ? verb : 'read', isStale),
    'photo.keep': (pick) => {
      const id = randomUUID();
      const path = `/api/jobs/${this.#one('job', pick).id}/photos/${id}`;
      const isGood = pick % 4 > 0;
      return {
        method: 'PUT',
        path,
        headers: { 'Content-Type': ['image/png', 'image/jpeg'][pick % 2] },
        body: isGood ? this.#picture : this.#picture.subarray(0, pick % this.#picture.length),
        back: () => ({
          path,
          differs: ({ bytes }) => (bytes.subarray(0, 3).toString('hex') === 'ffd8ff' ? null : 'it is no JPEG'),
        }),
      };
    },
    'photo.read': (pick) => {
      const one = this.#one('photo', pick);
      return { method: 'GET', path: `/api/jobs/${one.in}/photos/${one.id}` };
    },
    weather: (pick, verb) => {
      const path = `/api/jobs/${this.#one('job', pick).id}/weather`;
      if (verb === 'read') return { method: 'GET', path };
      return { method: 'PUT', path, headers: JSON_TYPE, document: hours(pick % 50), validated: 'hours' };
    },
    'place.find': (pick) => ({ method: 'GET', path: `/api/places?q=${['ber', 'Söd', 'x', 'new y', '%25'][pick % 5]}` }),
    part: this.#listed('part', '/api/parts', (n) => ({ ...PARTS[n % PARTS.length], price: n % 1000 }), 'part'),
    appliance: this.#listed(
      'appliance',
      '/api/catalogue',
      (n) => ({ schemaVersion: SCHEMA_VERSION, name: `Appliance ${n % 1000}`, words: '', load, measured: [] }),
      'appliance',
    ),
    log: (pick, verb, isStale) => {
      const one = this.#one('log', pick);
      const path = `/api/logs/${one.id}`;
      const reads = {
        list: '/api/logs',
        read: path,
        report: `${path}/report`,
        chart: `${path}/chart?of=${['w', 'soc', 'v'][pick % 3]}&points=${pick % 5000}`,
        file: `${path}/file`,
        csv: `${path}/readings.csv`,
      };
      if (reads[verb]) return { method: 'GET', path: reads[verb] };
      if (verb === 'remove')
        return pick % 3 === 0
          ? { method: 'DELETE', path, about: { kind: 'log', id: one.id } }
          : { method: 'GET', path };
      const id = randomUUID();
      const isNew = verb === 'make';
      return {
        method: isNew ? 'POST' : 'PUT',
        path: isNew ? '/api/logs' : path,
        headers: isNew ? JSON_TYPE : seen(isStale ? 99_999 : one.version),
        document: { ...(isNew ? { id } : {}), jobId: null, log: aLog(pick % 100) },
        validated: 'log',
        inner: ({ log }) => log,
        back: (accepted, { text }) => {
          const stored = JSON.parse(text);
          return {
            path: `/api/logs/${stored.id}`,
            differs: (found, isSame) => {
              const there = JSON.parse(found.text);
              return there.version !== stored.version || isSame(there.log, accepted.log) ? null : 'it is another';
            },
          };
        },
      };
    },
    'entry.add': (pick) => {
      const path = `/api/logs/${this.#one('log', pick).id}`;
      return {
        method: 'POST',
        path: `${path}/entries`,
        headers: JSON_TYPE,
        document: [anEntry(pick), anEntry(pick + 1)],
        back: (accepted) => ({
          path,
          differs: (found) => {
            const there = new Map(JSON.parse(found.text).entries.map((one) => [one.id, one.entry]));
            const lost = accepted.find(({ id }) => !there.has(id.toLowerCase()) && !this.#removed.has(id));
            if (lost) return 'a reading is lost';
            const empty = accepted.find(
              ({ id }) => Object.keys(there.get(id.toLowerCase()) ?? { at: 1, x: 1 }).length < 2,
            );
            return empty ? 'a reading without anything that was read' : null;
          },
        }),
      };
    },
    entry: (pick, verb) => {
      const one = this.#one('entry', pick);
      const path = `/api/logs/${one.in}/entries/${one.id}`;
      if (verb === 'remove') return { method: 'DELETE', path, about: { kind: 'entry', id: one.id } };
      const { id: _id, ...entry } = anEntry(pick);
      return { method: 'PUT', path, headers: JSON_TYPE, document: entry };
    },
    'table.import': (pick) => ({
      method: 'POST',
      path: `/api/logs/${this.#one('log', pick).id}/import?zone=UTC${pick % 2 ? '&replace=yes' : ''}`,
      headers: { 'Content-Type': 'text/csv' },
      body: ['time,w\n2026-06-01T10:00Z,5\n2026-06-01T10:01Z,6\n', 'x', 'time,w\n,,\n', '\u0000\u0001', 'a;b\n1;2'][
        pick % 5
      ],
    }),
    instrument: (pick, verb, isStale) => {
      const { id: log } = this.#one('log', pick);
      const path = `/api/logs/${log}/instruments`;
      if (verb === 'list') return { method: 'GET', path };
      if (verb === 'make') {
        const id = randomUUID();
        return {
          method: 'PUT',
          path: `${path}/${id}`,
          headers: MAKE,
          document: instrument,
          back: () => ({
            path,
            differs: (found) => (JSON.parse(found.text).some((one) => one.id === id) ? null : 'it is not there'),
          }),
        };
      }
      const one = this.#one('instrument', pick);
      return {
        method: 'PATCH',
        path: `/api/logs/${one.in ?? log}/instruments/${one.id}`,
        headers: seen(isStale ? 99_999 : one.version),
        document: { faults: pick % 2 ? ['drift'] : [], stopped: pick % 3 > 0 },
      };
    },
  };

  /** What must hold of everything together, whatever was called. */
  async limits(send) {
    const problems = [];
    let recording = 0;
    for (const { id } of this.#there.log) {
      const { ok, text } = await send({ method: 'GET', path: `/api/logs/${id}/instruments` });
      const those = ok ? JSON.parse(text) : [];
      recording += those.filter(({ stopped }) => !stopped).length;
      if (those.length > 20) problems.push(`a log has ${those.length} instruments`);
    }
    if (recording > 60) problems.push(`${recording} instruments record at once`);
    return problems;
  }
}
