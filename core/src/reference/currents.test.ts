import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { blankString } from '../job/blank.ts';
import { usualDay } from '../settle/fit.ts';
import { settle } from '../settle/settle.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { exceeding, runningLimitA, shortSecondsOf, unitLimits } from './currents.ts';

const unit = (part: object = {}) => ({ ...blankString('s', 'S', 100), ...part });

describe('what a unit gives', () => {
  it.each([
    // A quarter of its Ah for long, its Ah for five minutes.
    ['agm', {}, { longA: 25, shortA: 100, shortS: 300 }],
    ['lfp', {}, { longA: 100, shortA: 200, shortS: 10 }],
    ['starter', {}, { longA: 10, shortA: 500, shortS: 15 }],
    // A BMS of 50 A holds twice that briefly, as its kind does.
    ['lfp', { dischargeA: 50 }, { longA: 50, shortA: 100, shortS: 10 }],
    // More than is usual of its capacity is not made up.
    ['agm', { dischargeA: 60 }, { longA: 60, shortA: 100, shortS: 300 }],
    ['lfp', { dischargeA: 250 }, { longA: 250, shortA: 250, shortS: 10 }],
    ['lfp', { dischargeA: 100, shortA: 280, shortS: 3 }, { longA: 100, shortA: 280, shortS: 3 }],
    // Nothing is given for longer than it is given for a short time.
    ['lfp', { dischargeA: 100, shortA: 80 }, { longA: 100, shortA: 100, shortS: 10 }],
  ] as const)('%s with %j: %j', (chemistry, part, limits) => {
    expect(unitLimits(unit(part), chemistry)).toEqual(limits);
  });

  it('what is given for seconds is there for starts only', () => {
    expect(runningLimitA({ longA: 100, shortA: 200, shortS: 10 })).toBe(100);
    expect(runningLimitA({ longA: 25, shortA: 100, shortS: 300 })).toBe(100);
  });

  it('a bank gives more for as long as each of its strings does', () => {
    const strings = [unit({ shortA: 120, shortS: 60 }), unit({ id: 't' })];
    expect(shortSecondsOf({ chemistry: 'agm', strings })).toBe(60);
    expect(shortSecondsOf({ chemistry: 'agm', strings: null })).toBe(300);
  });

  it('the limit that is exceeded the most is first', () => {
    const limits = { longA: 25, shortA: 100, shortS: 300 };
    expect(exceeding({ longA: 10, worstA: 90, startA: 110 }, limits)[0]).toMatchObject({ kind: 'start', times: 1.1 });
    expect(exceeding({ longA: 50, worstA: 90, startA: 110 }, limits)[0]).toMatchObject({ kind: 'long', times: 2 });
  });
});

describe('what decides the size', () => {
  const lead = { store: { chemistry: 'agm' } } as const;
  /** Straight from the bus, so that its amps are W ÷ 12 V and nothing else. */
  const heater = (minutes: number, times: number, watts = 1200) =>
    aLoad({
      watts,
      path: 'direct',
      startRatio: 1,
      uses: Array.from({ length: times }, (_, i) => ({ startMin: 420 + 240 * i, minutes })),
    });
  const needOf = (job: ReturnType<typeof aJob>) => {
    const { figures } = assess(job);
    return { ah: figures['store.required'].value / 12, note: figures['store.required'].working.note ?? '' };
  };

  it('100 A for three minutes ask a lead battery of 100 Ah, not of 400', () => {
    const { ah, note } = needOf(withSystem(aJob([heater(3, 1)]), lead));
    expect(ah).toBeCloseTo(100, 6);
    expect(note).toBe('The current at the worst moment decides, not the energy.');
  });

  it('for half an hour they ask for 400', () => {
    const { ah, note } = needOf(withSystem(aJob([heater(30, 1)]), lead));
    expect(ah).toBeCloseTo(400, 6);
    expect(note).toContain('runs for long');
  });

  it('three minutes with two between them are eight', () => {
    const uses = [
      { startMin: 420, minutes: 3 },
      { startMin: 425, minutes: 3 },
    ];
    expect(needOf(withSystem(aJob([{ ...heater(3, 1), uses }]), lead)).ah).toBeCloseTo(400, 6);
    // An hour apart each is by itself.
    expect(needOf(withSystem(aJob([heater(3, 2)]), lead)).ah).toBeCloseTo(100, 6);
  });

  it('a start is held against what an LFP battery gives for seconds', () => {
    // 50 A × 12.0/12.8 that start at five times: 234 A, of which half are Ah.
    const pump = aLoad({ watts: 600, path: 'direct', startRatio: 5, uses: [{ startMin: 600, minutes: 2 }] });
    const { figures } = assess(aJob([pump]));
    expect(figures['peak.start'].value).toBeCloseTo(3000 / 12.8, 6);
    expect(figures['store.required'].value / 12.8).toBeCloseTo(3000 / 12.8 / 2, 6);
    expect(figures['store.required'].working.note).toContain('largest start');
  });

  it('what is too much for long trips although it is held for a while', () => {
    const small = { store: { chemistry: 'agm', capacityAh: 120 } } as const;
    const briefly = assess(withSystem(aJob([heater(3, 1)]), small));
    expect(briefly.findings.map(({ code }) => code)).not.toContain('store-current');
    const long = assess(withSystem(aJob([heater(30, 1)]), small));
    expect(long.findings.find(({ code }) => code === 'store-current')?.values).toMatchObject({
      kind: 'long',
      limitA: 30,
    });
  });
});

describe('as it is played', () => {
  const unservedWh = (minutes: number) => {
    const uses = [{ startMin: 420, minutes }];
    const heater = aLoad({ watts: 1200, path: 'direct', startRatio: 1, uses });
    const settled = settle(withSystem(aJob([heater]), { store: { chemistry: 'agm', capacityAh: 120 } }));
    return usualDay(settled, settled.bus.busW).books.unservedWh;
  };

  it('a bank of 120 Ah of lead carries 100 A for three minutes, and goes off where they last', () => {
    expect(unservedWh(3)).toBeLessThan(1e-6);
    // 30 A are what it gives for long: 840 W of 1,200 go without for half an hour, but for some early sun.
    expect(unservedWh(30)).toBeGreaterThan(400);
    expect(unservedWh(30)).toBeLessThan(420);
  });
});
