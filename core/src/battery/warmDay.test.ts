import { describe, expect, it } from 'vitest';
import { dayBalance, sourcesDetail } from '../choices/sourcesDetail.ts';
import { simulateStay } from '../days/stay.ts';
import { settle } from '../settle/settle.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { warmDay } from './warmDay.ts';
import { type Battery, batteryOf } from './warmth.ts';

const MINUTES = 1440;
const row = (of: (hour: number) => number) => Float64Array.from({ length: MINUTES }, (_, m) => of(m / 60));
const still = { sunW: row(() => 0), drivingW: row(() => 0), supplyW: row(() => 0) };
const sunFrom8To16 = { ...still, sunW: row((h) => (h >= 8 && h < 16 ? 500 : 0)) };

/** 100 Ah of LFP in a cold box: 12.3 kg take 3.417 Wh for each K. */
const battery = (part: Partial<Battery> = {}): Battery => ({
  coldestC: -20,
  minChargeC: 0,
  coldLossPerK: 0.005,
  coldFromC: 25,
  heaterW: 60,
  heatToC: 5,
  whPerK: 12.3 / 3.6,
  ...part,
});

describe('a day of a store with a heater', () => {
  it('takes nothing where it is warm, where nothing charges, or where there is none', () => {
    expect(
      warmDay(
        battery(),
        row(() => 6),
        sunFrom8To16,
      ).wh,
    ).toBe(0);
    expect(
      warmDay(
        battery(),
        row(() => -10),
        still,
      ).wh,
    ).toBe(0);
    expect(
      warmDay(
        battery({ heaterW: 0 }),
        row(() => -10),
        sunFrom8To16,
      ).wh,
    ).toBe(0);
  });

  it('in steady frost: warms it up in closed form, then holds it, by hand', () => {
    // τ = 6 h, air −10 °C, 60 W: it climbs towards −10 + 60·6/3.417 = +95 °C; from −10 °C to +5 °C by
    // t = 6·ln(105.37 ÷ (105.37 − 15)) = 0.9215 h; then it holds 15 K against 3.417 Wh/K ÷ 6 h = 0.5694 W/K: 8.54 W.
    const { watts, wh } = warmDay(
      battery(),
      row(() => -10),
      sunFrom8To16,
    );
    const warmUpH = 6 * Math.log(105.366 / (105.366 - 15));
    const holdW = (15 * 12.3) / 3.6 / 6;
    // It has cooled for 16 h since: 15·e^(−16/6) = 1.04 K above the air.
    const leftK = 15 * Math.exp(-16 / 6);
    const fromC = 6 * Math.log((105.366 - leftK) / (105.366 - 15));
    expect(fromC).toBeLessThan(warmUpH);
    expect(wh).toBeCloseTo(60 * fromC + holdW * (8 - fromC), -0.5);
    expect(Math.abs(wh - (60 * fromC + holdW * (8 - fromC)))).toBeLessThan(4);
    expect(watts[7 * 60]).toBe(0);
    expect(watts[8 * 60 + 10]).toBe(60);
    expect(watts[17 * 60]).toBe(0);
  });

  it('takes no more than comes', () => {
    const dim = { ...still, drivingW: row((h) => (h < 2 ? 25 : 0)) };
    const { watts, wh } = warmDay(
      battery(),
      row(() => -10),
      dim,
    );
    expect(Math.max(...watts)).toBe(25);
    expect(wh).toBeLessThanOrEqual(50);
    expect(wh).toBeGreaterThan(40);
  });

  it('weighs what its bank weighs', () => {
    const { system } = aJob([]).options[0] as ReturnType<typeof aJob>['options'][number];
    expect(batteryOf(system, 36).whPerK).toBeCloseTo(10, 9);
  });
});

/** A winter's job far north with a steady load, everything left to the program. */
const winterJob = (heaterW: number | null) => {
  const job = withSystem(aJob([aLoad({ watts: 20, hours: 24, uses: [{ startMin: 0, minutes: 1440 }] })]), {
    store: { chemistry: 'lfp', coldestC: -15, heaterW },
  });
  const place = { ...job.brief.place, latitudeDeg: 45, dayTempC: -2, nightTempC: -12 };
  return { ...job, brief: { ...job.brief, place, months: [1], drives: [] } };
};

describe('a job whose store is heated', () => {
  const without = settle(winterJob(null));
  const heated = settle(winterJob(100));

  it('needs more of what charges and no larger store: a sunless day heats nothing', () => {
    expect(heated.heater.wh).toBeGreaterThan(50);
    expect(heated.store.need.requiredWh).toBeCloseTo(without.store.need.requiredWh, 6);
    expect(heated.solar.requiredW - without.solar.requiredW).toBeCloseTo(
      heated.heaterAsksWh / heated.solar.flat.whPerRatedW,
      6,
    );
    expect(heated.ledger.total.batteryWh).toBeCloseTo(without.ledger.total.batteryWh, 9);
  });

  it('ends the day with as much less as the heater takes', () => {
    const { sunWh, drivingCountsWh, balanceWh, sparedWh } = heated.income;
    const asked = heated.ledger.total.batteryWh + heated.heater.wh;
    expect(balanceWh).toBeCloseTo(sunWh + drivingCountsWh - asked + sparedWh, 9);
    expect(balanceWh).toBeGreaterThanOrEqual(0);
    const [cold, warm] = [simulateStay(heated).first.books, simulateStay(without).first.books];
    expect(cold.unservedWh).toBe(0);
    expect(cold.usefulWh - warm.usefulWh).toBeCloseTo(heated.heater.wh, 6);
  });

  it('asks a DC-DC charger for as much more where the engine runs', () => {
    const driven = (heaterW: number | null) => {
      const job = winterJob(heaterW);
      return settle({ ...job, brief: { ...job.brief, drives: [{ startMin: 540, minutes: 120 }] } });
    };
    const { driving, heaterAsksWh } = driven(100);
    expect(heaterAsksWh).toBeGreaterThan(50);
    // LFP at 12 V is charged at 14.2 V; what is limited by amps counts by its share.
    const moreA = heaterAsksWh / (2 * 14.2 * driving.countsShare);
    expect(driving.requiredA - driven(null).driving.requiredA).toBeCloseTo(moreA, 6);
  });

  it('draws it in the day of a cell', () => {
    const drawn = (heaterW: number | null) => {
      const job = winterJob(heaterW);
      const kind = { kind: 'bright', name: '', supplyId: null } as const;
      const { demandW, stepMin } = dayBalance(job, job.options[0]?.id ?? '', 1, kind);
      return demandW.reduce((sum, w) => sum + (w * stepMin) / 60, 0);
    };
    expect(drawn(100) - drawn(null)).toBeGreaterThan(50);
  });

  it('shows it in each month in which it is cold and something charges', () => {
    const need = (heaterW: number | null) => {
      const job = winterJob(heaterW);
      const { cells } = sourcesDetail(job, job.options[0]?.id ?? '');
      return cells.filter(({ kind, month }) => kind === 'bright' && [12, 1, 2].includes(month));
    };
    const [cold, warm] = [need(100), need(null)];
    for (const [i, cell] of cold.entries()) expect(cell.needWh).toBeGreaterThan((warm[i]?.needWh ?? 0) + 20);
  });
});
