import { expect, it } from 'vitest';
import { blankDevice } from '../job/blank.ts';
import type { Device, Load } from '../job/schema.ts';
import { settle } from '../settle/settle.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { runDays } from './run.ts';
import { setUpDays } from './setup.ts';
import { typicalRun } from './weather.ts';

/** Two coolers of 72 W on a port, from ten and from eleven, two hours each. */
const cooler = (id: string, startMin: number, more: Partial<Load> = {}) =>
  aLoad({ id, watts: 72, path: 'station', uses: [{ startMin, minutes: 120 }], ...more });
const light = aLoad({ id: 'light', watts: 10, path: 'direct', uses: [{ startMin: 1200, minutes: 60 }] });

/** Wh that each load goes without in three days on a port of so many amps at 12 V. */
function without(loads: readonly Load[], limitA: number) {
  const port = { ...(blankDevice('port', 'port') as Extract<Device, { kind: 'port' }>), limitA };
  const job = withSystem(aJob(loads), {
    devices: [blankDevice('inverter', 'inverter'), port],
    store: { capacityAh: 400 },
    array: { ratingW: 400 },
  });
  const setup = setUpDays(settle(job), 5);
  const run = runDays(setup, typicalRun(setup.climate, 0, 3, 6), { traced: true });
  const [wh, battery] = [run.trippedWh, run.unservedWh].map((each) => [...each]) as [number[], number[]];
  const sum = wh.reduce((all, one) => all + one, 0);
  return { wh, sum, battery, short: [...run.shortWh], trace: run.trace };
}

it('what a port is asked too much for goes without from then on, and the next day again', () => {
  const { wh, sum, battery, short, trace } = without([cooler('a', 600), cooler('b', 660), light], 10);
  // It shuts off at eleven: 1 h of 72 W and 2 h of 72 W a day.
  expect(wh).toEqual([3 * 72, 3 * 144, 0]);
  expect(sum).toBeCloseTo(3 * 216, 6);
  // The battery is not short of anything for that.
  expect([battery, short]).toEqual([
    [0, 0, 0],
    [0, 0, 0],
  ]);
  const at = (minute: number) => trace?.unservedW[minute / 5];
  expect([at(655), at(660), at(720), at(780)]).toEqual([0, 144, 72, 0]);
});

it('nothing goes without on a port that carries all, or one after the other', () => {
  expect(without([cooler('a', 600), cooler('b', 660), light], 12).sum).toBe(0);
  expect(without([cooler('a', 600), cooler('b', 720), light], 10).sum).toBe(0);
});

it('a start beside what runs trips it as well', () => {
  // 72 W run, 40 W start as 100 W: 172 W of 144 W.
  const starting = (startRatio: number) => cooler('b', 660, { draw: { kind: 'steady', powerW: 40 }, startRatio });
  expect(without([cooler('a', 600), starting(2.5), light], 12).wh).toEqual([3 * 72, 3 * 80, 0]);
  expect(without([cooler('a', 600), starting(1.5), light], 12).sum).toBe(0);
});
