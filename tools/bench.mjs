/** `npm run bench`: what a user waits for, measured in Chromium against the built application; see docs/performance.md. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { launchChromium } from './lib/browser.mjs';
import { throwAwayCluster } from './lib/cluster.mjs';
import { ensureBuild, ensureChromium, ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { startServer } from './lib/server.mjs';

const EDITS = 200;

await ensureNodePackages();
await ensureChromium();
await ensureBuild();
const cluster = await throwAwayCluster(await ensurePostgres());
const server = await startServer({ databaseUrl: cluster.url, port: 0, quiet: true });
const browser = await launchChromium();
try {
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    baseURL: `http://127.0.0.1:${server.port}`,
  });
  report('JavaScript of the first screen', `${(await firstScreenBytes(page)).toFixed(0)} kB gzipped`, 'target 250 kB');
  const loop = await referenceTimes(page);
  report(
    'Reference loop, to tell how busy the machine was',
    `p50 ${at(loop, 0.5)} ms, p95 ${at(loop, 0.95)} ms`,
    'equal when quiet',
  );
  for (const loads of [40, 300]) {
    const times = await editTimes(page, loads);
    report(
      `Edit to all figures on screen, ${loads} loads`,
      `p50 ${at(times, 0.5)} ms, p95 ${at(times, 0.95)} ms`,
      'target p95 100 ms',
    );
  }
} finally {
  await browser.close();
  await server.stop();
  await cluster.stop();
}

function report(what, value, target) {
  process.stdout.write(`${what}: ${value} (${target})\n`);
}

function at(sorted, share) {
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))].toFixed(1);
}

/** Gzipped size of every script that the browser fetches to show the loads of a job. */
async function firstScreenBytes(page) {
  const scripts = new Set();
  page.on('request', (request) => request.resourceType() === 'script' && scripts.add(new URL(request.url()).pathname));
  const [job] = await (await page.request.get('/api/jobs')).json();
  await page.goto(`/jobs/${job.id}/loads`, { waitUntil: 'networkidle' });
  const sizes = [...scripts].map((path) => gzipSync(readFileSync(join(ROOT, 'web/dist', path))).length);
  return sizes.reduce((sum, size) => sum + size, 0) / 1000;
}

/** The same fixed sum, again and again: its spread is the machine's, not the application's. */
async function referenceTimes(page) {
  const times = await page.evaluate(() =>
    Array.from({ length: 100 }, () => {
      const started = performance.now();
      let sum = 0;
      for (let i = 0; i < 4_000_000; i++) sum += i % 7;
      return sum > 0 ? performance.now() - started : 0;
    }),
  );
  return times.sort((a, b) => a - b);
}

/** A demo job's loads repeated to `count`; one load's watts are typed anew, until the changed figures are painted. */
async function editTimes(page, count) {
  const demo = readdirSync(join(ROOT, 'demo')).map((name) =>
    JSON.parse(readFileSync(join(ROOT, 'demo', name), 'utf8')),
  );
  const all = demo.flatMap((job) => job.loads);
  const loads = Array.from({ length: count }, (_, i) => ({
    ...all[i % all.length],
    id: `load-${i}`,
    name: `Load ${i}`,
  }));
  const job = { ...demo[0], title: `Bench ${count}`, neverTogether: [], loads };
  const { id } = await (await page.request.post('/api/jobs', { data: job })).json();
  await page.goto(`/jobs/${id}/loads`);
  await page.getByLabel('Power of Load 0').waitFor();
  const times = await page.evaluate(async (edits) => {
    const input = document.querySelector('[aria-label="Power of Load 0"]');
    const vital = document.querySelector('[data-vital="demand.battery"]');
    const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
    const measured = [];
    for (let i = 0; i < edits; i++) {
      const before = document.querySelector('[data-vital="demand.battery"]').textContent;
      const started = performance.now();
      setValue.call(input, String(50 + ((i * 37) % 200)));
      input.dispatchEvent(new Event('input', { bubbles: true }));
      while (document.querySelector('[data-vital="demand.battery"]').textContent === before) {
        await new Promise((resolve) => setTimeout(resolve));
      }
      // The frame after next begins when this one has been painted.
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
      measured.push(performance.now() - started);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    return vital ? measured : [];
  }, EDITS);
  return times.sort((a, b) => a - b);
}
