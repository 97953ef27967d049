import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess, evaluate } from '../assess/assess.ts';
import { blankArray, blankCharger, blankController, blankInverter, blankLink } from '../job/blank.ts';
import { mergeJobs } from '../job/merge.ts';
import type { PartOf } from '../job/partFields.ts';
import type { AllInOne, Job, SolarArray, System } from '../job/schema.ts';
import { validateJob } from '../job/validate.ts';
import { withoutLost } from '../job/withoutLost.ts';
import { partsOf } from '../parts/choose.ts';
import { asOneBox } from '../parts/oneBox.ts';
import { PARTS } from '../reference/parts.ts';
import { settle } from '../settle/settle.ts';
import { aHookup, aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';
import { prepareDays, tripDetail } from './daysDetail.ts';
import { cellOf, playDay } from './kindsOfDay.ts';
import { metBy } from './metBy.ts';
import { boxChoice } from './oneBox.ts';
import { sourcesDetail } from './sourcesDetail.ts';

const CHARGING_V = 14.2;

const changed = (job: Job, change: (system: System) => Partial<System>): Job => ({
  ...job,
  options: job.options.map((option) => ({ ...option, system: { ...option.system, ...change(option.system) } })),
});

/** Two arrays of 800 W, an 80 A charger, 2,000 W of mains load; no unit yet. */
const separate = (): Job =>
  changed(
    withSystem(aJob([aLoad({ watts: 1500, hours: 0.5, path: 'inverter' }), aLoad({ watts: 60, hours: 24 })]), {}),
    () => ({
      arrays: [blankArray('roof', 'Roof', 800), blankArray('side', 'Side', 800)],
      chargers: [blankCharger('charger', 'Charger', 80)],
    }),
  );

const unit = (part: Partial<AllInOne> = {}): AllInOne => ({
  id: 'box',
  name: 'Box',
  inverter: 'inverter',
  arrays: ['roof', 'side'],
  charger: 'charger',
  chargeA: 60,
  kg: null,
  price: null,
  ...part,
});

const boxed = (part: Partial<AllInOne> = {}): Job => changed(separate(), () => ({ allInOnes: [unit(part)] }));

const sunOf = (job: Job) => settle(job).sources.filter(({ kind }) => kind === 'sun');
const togetherAt = (sources: readonly { readonly watts: Float64Array }[], m: number): number =>
  sources.reduce((sum, { watts }) => sum + (watts[m] as number), 0);

describe('what one box lets in', () => {
  it('is so many A of all its arrays together, minute by minute; what is held back is said', () => {
    const [free, held] = [sunOf(separate()), sunOf(boxed({ chargeA: 30 }))];
    const mostW = 30 * CHARGING_V;
    let heldBackWh = 0;
    let isReached = false;
    for (let m = 0; m < 1440; m++) {
      const all = togetherAt(free, m);
      expect(togetherAt(held, m)).toBeCloseTo(Math.min(all, mostW), 9);
      heldBackWh += Math.max(0, all - mostW) / 60;
      isReached ||= all > mostW + 1;
    }
    expect(isReached).toBe(true);
    const clipped = held.reduce((sum, { clippedWh }) => sum + clippedWh, 0);
    expect(clipped - free.reduce((sum, { clippedWh }) => sum + clippedWh, 0)).toBeCloseTo(heldBackWh, 6);
  });

  it('leaves alone an array that is not in it, and everything where it has no limit', () => {
    const [roof, side] = sunOf(boxed({ arrays: ['roof'], chargeA: 10 }));
    const [freeRoof, freeSide] = sunOf(separate());
    expect(side?.watts).toEqual(freeSide?.watts);
    expect(Math.max(...(roof?.watts ?? []))).toBeCloseTo(10 * CHARGING_V, 9);
    expect(Math.max(...(freeRoof?.watts ?? []))).toBeGreaterThan(10 * CHARGING_V);
    expect(sunOf(boxed({ chargeA: null })).map(({ watts }) => watts)).toEqual(
      sunOf(separate()).map(({ watts }) => watts),
    );
  });

  it('on hookup the sun goes first and the mains has what is left of it', () => {
    const job = withSupplies(boxed(), aHookup(16, 230));
    const hookup = { kind: 'hookup', name: 'Hookup', supplyId: 'hookup' } as const;
    const { sources } = playDay(job, 'a', 6, hookup, 1e5, null);
    const supply = sources.find(({ kind }) => kind === 'supply');
    const sun = sources.filter(({ kind }) => kind === 'sun');
    let isFull = false;
    for (let m = 0; m < 1440; m++) {
      const [bySun, bySupply] = [togetherAt(sun, m), supply?.watts[m] as number];
      expect(bySun + bySupply).toBeLessThanOrEqual(60 * CHARGING_V + 1e-9);
      // 80 A of charger are more than the 60 A at any time: with the sun they fill it.
      isFull ||= Math.abs(bySun + bySupply - 60 * CHARGING_V) < 1e-6 && bySun > 100;
    }
    expect(isFull).toBe(true);
    const free = playDay(withSupplies(separate(), aHookup(16, 230)), 'a', 6, hookup, 1e5, null);
    expect(cellOf({ ...free, sources }, 6, hookup).supplyWh).toBeLessThan(cellOf(free, 6, hookup).supplyWh);
  });

  it('in the simulation of days as well: 1 A lets in no more than 14.2 W', () => {
    const ask = { month: 6, weather: 'typical', ifs: [], stepMin: 15 } as const;
    const booksOf = (job: Job) => tripDetail(prepareDays(job, 'a', ask)).run;
    const { books, days } = booksOf(boxed({ chargeA: 1 }));
    expect(books.sunWh).toBeGreaterThan(50);
    expect(books.sunWh).toBeLessThanOrEqual(CHARGING_V * 24 * days + 1e-6);
    expect(booksOf(separate()).books.sunWh).toBeGreaterThan(books.sunWh);
    expect(booksOf(boxed({ chargeA: null })).books.sunWh).toBeCloseTo(booksOf(separate()).books.sunWh, 9);
  });
});

describe('on days on a supply that are played through', () => {
  const daysOn = (job: Job) => {
    const plugged: Job = {
      ...withSupplies(job, aHookup(16, 230)),
      brief: {
        ...withSupplies(job, aHookup(16, 230)).brief,
        plan: [{ kind: 'supply', days: 3, driveH: null, supply: 'hookup', hours: null }],
      },
    };
    return tripDetail(prepareDays(plugged, 'a', { month: 6, weather: 'typical', ifs: [], stepMin: 15 })).run;
  };

  it('sun and mains together give no more than the unit lets in', () => {
    const held = daysOn(boxed({ chargeA: 2 }));
    expect(held.books.sunWh + held.books.supplyWh).toBeGreaterThan(100);
    expect(held.books.sunOfferedWh + held.books.supplyWh).toBeLessThanOrEqual(2 * CHARGING_V * 24 * held.days + 1e-6);
    const free = daysOn(separate());
    expect(free.books.sunOfferedWh).toBeGreaterThan(held.books.sunOfferedWh);
  });
});

describe('a controller that says more of itself', () => {
  const withController = (change: Partial<SolarArray['controller']>) => {
    const array = blankArray('roof', 'Roof', 400);
    return changed(separate(), () => ({ arrays: [{ ...array, controller: { ...array.controller, ...change } }] }));
  };

  it('lets through its own share and not the usual 97 %', () => {
    const [usual, own] = [sunOf(withController({})), sunOf(withController({ efficiency: 0.9 }))];
    for (const m of [600, 720, 840])
      expect((own[0]?.watts[m] ?? 0) / (usual[0]?.watts[m] ?? 1)).toBeCloseTo(0.9 / 0.97, 12);
    expect(own[0]?.efficiency).toBe(0.9);
  });

  it('needs the volts from which it works', () => {
    const panel = { vmpV: 18, impA: 5.56, vocV: 21.6, iscA: 5.95 };
    const array = blankArray('roof', 'Roof', 0);
    const job = changed(separate(), () => ({
      arrays: [
        {
          ...array,
          ratingW: null,
          panels: [{ ...panelOf('p'), ...panel }],
          controller: { ...array.controller, minV: 30 },
        },
      ],
    }));
    // One 18 V panel never reaches 30 V.
    expect(settle(job).windows[0]?.hotVmp?.limit).toBe(30);
    expect(assess(job).findings.map(({ code }) => code)).toContain('array-low');
  });
});

const panelOf = (id: string): SolarArray['panels'][number] => ({
  id,
  name: id,
  ratingW: 100,
  vmpV: null,
  impA: null,
  vocV: null,
  iscA: null,
  powerPerK: null,
  vocPerK: null,
  iscPerK: null,
  noctC: null,
  lengthM: null,
  areaM2: null,
  kg: null,
  price: null,
  series: 1,
  parallel: 1,
});

describe('what the kit weighs', () => {
  const kitOf = (job: Job) => settle(job).kit;

  it('counts what is said, and the usual for an inverter of which nothing is: once each', () => {
    const sized = withSystem(separate(), { inverter: { ratingW: 2000 } });
    const bare = kitOf(sized);
    const said = changed(sized, ({ devices, arrays, chargers }) => ({
      devices: devices.map((device) => (device.kind === 'inverter' ? { ...device, kg: 5.5 } : device)),
      arrays: arrays?.map((array) => ({ ...array, controller: { ...array.controller, kg: 1.25 } })) ?? null,
      chargers: chargers.map((charger) => ({ ...charger, kg: 4 })),
      driving: [{ ...blankLink('d', 'D', 20), kg: 1.5 }],
    }));
    expect(bare.saidKg).toBe(0);
    expect(bare.usualW).toBe(2000);
    expect(kitOf(said)).toMatchObject({ saidKg: 5.5 + 2 * 1.25 + 4 + 1.5, usualW: 0, usualKg: 0 });
    expect(kitOf(said).kg).toBeCloseTo(bare.kg - bare.usualKg + 13.5, 9);
    // In one box of 16 kg: its inverter, its controllers and its charger weigh nothing beside it.
    const inBox = changed(said, () => ({ allInOnes: [unit({ kg: 16 })] }));
    expect(kitOf(inBox)).toMatchObject({ saidKg: 16 + 1.5, usualW: 0 });
    const unsaid = changed(said, () => ({ allInOnes: [unit()] }));
    expect(kitOf(unsaid)).toMatchObject({ saidKg: 1.5, usualW: 2000 });
  });
});

describe('one box beside separate units', () => {
  it('1,700 W on 3,000 W and 2,500 W of panels on an input for 5,000 W: 56.7 % and 50 %', () => {
    const part: PartOf<'all-in-one'> = {
      ...(partsOf(PARTS, 'all-in-one')[0] as PartOf<'all-in-one'>),
      name: 'Three kilowatts',
      busV: 48,
      ratingW: 3000,
      surgeW: 6000,
      maxA: null,
      maxW: 5000,
      maxV: 500,
      minV: null,
      kg: 20,
      price: 1000,
    };
    const job = changed(
      withSystem(aJob([aLoad({ watts: 1700, hours: 0.2, path: 'inverter' })]), { busVoltageV: 48 }),
      () => ({
        arrays: [blankArray('roof', 'Roof', 2500)],
      }),
    );
    const { columns, none } = boxChoice(job, 'a', [part]);
    expect(none).toBeNull();
    const box = columns.find(({ what }) => what === 'one box');
    expect(box?.loadShare).toBeCloseTo(0.5667, 4);
    expect(box).toMatchObject({ names: ['Three kilowatts'], solarShare: 0.5, kg: 20, money: 1000, findings: [] });
    // Of what the unit does not say nothing is made up.
    expect(validateJob(changed(job, () => box?.system as System))).toMatchObject({ ok: true });
    expect(box?.system?.arrays?.[0]?.controller).toMatchObject({ maxA: null, maxW: 5000, minV: null });
  });

  it('has one idle for all that is in it: W × hours, whatever stands in it', () => {
    const always = changed(separate(), ({ devices }) => ({
      devices: devices.map((device) => ({ ...device, policy: 'always' as const })),
    }));
    const box = boxChoice(always, 'a', PARTS).columns.find(({ what }) => what === 'one box');
    expect(box?.names).toEqual(['All in one 12 V 2000 W', 'Controller of Side']);
    // 26 W by its label, all day.
    expect(box?.idleWh).toBeCloseTo(26 * 24, 6);
    expect(box?.idleW).toBeCloseTo(26, 9);
  });

  it('taken, it is what was shown, and not offered again; taken apart, its inputs and limits are gone', () => {
    const job = separate();
    const box = boxChoice(job, 'a', PARTS).columns.find(({ what }) => what === 'one box');
    if (!box?.system) throw new Error('no box');
    const taken = changed(job, () => box.system as System);
    expect(validateJob(taken)).toMatchObject({ ok: true });
    const after = boxChoice(taken, 'a', PARTS);
    expect(after.columns.map(({ what }) => what)).toEqual(['as it is', 'separate']);
    expect(after.columns[0]).toMatchObject({ lostWh: box.lostWh, needWh: box.needWh, kg: box.kg, idleW: box.idleW });
    const apart = after.columns[1]?.system;
    expect(apart?.allInOnes).toEqual([]);
    expect(apart?.arrays?.[0]?.controller).toMatchObject({ minV: null, efficiency: null });
    expect(apart?.devices[0]).toMatchObject({ name: 'Sine inverter 2000 W', kg: 5.4 });
  });

  it('taken apart, an array that no controller of the list is large enough for has one of which nothing is known', () => {
    // 1,400 W ÷ 14.2 V are 98.6 A; the largest of the list gives 70.
    const job = changed(separate(), () => ({
      arrays: [{ ...blankArray('roof', 'Roof', 1400), controller: { ...blankController('mppt'), maxA: 60, minV: 30 } }],
      allInOnes: [unit({ arrays: ['roof'] })],
    }));
    const apart = boxChoice(job, 'a', PARTS).columns.find(({ what }) => what === 'separate')?.system;
    expect(apart?.arrays?.[0]?.controller).toEqual(blankController('mppt'));
  });

  it('beside another unit it takes only what is free; a charger that is not used is not replaced', () => {
    const second = blankInverter('second', 'Second');
    const job = changed(separate(), ({ devices }) => ({
      devices: [...devices, { ...second, ratingW: 1000 }],
      chargers: [blankCharger('charger', 'Charger', 0)],
      allInOnes: [unit({ id: 'all-in-one', inverter: 'second', arrays: ['roof'], charger: 'charger' })],
    }));
    const { columns } = boxChoice(job, 'a', PARTS);
    const box = columns.find(({ what }) => what === 'one box')?.system;
    expect(box?.allInOnes.map(({ arrays }) => arrays)).toEqual([['roof'], ['side']]);
    for (const { system } of columns)
      if (system) expect(validateJob(changed(job, () => system))).toMatchObject({ ok: true });
    expect(columns.find(({ what }) => what === 'separate')?.system?.chargers[0]?.ratingA).toBe(0);
  });

  it('of separate units of the list masses and prices add up', () => {
    const job = changed(separate(), () => ({ arrays: [blankArray('roof', 'Roof', 400)] }));
    const column = boxChoice(job, 'a', PARTS).columns.find(({ what }) => what === 'separate');
    // 400 W ÷ 14.2 V = 28.2 A: 30 A of controller; 80 A of charger; 2,000 W for 1,500 W and a margin.
    expect(column?.names).toEqual(['Sine inverter 2000 W', 'Controller 30 A', 'Mains charger 80 A']);
    expect(column?.kg).toBeCloseTo(5.4 + 1.3 + 5.5, 9);
    expect(column?.money).toBe(340 + 160 + 450);
  });

  it('says why there is none', () => {
    expect(boxChoice(separate(), 'a', []).none).toBe('no unit for this voltage');
    const heavy = changed(aJob([aLoad({ watts: 9000, hours: 0.1, path: 'inverter' })]), () => ({}));
    expect(boxChoice(heavy, 'a', PARTS).none).toBe('no unit is large enough');
  });

  it('property: whatever the job, what is offered is valid and, but for what is said beside it, brings nothing new to check', () => {
    fc.assert(
      fc.property(
        fc.record({
          watts: fc.integer({ min: 20, max: 4000 }),
          busVoltageV: fc.constantFrom(12, 24, 48),
          arrays: fc.option(fc.array(fc.integer({ min: 50, max: 1500 }), { maxLength: 3 }), { nil: null }),
          chargerA: fc.integer({ min: 0, max: 120 }),
        }),
        ({ watts, busVoltageV, arrays, chargerA }) => {
          const job = changed(
            withSystem(aJob([aLoad({ watts, hours: 0.5, path: 'inverter' })]), {
              busVoltageV: busVoltageV as 12 | 24 | 48,
            }),
            () => ({
              arrays: arrays?.map((w, i) => blankArray(`array-${i}`, `Array ${i}`, w)) ?? null,
              chargers: [blankCharger('charger', 'Charger', chargerA)],
            }),
          );
          const before = assess(job).findings.map(({ code, severity }) => `${code} ${severity}`);
          for (const { system, findings, lostWh } of boxChoice(job, 'a', PARTS).columns) {
            expect(Number.isFinite(lostWh)).toBe(true);
            if (!system) continue;
            const next = changed(job, () => system);
            expect(validateJob(next)).toMatchObject({ ok: true });
            const fresh = assess(next).findings.filter(
              ({ code, severity, where }) =>
                severity !== 'note' && where.step !== 'runs' && !before.includes(`${code} ${severity}`),
            );
            expect(fresh.map(({ code }) => code)).toEqual(findings.map(({ code }) => code));
          }
        },
      ),
      { numRuns: 30 },
    );
  });
});

describe('what holds a box together', () => {
  const faultsOf = (part: Partial<AllInOne>, ...more: AllInOne[]) => {
    const checked = validateJob(changed(separate(), () => ({ allInOnes: [unit(part), ...more] })));
    return checked.ok ? [] : checked.faults.map(({ path }) => path.replace('/options/0/system/allInOnes', ''));
  };

  it('is refused where it names what is not there, or what is in another', () => {
    expect(faultsOf({})).toEqual([]);
    expect(faultsOf({ inverter: 'nobody' })).toEqual(['/0/inverter']);
    expect(faultsOf({ arrays: ['roof', 'gone'] })).toEqual(['/0/arrays/1']);
    expect(faultsOf({ arrays: ['roof', 'roof'] })).toEqual(['/0/arrays/1']);
    expect(faultsOf({ charger: 'gone' })).toEqual(['/0/charger']);
    expect(faultsOf({}, unit({ id: 'second', arrays: [], charger: null }))).toEqual(['/1/inverter']);
  });

  it('goes with what is taken out of the job, and the job stays valid', () => {
    const job = boxed();
    expect(withoutLost(job)).toBe(job);
    const unitsOf = (left: Job) => left.options[0]?.system.allInOnes;
    const noRoof = withoutLost(changed(job, ({ arrays }) => ({ arrays: arrays?.slice(1) ?? null })));
    expect(unitsOf(noRoof)).toEqual([unit({ arrays: ['side'] })]);
    const noCharger = withoutLost(changed(job, () => ({ chargers: [] })));
    expect(unitsOf(noCharger)).toEqual([unit({ charger: null })]);
    const other = withoutLost(
      changed(job, ({ devices }) => ({ devices: devices.map((one) => ({ ...one, id: 'new' })) })),
    );
    expect(unitsOf(other)).toEqual([]);
    for (const left of [noRoof, noCharger, other]) expect(validateJob(left)).toMatchObject({ ok: true });
  });

  it('two tabs, one taking an array out and the other joining it with something, come to a valid job', () => {
    const base = changed(separate(), () => ({ driving: [blankLink('d', 'D', 30)] }));
    const without = changed(base, ({ arrays }) => ({ arrays: arrays?.slice(1) ?? null }));
    const joined = changed(base, ({ driving }) => ({
      driving: driving?.map((link) => ({ ...link, sharesWith: 'roof' })) ?? null,
      allInOnes: [unit()],
    }));
    const merged = mergeJobs(base, without, joined);
    expect(merged?.options[0]?.system.driving?.[0]?.sharesWith).toBeNull();
    expect(merged?.options[0]?.system.allInOnes).toEqual([unit({ arrays: ['side'] })]);
    expect(validateJob(merged)).toMatchObject({ ok: true });
  });
});

describe('how uses are met', () => {
  it('without sun and driving all of it comes out of the store, by the conversions on its way', () => {
    const job = withSystem(
      aJob([
        aLoad({ watts: 10, hours: 10, path: 'direct' }),
        aLoad({ watts: 20, hours: 5, path: 'dc-dc' }),
        aLoad({ watts: 30, hours: 2, path: 'inverter' }),
        aLoad({ watts: 40, hours: 1, path: 'inverter-adapter' }),
        aLoad({ watts: 500, hours: 1, path: 'supply-only' }),
      ]),
      { array: { ratingW: 0 }, dcdc: { ratingA: 0 } },
    );
    const rows = metBy(settle(job));
    expect(rows.map(({ fromStoreWh }) => Math.round(fromStoreWh * 1e6) / 1e6)).toEqual([100, 160, 40]);
    expect(rows.every(({ fromSunWh, fromDrivingWh }) => fromSunWh === 0 && fromDrivingWh === 0)).toBe(true);
  });

  it('under more sun than is drawn all of it is the sun’s; at night none is', () => {
    const day = aLoad({ watts: 50, uses: [{ startMin: 660, minutes: 120 }] });
    const night = aLoad({ watts: 50, uses: [{ startMin: 0, minutes: 120 }] });
    const rows = (load: ReturnType<typeof aLoad>) =>
      metBy(settle(withSystem(aJob([load]), { array: { ratingW: 2000 }, dcdc: { ratingA: 0 } })))[0];
    expect(rows(day)).toMatchObject({ fromSunWh: expect.closeTo(100, 6), fromStoreWh: expect.closeTo(0, 6) });
    expect(rows(night)).toMatchObject({ fromSunWh: 0, fromStoreWh: expect.closeTo(100, 6) });
  });

  it('where sun and alternator come at once the sun goes first, and nothing comes out of the store', () => {
    const load = aLoad({ watts: 50, uses: [{ startMin: 690, minutes: 60 }] });
    const job = withSystem(
      aJob([load], (one) => ({ ...one, brief: { ...one.brief, drives: [{ startMin: 600, minutes: 240 }] } })),
      { array: { ratingW: 60 }, dcdc: { ratingA: 30 } },
    );
    const [row] = metBy(settle(job));
    expect(row?.fromSunWh).toBeGreaterThan(1);
    expect(row?.fromDrivingWh).toBeGreaterThan(1);
    expect(row?.fromStoreWh).toBeCloseTo(0, 9);
    expect((row?.fromSunWh ?? 0) + (row?.fromDrivingWh ?? 0)).toBeCloseTo(50, 9);
  });

  it('is part of what the Sources step says, and adds up to what is used', () => {
    const job = separate();
    const usefulWh = evaluate(job).ledger.total.usefulWh;
    const met = sourcesDetail(job, 'a').met;
    const sum = met.reduce((wh, row) => wh + row.fromSunWh + row.fromDrivingWh + row.fromStoreWh, 0);
    expect(sum).toBeCloseTo(usefulWh, 6);
  });
});

describe('a unit of the list', () => {
  it('brings its inputs, its charger and its limit along; an array beyond its inputs keeps its own controller', () => {
    const part = partsOf(PARTS, 'all-in-one').find(({ name }) => name === 'All in one 24 V 3000 W');
    if (!part) throw new Error('no such part');
    const system = asOneBox((separate().options[0] as Job['options'][number]).system, part);
    expect(system.allInOnes[0]).toMatchObject({
      inverter: 'inverter',
      arrays: ['roof'],
      charger: 'charger',
      chargeA: 100,
    });
    expect(system.arrays?.map(({ controller }) => controller.maxA)).toEqual([80, null]);
    expect(system.chargers[0]?.ratingA).toBe(60);
    expect(system.devices[0]).toMatchObject({ ratingW: 3000, idleW: 34, kg: null });
  });
});
