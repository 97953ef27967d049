/** A million readings: taken against a bare COPY of the same rows, drawn at any zoom, and what they say. */
import { createReadStream, createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import copyStreams from 'pg-copy-streams';

const ROWS = 1_000_000;
const ZOOMS = 60;
const POINTS = 1000;

/** A month of a second's readings of a load that switches: as a meter's CSV, and as COPY takes the same rows. */
async function written(directory) {
  const [csv, rows] = [join(directory, 'meter.csv'), join(directory, 'rows.txt')];
  const [one, other] = [createWriteStream(csv), createWriteStream(rows)];
  one.write('Time,SoC (%),Voltage (V),Current (A),Power (W)\n');
  let [text, lines] = ['', ''];
  for (let i = 0; i < ROWS; i++) {
    const t = Date.UTC(2026, 5, 1) + i * 1000;
    const a = (i % 1800 < 600 ? -4 : -0.3) + ((i * 7919) % 13) / 100;
    const [soc, v, w] = [Math.round(100 - i / 12_000), (13.2 - i / 1e6).toFixed(2), (a * 12.8).toFixed(1)];
    text += `${new Date(t).toISOString().slice(0, 19)},${soc},${v},${a.toFixed(2)},${w}\n`;
    lines += `0\t${t}\t${soc}\t${v}\t${a.toFixed(2)}\t${w}\t\\N\t\\N\t\\N\t\\N\n`;
    if (i % 10_000 === 9999) {
      one.write(text);
      other.write(lines);
      [text, lines] = ['', ''];
    }
  }
  await Promise.all([one, other].map((stream) => new Promise((done) => stream.end(done))));
  return { csv, rows };
}

const quantile = (values, share) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];

/** @returns ms of a bare COPY into the same table, of the import, of charts at any zoom (p95), of the report; points of a chart at most */
export async function logbookTimes({ baseURL, databaseUrl }) {
  const directory = mkdtempSync(join(tmpdir(), 'joulemetric-bench-'));
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    const files = await written(directory);
    const bare = async () => {
      const started = performance.now();
      const into = copyStreams.from('copy reading (log, t, soc, v, a, w, va, wh, ah, c) from stdin');
      await pipeline(createReadStream(files.rows), client.query(into));
      const took = performance.now() - started;
      await client.query('delete from reading where log = 0');
      return took;
    };
    const send = async (path, init) => (await fetch(`${baseURL}/api${path}`, init)).json();
    const import_ = async () => {
      const log = { format: 'joulemetric-log', version: 1, capacity: { ah: 100, chemistry: 'lfp' }, targetH: 48 };
      const { id } = await send('/logs', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ log }),
      });
      const started = performance.now();
      const answer = await fetch(`${baseURL}/api/logs/${id}/import?zone=UTC`, {
        method: 'POST',
        headers: { 'Content-Type': 'text/csv' },
        body: createReadStream(files.csv),
        duplex: 'half',
      });
      const last = (await answer.text()).trim().split('\n').at(-1);
      const took = performance.now() - started;
      if (JSON.parse(last).done?.taken !== ROWS) throw new Error(last);
      return { id, took };
    };
    const copies = [await bare(), await bare()];
    const { id, took } = await import_();
    copies.push(await bare());
    const from = Date.UTC(2026, 5, 1);
    const charts = [];
    let most = 0;
    for (let i = 0; i < ZOOMS; i++) {
      // From all of it to a minute, here and there.
      const length = (ROWS * 1000) / 2 ** (i % 14);
      const begin = from + ((i * 7919) % 100) * ((ROWS * 1000 - length) / 100);
      const started = performance.now();
      const points = await send(
        `/logs/${id}/chart?of=${i % 2 ? 'w' : 'soc'}&from=${begin}&to=${begin + length}&points=${POINTS}`,
      );
      charts.push(performance.now() - started);
      most = Math.max(most, points.length);
    }
    await send(`/logs/${id}/report`);
    const reports = [];
    for (let i = 0; i < 5; i++) {
      const started = performance.now();
      await send(`/logs/${id}/report`);
      reports.push(performance.now() - started);
    }
    return {
      copyMs: Math.min(...copies),
      importMs: took,
      chartMs: quantile(charts, 0.95),
      chartPoints: most,
      reportMs: quantile(reports, 0.5),
    };
  } finally {
    await client.end();
    rmSync(directory, { recursive: true });
  }
}
