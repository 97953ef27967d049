import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { settle } from '../settle/settle.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { aStoreModel } from '../test/storeModel.ts';
import { noBooks } from './books.ts';
import { standADay } from './player.ts';

/** 50 W around the clock, 1,200 Wh a day, on 200 Ah at 20 °C; by hand. */
const job = (chemistry: 'lfp' | 'agm', selfDischarge: number | null, capacityAh: number | null = 200) =>
  withSystem(
    aJob([aLoad({ draw: { kind: 'standby', powerW: 50 } })], (one) => ({
      ...one,
      brief: { ...one.brief, sunlessDays: 3 },
    })),
    {
      store: { chemistry, capacityAh, selfDischarge, coldestC: 20 },
      array: { ratingW: 0 },
      dcdc: { ratingA: 0 },
    },
  );
const A_DAY = 1 / 30.4375;

describe('what a battery loses by itself', () => {
  it('shortens how long it lasts: 2 % a month of 2,560 Wh of lithium, new', () => {
    const { store } = settle(job('lfp', null));
    const gives = 2560 * 0.8 * Math.sqrt(0.95);
    const lost = 2560 * 0.02 * A_DAY * Math.sqrt(0.95);
    expect(store.new.givesWh).toBeCloseTo(gives, 6);
    expect(store.new.days).toBeCloseTo(gives / (1200 + lost), 6);
    expect(settle(job('lfp', 0)).store.new.days).toBeCloseTo(gives / 1200, 6);
  });

  it('asks for more of it, which then lasts just so long: three days on lead at 5 % a month', () => {
    const { figures } = assess(job('agm', 0.05, null));
    const planned = (0.5 * 0.95 - 3 * 0.05 * A_DAY) * 0.8 * Math.sqrt(0.85);
    expect(figures['store.required'].value).toBeCloseTo(3600 / planned, 4);
    expect(figures['store.daysOld'].value).toBeCloseTo(3, 6);
  });

  it('is in the balance, and in what the sun must bring', () => {
    const of = (selfDischarge: number) => settle(job('lfp', selfDischarge));
    // An old battery of 2,560 Wh holds 2,048.
    const lostWh = 2048 * 0.3 * A_DAY;
    expect(of(0).income.balanceWh - of(0.3).income.balanceWh).toBeCloseTo(lostWh, 6);
    expect(of(0.3).solar.toCoverWh - of(0).solar.toCoverWh).toBeCloseTo(lostWh / Math.sqrt(0.95), 6);
  });

  it('is taken when a day begins, and no more than there is', () => {
    const model = { ...aStoreModel, selfWhPerDay: 10 };
    const state = (storedWh: number) => ({
      storedWh,
      cut: new Uint8Array(2),
      cutCount: 0,
      shortAtH: -1,
      cutAtH: -1,
      lowSoc: 1,
    });
    const [books, full, empty] = [noBooks(), state(1000), state(4)];
    standADay(model, full, books);
    standADay(model, empty, books);
    expect([full.storedWh, empty.storedWh, books.storageWh]).toEqual([990, 0, 14]);
  });
});

it('lithium is charged at 13.6 V for each 12, lead at 14.2, or as said', () => {
  const at = (chemistry: 'lfp' | 'flooded', busVoltageV: number, chargeV: number | null = null) =>
    chargingVoltageV({ store: { chemistry, chargeV }, busVoltageV });
  expect(at('lfp', 12)).toBeCloseTo(13.6, 9);
  expect(at('lfp', 24)).toBeCloseTo(27.2, 9);
  expect(at('flooded', 12)).toBeCloseTo(14.2, 9);
  expect(at('lfp', 24, 27.6)).toBe(27.6);
});
