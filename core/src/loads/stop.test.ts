import { expect, it } from 'vitest';
import { setUpDays } from '../days/setup.ts';
import type { Draw } from '../job/schema.ts';
import { settle } from '../settle/settle.ts';
import { aJob, aLoad } from '../test/jobs.ts';
import { stopWhOf } from './stop.ts';

const phase = (label: string, powerW: number, minutes: number | null) => ({ label, powerW, minutes, startRatio: null });
const heater: Draw = {
  kind: 'cycle',
  phases: [phase('start', 100, 4), phase('run', 30, null), phase('burn out', 90, 4)],
};

it('what comes after the phase that fills a use is needed to stop: 90 W for 4 min are 6 Wh, of two 12 Wh', () => {
  expect(stopWhOf({ draw: heater, quantity: 2 })).toBeCloseTo(12, 9);
  expect(
    stopWhOf({ draw: { kind: 'cycle', phases: [phase('heat', 1000, 5), phase('hold', 50, 30)] }, quantity: 1 }),
  ).toBe(0);
  expect(stopWhOf({ draw: { kind: 'steady', powerW: 50 }, quantity: 1 })).toBe(0);
});

it('is kept back while it runs, where that is the setting', () => {
  const job = aJob([aLoad({ draw: heater, uses: [{ startMin: 600, minutes: 120 }] })]);
  const keptAt = (keepToStop: boolean, minute: number) => {
    const setup = setUpDays(settle({ ...job, rules: { ...job.rules, keepToStop } }), 5);
    return setup.dayOn(0, 0, 6).demand.stopWh[minute / 5];
  };
  expect([keptAt(true, 660), keptAt(true, 540), keptAt(false, 660)]).toEqual([expect.closeTo(6, 9), 0, 0]);
});
