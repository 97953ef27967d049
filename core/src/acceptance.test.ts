import { describe, expect, it } from 'vitest';
import { assess } from './assess/assess.ts';
import { momentDetail } from './choices/momentDetail.ts';
import { storeDetail } from './choices/storeDetail.ts';
import { blankArray, blankDevice } from './job/blank.ts';
import { withDriveHours } from './job/day.ts';
import type { Device, Inverter, Job, Load } from './job/schema.ts';
import { proposeLoad } from './reading/propose.ts';
import { PARTS } from './reference/parts.ts';
import { settle } from './settle/settle.ts';
import { findingOf } from './test/findings.ts';
import { aHookup, aJob, aLoad, apart, withSupplies, withSystem } from './test/jobs.ts';
import { stayOf, takenWh } from './test/stay.ts';

/** Cases of common practice and plain arithmetic, through the whole pipeline; tolerances as a fitter would take them. */

const useful = (job: Job): number => assess(job).figures['demand.useful'].value;
const typed = (text: string) => {
  const { load, questions } = proposeLoad(text, (name) => name.toLowerCase().replace(/\W+/g, '-'));
  expect(questions).toEqual([]);
  if (!load) throw new Error(`"${text}" gives no load`);
  return load;
};
const lossless = { store: { roundTripEfficiency: 1 } } as const;

describe('energy of single loads', () => {
  it('35 W at 20 % duty is 168 Wh a day', () => {
    const fridge = aLoad({
      draw: { kind: 'thermostatic', runningW: 35, duty: 0.2, dutyAtC: 25, setC: 4 },
      uses: [{ startMin: 0, minutes: 1440 }],
    });
    const at25 = aJob([fridge], (job) => ({
      ...job,
      brief: { ...job.brief, place: { ...job.brief.place, dayTempC: 25, nightTempC: 25 } },
    }));
    expect(useful(at25)).toBeCloseTo(168, 6);
  });

  it('the same fridge runs half as much again at 35.5 °C (linear in the difference)', () => {
    const fridge = aLoad({
      draw: { kind: 'thermostatic', runningW: 35, duty: 0.2, dutyAtC: 25, setC: 4 },
      uses: [{ startMin: 0, minutes: 1440 }],
    });
    const hot = aJob([fridge], (job) => ({
      ...job,
      brief: { ...job.brief, place: { ...job.brief.place, dayTempC: 35.5, nightTempC: 35.5 } },
    }));
    expect(useful(hot)).toBeCloseTo(168 * 1.5, 6);
  });

  it('does not run less in a frost than in a lived-in van of 18 °C', () => {
    const at = (tempC: number) =>
      useful(
        aJob(
          [
            aLoad({
              draw: { kind: 'thermostatic', runningW: 35, duty: 0.21, dutyAtC: 25, setC: 4 },
              uses: [{ startMin: 0, minutes: 1440 }],
            }),
          ],
          (job) => ({
            ...job,
            brief: { ...job.brief, place: { ...job.brief.place, dayTempC: tempC, nightTempC: tempC } },
          }),
        ),
      );
    expect(at(-10)).toBeCloseTo(35 * 0.21 * (14 / 21) * 24, 6);
    expect(at(-10)).toBe(at(18));
  });

  it('1.5 A always on at 12 V is 36 Ah a day; 250 W always on is 6 kWh', () => {
    const standby = (powerW: number) => useful(aJob([aLoad({ draw: { kind: 'standby', powerW } })]));
    expect(standby(1.5 * 12) / 12).toBeCloseTo(36, 9);
    expect(standby(250)).toBeCloseTo(6000, 9);
  });

  it('brewing at 1,550 W for 5 min 54 s is 152.4 Wh; with keep-warm of 85 Wh 237 Wh', () => {
    const coffee = aLoad({
      draw: {
        kind: 'cycle',
        phases: [
          { label: 'brew', powerW: 1550, minutes: 5.9, startRatio: null },
          { label: 'keep warm', powerW: (85 * 60) / 70, minutes: 70, startRatio: null },
        ],
      },
      uses: [{ startMin: 420, minutes: 75.9 }],
    });
    expect(useful(aJob([coffee]))).toBeCloseTo(152.417 + 85, 2);
  });

  it('a water pump of 5 A for 15 s takes 0.021 Ah', () => {
    const pump = aLoad({ watts: 60, uses: [{ startMin: 500, minutes: 0.25 }] });
    expect(useful(aJob([pump])) / 12).toBeCloseTo(0.0208, 4);
  });
});

describe('case: a day of lights, two computers, monitor, fridge and hob', () => {
  const job = withSystem(
    aJob(
      [
        typed('lights 2.5W 1h'),
        typed('computer 150W 5h'),
        typed('small computer 15W 10h'),
        typed('monitor 20W 10h'),
        typed('fridge 150Wh'),
        typed('hob 1800W 10min'),
      ].map((load) => ({ ...load, path: 'direct' as const })),
      (j) => ({
        ...j,
        brief: {
          ...j.brief,
          drives: [],
          place: { ...j.brief.place, peakSunHours: 3.8, dayTempC: 25, nightTempC: 25 },
        },
        rules: { ...j.rules, arrayFactor: 0.75 },
      }),
    ),
    { store: { chemistry: 'agm', capacityAh: 200, usableDepth: 0.8, roundTripEfficiency: 1 }, array: { ratingW: 500 } },
  );
  const { figures } = assess(job);

  it.each([
    ['demand.useful', 1552.5],
    ['store.usable', 1920],
    ['store.days', 1.24],
    ['sun.yield', 1425],
    ['balance.net', -127.5],
  ] as const)('%s is %f', (id, expected) => {
    expect(Math.abs(figures[id].value / expected - 1)).toBeLessThan(0.01);
  });

  it('needs 4.14 sun hours to break even', () => {
    const perHour = figures['sun.yield'].value / figures['sun.hours'].value;
    expect(figures['demand.battery'].value / perHour).toBeCloseTo(4.14, 2);
  });
});

describe('case: a router on a 4 Ah 12 V pack, three ways', () => {
  const hours = (path: 'direct' | 'inverter-adapter', idleW: number) => {
    const router = aLoad({
      draw: { kind: 'standby', powerW: 12 },
      path,
      converterEfficiency: path === 'direct' ? null : 0.8,
    });
    const job = withSystem(
      aJob([router], (j) => ({ ...j, rules: { ...j.rules, inverterCurve: 'flat' } })),
      {
        store: { chemistry: 'agm', capacityAh: 4, usableDepth: 1, roundTripEfficiency: 1 },
        inverter: { ratingW: 150, idleW, peakEfficiency: 0.85 },
      },
    );
    const { figures } = assess(job);
    return { watts: figures['demand.bus'].value / 24, hours: figures['store.days'].value * 24 };
  };

  it.each([
    ['direct', 0, 12, 4.0],
    ['inverter-adapter', 0, 17.65, 2.72],
    ['inverter-adapter', 8, 25.65, 1.87],
  ] as const)('%s with %d W idle: %f W, %f h', (path, idleW, watts, lasts) => {
    const result = hours(path, idleW);
    expect(Math.abs(result.watts / watts - 1)).toBeLessThan(0.01);
    expect(Math.abs(result.hours / lasts - 1)).toBeLessThan(0.01);
  });
});

describe('case: lights, fridge and then a fan on a 500 Wh store', () => {
  it('lasts 2.04 days, 1.48 with the fan', () => {
    const at25 = (j: Job): Job => ({
      ...j,
      brief: { ...j.brief, place: { ...j.brief.place, dayTempC: 25, nightTempC: 25 } },
    });
    const lights = typed('lights 10W 4h');
    const fridge = { ...typed('fridge 35W 20%'), path: 'direct' as const };
    const fan = typed('fan 8W 10h');
    const days = (loads: Job['loads']) =>
      assess(
        withSystem(aJob(loads, at25), {
          store: { chemistry: 'agm', capacityAh: 500 / 12, usableDepth: 0.85, roundTripEfficiency: 1 },
        }),
      ).figures['store.days'].value;
    expect(days([lights, fridge])).toBeCloseTo(2.04, 2);
    expect(days([lights, fridge, fan])).toBeCloseTo(1.48, 2);
  });

  it('a panel of 100 W on its input of 60 W gives 60 W: 208 Wh are back in 3.5 h; its inputs do not add', () => {
    const job = withSystem(
      aJob([typed('lights 10W 4h')], (j) => ({
        ...j,
        brief: { ...j.brief, drives: [{ startMin: 660, minutes: 120 }], months: [6] },
      })),
      { store: { capacityAh: 500 / 12.8, usableDepth: 0.85, inputs: 'one', inputW: 60 }, dcdc: { ratingA: 5 } },
    );
    const [option] = job.options;
    if (!option) throw new Error('no option');
    const panel = blankArray('panel', 'Panel', 100);
    const clear = { ...job.brief.place, sky: 'very-clear', latitudeDeg: 30, dayTempC: 0, nightTempC: 0 } as const;
    const { sources } = settle(
      {
        ...job,
        brief: { ...job.brief, place: clear },
        options: [{ ...option, system: { ...option.system, arrays: [panel] } }],
      },
      'a',
    );
    // At eleven the car’s 71 W, at noon the clear sun’s 80 have the socket, held to 60; never both.
    for (const m of [662, 720, 778]) {
      const [sun, car] = sources.map(({ watts }) => watts[m] as number) as [number, number];
      expect(Math.min(sun, car)).toBe(0);
      expect(sun + car).toBeCloseTo(60, 9);
    }
    const best = Math.max(...(sources[0]?.watts ?? []));
    expect(best).toBeCloseTo(60, 9);
    expect(208 / best).toBeCloseTo(3.5, 1);
  });
});

describe('case: a phone of 15 Wh, three ways', () => {
  const bus = (path: 'inverter-adapter' | 'dc-dc', converterEfficiency: number, idleW: number) =>
    assess(
      withSystem(
        aJob([aLoad({ watts: 7.5, hours: 2, path, converterEfficiency })], (j) => ({
          ...j,
          rules: { ...j.rules, inverterCurve: 'flat' },
        })),
        { inverter: { ratingW: 1000, idleW, peakEfficiency: 0.8 }, ...lossless },
      ),
    ).figures['demand.bus'].value;

  it.each([
    ['inverter-adapter', 0.8, 0, 23.4],
    ['inverter-adapter', 0.8, 20, 63.4],
    ['dc-dc', 0.9, 0, 16.7],
  ] as const)('%s at %f with %d W idle takes %f Wh', (path, efficiency, idleW, wh) => {
    expect(Math.abs(bus(path, efficiency, idleW) / wh - 1)).toBeLessThan(0.01);
  });
});

describe('case: an inverter known by two measured pairs', () => {
  it('takes 361.3 W for 300 W out, 83.0 %, and idles at 34.8 W', () => {
    const job = withSystem(aJob([aLoad({ watts: 300, hours: 1, path: 'inverter' })]), {
      inverter: {
        ratingW: 1000,
        points: [
          { outW: 76.1, inW: 117.6 },
          { outW: 574, inW: 659.4 },
        ],
      },
      ...lossless,
    });
    const { figures } = assess(job);
    expect(figures['demand.bus'].value).toBeCloseTo(361.3, 0);
    expect(300 / figures['demand.bus'].value).toBeCloseTo(0.83, 2);
    expect(figures['inverter.idle'].value).toBeCloseTo(34.8, 1);
  });
});

describe('case: a diesel heater on a 12 V port limited to 10 A', () => {
  // 10.2 A for 20 s to start, then 1.75 A, 8.4 A for 3 min to stop; a portable station's port.
  const heater = aLoad({
    name: 'Heater',
    path: 'station',
    draw: {
      kind: 'cycle',
      phases: [
        { label: 'glow start', powerW: 10.2 * 12, minutes: 20 / 60, startRatio: null },
        { label: 'run', powerW: 1.75 * 12, minutes: null, startRatio: null },
        { label: 'glow stop', powerW: 8.4 * 12, minutes: 3, startRatio: null },
      ],
    },
    uses: [{ startMin: 1200, minutes: 480 }],
  });
  const onPort = (limitA: number) =>
    withSystem(aJob([heater]), {
      devices: [
        { ...(blankDevice('inverter', 'inverter') as Inverter) },
        { ...(blankDevice('port', 'port') as Extract<Device, { kind: 'port' }>), limitA },
      ],
    });

  it('trips the port at the start although the mean is far below; a stronger port holds', () => {
    const found = findingOf(assess(onPort(10)).findings, 'port-overload');
    expect(found?.severity).toBe('stop');
    expect(found?.values.peak).toBeCloseTo(10.2, 9);
    expect(found?.values.meanW).toBeLessThan(10 * 12 * 0.1);
    expect(assess(onPort(11)).findings.map(({ code }) => code)).not.toContain('port-overload');
  });

  it('counts the glow of start and stop in its energy, 5 Wh of it for the stop', () => {
    const without = { ...heater, draw: { kind: 'steady', powerW: 1.75 * 12 } as const };
    const useful = (load: typeof heater) => assess(aJob([{ ...load, path: 'direct' }])).figures['demand.useful'].value;
    const extraWh = useful(heater) - useful({ ...without } as typeof heater);
    // The start's and the stop's glow, less what the run would have taken in that time.
    expect(extraWh).toBeCloseTo(((10.2 - 1.75) * 12 * 20) / 3600 + ((8.4 - 1.75) * 12 * 3) / 60, 6);
  });
});

describe('case: two hours of driving on a 25 A DC-DC charger', () => {
  const job = withSystem(
    aJob([aLoad()], (j) => ({ ...j, brief: { ...j.brief, drives: withDriveHours([], 2) } })),
    { store: { chemistry: 'agm', capacityAh: 138 }, dcdc: { ratingA: 25 } },
  );

  it('bring 50 Ah, 710 Wh at 14.2 V', () => {
    expect(assess(job).figures['alternator.yield'].value).toBeCloseTo(50 * 14.2, 9);
  });

  it('make 86 % of 138 Ah at half by amps and hours alone, less with the taper, and nothing near full', () => {
    const driving = storeDetail(job, 'a', PARTS).fillings.find(({ kind }) => kind === 'driving');
    expect(driving?.drive?.inAh).toBeCloseTo(50, 9);
    expect(driving?.drive?.flatSoc).toBeCloseTo(0.862, 3);
    expect(138 * (1 - (driving?.drive?.flatSoc ?? 0))).toBeCloseTo(19, 0);
    expect(driving?.drive?.soc).toBeLessThan(0.862);
    expect(driving?.drive?.soc).toBeGreaterThan(0.8);
    expect(driving?.hours ?? 0).toBeGreaterThan(8);
    expect(driving?.decidedBy).toBe('store');
  });
});

describe('the simulated day', () => {
  const steady = (watts: number, change: (job: Job) => Job = (j) => j) =>
    withSystem(
      aJob([aLoad({ draw: { kind: 'standby', powerW: watts } })], (j) =>
        change({ ...j, brief: { ...j.brief, nightsOffGrid: 1, drives: [] } }),
      ),
      { store: { chemistry: 'lfp', capacityAh: 100, usableDepth: 1, roundTripEfficiency: 1 }, array: { ratingW: 0 } },
    );

  it('falls in a straight line under a steady load without sources (closed form)', () => {
    const { first } = stayOf(steady(20));
    for (const hour of [0, 6, 13.5, 24]) {
      expect(first.soc[hour * 60]).toBeCloseTo(1 - (20 * hour) / (1280 * 0.8), 9);
    }
    expect(first.unservedFromMin).toBeNull();
  });

  it('says from when the load goes unserved: 1,280 Wh, of which 80 % are left when old, at 80 W last 12.8 h (closed form)', () => {
    const { first } = stayOf(steady(80));
    expect(first.unservedFromMin).toBe(768);
    expect(first.books.unservedWh).toBeCloseTo(80 * 11.2, 6);
  });

  it('carries a load straight from the alternator without touching the store', () => {
    const job = withSystem(
      aJob([aLoad({ watts: 100, uses: [{ startMin: 600, minutes: 60 }] })], (j) => ({
        ...j,
        brief: { ...j.brief, nightsOffGrid: 1, drives: withDriveHours([], 6) },
      })),
      { store: { capacityAh: 100 }, dcdc: { ratingA: 20 }, array: { ratingW: 0 } },
    );
    const stay = stayOf(job);
    const { first } = stay;
    expect(first.books.storageWh).toBeCloseTo(0, 9);
    expect(takenWh(stay, first, 'driving')).toBeCloseTo(100, 6);
    expect(first.lowestSoc).toBe(1);
  });

  it('serves everything on the last day as on the first when the income is ample', () => {
    const job = withSystem(
      aJob([aLoad({ draw: { kind: 'standby', powerW: 30 } })], (j) => ({
        ...j,
        brief: { ...j.brief, nightsOffGrid: 7 },
      })),
      { array: { ratingW: 1000 } },
    );
    const { first, last, days } = stayOf(job);
    expect(days).toBe(7);
    expect(last.books.unservedWh).toBe(0);
    expect(last.lowestSoc).toBeGreaterThan(0.2);
    expect(first.books.sunOfferedWh - first.books.sunWh).toBeGreaterThan(0);
  });

  it('survives a job with nothing in it', () => {
    const { first } = stayOf(aJob([]));
    expect(first.soc.every(Number.isFinite)).toBe(true);
  });
});

describe('case: 1,700 W at once on a unit of 3,000 W, 51.2 V, 90 %', () => {
  const job = withSystem(
    aJob([aLoad({ watts: 1700, path: 'inverter' })], (j) => ({ ...j, rules: { ...j.rules, inverterCurve: 'flat' } })),
    { busVoltageV: 48, inverter: { ratingW: 3000, idleW: 0, peakEfficiency: 0.9 } },
  );
  const { figures, findings } = assess(job);

  it('is loaded to 56.7 %, with 76.5 % in hand', () => {
    expect(figures['peak.continuous'].value / figures['inverter.rating'].value).toBeCloseTo(0.567, 3);
    const chosen = momentDetail(job, 'a').inverters[0]?.sizes.find(({ ratingW }) => ratingW === 3000);
    expect(chosen?.marginTaken).toBeCloseTo(0.765, 3);
  });

  it('draws 36.9 A then and 65.1 A at full rating, and asks for the surge', () => {
    expect(figures['peak.current'].value).toBeCloseTo(36.9, 1);
    expect(figures['inverter.current'].value).toBeCloseTo(65.1, 1);
    expect(findings.map(({ code }) => code)).toContain('surge-unknown');
  });

  it('an array of 2,500 W uses half of its solar input for 5,000 W, and its voltage window is asked for', () => {
    const [option] = job.options;
    if (!option) throw new Error('no option');
    const blank = blankArray('array', 'Array', 2500);
    const arrays = [{ ...blank, controller: { ...blank.controller, maxW: 5000 } }];
    const fitted = { ...job, options: [{ ...option, system: { ...option.system, arrays } }] };
    expect(settle(fitted, 'a').windows[0]?.watts).toEqual({ value: 2500, limit: 5000, share: 0.5 });
    expect(assess(fitted).findings.map(({ code }) => code)).toContain('array-window-unknown');
  });
});

describe('case: +50 % asked, 41 % taken', () => {
  it('is said, not hidden: 1,066 W on a unit of 1,500 W', () => {
    const job = withSystem(
      aJob([aLoad({ watts: 66, path: 'inverter' }), aLoad({ watts: 1000, path: 'inverter' })], (j) => ({
        ...j,
        rules: { ...j.rules, inverterMargin: 'plus-50' },
      })),
      { inverter: { ratingW: 1500 } },
    );
    const finding = findingOf(assess(job).findings, 'inverter-too-small');
    expect(finding?.severity).toBe('caution');
    expect(finding?.values.marginTaken).toBeCloseTo(0.407, 3);
  });
});

describe('case: kettle, toaster, washer, dryer, fridge on circuits of 15 A at 120 V', () => {
  const loads = [
    ['kettle', 1500],
    ['toaster', 900],
    ['washer', 2000],
    ['dryer', 2400],
    ['fridge', 150],
  ] as const;
  const job = withSupplies(
    apart(
      aJob(loads.map(([id, watts]) => aLoad({ id, watts, path: 'inverter' }))),
      ['washer-2', 'dryer-3'],
      ['kettle-0', 'toaster-1'],
    ),
    aHookup(15, 120),
  );

  it('comes to 4,050 W and, with + 25 %, 5,063 W', () => {
    const { figures } = assess(job);
    expect(figures['peak.continuous'].value).toBe(4050);
    expect(Math.round(figures['inverter.required'].value)).toBe(5063);
  });

  it('on one such circuit 15 A × 120 V = 1,800 W: the dryer and the washer never, the kettle with the fridge', () => {
    const passing = withSystem(job, { inverter: { form: 'transfer' } });
    const combinations = momentDetail(passing, 'a').supplies[0]?.combinations;
    expect(combinations?.clashes.filter((ids) => ids.length === 1).flat()).toEqual(['dryer-3', 'washer-2']);
    expect(combinations?.together.map(({ ids }) => [...ids].sort())).toEqual([
      ['fridge-4', 'kettle-0'],
      ['fridge-4', 'toaster-1'],
    ]);
  });
});

describe('case: amps that are typed stay the amps that are shown', () => {
  const onHookup = (...loads: Load[]) =>
    withSystem(withSupplies(aJob(loads), aHookup(15, 120)), { inverter: { form: 'transfer' } });
  const worstA = (job: Job) => assess(job).figures['supply[hookup].worst']?.value;

  it('13 A at 120 V are 13 A on the hookup, with 1,000 W more 21.3 A, which "17 to 19 A" is not', () => {
    const air = typed('rooftop air conditioner 13A 120V 3h');
    expect(worstA(onHookup(air))).toBeCloseTo(13, 9);
    expect(worstA(onHookup(air, aLoad({ watts: 1000, path: 'inverter' })))).toBeCloseTo(21.33, 2);
  });

  it('also from a label; with its power factor the watts are fewer, the amps the same', () => {
    const bare = typed('Pump motor 120V~ 60Hz 6A');
    const told = typed('Pump motor 120V~ 60Hz 6A cos φ 0.75');
    expect(worstA(onHookup({ ...bare, path: 'inverter' }))).toBeCloseTo(6, 9);
    expect(worstA(onHookup({ ...told, path: 'inverter' }))).toBeCloseTo(6, 9);
    expect(told.draw).toMatchObject({ powerW: 540 });
  });
});
