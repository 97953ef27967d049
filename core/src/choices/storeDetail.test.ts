import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { cyclesAt } from '../battery/cycles.ts';
import { blankCharger, blankString } from '../job/blank.ts';
import { withDriveHours } from '../job/day.ts';
import type { Job } from '../job/schema.ts';
import { PARTS } from '../reference/parts.ts';
import { blankRun } from '../runs/propose.ts';
import { runsOf } from '../settle/runs.ts';
import { settle } from '../settle/settle.ts';
import { findingOf } from '../test/findings.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { copperChoice } from './runsDetail.ts';
import { storeDetail } from './storeDetail.ts';

const at = (job: Job, busV: 12 | 24 | 48) => {
  const found = storeDetail(job, 'a', PARTS).voltages.find((one) => one.busV === busV);
  if (!found) throw new Error(`nothing for ${busV} V`);
  return found;
};

describe('the same job at 12, 24 and 48 V (by hand)', () => {
  // 1,280 W straight from the bus for an hour: 100 A, 50 A, 25 A of LFP.
  const job = aJob([aLoad({ watts: 1280, hours: 1, path: 'direct', maxV: 60 })]);

  it('halves and quarters the current', () => {
    expect([12, 24, 48].map((busV) => at(job, busV as 12).worstA)).toEqual([
      expect.closeTo(100, 9),
      expect.closeTo(50, 9),
      expect.closeTo(25, 9),
    ]);
  });

  it('has the main fuse and the leads that Runs has, at the voltage chosen and at the others, of little and of much', () => {
    for (const watts of [1280, 9000])
      for (const busV of [12, 24] as const) {
        const of = aJob([aLoad({ watts, hours: 1, path: 'direct', maxV: 60 })]);
        const chosen = withSystem(of, { busVoltageV: busV });
        const row = runsOf(settle(chosen)).rows.find(({ run }) => run.name === 'Bank to busbars');
        if (!row) throw new Error('a main run is proposed');
        const main = {
          fuseA: row.fuse.ratingA,
          fuseWays: row.fuse.ways,
          areaMm2: row.areaMm2 * row.parallel,
          kg: row.kg,
          lostWh: row.lostWh,
        };
        expect(at(chosen, busV).main).toEqual(main);
        expect(at(withSystem(of, { busVoltageV: busV === 12 ? 24 : 12 }), busV).main).toEqual(main);
        if (busV === 12) expect(row.fuse.ways > 1).toBe(watts === 9000);
      }
  });

  it('tells the copper and the loss of the leads', () => {
    const { areaMm2 = 0, kg = 0, lostWh = 0 } = at(job, 12).main ?? {};
    // Of 1.5 m each way: mm² × 3 m × 8,930 kg/m³.
    expect(kg / (areaMm2 * 1e-6 * 3 * 8930)).toBeCloseTo(1, 2);
    // 100² A² for an hour through copper of 17.2 to 20 mΩ·mm²/m, cold to warm, and a few joints.
    expect((lostWh * areaMm2) / (100 ** 2 * 3)).toBeGreaterThan(17.2e-3);
    expect((lostWh * areaMm2) / (100 ** 2 * 3)).toBeLessThan(2 * 20e-3);
    expect(at(withSystem(job, { store: { leadM: 6 } }), 12).main?.lostWh).toBeGreaterThan(lostWh);
  });

  it('has the fuse of a main run that is laid, and none where the bank feeds something straight', () => {
    const loads = job.loads.map(({ id }) => id);
    const load = { ...blankRun('load', 'Load', 'main', 'loads'), loads, areaMm2: 50, ratingA: 150 };
    const main = { ...blankRun('main', 'Main', null, 'busbar'), areaMm2: 70, lengthM: 2, ratingA: 200 };
    const laid = withSystem(job, { runs: [load, { ...main, protection: 'high-interrupt' }] });
    expect(at(laid, 12).main).toMatchObject({ fuseA: 200, fuseWays: 1, areaMm2: 70 });
    // Elsewhere the same runs, of the sizes that are asked there.
    const there = copperChoice(laid, 'a').find(({ busV }) => busV === 24);
    expect(at(laid, 24).main?.fuseA).toBe(there?.fuseA);
    // 1,280 W at 22 V, × 1.25: 73 A.
    expect(there?.fuseA).toBeGreaterThanOrEqual(73);
    expect(there?.fuseA).toBeLessThan(200);
    expect(at(laid, 24).main?.areaMm2).toBeLessThan(70);
    const straight = withSystem(job, { runs: [{ ...load, from: null }] });
    expect(at(straight, 12).main).toBeNull();
  });

  it('a controller of 50 A carries 600 W by its name, 710 W at 14.2 V, twice that at 24 V', () => {
    expect([at(job, 12).controllerW, at(job, 24).controllerW]).toEqual([
      expect.closeTo(710, 9),
      expect.closeTo(1420, 9),
    ]);
  });

  it('what runs at 12 V only asks for a converter at 24 V: 1/9 of its energy and 0.5 % of its peak all day', () => {
    const lamps = aJob([
      aLoad({ watts: 100, hours: 5, path: 'direct' }),
      aLoad({ watts: 50, path: 'direct', maxV: 32 }),
    ]);
    expect(at(lamps, 12)).toMatchObject({ converterLoads: 0, converterWh: 0 });
    const { converterLoads, converterWh } = at(lamps, 24);
    expect(converterLoads).toBe(1);
    expect(converterWh).toBeCloseTo(500 / 9 + 100 * 0.005 * 24, 6);
    expect(at(lamps, 48).converterLoads).toBe(2);
    // What bears 26 V does not bear 28.4 V, at which a bank of 24 V is charged.
    const nearly = aJob([26, 28, 29].map((maxV) => aLoad({ watts: 10, path: 'direct', maxV })));
    expect(at(nearly, 24).converterLoads).toBe(2);
  });

  it('a 2.2 kW mains load draws about 220 A from a 12 V bank and about 107 A from a 24 V bank', () => {
    const mains = withSystem(aJob([aLoad({ watts: 2200, path: 'inverter' })]), { store: { chemistry: 'agm' } });
    expect(Math.abs(at(mains, 12).worstA / 220 - 1)).toBeLessThan(0.1);
    expect(Math.abs(at(mains, 24).worstA / 107 - 1)).toBeLessThan(0.1);
  });

  it('each with its bank of the parts list: of units of the voltage, and of units in a row', () => {
    // 1,280 Wh out of 80 % that age to 0.8, no cold: 1,280 ÷ 0.64 are 2,000 Wh, and what the store loses in giving.
    const warm = withSystem(job, { store: { roundTripEfficiency: 1, coldestC: 25, usableDepth: 0.8 } });
    const priced = {
      ...warm,
      brief: { ...warm.brief, sunlessDays: 1, prices: { ...warm.brief.prices, copperPerKg: 20 } },
    };
    const list = PARTS.filter(({ name }) => /^LFP (?:12.8 V 100|25.6 V 100|51.2 V 100) Ah$/.test(name));
    const [at12, at24, at48] = storeDetail(priced, 'a', list).voltages;
    // 100 A at 12.8 V, of a BMS that gives 100 A: two of 1,280 Wh; 23 kg, 860.
    expect(at12?.native).toMatchObject({ name: 'LFP 12.8 V 100 Ah', series: 1, parallel: 2 });
    expect(at12?.native?.kg).toBeCloseTo(23 + (at12?.main?.kg ?? 0), 9);
    expect(at12?.native?.money).toBeCloseTo(860 + 20 * (at12?.main?.kg ?? 0), 9);
    expect(at12?.inRow).toBeNull();
    expect(at24?.native).toMatchObject({ name: 'LFP 25.6 V 100 Ah', series: 1, parallel: 1 });
    expect(at24?.inRow).toMatchObject({ name: 'LFP 12.8 V 100 Ah', series: 2, parallel: 1 });
    expect(at24?.inRow?.money).toBeCloseTo(860 + 20 * (at24?.main?.kg ?? 0), 9);
    expect(at48?.native).toMatchObject({ name: 'LFP 51.2 V 100 Ah', series: 1, parallel: 1 });
    expect(at48?.inRow).toMatchObject({ series: 2, parallel: 1, name: 'LFP 25.6 V 100 Ah' });
    const unsaid = list.map((part) => ({ ...part, price: null, kg: null })) as typeof list;
    expect(storeDetail(priced, 'a', unsaid).voltages[0]?.native).toMatchObject({ kg: null, money: null });
    expect(storeDetail(priced, 'a', []).voltages[0]).toMatchObject({ native: null, inRow: null });
  });

  it('the rule of thumb marks one of them: 2 kW 12 V, 4 kW 24 V, 8 kW 48 V', () => {
    const marked = (watts: number) =>
      storeDetail(aJob([aLoad({ watts, path: 'direct' })]), 'a', PARTS)
        .voltages.filter(({ isByGuide }) => isByGuide)
        .map(({ busV }) => busV);
    expect([2000, 4000, 8000].map(marked)).toEqual([[12], [24], [48]]);
  });

  it('small jobs stay at 12 V; what no common fuse carries there goes higher', () => {
    const advised = (watts: number) => storeDetail(aJob([aLoad({ watts, path: 'inverter' })]), 'a', PARTS).advised;
    expect(advised(300)).toBe(12);
    expect(advised(5000)).not.toBe(12);
    // An inverter of 8 kW takes 700 A of 12 V whatever runs on it: no fuse for its 900 A is sold.
    const small = aJob([aLoad({ watts: 300, path: 'inverter' })]);
    const large = withSystem(small, { inverter: { ratingW: 8000 } });
    expect(at(large, 12)).toMatchObject({ isByOneFuse: false });
    expect(at(large, 12).worstA).toBeLessThan(50);
    expect(storeDetail(large, 'a', PARTS).advised).not.toBe(12);
  });
});

describe('what fills it', () => {
  it('each source alone, and all at once faster than any', () => {
    const job = withSystem(
      aJob([aLoad({ hours: 5 })], (j) => ({ ...j, brief: { ...j.brief, drives: withDriveHours([], 2) } })),
      {
        store: { capacityAh: 200 },
        dcdc: { ratingA: 30 },
        array: { ratingW: 300 },
        charger: { ...blankCharger('charger', 'Charger', 40) },
      },
    );
    const { fillings } = storeDetail(job, 'a', PARTS);
    expect(fillings.map(({ kind }) => kind)).toEqual(['sun', 'driving', 'charger', 'all']);
    const charger = fillings[2];
    // 160 Ah between 20 and 99 % less the taper's last part: a little above 158 Ah ÷ (40 A × 0.98).
    expect(charger?.hours).toBeGreaterThan(158 / 40 / 0.98);
    expect(charger?.hours).toBeLessThan(1.3 * (158 / 40 / 0.98));
    const all = fillings[3]?.hours ?? 0;
    for (const { hours } of fillings.slice(0, 3)) expect(all).toBeLessThan(hours ?? 0);
  });

  it('says what that is of its capacity: 40 A of 200 Ah are 0.2 C, and no more than it takes or its input bears', () => {
    const charged = (ratingA: number, inputW: number | null = null) => {
      const job = withSystem(aJob([aLoad()]), {
        array: { ratingW: 0 },
        dcdc: { ratingA: 0 },
        store: { capacityAh: 200 },
        charger: blankCharger('charger', 'Charger', ratingA),
      });
      const [option] = job.options as [Job['options'][number]];
      const { system } = option;
      const held = { ...option, system: { ...system, store: { ...system.store, inputW } } };
      return storeDetail({ ...job, options: [held] }, 'a', PARTS).fillings[0];
    };
    expect(charged(40)?.chargeC).toBeCloseTo(0.2, 9);
    // LFP takes half a C; 426 W at 14.2 V are 30 A.
    expect(charged(300)?.chargeC).toBeCloseTo(0.5, 9);
    expect(charged(40, 426)).toMatchObject({ amps: expect.closeTo(30, 9), chargeC: expect.closeTo(0.15, 9) });
  });

  it('nothing comes in, nothing is said', () => {
    const none = withSystem(aJob([aLoad()]), { array: { ratingW: 0 }, dcdc: { ratingA: 0 } });
    expect(storeDetail(none, 'a', PARTS).fillings).toEqual([]);
  });

  it('a BMS of 20 A holds a charger of 80 A back', () => {
    const job = withSystem(aJob([aLoad()]), {
      array: { ratingW: 0 },
      dcdc: { ratingA: 0 },
      charger: { ...blankCharger('charger', 'Charger', 80) },
      store: { strings: [{ ...blankString('s', 'S', 100), chargeA: 20 }] },
    });
    expect(storeDetail(job, 'a', PARTS).fillings[0]).toMatchObject({ decidedBy: 'store' });
    expect(storeDetail(job, 'a', PARTS).fillings[0]?.hours).toBeGreaterThan(79 / 20);
  });
});

describe('what a depth costs', () => {
  it('asks for less store and lives less long: LFP 80 % 3,500 cycles, 100 % 2,200', () => {
    const job = aJob([aLoad({ hours: 5 })], (j) => ({ ...j, brief: { ...j.brief, sunlessDays: 1 } }));
    const { schools } = storeDetail(job, 'a', PARTS);
    expect(schools.map(({ depth, cycles }) => [depth, Math.round(cycles)])).toEqual([
      [0.8, 3500],
      [0.9, 3000],
      [1, 2200],
    ]);
    expect(schools.map(({ isChosen }) => isChosen)).toEqual([true, false, false]);
    // The same energy at 80 and 100 %: 5 : 4.
    expect((schools[0]?.requiredAh ?? 0) / (schools[2]?.requiredAh ?? 1)).toBeCloseTo(1.25, 9);
    // 2,200 days are 6.03 years; 3,500 days 9.6.
    expect(schools[2]?.years).toBeCloseTo(2200 / 365, 9);
    expect(schools[0]?.years).toBeCloseTo(3500 / 365, 9);
  });

  it('sized for three days the depth is reached every third day: it lasts three times as long, up to the calendar', () => {
    const agm = (sunlessDays: number) => {
      const job = aJob([aLoad({ hours: 5 })], (j) => ({ ...j, brief: { ...j.brief, sunlessDays } }));
      return storeDetail(withSystem(job, { store: { chemistry: 'agm' } }), 'a', PARTS).schools.map(
        ({ years }) => years,
      );
    };
    // 600, 497 and 350 cycles: 50 %, 60 %, 80 % deep.
    expect(agm(1)[0]).toBeCloseTo(600 / 365, 9);
    expect(agm(1)[2]).toBeCloseTo(350 / 365, 9);
    expect(agm(3)[2]).toBeCloseTo((3 * 350) / 365, 9);
    expect(agm(9)[0]).toBe(6);
  });

  it('between known depths it falls evenly by its logarithm; years end with the calendar', () => {
    expect(cyclesAt('lfp', 0.85)).toBeCloseTo(Math.sqrt(3500 * 3000), 6);
    expect(cyclesAt('agm', 0.4)).toBeCloseTo(Math.sqrt(1200 * 600), 6);
    const long = aJob([aLoad()], (j) => ({ ...j, brief: { ...j.brief, sunlessDays: 9 } }));
    expect(storeDetail(long, 'a', PARTS).schools.every(({ years }) => years <= 13)).toBe(true);
  });

  it('property: deeper never lives longer', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('lfp', 'agm', 'gel', 'flooded'),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        (chemistry, a, b) => {
          const [less, more] = [Math.min(a, b), Math.max(a, b)];
          expect(cyclesAt(chemistry, more)).toBeLessThanOrEqual(cyclesAt(chemistry, less) + 1e-9);
        },
      ),
    );
  });
});

describe('the gauge', () => {
  it('doubles with the bus and tells little of LFP: 0.3 V between 30 and 90 %', () => {
    const { gauge } = storeDetail(withSystem(aJob([]), { busVoltageV: 24 }), 'a', PARTS);
    const volts = (soc: number) => gauge.find((row) => row.soc === soc)?.volts ?? Number.NaN;
    expect(volts(1)).toBeCloseTo(27.2, 9);
    expect((volts(0.9) - volts(0.3)) / 2).toBeCloseTo(0.3, 9);
  });
});

describe('a bank of units in the job', () => {
  it('that of the arrangement asked for finds no fault; its limit is the BMS’s', () => {
    const strings = [{ ...blankString('s', 'S', 100), unitV: 12.8, series: 2, parallel: 2, dischargeA: 50 }];
    const job = withSystem(aJob([aLoad({ watts: 2000, path: 'inverter' })]), { busVoltageV: 24, store: { strings } });
    const { figures, findings } = assess(job);
    expect(figures['store.ah'].value).toBeCloseTo(200, 9);
    expect(figures['store.capacity'].value).toBeCloseTo(5120, 9);
    expect(findingOf(findings, 'bank-voltage')).toBeUndefined();
    // 2,000 W ask for some 85 A; 2 × 50 A are there. Of one string alone it would be a stop.
    expect(findingOf(findings, 'store-current')).toBeUndefined();
    const single = withSystem(job, { store: { strings: strings.map((one) => ({ ...one, parallel: 1 })) } });
    expect(findingOf(assess(single).findings, 'store-current')?.values.limitA).toBeCloseTo(50, 9);
  });

  it('measured at 60 % it lasts 60 % as long new, and no longer when old than it is', () => {
    const withHealth = (health: number | null) =>
      assess(
        withSystem(aJob([aLoad({ hours: 8, path: 'direct' })]), {
          store: { strings: [{ ...blankString('s', 'S', 200), health }] },
        }),
      ).figures;
    const [asNew, worn] = [withHealth(null), withHealth(0.6)];
    expect(worn['store.days'].value / asNew['store.days'].value).toBeCloseTo(0.6, 6);
    // 0.6 against the 0.8 that are left of a new one when it is old.
    expect(worn['store.daysOld'].value / asNew['store.daysOld'].value).toBeCloseTo(0.6 / 0.8, 6);
  });
});
