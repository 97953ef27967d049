import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fill, notFilled, type StoreModel } from '../battery/fill.ts';
import { prepareDays, tripDetail } from '../choices/daysDetail.ts';
import { daysMoment } from '../choices/daysMoment.ts';
import { blankController, blankLink, blankSupply } from '../job/blank.ts';
import type { Job, Load, PlanStretch, Supply, System } from '../job/schema.ts';
import { settle } from '../settle/settle.ts';
import { yieldOf } from '../sources/source.ts';
import { designMonth } from '../sun/day.ts';
import { aHookup, aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';
import { aRun, oneLead } from '../test/runs.ts';
import { simulate } from '../test/spice.ts';
import { survivalOf, typicalDays } from './answers.ts';
import { runDays } from './run.ts';
import { setUpDays } from './setup.ts';
import { typicalRun, type WeatherRun } from './weather.ts';
import { jobUnder, weatherUnder } from './whatIf.ts';

const days = (n: number, kind: PlanStretch['kind'], part: Partial<PlanStretch> = {}): PlanStretch => ({
  kind,
  days: n,
  driveH: null,
  supply: null,
  hours: null,
  ...part,
});

const planned = (job: Job, ...plan: PlanStretch[]): Job => ({ ...job, brief: { ...job.brief, plan } });
const asked = { month: 6, weather: 'typical', ifs: [], stepMin: 15 } as const;
const setupOf = (job: Job, stepMin = 15) => setUpDays(settle(job), stepMin);
/** So many days without any sun at 20 °C. */
const dark = (n: number, meanC = 20): WeatherRun => ({
  fromDay: 0,
  clearness: new Float64Array(n),
  meanC: new Float64Array(n).fill(meanC),
  swingC: new Float64Array(n),
  hours: null,
});
const always = (watts: number, part: Partial<Load> = {}) => aLoad({ watts, hours: 24, uses: ALL_DAY, ...part });
const ALL_DAY = [{ startMin: 0, minutes: 1440 }];
const lfp100 = { chemistry: 'lfp', capacityAh: 100, coldestC: 20 } as const;
const alone = (job: Job): Job => withSystem(job, { dcdc: { ratingA: 0 }, array: { ratingW: 0 } });

describe('how long a full store lasts, in closed form', () => {
  const lasts = (job: Job, stepMin = 15) => survivalOf(settle(alone(job)), stepMin, 'now', 6).hours ?? Number.NaN;

  it.each([1, 5, 15])('a constant load: charge × depth × √round trip ÷ watts, at steps of %d min', (stepMin) => {
    const job = withSystem(aJob([always(37)]), { store: lfp100 });
    expect(lasts(job, stepMin)).toBeCloseTo((1280 * 0.8 * Math.sqrt(0.95)) / 37, 6);
  });

  it('a fridge of 8.0 W on 86 % of 1,280 Wh without loss: 138 h', () => {
    const job = withSystem(aJob([always(7.97)]), { store: { ...lfp100, usableDepth: 0.86, roundTripEfficiency: 1 } });
    expect(lasts(job)).toBeCloseTo(138.1, 1);
  });

  it('an air conditioner of 750 W at 55 % on 1,280 Wh: 3.1 h', () => {
    const cooler = always(0, { draw: { kind: 'thermostatic', runningW: 750, duty: 0.55, dutyAtC: 25, setC: 4 } });
    // At 25 °C around it its duty is as said.
    const job = withSystem(aJob([cooler]), { store: { ...lfp100, usableDepth: 1, roundTripEfficiency: 1 } });
    const run = runDays(setupOf(alone(job)), dark(1, 25), { untilShort: true });
    expect(run.shortFromH).toBeCloseTo(1280 / (750 * 0.55), 6);
  });

  it.each([
    ['flooded', 20, 3.54],
    ['agm', 20, 20 * (100 / (20 * 20)) ** 1.12],
    ['gel', 10, 20 * (100 / (10 * 20)) ** 1.15],
  ] as const)('%s of 100 Ah at %d A: Peukert', (chemistry, amps, hours) => {
    const store = { ...lfp100, chemistry, coldestC: 25, usableDepth: 1, roundTripEfficiency: 1 };
    expect(lasts(withSystem(aJob([always(12 * amps)]), { store }))).toBeCloseTo(hours, 2);
  });

  it('a station of 500 Wh, 85 % of it: 208 Wh a day last 2.04 days, with a fan 1.48', () => {
    const lights = aLoad({ watts: 10, uses: [{ startMin: 1200, minutes: 240 }] });
    const fridge = always(7);
    const fan = aLoad({ watts: 8, uses: [{ startMin: 480, minutes: 600 }] });
    const store = { ...lfp100, capacityAh: 500 / 12.8, usableDepth: 0.85, roundTripEfficiency: 1 };
    const of = (...loads: Load[]) => lasts(withSystem(aJob(loads), { store })) / 24;
    // In the mean 2.04 and 1.48 days; from midnight on the lights come late: 9 Wh are left after two days, and on the
    // second 137 Wh last until 7 W and from eight o'clock 15 W have used them.
    expect(of(lights, fridge)).toBeCloseTo(2 + 9 / 7 / 24, 6);
    expect(of(lights, fridge, fan)).toBeCloseTo(1 + (8 + (137 - 56) / 15) / 24, 6);
  });

  it('a load against a constant source lasts as long as what is missing', () => {
    const hookup = aHookup(1, 230, { share: 1 });
    const job = withSupplies(
      withSystem(aJob([always(300)]), {
        store: { ...lfp100, roundTripEfficiency: 1 },
        charger: { ratingA: 10, leastA: 0, efficiency: 1, powerFactor: 1 },
      }),
      hookup,
    );
    const setup = setUpDays(settle(alone(job)), 15, 'now', [
      { kind: 'supply', drives: [], supply: { ...hookup, hours: [] } },
    ]);
    // 10 A at 14.2 V come straight to the load.
    const run = runDays(setup, dark(2), { untilShort: true });
    expect(run.shortFromH).toBeCloseTo((1280 * 0.8) / (300 - 142), 6);
  });

  it('the cold leaves less: lead 1 % for each K below 25 °C, and what is kept is a share of that', () => {
    const store = { ...lfp100, chemistry: 'agm', usableDepth: 0.5, roundTripEfficiency: 1 } as const;
    const at = (coldestC: number) =>
      runDays(setupOf(alone(withSystem(aJob([always(30)]), { store: { ...store, coldestC } }))), dark(3, coldestC), {
        untilShort: true,
      }).shortFromH ?? Number.NaN;
    expect(at(25)).toBeCloseTo(600 / 30, 6);
    expect(at(5) / at(25)).toBeCloseTo(0.8, 6);
  });
});

describe('charging', () => {
  const model: StoreModel = {
    fullWh: 1200,
    inBySun: 1,
    inByAmps: 1,
    out: 1,
    chargeLimitW: 240,
    selfWhPerDay: 0,
    dischargeLimitW: 300,
    taperFromSoc: 0.8,
  };
  /** The same law in small steps: constant below the taper, then 0.02 to the power of the share of it that is filled. */
  const inSmallSteps = (fromWh: number, offeredW: number, efficiency: number, hours: number, warm = 1): number => {
    let stored = fromWh;
    const n = 200_000;
    for (let i = 0; i < n; i++) {
      // Of the capacity that the cold leaves.
      const soc = 1 - (1 - stored / 1200) / warm;
      const accepts = soc <= 0.8 ? 240 : 240 * 0.02 ** ((soc - 0.8) / 0.2);
      stored = Math.min(1200, stored + (Math.min(offeredW, accepts) * efficiency * hours) / n);
    }
    return stored;
  };

  it.each([
    [600, 500, 1, 1, 1],
    [900, 500, 1, 3, 1],
    [900, 60, 0.9, 4, 1],
    [1100, 30, 0.8, 2, 1],
    [1190, 500, 1, 0.25, 1],
    [0, 3, 1, 5, 1],
    [900, 500, 1, 3, 0.7],
  ])('from %f Wh with %f W at %f for %f h, %f of it warm', (fromWh, offeredW, efficiency, hours, warm) => {
    const out = notFilled();
    fill(model, fromWh, offeredW, efficiency, warm, hours, Number.POSITIVE_INFINITY, out);
    expect(out.storedWh).toBeCloseTo(inSmallSteps(fromWh, offeredW, efficiency, hours, warm), 1);
    expect(out.takenWh * efficiency).toBeCloseTo(out.storedWh - fromWh, 9);
    expect(out.hours).toBe(hours);
  });

  it('goes on in the taper where the time before ended, in the same warmth and in another', () => {
    const out = notFilled();
    let stored = 900;
    for (const [hours, warm] of [
      [1, 1],
      [0.5, 1],
      [0.25, 0.9],
      [0.25, 0.9],
      [0.5, 1],
    ] as const) {
      fill(model, stored, 500, 1, warm, hours, Number.POSITIVE_INFINITY, out);
      expect(out.storedWh).toBeCloseTo(inSmallSteps(stored, 500, 1, hours, warm), 1);
      stored = out.storedWh;
    }
    // From another level, after something ran.
    fill(model, stored - 40, 500, 1, 1, 0.5, Number.POSITIVE_INFINITY, out);
    expect(out.storedWh).toBeCloseTo(inSmallSteps(stored - 40, 500, 1, 0.5), 1);
  });

  it('a bank takes no more than its limit, whatever its charger gives', () => {
    const store = { chemistry: 'agm', capacityAh: 100, coldestC: 25 } as const;
    const job = planned(withSystem(aJob([]), { store, charger: { ratingA: 30, leastA: 0 } }), days(1, 'home'));
    const run = runDays(setupOf(alone(job)), dark(1, 25), { fromSoc: 0.4, traced: true });
    // 0.2 C are 20 A, of which 95 of 100 are stored: 19 points an hour below the taper.
    expect(run.trace?.soc[7]).toBeCloseTo(0.4 + 2 * 0.19, 3);
    // As many amps as its charger has where that is less.
    const small = planned(withSystem(aJob([]), { store, charger: { ratingA: 8, leastA: 0 } }), days(1, 'home'));
    expect(runDays(setupOf(alone(small)), dark(1, 25), { fromSoc: 0.4, traced: true }).trace?.soc[7]).toBeCloseTo(
      0.4 + 2 * 0.08 * 0.95,
      3,
    );
  });

  it('says when a level is reached, straight and in the taper', () => {
    const out = notFilled();
    fill(model, 600, 120, 1, 1, 10, 840, out);
    expect([out.storedWh, out.hours]).toEqual([840, expect.closeTo(2, 9)]);
    fill(model, 600, 1000, 1, 1, 10, 1140, out);
    expect(inSmallSteps(600, 1000, 1, out.hours)).toBeCloseTo(1140, 1);
  });

  it('138 Ah of AGM at 50 % and 25 A for two hours of driving: 47.5 Ah stored but for the taper, not full', () => {
    const store = { chemistry: 'agm', capacityAh: 138, coldestC: 25 } as const;
    const job = withSystem(aJob([]), { store, dcdc: { ratingA: 25 }, array: { ratingW: 0 } });
    const setup = setUpDays(settle(job), 15, 'now', [
      { kind: 'driving', drives: [{ startMin: 540, minutes: 120 }], supply: null },
    ]);
    const run = runDays(setup, dark(1, 25), { fromSoc: 0.5 });
    // Straight to 80.5 %, then as the store takes it: 0.95 Ah stored for each, limit 0.2 C.
    let ah = 69;
    for (let i = 0; i < 72_000; i++) {
      const soc = ah / 138;
      const limit = soc <= 0.8 ? 27.6 : 27.6 * 0.02 ** ((soc - 0.8) / 0.2);
      ah += (0.95 * Math.min(25, limit) * 2) / 72_000;
    }
    expect(run.endSoc[0]).toBeCloseTo(ah / 138, 3);
    expect(ah / 138).toBeLessThan(0.86);
    // 50 Ah of sun would be worth more: its watts are limited, not its amps.
    expect(setup.model.inBySun).toBeCloseTo(Math.sqrt(0.85), 9);
    expect(setup.model.inByAmps).toBeCloseTo((0.95 * 12) / 14.2, 9);
  });

  it('an LFP bank below 0 °C takes nothing, and with a heater it does', () => {
    const cold = { ...lfp100, coldestC: -8 };
    const job = (heaterW: number | null) =>
      withSystem(aJob([always(5)]), { store: { ...cold, heaterW }, array: { ratingW: 300 }, dcdc: { ratingA: 0 } });
    const winter: WeatherRun = { ...dark(3, -8), clearness: new Float64Array(3).fill(0.6) };
    const play = (heaterW: number | null) => runDays(setupOf(job(heaterW)), winter, { fromSoc: 0.5, month: 3 });
    const [locked, heated] = [play(null), play(100)];
    expect(locked.books.intoStoreWh).toBe(0);
    expect(locked.lockedH).toBe(72);
    expect(locked.books.lockedWh).toBeCloseTo(locked.books.sunOfferedWh - locked.books.sunWh, 6);
    expect(heated.books.intoStoreWh).toBeGreaterThan(500);
    expect(heated.lockedH).toBeLessThan(66);
  });
});

describe('an R–C battery with the same loads in a circuit simulator', () => {
  it('gives the same charge within 1 % over a day of cycling', async () => {
    // 60 W for six hours of each twelve; inside the battery so many ohms that √0.9 of the volts are left at that power.
    const out = Math.sqrt(0.9);
    const amps = 60 / (12.8 * out);
    const ohm = (12.8 * (1 - out)) / amps;
    const farad = 3_600_000;
    const vectors = await simulate([
      `C1 store 0 ${farad} IC=12.8`,
      `R1 store bus ${ohm}`,
      'V1 gate 0 PULSE(0 1 0 1 1 21600 43200)',
      'B1 bus 0 I=V(gate)*60/max(V(bus),6)',
      '.tran 60 86400 UIC',
    ]);
    const volts = vectors.get('v(store)') ?? vectors.get('store');
    if (!volts) throw new Error([...vectors.keys()].join(' '));
    const drawnAh = ((12.8 - (volts.at(-1) as number)) * farad) / 3600;
    const load = aLoad({
      watts: 60,
      uses: [
        { startMin: 0, minutes: 360 },
        { startMin: 720, minutes: 360 },
      ],
    });
    const job = withSystem(aJob([load]), { store: { ...lfp100, roundTripEfficiency: 0.9 } });
    const run = runDays(setupOf(alone(job)), dark(1));
    const ours = ((1 - (run.endSoc[0] as number)) * 1280) / 12.8;
    expect(ours / drawnAh).toBeGreaterThan(0.99);
    expect(ours / drawnAh).toBeLessThan(1.01);
  });
});

describe('the cut-off', () => {
  const store = { ...lfp100, roundTripEfficiency: 1, usableDepth: 0.8 };
  const pair = (critical: boolean) => [always(30, { name: 'A', critical }), always(70, { name: 'B' })];
  const play = (job: Job, n: number, fromSoc = 1) => runDays(setupOf(alone(job)), dark(n), { fromSoc, traced: true });

  it('is found inside a step, whole loads go, and what they go without is theirs', () => {
    const run = play(withSystem(aJob(pair(false)), { store }), 1);
    // 1,024 Wh at 100 W: 10.24 h; then both are off.
    expect(run.shortFromH).toBeCloseTo(10.24, 6);
    expect([...run.unservedWh]).toEqual([expect.closeTo(30 * 13.76, 4), expect.closeTo(70 * 13.76, 4)]);
    expect(run.books.usefulWh).toBeCloseTo(1024, 4);
  });

  it('keeps a share for critical loads, which go on alone', () => {
    const run = play(withSystem(aJob(pair(true)), { store: { ...store, keepForCritical: 0.3 } }), 2);
    // 640 Wh at 100 W, then 384 Wh at 30 W.
    expect(run.shortFromH).toBeCloseTo(6.4, 6);
    expect(run.unservedWh[1]).toBeCloseTo(70 * (48 - 6.4), 4);
    expect(run.unservedWh[0]).toBeCloseTo(30 * (48 - 6.4 - 12.8), 4);
  });

  it.each([
    ['critical-last', 'B', 'A'],
    ['largest-first', 'B', 'A'],
  ] as const)('%s: %s goes and %s stays, as long as what comes in carries it', (dropOrder, gone, stays) => {
    const hookup = aHookup(1, 230);
    const job = withSupplies(
      // Were the order that of the list, the smaller one would go first.
      withSystem(aJob(dropOrder === 'critical-last' ? pair(true) : pair(false).reverse()), {
        store: { ...store, chemistry: 'lfp' },
        charger: { ratingA: 4, leastA: 0, efficiency: 1, powerFactor: 1 },
      }),
      hookup,
    );
    const settled = settle(alone({ ...job, rules: { ...job.rules, dropOrder } }));
    const setup = setUpDays(settled, 15, 'now', [{ kind: 'supply', drives: [], supply: hookup }]);
    // 56.8 W come in: at the floor they carry A, not both.
    const run = runDays(setup, dark(1), { fromSoc: 0.2 });
    const short = Object.fromEntries(setup.loadNames.map(({ name }, i) => [name, run.unservedWh[i]]));
    expect([short[gone] ?? 0, short[stays]]).toEqual([expect.any(Number), 0]);
    expect(short[gone]).toBeGreaterThan(500);
  });

  it('together: all go, and all come back ten points of charge above', () => {
    const hookup = aHookup(1, 230);
    const job = withSupplies(
      withSystem(aJob(pair(true)), { store, charger: { ratingA: 4, leastA: 0, efficiency: 1, powerFactor: 1 } }),
      hookup,
    );
    const settled = settle(alone({ ...job, rules: { ...job.rules, dropOrder: 'together' } }));
    const setup = setUpDays(settled, 15, 'now', [{ kind: 'supply', drives: [], supply: hookup }]);
    const run = runDays(setup, dark(1), { fromSoc: 0.2, traced: true });
    // 128 Wh come back at 56.8 W × 0.98 × 12.8 ÷ 14.2, then 43.2 W are missing.
    const back = 128 / (56.8 * Math.min(1, (0.98 * 12.8) / 14.2));
    const lasts = 128 / 43.2;
    const k = (hours: number) => Math.floor(hours * 4);
    expect(run.trace?.unservedW[k(back - 0.3)]).toBe(100);
    expect(run.trace?.unservedW[k(back + 0.3)]).toBe(0);
    expect(run.trace?.unservedW[k(back + lasts + 0.3)]).toBe(100);
  });

  it('a cut-off and a way back that are said take the place of depth and ten points', () => {
    const job = withSystem(aJob([always(100)]), { store: { ...store, cutOff: 0.5, reconnect: 0.2 } });
    expect(play(job, 1).shortFromH).toBeCloseTo(6.4, 6);
  });

  it('a heater is stopped with what its stop needs left in the store', () => {
    const heater = aLoad({
      name: 'Heater',
      uses: ALL_DAY,
      draw: {
        kind: 'cycle',
        phases: [
          { label: 'start', powerW: 122.4, minutes: 1 / 3, startRatio: null },
          { label: 'run', powerW: 21, minutes: null, startRatio: null },
          // 8.4 A at 12 V for three minutes: 5 Wh.
          { label: 'stop', powerW: 100.8, minutes: 3, startRatio: null },
        ],
      },
    });
    const job = withSystem(aJob([heater]), { store: { ...store, capacityAh: 10 } });
    const run = play(job, 1);
    // 102.4 Wh above the floor: 0.68 to start, 5.04 kept to stop, the rest runs at 21 W.
    const runsH = 1 / 180 + (102.4 - 0.68 - 5.04) / 21;
    expect(run.shortFromH).toBeCloseTo(runsH, 1);
    expect(run.lowSoc[0]).toBeCloseTo(0.2, 6);
    expect(run.books.usefulWh).toBeCloseTo(102.4, 6);
  });

  it('a store of nothing serves what the moment brings, and nothing breaks', () => {
    const job = withSystem(aJob([always(50)]), { store: { ...store, capacityAh: 0.5 }, array: { ratingW: 400 } });
    const sunny: WeatherRun = { ...dark(2), clearness: new Float64Array(2).fill(0.6) };
    const run = runDays(setupOf(withSystem(job, { dcdc: { ratingA: 0 } })), sunny, { month: 6 });
    expect(run.books.usefulWh + run.books.unservedWh).toBeCloseTo(2 * 1200, 4);
    expect(run.books.usefulWh).toBeGreaterThan(200);
  });

  it('more than the bank may give goes off for as long as it is asked for', () => {
    const kettle = aLoad({ name: 'Kettle', watts: 1500, uses: [{ startMin: 600, minutes: 60 }] });
    const job = withSystem(aJob([always(20), kettle]), { store });
    const run = play(job, 1);
    expect([...run.unservedWh]).toEqual([0, expect.closeTo(1500, 6)]);
  });
});

describe('what each load takes of a day', () => {
  it('adds up with idle that is nobody’s to what the bus gives, in every step', () => {
    const job = withSystem(
      aJob([
        always(12),
        aLoad({ watts: 700, hours: 0.5, path: 'inverter' }),
        aLoad({ watts: 60, uses: [{ startMin: 610, minutes: 200 }], path: 'inverter-adapter' }),
        aLoad({ watts: 20, hours: 3, path: 'dc-dc' }),
      ]),
      { store: { ...lfp100, capacityAh: 300 }, inverter: { ratingW: 1500, idleW: 14, policy: 'always' } },
    );
    const { demand } = setupOf(planned(job, days(1, 'parked'))).dayOn(0, 0, 6);
    const rows = demand.rows();
    for (let s = 0; s < demand.steps; s++) {
      let sum = demand.unattendedW[s] as number;
      for (let i = 0; i < 4; i++)
        for (const row of [rows.usefulW, rows.conversionW, rows.idleW]) sum += row[i * demand.steps + s] as number;
      expect(sum).toBeCloseTo(demand.busW[s] as number, 9);
    }
    expect(demand.unattendedW[0]).toBeCloseTo(14, 9);
    expect(demand.unattendedW[41]).toBeCloseTo(0, 9);
  });

  it('and with what its cables lose, once they are laid', () => {
    const runs = [
      aRun('main', 'busbar', { areaMm2: 35, lengthM: 2 }),
      aRun('inverter', 'device', { from: 'main', part: 'inverter', areaMm2: 35, lengthM: 1 }),
      aRun('steady', 'loads', { from: 'main', loads: ['load-0'], areaMm2: 1.5, lengthM: 5 }),
      aRun('usb', 'loads', { from: 'main', loads: ['load-2'], areaMm2: 1.5, lengthM: 5 }),
    ];
    const job = withSystem(
      aJob([
        always(12),
        aLoad({ watts: 700, hours: 0.5, path: 'inverter' }),
        aLoad({ watts: 20, hours: 3, path: 'dc-dc' }),
      ]),
      { store: { ...lfp100, capacityAh: 300 }, inverter: { ratingW: 1500, idleW: 14, policy: 'always' }, runs },
    );
    const { demand } = setupOf(planned(job, days(1, 'parked'))).dayOn(0, 0, 6);
    const rows = demand.rows();
    for (let s = 0; s < demand.steps; s++) {
      let sum = (demand.unattendedW[s] as number) + (demand.unattendedCableW[s] as number);
      for (let i = 0; i < 3; i++)
        for (const row of [rows.usefulW, rows.conversionW, rows.idleW, rows.cableW])
          sum += row[i * demand.steps + s] as number;
      expect(sum).toBeCloseTo(demand.busW[s] as number, 9);
    }
    // At night: 12 W on 1.5 mm² (0.133 Ω) and 14 W of idle on 35 mm², both through 2 m of 35 mm² (0.554 Ω/km), at 12.8 V.
    const perV2 = 1 / 12.8 ** 2;
    const ohm35 = (m: number) => (2 * m * 0.554) / 1000;
    const lostW = perV2 * (12 ** 2 * 0.133 + 14 ** 2 * ohm35(1) + 26 ** 2 * ohm35(2));
    expect(demand.cableW[0]).toBeCloseTo(lostW, 9);
    // What goes missing of a day for want of charge and what the cables lose of it stand in the books apart.
    const run = runDays(setupOf(planned(job, days(1, 'parked'))), dark(1), { fromSoc: 1, month: 6 });
    expect(run.books.cableWh).toBeCloseTo(demand.cableW.reduce((sum, w) => sum + w, 0) * (24 / demand.steps), 6);
  });

  it('a fridge that follows the weather costs its neighbour on a shared cable what the square asks', () => {
    // Steady 100 W and 60 W for a fifth of the time, 12 W on the mean, through 2 m of 10 mm² there and back (1.91 Ω/km).
    const runs = [
      aRun('main', 'busbar', { areaMm2: 10, lengthM: 2 }),
      aRun('a', 'loads', { from: 'main', loads: ['load-0'], areaMm2: 4, lengthM: 1 }),
      aRun('b', 'loads', { from: 'main', loads: ['load-1'], areaMm2: 4, lengthM: 1 }),
    ];
    const draw = { kind: 'thermostatic', runningW: 60, duty: 0.2, dutyAtC: 25, setC: 4 } as const;
    const job = withSystem(aJob([always(100), aLoad({ draw, uses: ALL_DAY })]), {
      store: { ...lfp100, capacityAh: 600 },
      runs,
    });
    const place = { ...job.brief.place, dayTempC: 25, nightTempC: 25 };
    const there = planned({ ...job, brief: { ...job.brief, place } }, days(1, 'parked'));
    const { books } = runDays(setupOf(there), dark(1, 25), { fromSoc: 1, month: 6 });
    const [main, lead] = [(2 * 2 * 1.91) / 1000, (2 * 4.95) / 1000];
    const [steady, fridge, fridge2] = [100, 60 * 0.2, 60 ** 2 * 0.2];
    const lostW = (main * (steady ** 2 + 2 * steady * fridge + fridge2) + lead * (steady ** 2 + fridge2)) / 12.8 ** 2;
    expect(books.cableWh).toBeCloseTo(24 * lostW, 6);
  });

  it('a fridge that follows the weather loses in its lead by the current while it runs', () => {
    // At 25 °C all day it runs a fifth of the time at 60 W: 4.6875 A through 0.0399 Ω while it does.
    const fridge = oneLead(
      {
        draw: { kind: 'thermostatic', runningW: 60, duty: 0.2, dutyAtC: 25, setC: 4 },
        uses: [{ startMin: 0, minutes: 1440 }],
      },
      {},
      { ah: 300 },
    );
    const place = { ...fridge.brief.place, dayTempC: 25, nightTempC: 25 };
    const there = planned({ ...fridge, brief: { ...fridge.brief, place } }, days(1, 'parked'));
    const run = runDays(setupOf(there), dark(1, 25), { fromSoc: 1, month: 6 });
    const { cableWh, usefulWh } = run.books;
    const ohm = (2 * 4 * 4.95 + 2 * 0.5 * 0.386) / 1000;
    expect(cableWh / usefulWh).toBeCloseTo((4.6875 ** 2 * ohm) / 60, 5);
    // As much on the day after.
    const twice = runDays(setupOf(there), dark(2, 25), { fromSoc: 1, month: 6 }).books;
    expect(twice.cableWh).toBeCloseTo(2 * cableWh, 6);
  });
});

describe('the same day as the figures have it', () => {
  const loads = [
    always(12, { path: 'direct' }),
    aLoad({ watts: 700, hours: 0.5, path: 'inverter' }),
    aLoad({ watts: 60, hours: 5, path: 'inverter-adapter' }),
    always(0, { draw: { kind: 'thermostatic', runningW: 45, duty: 0.4, dutyAtC: 25, setC: 4 } }),
    aLoad({
      watts: 0,
      hours: 3,
      draw: { kind: 'thermostatic', runningW: 90, duty: 0.5, dutyAtC: 25, setC: -18 },
      path: 'inverter',
    }),
    always(0, { draw: { kind: 'thermostatic', runningW: 300, duty: 0.5, dutyAtC: 25, setC: 2 }, path: 'inverter' }),
  ];
  const job = withSystem(
    aJob(loads, (one) => ({ ...one, brief: { ...one.brief, months: [6] } })),
    { store: { ...lfp100, capacityAh: 400 }, array: { ratingW: 600 }, dcdc: { ratingA: 30 } },
  );
  const settled = settle(job);
  const usual = { kind: 'usual', drives: job.brief.drives, supply: null } as const;

  it.each([1, 5, 15])('need and income at steps of %d min', (stepMin) => {
    const setup = setUpDays(settled, stepMin, 'now', [usual]);
    const month = designMonth(job.brief);
    const run = runDays(setup, typicalRun(setup.climate, 0, 3, month), { month, traced: true });
    const perDay = (row: Float32Array | undefined) =>
      (((row ?? []) as Float32Array).reduce((sum, w) => sum + w, 0) * (stepMin / 60)) / 3;
    const busWh = settled.bus.busW.reduce((sum, w) => sum + w, 0) / 60;
    expect(perDay(run.trace?.needW) / busWh).toBeCloseTo(1, stepMin === 1 ? 4 : 2);
    expect(perDay(run.trace?.sunOfferedW) / yieldOf(settled.sources, 'sun')).toBeCloseTo(1, 2);
    expect(run.books.idleWh / 3).toBeCloseTo(settled.bus.idleW.reduce((sum, w) => sum + w, 0) / 60, 4);
  });

  it('property: whatever the job, the books balance, nothing is lost and no charge is beyond its ends', () => {
    const aDay = fc.record({
      watts: fc.integer({ min: 1, max: 1200 }),
      startMin: fc.integer({ min: 0, max: 1439 }),
      minutes: fc.integer({ min: 1, max: 1440 }),
      path: fc.constantFrom('direct', 'inverter', 'dc-dc', 'inverter-adapter'),
      critical: fc.boolean(),
      daysPerWeek: fc.constantFrom(7, 7, 5, 2, 1, 0.5),
    });
    const spec = fc.record({
      loads: fc.array(aDay, { minLength: 1, maxLength: 6 }),
      ah: fc.integer({ min: 1, max: 400 }),
      chemistry: fc.constantFrom('lfp', 'agm', 'flooded'),
      array: fc.integer({ min: 0, max: 800 }),
      dcdc: fc.integer({ min: 0, max: 40 }),
      keep: fc.constantFrom(0, 0.2, 0.8),
      cutOff: fc.constantFrom(null, 0, 0.95),
      reconnect: fc.constantFrom(null, 0.01, 0.9),
      order: fc.constantFrom('together', 'critical-last', 'largest-first'),
      clearness: fc.array(fc.double({ min: 0, max: 0.8, noNaN: true }), { minLength: 4, maxLength: 4 }),
      meanC: fc.integer({ min: -25, max: 40 }),
      coldestC: fc.integer({ min: -20, max: 20 }),
      fromSoc: fc.double({ min: 0, max: 1, noNaN: true }),
      // h of a hookup that lets mains loads through; below 0 = none.
      hookupH: fc.integer({ min: -8, max: 8 }),
    });
    fc.assert(
      fc.property(spec, (one) => {
        const made = aJob(
          one.loads.map(({ startMin, minutes, ...load }) =>
            aLoad({ ...load, path: load.path as Load['path'], uses: [{ startMin, minutes }] }),
          ),
        );
        const ready = withSystem(
          { ...made, rules: { ...made.rules, dropOrder: one.order as Job['rules']['dropOrder'] } },
          {
            store: {
              chemistry: one.chemistry as 'lfp',
              capacityAh: one.ah,
              coldestC: one.coldestC,
              keepForCritical: one.keep,
              cutOff: one.cutOff,
              reconnect: one.reconnect,
            },
            array: { ratingW: one.array },
            dcdc: { ratingA: one.dcdc },
            inverter: { form: 'transfer' },
          },
        );
        const hookup = { ...aHookup(10, 230), hours: [{ startMin: 420, minutes: Math.max(1, one.hookupH * 60) }] };
        const plan = { ...usual, drives: ready.brief.drives, supply: one.hookupH > 0 ? hookup : null };
        const setup = setUpDays(settle(ready), 15, 'now', [plan]);
        const weather = { ...dark(4, one.meanC), clearness: Float64Array.from(one.clearness) };
        const run = runDays(setup, weather, { fromSoc: one.fromSoc, month: 6, traced: true });
        const { books } = run;
        const income = books.sunWh + books.drivingWh + books.supplyWh + run.fromStoreWh;
        const spent = books.usefulWh + books.conversionWh + books.idleWh + books.storageWh;
        expect(Math.abs(income - spent)).toBeLessThan(1e-6 * Math.max(1, spent));
        expect(run.unservedWh.reduce((sum, wh) => sum + wh, 0)).toBeCloseTo(books.unservedWh, 6);
        for (const soc of run.trace?.soc ?? []) {
          expect(soc).toBeGreaterThanOrEqual(0);
          expect(soc).toBeLessThanOrEqual(1 + 1e-6);
        }
        for (const key of ['conversionWh', 'idleWh', 'storageWh', 'unservedWh', 'lockedWh'] as const)
          expect(books[key]).toBeGreaterThanOrEqual(-1e-6);
        // Whatever is wanted is served or not.
        const wanted = runDays(
          setUpDays(
            settle(withSystem(ready, { store: { capacityAh: 20_000, chemistry: 'lfp', coldestC: 20 } })),
            15,
            'now',
            [plan],
          ),
          weather,
          { month: 6 },
        );
        expect(books.usefulWh + books.unservedWh).toBeCloseTo(wanted.books.usefulWh + wanted.books.unservedWh, 3);
      }),
      { numRuns: 60 },
    );
  });
});

describe('what sources offer', () => {
  const sunny = (meanC: number, n = 1): WeatherRun => ({ ...dark(n, meanC), clearness: new Float64Array(n).fill(0.6) });
  const solar = (
    change: Parameters<typeof withSystem>[1],
    array: Partial<NonNullable<System['arrays']>[number]> = {},
  ) => {
    const job = withSystem(aJob([]), { store: { ...lfp100, capacityAh: 900 }, array: { ratingW: 400 }, ...change });
    return {
      ...job,
      options: job.options.map((option) => ({
        ...option,
        system: { ...option.system, arrays: option.system.arrays?.map((one) => ({ ...one, ...array })) ?? null },
      })),
    };
  };
  const play = (job: Job, weather: WeatherRun) =>
    runDays(setupOf(planned(job, days(1, 'usual'))), weather, { month: 6, fromSoc: 0.3, traced: true });

  it('panels give 0.4 % less for each K of warmer air, and more in the cold up to their controller’s limit', () => {
    const job = solar({ dcdc: { ratingA: 0 } });
    const wh = (meanC: number) => play(job, sunny(meanC)).books.sunOfferedWh;
    const { meanC } = setupOf(job).skyIn(6);
    expect(wh(meanC + 20) / wh(meanC)).toBeCloseTo(0.92, 2);
    const controller = { ...blankController('mppt'), maxA: 10 };
    const held = play(solar({ dcdc: { ratingA: 0 } }, { controller }), sunny(-20)).trace;
    expect(Math.max(...(held?.sunOfferedW ?? []))).toBeCloseTo(142, 3);
  });

  it.each([
    ['sun-first', (sun: number) => [sun, 284 - sun]],
    ['blended', (sun: number) => [(sun * 284) / (sun + 284), (284 * 284) / (sun + 284)]],
  ] as const)('sun and alternator on one output of 20 A, %s', (sharing, shares) => {
    const link = { ...blankLink('dcdc', 'DC-DC', 20), sharesWith: 'array', sharing } as const;
    const base = solar({});
    const job: Job = {
      ...base,
      brief: { ...base.brief, drives: [{ startMin: 720, minutes: 60 }] },
      options: base.options.map((option) => ({ ...option, system: { ...option.system, driving: [link] } })),
    };
    const { trace } = play(job, sunny(20));
    const apart = play(solar({ dcdc: { ratingA: 0 } }), sunny(20)).trace;
    const k = 49;
    const own = apart?.sunOfferedW[k] as number;
    expect(own).toBeGreaterThan(100);
    const [sun = Number.NaN, driven = Number.NaN] = shares(own);
    expect(trace?.sunOfferedW[k]).toBeCloseTo(sun, 2);
    expect(trace?.drivingW[k]).toBeCloseTo(driven, 2);
  });

  it('what a shared output or a socket holds back does not reach the store', () => {
    const of = (store: Partial<System['store']>) => {
      const base = solar({
        store: { ...lfp100, capacityAh: 900, roundTripEfficiency: 1, ...store },
        dcdc: { ratingA: 30 },
        array: { ratingW: 0 },
      });
      const job = { ...base, brief: { ...base.brief, drives: [{ startMin: 720, minutes: 60 }] } };
      return runDays(setupOf(planned(job, days(1, 'usual'))), dark(1), { month: 6, fromSoc: 0.3 }).books;
    };
    // 30 A at 14.2 V for an hour, and 100 W of it.
    expect(of({}).intoStoreWh).toBeCloseTo(426, 6);
    expect([of({ inputW: 100 }).intoStoreWh, of({ inputW: 100 }).drivingWh]).toEqual([
      expect.closeTo(100, 6),
      expect.closeTo(100, 6),
    ]);
  });

  it('a day that swings more gives as much more or less for each K between its hours and the month’s', () => {
    const job = solar({ dcdc: { ratingA: 0 } });
    const { meanC, swingC, warmth } = setupOf(job).skyIn(6);
    const swinging = (k: number): WeatherRun => ({ ...sunny(meanC), swingC: Float64Array.of(k) });
    const [usual, more] = [swingC, swingC + 10].map((k) => play(job, swinging(k)).trace?.sunOfferedW);
    // 0.4 % a K at half past one.
    const k = 54;
    expect((more?.[k] as number) / (usual?.[k] as number)).toBeCloseTo(1 - 0.004 * 10 * (warmth[k] as number), 2);
    expect(warmth[k]).toBeGreaterThan(0.8);
  });

  it('is asked for from the first light to the last', () => {
    const { arrays, lit } = setupOf(solar({ dcdc: { ratingA: 0 } })).skyIn(6);
    const gives = Array.from({ length: 96 }, (_, s) => arrays[0]?.some((w, k) => k % 96 === s && w > 0));
    expect(lit).toEqual([gives.indexOf(true), gives.lastIndexOf(true) + 1]);
    expect(lit[1] - lit[0]).toBeGreaterThan(40);
  });

  it('one socket takes the strongest, and no more than it bears', () => {
    const inputs = (store: Partial<System['store']>) => {
      const base = solar({ store: { ...lfp100, capacityAh: 900, ...store }, dcdc: { ratingA: 30 } });
      const job = { ...base, brief: { ...base.brief, drives: [{ startMin: 720, minutes: 60 }] } };
      return play(job, sunny(20)).trace;
    };
    const k = 49;
    const both = inputs({});
    expect(both?.sunOfferedW[k]).toBeGreaterThan(100);
    expect(both?.drivingW[k]).toBeCloseTo(426, 2);
    const one = inputs({ inputs: 'one' });
    expect([one?.sunOfferedW[k], one?.drivingW[k]]).toEqual([0, expect.closeTo(426, 2)]);
    expect(one?.sunOfferedW[40]).toBeCloseTo(both?.sunOfferedW[40] as number, 3);
    const held = inputs({ inputW: 300 });
    expect((held?.sunOfferedW[k] as number) + (held?.drivingW[k] as number)).toBeCloseTo(300, 2);
    expect(held?.sunOfferedW[k]).toBeCloseTo(Math.min(300, both?.sunOfferedW[k] as number), 2);
  });
});

describe('demand that follows the weather', () => {
  it('a fridge works harder by the degrees between it and the air, and no less than in a lived-in vehicle', () => {
    const fridge = always(0, { draw: { kind: 'thermostatic', runningW: 50, duty: 0.4, dutyAtC: 25, setC: 5 } });
    const setup = setupOf(withSystem(alone(aJob([fridge])), { store: { ...lfp100, capacityAh: 2000 } }));
    const wh = (meanC: number) => runDays(setup, dark(1, meanC)).books.usefulWh;
    // 0.4 × (T − 5)/20 of 50 W.
    expect(wh(25)).toBeCloseTo(480, 6);
    expect(wh(33)).toBeCloseTo(480 * 1.4, 6);
    expect(wh(0)).toBeCloseTo((480 * 13) / 20, 6);
    const run = runDays(setup, dark(1, 60));
    // At 60 °C it would have to run 1.1 of the time: all day it cannot hold.
    expect([run.books.usefulWh, run.beyondH[0]]).toEqual([expect.closeTo(1200, 6), expect.closeTo(24, 6)]);
    // One day after the other, as warm as each is, and nothing is lost on the way.
    const trip = runDays(setup, { ...dark(3), meanC: Float64Array.of(25, 33, 29) }).books;
    expect([trip.usefulWh, trip.conversionWh]).toEqual([expect.closeTo(480 * 3.6, 6), expect.closeTo(0, 6)]);
  });

  it.each(['direct', 'inverter'] as const)('cannot hold for as long as it may run and no longer (%s)', (path) => {
    // 100 minutes are six quarters of an hour and two thirds of one.
    const uses = [{ startMin: 600, minutes: 100 }];
    const draw = { kind: 'thermostatic', runningW: 50, duty: 0.4, dutyAtC: 25, setC: 5 } as const;
    const setup = setupOf(withSystem(alone(aJob([aLoad({ path, uses, draw })])), { store: lfp100 }));
    expect(runDays(setup, dark(1, 60)).beyondH[0]).toBeCloseTo(100 / 60, 9);
    expect(runDays(setup, dark(1, 54)).beyondH[0]).toBe(0);
  });

  it('by way of a converter takes what that loses as well, with its cable or without', () => {
    const fridge = always(0, {
      path: 'dc-dc',
      draw: { kind: 'thermostatic', runningW: 50, duty: 0.4, dutyAtC: 25, setC: 5 },
    });
    const setup = setupOf(withSystem(alone(aJob([fridge])), { store: { ...lfp100, capacityAh: 2000 } }));
    const { usefulWh, conversionWh } = runDays(setup, dark(1, 25)).books;
    // 480 Wh through a converter of 90 %.
    expect([usefulWh, conversionWh]).toEqual([expect.closeTo(480, 6), expect.closeTo(480 / 0.9 - 480, 6)]);
  });

  it('that is cut off goes without what each day would have asked of it', () => {
    const fridge = always(0, { draw: { kind: 'thermostatic', runningW: 50, duty: 0.4, dutyAtC: 25, setC: 5 } });
    const setup = setupOf(withSystem(alone(aJob([fridge])), { store: lfp100 }));
    const weather = { ...dark(3), meanC: Float64Array.of(25, 33, 29) };
    // The store is empty from the beginning: 480 Wh at 25 °C, 1.4 and 1.2 times it on the days after.
    const run = runDays(setup, weather, { fromSoc: 0.1 });
    expect(run.unservedWh[0]).toBeCloseTo(480 * 3.6, 6);
    expect([...run.shortWh].map((wh) => Math.round(wh))).toEqual([480, 672, 576]);
  });

  it('a load of the summer is not asked for in winter, whatever was played before', () => {
    const light = always(10, { variants: [{ on: 'winter', uses: [] }] });
    const setup = setupOf(withSystem(alone(aJob([light])), { store: { ...lfp100, capacityAh: 2000 } }));
    const wh = (month: number) => runDays(setup, dark(1), { month, weekday: 2 }).books.usefulWh;
    const winter = setup.latitudeDeg > 0 ? 1 : 7;
    expect([wh(4), wh(winter), wh(10)].map(Math.round)).toEqual([240, 0, 240]);
  });

  it('a heater on fuel draws its fan for as long as the room asks for heat', () => {
    const heater = always(0, {
      path: 'fuel',
      residueW: 30,
      draw: {
        kind: 'room',
        mode: 'heating',
        capacityW: 2000,
        cop: 1,
        setC: 20,
        volumeM3: 8,
        insulation: 'good',
        glazingM2: 0,
        internalW: 0,
      },
    });
    const setup = setupOf(withSystem(alone(aJob([heater])), { store: { ...lfp100, capacityAh: 400 } }));
    const wh = (meanC: number) => runDays(setup, dark(1, meanC)).books.usefulWh;
    // 31.92 W/K × 20 K of 2,000 W.
    expect(wh(0)).toBeCloseTo(30 * 24 * 0.3192, 1);
    expect([wh(20), wh(30)]).toEqual([0, 0]);
    expect(wh(-80)).toBeCloseTo(720, 6);
  });

  it('cold water is warmer in warm weather', () => {
    const water = aLoad({
      path: 'direct',
      uses: [{ startMin: 600, minutes: 120 }],
      draw: { kind: 'water-heating', powerW: 1000, litres: 20, riseK: 30, efficiency: 1, standingW: 0 },
    });
    const job = withSystem(alone(aJob([water])), { store: { ...lfp100, capacityAh: 2000 } });
    const setup = setupOf(job);
    const { dayTempC, nightTempC } = job.brief.place;
    const said = (dayTempC + nightTempC) / 2;
    const wh = (meanC: number) => runDays(setup, dark(1, meanC)).books.usefulWh;
    expect(wh(said)).toBeCloseTo(20 * 1.163 * 30, 1);
    expect(wh(said + 10)).toBeCloseTo(20 * 1.163 * 20, 1);
    // By the mean of the day, however warm it is at the hour.
    const swings = runDays(setup, { ...dark(1, said + 10), swingC: Float64Array.of(8) }).books.usefulWh;
    expect(swings).toBeCloseTo(20 * 1.163 * 20, 1);
  });

  it.each(['direct', 'inverter'] as const)('a room is cooled for the sun on its glass (%s)', (path) => {
    const room = always(0, {
      path,
      draw: {
        kind: 'room',
        mode: 'cooling',
        capacityW: 2000,
        cop: 2,
        setC: 25,
        volumeM3: 8,
        insulation: 'good',
        glazingM2: 1,
        internalW: 100,
      },
    });
    const cooled = setupOf(withSystem(alone(aJob([room])), { store: { ...lfp100, capacityAh: 4000 } }));
    const noSun = runDays(cooled, dark(1, 35)).books.usefulWh;
    // UA = 1 × 1.33 × 6 × 8^(2/3) = 31.9 W/K, for ten K, and 100 W inside: half of that is drawn.
    expect(noSun).toBeCloseTo(((31.92 * 10 + 100) / 2) * 24, 0);
    const sunny: WeatherRun = { ...dark(1, 35), clearness: new Float64Array(1).fill(0.5) };
    const withSun = runDays(cooled, sunny, { month: 6 });
    const flatWh = 0.5 * (cooled.climate.aboveKwh[5] as number) * 1000;
    expect(withSun.books.usefulWh - noSun).toBeCloseTo((0.7 * flatWh) / 2, 0);
  });
});

describe('plans', () => {
  const store = { ...lfp100, capacityAh: 200 };
  it('days of kinds follow one another; at home the store is filled, away only what is never off runs', () => {
    const job = planned(
      withSystem(aJob([always(10), aLoad({ watts: 200, hours: 3 })]), {
        store,
        dcdc: { ratingA: 0 },
        array: { ratingW: 0 },
      }),
      days(2, 'parked'),
      days(1, 'away'),
      days(1, 'home'),
    );
    const { run, stretchOfDay, plan } = tripDetail(prepareDays(job, 'a', asked));
    expect(stretchOfDay).toEqual([0, 0, 1, 2]);
    expect(plan).toHaveLength(3);
    const wh = (soc: number) => soc * 2560;
    const ends = [1, ...run.endSoc].map(wh);
    const drawn = ends.slice(0, 3).map((end, i) => (end - (ends[i + 1] as number)) * Math.sqrt(0.95));
    expect(drawn).toEqual([expect.closeTo(840, 1), expect.closeTo(840, 1), expect.closeTo(240, 1)]);
    expect(run.endSoc[3]).toBeCloseTo(1, 2);
  });

  it('hours of driving and of a supply as they are said', () => {
    const hookup = aHookup(10, 230);
    const job = withSupplies(
      withSystem(aJob([]), {
        store,
        dcdc: { ratingA: 20 },
        array: { ratingW: 0 },
        charger: { ratingA: 10, leastA: 0, efficiency: 1, powerFactor: 1 },
      }),
      hookup,
    );
    const wh = (...plan: PlanStretch[]) => {
      const setup = setupOf(planned(job, ...plan));
      return runDays(setup, dark(plan.length), { fromSoc: 0.2 }).books;
    };
    expect(wh(days(1, 'driving', { driveH: 3 })).drivingWh).toBeCloseTo(20 * 14.2 * 3, 6);
    expect(wh(days(1, 'driving')).drivingWh).toBeCloseTo(20 * 14.2, 6);
    expect(wh(days(1, 'supply', { supply: 'hookup', hours: 2 })).supplyWh).toBeCloseTo(10 * 14.2 * 2, 6);
    expect(wh(days(1, 'supply', { supply: 'hookup', hours: 0 })).supplyWh).toBeCloseTo(0, 3);
    expect(wh(days(1, 'parked')).drivingWh).toBe(0);
  });

  it('an outlet’s timer ends it, and a generator of which only hours are said runs from ten in the morning', () => {
    const charger = { ratingA: 10, leastA: 0, efficiency: 1, powerFactor: 1 };
    const base = withSystem(alone(aJob([])), { store, charger });
    const outlet = { ...blankSupply('outlet', '230V-50Hz'), id: 'outlet', offAfterH: 2 } as Supply;
    const generator = { ...blankSupply('generator', '230V-50Hz'), id: 'generator' };
    const play = (supply: Supply, hours: number | null) => {
      const job = planned(withSupplies(base, supply), days(1, 'supply', { supply: supply.id, hours }));
      return runDays(setupOf(job), dark(1), { fromSoc: 0.2, traced: true });
    };
    expect(play(outlet, null).books.supplyWh).toBeCloseTo(142 * 2, 6);
    expect(play(outlet, 1).books.supplyWh).toBeCloseTo(142, 6);
    const noon = play(generator, 3).trace?.supplyW;
    expect([noon?.[39], noon?.[40], noon?.[51], noon?.[52]]).toEqual([
      0,
      expect.closeTo(142, 3),
      expect.closeTo(142, 3),
      0,
    ]);
  });

  it('what runs on working days and on weekends goes by the calendar, and no day counts twice', () => {
    const each = (daysPerWeek: number) =>
      setupOf(
        planned(
          withSystem(alone(aJob([aLoad({ watts: 100, hours: 1, daysPerWeek })])), {
            store: { ...store, capacityAh: 900 },
          }),
          days(14, 'parked'),
        ),
      );
    const perDay = (daysPerWeek: number) => {
      const setup = each(daysPerWeek);
      return Array.from({ length: 7 }, (_, i) => Math.round(runDays(setup, dark(1), { weekday: i }).books.usefulWh));
    };
    expect(perDay(5)).toEqual([100, 100, 100, 100, 100, 0, 0]);
    expect(perDay(2)).toEqual([0, 0, 0, 0, 0, 100, 100]);
    expect(perDay(7)).toEqual([100, 100, 100, 100, 100, 100, 100]);
    expect(perDay(3).filter((wh) => wh > 0)).toHaveLength(3);
    expect(runDays(each(0.5), dark(14), { weekday: 0 }).books.usefulWh).toBeCloseTo(100, 6);
  });

  it('what followed the weather yesterday and does not run today goes without nothing today', () => {
    const water = aLoad({
      draw: { kind: 'water-heating', litres: 10, riseK: 30, efficiency: 1, powerW: 400, standingW: 0 },
      uses: [{ startMin: 1200, minutes: 120 }],
      daysPerWeek: 2,
    });
    const setup = setupOf(
      planned(withSystem(alone(aJob([water, always(20)])), { store: { ...store, capacityAh: 15 } }), days(2, 'parked')),
    );
    const goesWithout = (n: number) => runDays(setup, dark(n), { weekday: 6 }).unservedWh[0] as number;
    expect(goesWithout(1)).toBeGreaterThan(100);
    expect(goesWithout(2)).toBe(goesWithout(1));
  });
});

describe('what might come otherwise', () => {
  const job = withSystem(aJob([always(10), aLoad({ watts: 100, hours: 2, path: 'inverter' })]), {
    store: lfp100,
    array: { ratingW: 300 },
    dcdc: { ratingA: 0 },
    inverter: { ratingW: 1000, idleW: 12, policy: 'with-loads' },
  });
  const play = (one: Job) => runDays(setupOf(planned(one, days(1, 'parked'))), dark(1)).books;

  it('an inverter left on idles all day, a guest uses a third more, a shaded panel gives half', () => {
    expect(play(jobUnder(job, ['inverter-on'])).idleWh).toBeCloseTo(24 * 12, 6);
    expect(play(job).idleWh).toBeCloseTo(2 * 12, 6);
    expect(play(jobUnder(job, ['guest'])).usefulWh).toBeCloseTo(240 + (200 * 4) / 3, 6);
    const sunOf = (one: Job) => {
      const run: WeatherRun = { ...dark(1), clearness: new Float64Array(1).fill(0.5) };
      return runDays(setupOf(one), run, { month: 6 }).books.sunOfferedWh;
    };
    expect(sunOf(jobUnder(job, ['shaded'])) / sunOf(job)).toBeCloseTo(0.5, 1);
    expect(jobUnder(job, ['heat-wave'])).toBe(job);
  });

  it('heat, cold and cloud change the weather and no more', () => {
    const weather: WeatherRun = { ...dark(2), clearness: Float64Array.from([0.5, 0.02]) };
    expect([...weatherUnder(weather, ['heat-wave']).meanC]).toEqual([28, 28]);
    expect([...weatherUnder(weather, ['cold-snap', 'heat-wave']).meanC]).toEqual([18, 18]);
    const dull = weatherUnder(weather, ['overcast']).clearness;
    expect(dull[0]).toBeLessThan(0.35);
    expect(dull[0]).toBeGreaterThan(0.05);
    expect(dull[1]).toBe(0.02);
  });
});

describe('a moment explained', () => {
  const job = planned(
    withSystem(aJob([always(60, { name: 'Fridge', critical: true }), always(40, { name: 'Lamp' })]), {
      store: { ...lfp100, roundTripEfficiency: 1 },
      array: { ratingW: 50 },
      dcdc: { ratingA: 0 },
    }),
    days(3, 'parked'),
  );
  const prepared = prepareDays(job, 'a', { ...asked, weather: 'sunless' });

  it('says what drew and what would have served: a store by so much, a load less, no panel in the dark', () => {
    // 1,024 Wh at 100 W last 10.24 h.
    const moment = daysMoment(prepared, 12);
    expect(moment).toMatchObject({ needW: 100, unservedW: 100, outageFromH: 10.25 - 0.25 });
    expect(moment?.loads.map(({ name, usefulW, isCut }) => [name, Math.round(usefulW), isCut])).toEqual([
      ['Fridge', 60, true],
      ['Lamp', 40, true],
    ]);
    const by = Object.fromEntries((moment?.decisions ?? []).map((one) => [one.kind, one]));
    // A quarter more lasts 12.8 h, without the lamp 17.07 h.
    expect(by.store).toMatchObject({ amount: 0.25, helps: true, lastsH: 12.75 });
    expect(by.without).toMatchObject({ name: 'Lamp', helps: true, lastsH: 17 });
    expect(by.panel).toMatchObject({ amount: 400, helps: false, lastsH: 10 });
  });

  it('is nothing outside the trip', () => {
    expect(daysMoment(prepared, 73)).toBeNull();
    expect(daysMoment(prepared, -1)).toBeNull();
  });
});

describe('the air of a month', () => {
  it('is its own: panels on a usual day of each month give what the month is settled with', () => {
    // Each month with another mean and another difference of day and night.
    const dayTempC = [3, 4, 9, 14, 19, 30, 33, 34, 24, 15, 8, 4];
    const nightTempC = [-2, -3, 0, 6, 4, 5, 20, 12, 14, 2, 3, -9];
    const base = withSystem(aJob([always(5)]), {
      store: { ...lfp100, capacityAh: 900 },
      array: { ratingW: 300 },
      dcdc: { ratingA: 0 },
    });
    for (const month of [1, 4, 6, 8, 11, 12]) {
      const { place } = base.brief;
      const job: Job = {
        ...base,
        brief: {
          ...base.brief,
          months: [month],
          place: { ...place, monthly: { ...place.monthly, dayTempC, nightTempC } },
        },
      };
      const settled = settle(job);
      const sunWh = yieldOf(settled.solar.sources, 'sun');
      const setup = setUpDays(settled, 15, 'now', [{ kind: 'parked', drives: [], supply: null }]);
      const { books } = runDays(setup, typicalRun(setup.climate, 0, 1, month), { month });
      // Light between two levels of clearness, and quarters of an hour: within a hundredth.
      expect(Math.abs(books.sunOfferedWh / sunWh - 1)).toBeLessThan(0.01);
    }
  });
});

describe('a usual day of each month', () => {
  it('more sun, a fuller store; what is used is served or not, with its losses', () => {
    const job = withSystem(
      aJob([always(40)], (one) => ({ ...one, brief: { ...one.brief, drives: [] } })),
      {
        store: lfp100,
        array: { ratingW: 350 },
        dcdc: { ratingA: 0 },
      },
    );
    const months = typicalDays(settle(job), 15);
    expect(months).toHaveLength(12);
    const [january, june] = [months[0], months[5]];
    expect(june?.sunWh).toBeGreaterThan(january?.sunWh ?? 0);
    expect(june?.unservedWh).toBe(0);
    expect(june?.fullAfterDays).toBeLessThan(5);
    expect(january?.unservedWh).toBeGreaterThan(100);
    expect(january?.fullAfterDays).toBeNull();
    for (const { needWh, directSunWh, sunWh } of months) {
      expect(needWh).toBeCloseTo(960, 3);
      expect(directSunWh).toBeLessThanOrEqual(sunWh + 1e-6);
    }
  });
});
