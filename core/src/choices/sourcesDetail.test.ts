import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blankArray, blankCharger, blankLink, blankSupply } from '../job/blank.ts';
import { withDriveHours } from '../job/day.ts';
import type { Job, Supply, System } from '../job/schema.ts';
import { settle } from '../settle/settle.ts';
import { offeredWh } from '../sources/source.ts';
import { aGenerator, aHookup, aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';
import { CAUSES } from './arrayLedger.ts';
import { dayBalance, sourcesDetail } from './sourcesDetail.ts';

const withParts = (job: Job, part: Partial<System>): Job => ({
  ...job,
  options: job.options.map((option) => ({ ...option, system: { ...option.system, ...part } })),
});
const withBrief = (job: Job, part: Partial<Job['brief']>): Job => ({ ...job, brief: { ...job.brief, ...part } });
/** So many W all day, straight from a store without loss. */
const steady = (powerW: number): Job =>
  withSystem(withBrief(aJob([aLoad({ draw: { kind: 'standby', powerW } })]), { drives: [] }), {
    store: { roundTripEfficiency: 1, capacityAh: 200 },
  });
const detail = (job: Job) => sourcesDetail(job, 'a');
const cell = (job: Job, month: number, kind: string) => {
  const found = detail(job).cells.find((one) => one.month === month && one.kind === kind);
  if (!found) throw new Error(`no ${kind} in ${month}`);
  return found;
};
const array = (ratingW: number) => [blankArray('roof', 'Roof', ratingW)];

describe('twelve months × the kinds of day', () => {
  it('has only the kinds that the job has', () => {
    const kinds = (job: Job) => detail(job).kinds.map(({ kind }) => kind);
    expect(kinds(steady(10))).toEqual(['bright', 'dull']);
    const travelled = withBrief(withSupplies(steady(10), aHookup(10, 230), aGenerator(2000)), {
      drives: withDriveHours([], 2),
    });
    expect(kinds(travelled)).toEqual(['bright', 'dull', 'driving', 'hookup', 'generator']);
    expect(detail(travelled).cells).toHaveLength(60);
  });

  it('bright, mean and dull days stand in that order, and June is above December; south of the equator below', () => {
    const job = withBrief(withParts(steady(10), { arrays: array(300) }), { drives: withDriveHours([], 1) });
    for (const [latitudeDeg, summer, winter] of [
      [48, 6, 12],
      [-40, 12, 6],
    ] as const) {
      const there = withBrief(job, { place: { ...job.brief.place, latitudeDeg } });
      const { cells } = detail(there);
      const sun = (month: number, kind: string) =>
        cells.find((one) => one.month === month && one.kind === kind)?.sunWh ?? Number.NaN;
      for (let month = 1; month <= 12; month++) {
        expect(sun(month, 'bright')).toBeGreaterThan(sun(month, 'driving'));
        expect(sun(month, 'driving')).toBeGreaterThan(sun(month, 'dull'));
      }
      expect(sun(summer, 'driving')).toBeGreaterThan(2 * sun(winter, 'driving'));
    }
  });

  it('parked days have no driving and the uses of a parked day; winter is where the sun is low', () => {
    const on = [{ startMin: 0, minutes: 1440 }];
    const job = withBrief(
      withSystem(
        aJob([
          aLoad({ watts: 10, hours: 0.001, variants: [{ on: 'parked', uses: on }] }),
          aLoad({ watts: 5, hours: 0.001, variants: [{ on: 'winter', uses: on }] }),
        ]),
        { store: { roundTripEfficiency: 1, capacityAh: 100 }, dcdc: { ratingA: 20 } },
      ),
      { drives: withDriveHours([], 2) },
    );
    const at = (latitudeDeg: number) => withBrief(job, { place: { ...job.brief.place, latitudeDeg } });
    const need = (latitudeDeg: number, month: number, kind: string) => cell(at(latitudeDeg), month, kind).needWh;
    expect(cell(job, 4, 'bright').drivingWh).toBe(0);
    expect(cell(job, 4, 'driving').drivingWh).toBeCloseTo(568, 6);
    expect(need(45, 4, 'bright')).toBeCloseTo(240, 0);
    expect(need(45, 4, 'driving')).toBeCloseTo(0, 0);
    expect([need(45, 1, 'driving'), need(45, 7, 'driving')]).toEqual([expect.closeTo(120, 0), expect.closeTo(0, 0)]);
    expect([need(-45, 1, 'driving'), need(-45, 7, 'driving')]).toEqual([expect.closeTo(0, 0), expect.closeTo(120, 0)]);
    expect(need(10, 1, 'driving')).toBeCloseTo(0, 0);
  });

  it('a place with bright and dull days of its own keeps them', () => {
    const months = (hours: number) => Array.from({ length: 12 }, () => hours);
    const job = withParts(steady(10), { arrays: array(300) });
    const { place } = job.brief;
    const monthly = { ...place.monthly, peakSunHours: months(3), brightSunHours: months(4), dullSunHours: months(1.5) };
    const there = withBrief(job, { place: { ...place, monthly } });
    expect(cell(there, 5, 'bright').sunHours).toBeCloseTo(4, 9);
    expect(cell(there, 5, 'dull').sunHours).toBeCloseTo(1.5, 9);
  });

  it('a surplus is spilled and a shortage goes unserved, to the Wh, once the days are alike', () => {
    const short = cell(withParts(steady(100), { arrays: [] }), 6, 'bright');
    expect(short).toMatchObject({ sunWh: 0, shortOf: 'sun' });
    expect(short.needWh).toBeCloseTo(2400, 6);
    expect(short.shortWh).toBeCloseTo(2400, 0);
    const much = cell(withParts(steady(20), { arrays: array(600) }), 6, 'bright');
    expect(much.shortWh).toBe(0);
    expect(much.spilledWh).toBeCloseTo(much.sunWh - 480, 0);
  });

  it('polar night and midnight sun are 0 and finite', () => {
    const north = withBrief(withParts(steady(10), { arrays: array(300) }), {
      place: { ...steady(10).brief.place, latitudeDeg: 90 },
    });
    for (const one of detail(north).cells)
      for (const value of Object.values(one)) if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true);
    expect(cell(north, 12, 'bright').sunWh).toBe(0);
    expect(cell(north, 6, 'dull').sunWh).toBeGreaterThan(0);
  });

  it('sizes stay as fitted in every month: the array the program would fit for December is that of June', () => {
    const job = withBrief(steady(30), { months: [12, 6] });
    const { ledgers } = detail(job);
    const june = cell(job, 6, 'bright');
    const december = settle(withBrief(job, { months: [12] }), 'a').solar.ratingW;
    expect(ledgers[0]?.ratingW).toBe(december);
    expect(june.sunWh).toBeGreaterThan(3 * 720);
  });

  it('property: nothing comes from nowhere, whatever is fitted', () => {
    fc.assert(
      fc.property(
        fc.record({
          loadW: fc.integer({ min: 0, max: 400 }),
          arrayW: fc.integer({ min: 0, max: 1500 }),
          latitudeDeg: fc.integer({ min: -65, max: 65 }),
          ah: fc.integer({ min: 20, max: 600 }),
          hours: fc.integer({ min: 0, max: 6 }),
        }),
        ({ loadW, arrayW, latitudeDeg, ah, hours }) => {
          const job = withBrief(
            withSystem(withParts(withSupplies(steady(loadW), aHookup(10, 230)), { arrays: array(arrayW) }), {
              store: { capacityAh: ah, roundTripEfficiency: 0.9 },
              charger: { ratingA: 20 },
            }),
            { drives: withDriveHours([], hours), place: { ...steady(1).brief.place, latitudeDeg } },
          );
          for (const one of detail(job).cells) {
            const taken = one.sources.reduce((sum, source) => sum + source.takenWh, 0);
            for (const source of one.sources) expect(source.takenWh).toBeLessThanOrEqual(source.offeredWh + 1e-6);
            const sun = one.sources.filter(({ kind }) => kind === 'sun');
            expect(one.spilledWh).toBeCloseTo(
              sun.reduce((sum, source) => sum + source.offeredWh - source.takenWh, 0),
              4,
            );
            // What was drawn was served, and the store gives no more than it took.
            expect(loadW * 24 - one.shortWh).toBeLessThanOrEqual(taken + 0.1);
            if (one.shortWh > 1 && one.spilledWh > 1) expect(ah).toBeLessThan(600);
          }
        },
      ),
      { numRuns: 12 },
    );
  });
});

describe('from laboratory watts to watt-hours in the store', () => {
  it('what every cause takes adds up, none takes less than nothing but cold', () => {
    const job = withParts(steady(40), {
      arrays: [
        { ...blankArray('roof', 'Roof', 400), controller: { ...blankArray('', '', 0).controller, maxA: 12 } },
        { ...blankArray('side', 'Side', 150), slopeDeg: 60, azimuthDeg: 180, shade: 0.15, mount: 'free' },
        {
          ...blankArray('out', 'Set out', 100),
          mount: 'portable',
          follows: true,
          setOut: [{ startMin: 600, minutes: 300 }],
        },
      ],
    });
    const { ledgers } = detail(job);
    expect(ledgers.map(({ arrayId }) => arrayId)).toEqual(['roof', 'side', 'out']);
    for (const { baseWh, taken, usedWh } of ledgers) {
      expect(baseWh - CAUSES.reduce((sum, cause) => sum + taken[cause], 0)).toBeCloseTo(usedWh, 6);
      for (const cause of CAUSES) if (cause !== 'heat') expect(taken[cause], cause).toBeGreaterThanOrEqual(-1e-6);
    }
    const [roof, side, out] = ledgers;
    expect(roof?.taken.clipped).toBeGreaterThan(0);
    expect(side?.taken.shade).toBeGreaterThan(0);
    // Aimed at the sun all day, angle takes nothing; hours not set out are as good as shade.
    expect(out?.taken.angle).toBeCloseTo(0, 6);
    expect(out?.taken.shade).toBeGreaterThan(0);
    expect((roof?.baseWh ?? 0) / 400).toBeCloseTo((out?.baseWh ?? 0) / 100, 9);
  });
});

describe('driving, by hand', () => {
  const driving = (links: System['driving'], part: Partial<Job['brief']['alternator']> = {}, hours = 2): Job => {
    const job = withParts(steady(100), { driving: links, arrays: [] });
    return withBrief(job, {
      drives: withDriveHours([], hours),
      alternator: { ...job.brief.alternator, ...part },
    });
  };

  it('a charger of 30 A gives 426 W; 5 m of 10 mm² cost it volts, and the alternator more amps', () => {
    const [link] = detail(driving([{ ...blankLink('d', 'D', 30), cableM: 5, cableMm2: 10 }])).links;
    // 2 × 5 m × 1.91 mΩ/m = 19.1 mΩ; 473.3 W at V: V² − 13.5·V + 0.0191 × 473.3 = 0.
    const volts = (13.5 + Math.sqrt(13.5 ** 2 - 4 * 0.0191 * (426 / 0.9))) / 2;
    expect(link?.farV).toBeCloseTo(volts, 9);
    expect(link?.inputA).toBeCloseTo(426 / 0.9 / volts, 9);
    expect(link?.alternatorShare).toBeCloseTo(426 / 0.9 / volts / 120, 9);
    expect(link?.wh).toBeCloseTo(852, 6);
  });

  it('held to what the alternator can spare, its cable costs it the volts of those amps, not of what it asks', () => {
    // 100 × 0.8 − 60 = 20 A; 10 m × 1.91 mΩ/m take 0.382 V of 13.5 V; 90 % of what arrives.
    const part = { ratingA: 100, ownLoadA: 60 };
    const [link] = detail(driving([{ ...blankLink('d', 'D', 60), cableM: 5, cableMm2: 10 }], part)).links;
    expect(link?.inputA).toBeCloseTo(20, 9);
    expect(link?.farV).toBeCloseTo(13.118, 9);
    expect(link?.outputW).toBeCloseTo(20 * 13.118 * 0.9, 6);
  });

  it('a relay passes what the voltages push through its cable and the store', () => {
    const job = driving([{ ...blankLink('r', 'R', 100), kind: 'relay', cableM: 6, cableMm2: 16 }]);
    const [link] = detail(job).links;
    // LFP of 200 Ah, 80 % used: at 60 % of charge 13.1 + 0.1 × 20/30 V, 2 mΩ; 12 m × 1.21 mΩ/m.
    const [rest, inside, cable] = [13.1 + (0.1 * 0.2) / 0.3, 0.002, 12 * 0.00121];
    const amps = (13.5 - rest) / (inside + cable);
    expect(link?.inputA).toBeCloseTo(amps, 6);
    expect(link?.farV).toBeCloseTo(13.5 - amps * cable, 6);
    expect(link?.outputW).toBeCloseTo(amps * (13.5 - amps * cable), 6);
    const thick = { ...blankLink('r', 'R', 20), kind: 'relay', cableM: 1, cableMm2: 70 } as const;
    expect(detail(driving([thick])).links[0]?.inputA).toBe(20);
  });

  it('a relay between batteries of different voltage passes nothing that is counted', () => {
    const job = driving([{ ...blankLink('r', 'R', 100), kind: 'relay' }], { systemV: 24 });
    expect(settle(job, 'a').driving.links[0]).toMatchObject({ inputA: 0, outputW: 0 });
  });

  it('the vehicle’s own amps are what is typed of them', () => {
    const { driving: size } = settle(driving([blankLink('d', 'D', 60)], { ratingA: 100, ownLoadA: 60 }), 'a');
    // 100 × 0.8 − 60 = 20 A at 13.5 V and 90 %.
    expect(size.yieldWh).toBeCloseTo(20 * 13.5 * 0.9 * 2, 6);
  });

  it.each([
    ['sun-first', 100, 326],
    ['blended', (426 * 100) / 526, (426 * 426) / 526],
  ] as const)('on a shared output %s the sun gives %d W and the alternator %d W', (sharing, sunW, drivenW) => {
    // A flat factor and 1,000 W/m² make it 100 W; the day is one of steady light only while it is driven.
    const job = driving([{ ...blankLink('d', 'D', 30), sharesWith: 'roof', sharing }]);
    const shining = withParts(job, { arrays: array(2000) });
    const { sources } = settle(shining, 'a');
    const [sun, driven] = [sources.find(({ kind }) => kind === 'sun'), sources.find(({ kind }) => kind === 'driving')];
    for (let m = 0; m < 1440; m += 30) {
      const [s, d] = [sun?.watts[m] as number, driven?.watts[m] as number];
      expect(s + d).toBeLessThanOrEqual(426 + 1e-9);
      if (m >= 540 && m < 660) expect(s + d).toBeCloseTo(426, 6);
    }
    expect(sunW + drivenW).toBeCloseTo(426, 6);
    const held = sources.reduce((sum, one) => sum + one.clippedWh, 0);
    const free = settle(withParts(shining, { driving: [blankLink('d', 'D', 30)] }), 'a').sources;
    expect(sources.reduce((sum, one) => sum + offeredWh(one), 0) + held).toBeCloseTo(
      free.reduce((sum, one) => sum + offeredWh(one) + one.clippedWh, 0),
      4,
    );
    if (sharing === 'sun-first')
      expect(offeredWh(driven as never)).toBeLessThan(offeredWh(free.find(({ kind }) => kind === 'driving') as never));
  });
});

describe('a store whose inputs share one socket, as a portable station’s', () => {
  // 500 Wh of which 85 % may be used, a panel of 100 W on an input of 60 W, 208 Wh a day.
  const station = (inputs: 'add' | 'one', inputW: number | null): Job => {
    const job = withBrief(aJob([aLoad({ draw: { kind: 'standby', powerW: 208 / 24 } })]), {
      drives: withDriveHours([], 2),
      place: { ...aJob([]).brief.place, peakSunHours: 6, latitudeDeg: 30 },
      months: [6],
    });
    const panel = { ...blankArray('panel', 'Panel', 100), mount: 'free' } as const;
    return withParts(
      withSystem(job, {
        store: { capacityAh: 500 / 12.8, usableDepth: 0.85, roundTripEfficiency: 1, inputs, inputW },
      }),
      {
        driving: [blankLink('car', 'Car socket', 5)],
        arrays: [{ ...panel, controller: { ...panel.controller, maxW: 60 } }],
      },
    );
  };
  const wattsAt = (job: Job, m: number) => settle(job, 'a').sources.map(({ watts }) => watts[m] as number);

  it('lasts 2.04 days new', () => {
    expect(settle(station('one', 60), 'a').store.new.days).toBeCloseTo(425 / 208, 3);
  });

  it('takes the stronger of sun and car while driving, where they would add up otherwise', () => {
    const [sun, car] = wattsAt(station('add', null), 630) as [number, number];
    expect(car).toBeCloseTo(71, 9);
    expect(sun).toBeGreaterThan(20);
    expect(sun).toBeLessThanOrEqual(60);
    expect(wattsAt(station('one', null), 630)).toEqual([0, car]);
    // At noon nothing is driven: the sun has the socket.
    expect(wattsAt(station('one', null), 720)).toEqual(wattsAt(station('add', null), 720));
  });

  it('takes no more than its limit, the sun first', () => {
    const [sun, car] = wattsAt(station('add', 65), 630) as [number, number];
    expect(sun + car).toBeCloseTo(65, 9);
    expect(sun).toBeCloseTo((wattsAt(station('add', null), 630) as [number, number])[0], 9);
  });

  it('counts what the socket refuses as held back', () => {
    const [free, one] = [settle(station('add', null), 'a'), settle(station('one', null), 'a')];
    const sum = ({ sources }: ReturnType<typeof settle>) =>
      sources.reduce((total, source) => total + offeredWh(source) + source.clippedWh, 0);
    expect(sum(one)).toBeCloseTo(sum(free), 6);
    expect(one.income.balanceWh).toBeLessThan(free.income.balanceWh);
  });
});

describe('supplies, by hand', () => {
  const on = (supply: Supply, powerW = 100, ratingA = 30): Job =>
    withParts(withSupplies(steady(powerW), supply), {
      arrays: [],
      chargers: [{ ...blankCharger('c', 'Charger', ratingA), leastA: 5 }],
    });

  it('30 A of charger give 426 W all day, or in the hours it is plugged in', () => {
    expect(cell(on(aHookup(10, 230)), 3, 'hookup').supplyWh).toBeCloseTo(426 * 24, 6);
    const evening = aHookup(10, 230, { hours: [{ startMin: 1080, minutes: 180 }] });
    expect(cell(on(evening), 3, 'hookup').supplyWh).toBeCloseTo(426 * 3, 6);
  });

  it('a socket of 2 A × 230 V holds the charger back, by its VA', () => {
    // 460 VA ÷ (1/0.98) = 450.8 W of mains, × 0.9.
    expect(cell(on(aHookup(2, 230), 100, 60), 3, 'hookup').supplyWh).toBeCloseTo(450.8 * 0.9 * 24, 3);
  });

  it('what mains loads draw meanwhile is not there for charging', () => {
    // 10 A × 230 V × 1 less 1,900 W for an hour: 400 VA ÷ (1/0.98) × 0.9 = 352.8 W, in place of 426.
    const job = withSystem(
      withParts(withSupplies(aJob([aLoad({ watts: 1900, hours: 1, path: 'inverter' })]), aHookup(10, 230)), {
        arrays: [],
        driving: [],
        chargers: [{ ...blankCharger('c', 'Charger', 30), leastA: 1 }],
      }),
      { inverter: { form: 'transfer' } },
    );
    expect(cell(job, 3, 'hookup').supplyWh).toBeCloseTo(426 * 23 + 400 * 0.98 * 0.9, 3);
  });

  it('a charger that cannot be turned down that far is off', () => {
    const job = withParts(on(aHookup(2, 230), 100, 60), { chargers: [blankCharger('c', 'Charger', 60)] });
    expect(cell(job, 3, 'hookup').supplyWh).toBe(0);
    expect(detail(job).supplies[0]?.alone).toBeNull();
  });

  const bank = (job: Job, store: Parameters<typeof withSystem>[1]['store']) => withSystem(job, { store });

  it('a generator runs 6.19 h a day for 100 W all day, amps counted as amps', () => {
    // 426 W, of which 100 run at once and 326 × 0.98 × 12.8 ÷ 14.2 stay: (24 − h)·100 = h·288.
    const [use] = detail(bank(on(aGenerator(2000)), { capacityAh: 400 })).supplies;
    const hours = 2400 / (100 + (326 * 0.98 * 12.8) / 14.2);
    expect(Math.abs((use?.alone?.hours ?? 0) - hours)).toBeLessThan(1.5 / 60);
    expect(use?.fuelLPerH).toBeCloseTo(0.35 + 0.35 * (0.426 / 0.9), 9);
    expect(use?.alone?.fuelL).toBeCloseTo((use?.alone?.hours ?? 0) * (0.35 + 0.35 * 0.47333333), 6);
    expect(use?.alone?.heldByBattery).toBe(false);
    const never = detail(on(aGenerator(2000), 600)).supplies[0];
    expect(never?.alone).toBeNull();
  });

  it('runs longer where the battery takes less: an AGM of 100 Ah is charged with 20 A at most', () => {
    // 20 A × 14.2 V are 284 W, of which 20 run at once; the rest would be 264 × 0.95 × 12 ÷ 14.2 = 212 W: 2.1 h by
    // that alone, and above 80 % it takes less.
    const job = bank(on(aGenerator(2000), 20, 100), { chemistry: 'agm', capacityAh: 100 });
    const [use] = detail(job).supplies;
    expect(use?.dcW).toBeCloseTo(1420, 6);
    expect(use?.alone?.hours).toBeGreaterThan((24 * 20) / (20 + (264 * 0.95 * 12) / 14.2));
    expect(use?.alone?.heldByBattery).toBe(true);
    // Chargers of twice the amps change nothing for it.
    const twice = detail(bank(on(aGenerator(4000), 20, 200), { chemistry: 'agm', capacityAh: 100 })).supplies[0];
    expect(twice?.alone?.hours).toBeCloseTo(use?.alone?.hours ?? 0, 2);
    // A battery that cannot carry what is left of a day is on it all the time or never.
    expect(
      detail(bank(on(aGenerator(2000), 200, 100), { chemistry: 'agm', capacityAh: 50 })).supplies[0]?.alone?.hours ??
        24,
    ).toBeGreaterThan(20);
  });

  it('a traction battery of 123 kWh from 57 to 21 % carries 2.076 kW for 21.33 h', () => {
    const outlet = {
      ...blankSupply('outlet', '230V-50Hz'),
      ratedW: 2400,
      packKwh: 123,
      fullShare: 0.57,
      reserveShare: 0.21,
      ownW: 208,
      offAfterH: 12,
    } as Supply;
    // Mains W of the charger: 1,681.2 ÷ 0.9 = 1,868 W, and 208 of its own.
    const [use] = detail(on(outlet, 1681.2, 200)).supplies;
    expect(use?.packKwh).toBeCloseTo(44.28, 9);
    expect(use?.lastsH).toBeCloseTo(44_280 / 2076, 6);
    expect(use?.timerH).toBe(12);
  });

  it('what passes through to mains is not drawn from the store while plugged in', () => {
    const job = withParts(withSupplies(aJob([aLoad({ watts: 500, hours: 2, path: 'inverter' })]), aHookup(16, 230)), {
      arrays: [],
      driving: [],
    });
    const passed = withSystem(job, { inverter: { form: 'transfer' } });
    expect(cell(passed, 3, 'hookup').needWh).toBeCloseTo(0, 6);
    expect(cell(job, 3, 'hookup').needWh).toBeGreaterThan(1000);
  });
});

describe('one cell hour by hour', () => {
  it('adds up to the cell, and tells direct from stored', () => {
    const job = withParts(steady(60), { arrays: array(400) });
    const [kind] = detail(job).kinds;
    if (!kind) throw new Error('no kind');
    const day = dayBalance(job, 'a', 5, kind);
    const wh = (watts: readonly number[]) => watts.reduce((sum, w) => sum + w, 0) / 6;
    expect(wh(day.sunW)).toBeCloseTo(cell(job, 5, 'bright').sunWh, 6);
    expect(wh(day.demandW)).toBeCloseTo(1440, 6);
    expect(day.directWh + day.storeWh).toBeCloseTo(1440, 6);
    expect(day.soc.every((soc) => soc >= 0 && soc <= 1)).toBe(true);
    expect(day.coolingH).toBeNull();
  });
});
