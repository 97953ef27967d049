/** The simulation against bare loops and a spreadsheet, in one process: ratios that do not depend on the machine. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { prepareDays, yearsSample } from '@joulemetric/core';
import { runDays } from '../../core/src/days/run.ts';
import { syntheticRun } from '../../core/src/days/weather.ts';
import { ROOT } from './paths.mjs';

const demo = (name) => JSON.parse(readFileSync(join(ROOT, 'demo', `${name}.json`), 'utf8'));
const ask = (stepMin) => ({ month: null, weather: 'typical', ifs: [], stepMin });

/** The quickest of some runs, ms: what else the machine does can only add. */
function quickest(runs, work) {
  let best = Number.POSITIVE_INFINITY;
  for (let i = 0; i < runs; i++) {
    const started = performance.now();
    work(i);
    best = Math.min(best, performance.now() - started);
  }
  return best;
}

/** The same of some that take turns, so that what else the machine does meets them alike. */
function quickestInTurns(runs, works) {
  const best = works.map(() => Number.POSITIVE_INFINITY);
  for (let i = 0; i < runs; i++)
    for (const [k, work] of works.entries()) best[k] = Math.min(best[k], quickest(1, work));
  return best;
}

function yearOf(job, stepMin) {
  const { setup } = prepareDays(job, job.options[0].id, ask(stepMin));
  const weather = syntheticRun(setup.climate, setup.latitudeDeg, 1, 0);
  runDays(setup, weather);
  return () => runDays(setup, weather);
}

/**
 * The multiplications and additions of a step, and no more: no event, no cut-off, no choice, no load by itself. Sun
 * between two levels and by warmth, one load that follows the weather, the store's warmth, charge or discharge with
 * its loss, and thirteen sums.
 */
function bareYear(steps) {
  const row = (scale) => Float64Array.from({ length: steps }, (_, i) => scale * (1 + Math.sin(i / 97)));
  const [need, useful, idle, low, high, warmth, flat, driving] = [90, 70, 8, 120, 160, 1, 500, 3].map(row);
  const sums = new Float64Array(13);
  return () => {
    let stored = 3000;
    let storeC = 12;
    sums.fill(0);
    for (let i = 0; i < steps; i++) {
      const airC = 12 + 6 * warmth[i];
      const duty = -0.2 + 0.02 * airC + 0.0001 * flat[i];
      const drawn = 60 * duty * 0.9;
      const taken = drawn * 1.1;
      const loss = taken - drawn + 0.03 * taken + 0.0001 * (2 * taken * useful[i] + taken * taken + duty * (1 - duty));
      const busW = need[i] + drawn + loss;
      const sunW = (low[i] + (high[i] - low[i]) * 0.4) * (1 - 0.004 * (airC - 12));
      storeC += (airC - storeC) * 0.04;
      const warm = 1 - 0.007 * (storeC > 0 ? 0 : -storeC);
      const over = sunW + driving[i] - busW;
      const direct = over > 0 ? busW : busW + over;
      const moved = over > 0 ? over * 0.97 : over * 1.03;
      stored += moved * 0.0833;
      if (stored > 6000) stored = 6000;
      if (stored < 600) stored = 600;
      sums[0] += sunW * 0.0833;
      sums[1] += direct * 0.0833;
      sums[2] += driving[i] * 0.0833;
      sums[3] += (useful[i] + drawn) * 0.0833;
      sums[4] += idle[i] * 0.0833;
      sums[5] += (busW - useful[i] - drawn - idle[i]) * 0.0833;
      sums[6] += (over - moved) * 0.0833;
      sums[7] += over * 0.0833;
      sums[8] += 1 - (1 - stored * 0.000167) / warm;
      sums[9] += stored * 0.0001;
      sums[10] += airC;
      sums[11] += storeC;
      sums[12] += loss;
    }
    return sums;
  };
}

/** The hourly balance of a year as one would write it into a sheet: a row an hour, a column for each of its terms. */
async function spreadsheetMs() {
  // Loaded here and last: with it in the process everything else is slower, our year by a quarter, the bare loop by a half.
  const { HyperFormula } = await import('hyperformula');
  const rows = Array.from({ length: 8760 }, (_, i) => {
    const r = i + 1;
    const before = i === 0 ? '3000' : `H${r - 1}`;
    return [
      90 + 40 * Math.sin(i / 5),
      Math.max(0, 220 * Math.sin((i * Math.PI) / 12)),
      `=MIN(A${r},B${r})`,
      `=MAX(0,B${r}-A${r})`,
      `=A${r}-C${r}`,
      `=MIN(D${r},(4000-${before})/0.97,700)`,
      `=MIN(E${r},(${before}-800)*0.97)`,
      `=${before}+F${r}*0.97-G${r}/0.97`,
      `=H${r}/4000`,
      `=D${r}-F${r}`,
      `=E${r}-G${r}`,
      `=F${r}*0.03+G${r}*0.0309`,
    ];
  });
  return quickest(3, () => HyperFormula.buildFromArray(rows, { licenseKey: 'gpl-v3' }).destroy());
}

/** A load of so much of its watts: many of them ask for what a few do, and the store is as often empty. */
function weaker(load, share) {
  const watts = new Set(['powerW', 'runningW', 'capacityW']);
  return JSON.parse(JSON.stringify(load, (key, value) => (watts.has(key) ? value * share : value)));
}

/** @returns ms of each, and how cost grows with steps and with loads */
export async function daysTimes() {
  const truck = demo('puppet-theatre-truck');
  const [year, bare] = quickestInTurns(40, [yearOf(truck, 5), bareYear(365 * 288)]);
  const hourly = quickest(15, yearOf(truck, 60));
  const bySteps = [60, 30, 15, 10, 5].map((stepMin) => [1440 / stepMin, quickest(7, yearOf(truck, stepMin))]);
  const byLoads = [25, 50, 100, 200].map((count) => {
    const loads = Array.from({ length: count }, (_, i) => ({
      ...weaker(truck.loads[i % truck.loads.length], truck.loads.length / count),
      id: `l${i}`,
    }));
    const job = { ...truck, loads, together: { atMost: [], always: [] }, hasNot: [] };
    const options = job.options.map((option) => ({ ...option, feeds: [] }));
    return [count, quickest(5, yearOf({ ...job, options }, 15))];
  });
  const prepared = prepareDays(truck, truck.options[0].id, ask(15));
  yearsSample(prepared, 1, 0, 4);
  const before = process.memoryUsage().rss;
  const years = quickest(1, () => yearsSample(prepared, 1, 0, 200));
  const megabytes = (process.memoryUsage().rss - before) / 1_048_576;
  const sheet = await spreadsheetMs();
  return { year, bare, hourly, sheet, bySteps, byLoads, years, megabytes };
}

/** Share of the scatter that a straight line through some points explains. */
export function straightness(points) {
  const mean = (of) => points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [mx, my] = [mean(([x]) => x), mean(([, y]) => y)];
  const sum = (of) => points.reduce((total, point) => total + of(point), 0);
  const slope = sum(([x, y]) => (x - mx) * (y - my)) / sum(([x]) => (x - mx) ** 2);
  const left = sum(([x, y]) => (y - my - slope * (x - mx)) ** 2);
  return { slope, r2: 1 - left / sum(([, y]) => (y - my) ** 2) };
}
