import { describe, expect, it } from 'vitest';
import { assess } from '../assess.ts';
import type { Job } from '../job/schema.ts';
import { aJob, aLoad, apart } from '../test/jobs.ts';
import { standardInverter } from './inverterSize.ts';

const ac = (id: string, watts: number, startRatio = 1) => aLoad({ id, watts, path: 'inverter', startRatio });
const margin = (job: Job, inverterMargin: Job['rules']['inverterMargin']): Job => ({
  ...job,
  rules: { ...job.rules, inverterMargin },
});

describe('the worst moment (cases of common practice)', () => {
  it('1,066 W for a 66 W fridge with a 1,000 W microwave; + 50 % is 1,600 W, next size 2,000 W', () => {
    const { figures } = assess(margin(aJob([ac('fridge', 66), ac('microwave', 1000)]), 'plus-50'));
    expect(figures['peak.continuous'].value).toBe(1066);
    expect(figures['inverter.required'].value).toBeCloseTo(1599, 9);
    expect(figures['inverter.rating'].value).toBe(2000);
  });

  it('1,700 W is 3,000 W in the room-to-grow school', () => {
    expect(assess(margin(aJob([ac('all', 1700)]), 'room-to-grow')).figures['inverter.rating'].value).toBe(3000);
  });

  it('kettle, toaster, washer, dryer, fridge with two pairs never together: 4,050 W, + 25 % 5,063 W', () => {
    const job = aJob([
      ac('kettle', 1500),
      ac('toaster', 900),
      ac('washer', 2000),
      ac('dryer', 2400),
      ac('fridge', 150),
    ]);
    const parted = apart(job, ['washer-2', 'dryer-3'], ['kettle-0', 'toaster-1']);
    expect(assess(job).figures['peak.continuous'].value).toBe(6950);
    const { figures } = assess(parted);
    expect(figures['peak.continuous'].value).toBe(4050);
    expect(Math.round(figures['inverter.required'].value)).toBe(5063);
  });

  it('takes the lighter set when its start is the heavier one', () => {
    // Running: the 1,200 W heater; but the 300 W compressor that excludes it starts at 1,500 W.
    const job = aJob([ac('heater', 1200), ac('compressor', 300, 5)]);
    const { figures } = assess(apart(job, ['heater-0', 'compressor-1']));
    expect(figures['peak.continuous'].value).toBe(1200);
    expect(figures['peak.surge'].value).toBe(1500);
  });

  it('a compressor of 300 W × 5 needs more than a 500 W inverter and runs on 1,500 W', () => {
    const { figures } = assess(margin(aJob([ac('compressor', 300, 5)]), 'exact'));
    expect(figures['peak.surge'].value).toBe(1500);
    expect(figures['inverter.required'].value).toBeGreaterThan(500);
    expect(figures['inverter.rating'].value).toBeLessThanOrEqual(1500);
  });

  it('lets two starts coincide only when asked, also two pieces of one load', () => {
    const job = aJob([{ ...ac('pump', 100, 3), quantity: 2 }]);
    const two = { ...job, rules: { ...job.rules, twoMayStart: true } };
    expect(assess(job).figures['peak.surge'].value).toBe(400);
    expect(assess(two).figures['peak.surge'].value).toBe(600);
  });

  it('counts VA by power factor and an adapter by what it draws', () => {
    const { figures } = assess(aJob([{ ...ac('motor', 300), powerFactor: 0.75 }]));
    expect(figures['peak.apparent'].value).toBeCloseTo(400, 9);
    const laptop = aLoad({ watts: 80, path: 'inverter-adapter', converterEfficiency: 0.8 });
    expect(assess(aJob([laptop])).figures['peak.continuous'].value).toBeCloseTo(100, 9);
  });

  it('needs no inverter when nothing uses one', () => {
    const { figures } = assess(aJob([aLoad()]));
    expect(figures['inverter.rating'].value).toBe(0);
    expect(figures['loss.idle'].value).toBe(0);
  });

  it.each([
    [0, 0, 0],
    [1, 150, 1],
    [150, 150, 1],
    [151, 300, 1],
    [5000, 5000, 1],
    [5063, 6000, 2],
  ])('%d W needs %d W in %d units', (requiredW, ratingW, units) => {
    expect(standardInverter(requiredW)).toEqual({ ratingW, units });
  });
});
