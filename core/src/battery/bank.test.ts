import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blankString } from '../job/blank.ts';
import type { BatteryString, Chemistry } from '../job/schema.ts';
import { simulate } from '../test/spice.ts';
import { bankOf } from './bank.ts';

/** Handbook arithmetic; none of it read off the program. */

const unit = (part: Partial<BatteryString> & { id?: string }): BatteryString => ({
  ...blankString(part.id ?? 'one', 'One', 100),
  unitV: 12,
  ...part,
});
const bank = (strings: BatteryString[], chemistry: Chemistry = 'agm', busV: 12 | 24 | 48 = 12) =>
  bankOf(strings, chemistry, busV);

describe('what an arrangement comes to (by hand)', () => {
  it('2 × 105 Ah in parallel are 210 Ah at 12 V, in series 105 Ah at 24 V', () => {
    const beside = bank([unit({ capacityAh: 105, parallel: 2 })]);
    expect([beside.ah, beside.nominalV, beside.wh]).toEqual([210, 12, 2520]);
    const behind = bank([unit({ capacityAh: 105, series: 2 })], 'agm', 24);
    expect([behind.ah, behind.nominalV, behind.wh]).toEqual([105, 24, 2520]);
  });

  it('a 12.8 V LFP unit of 100 Ah holds 1,280 Wh; sixteen cells of 3.2 V make 51.2 V', () => {
    expect(bank([unit({ unitV: 12.8 })], 'lfp').wh).toBeCloseTo(1280, 9);
    const cells = bank([unit({ unitV: 3.2, series: 16, capacityAh: 604 })], 'lfp', 48);
    // 604 Ah at 51.2 V are 30.9 kWh.
    expect(cells.wh).toBeCloseTo(30_924.8, 6);
    expect(cells.strings[0]?.isOfBus).toBe(true);
  });

  it.each([
    [12, 1, 12, true],
    [12.8, 1, 12, true],
    [2, 6, 12, true],
    [12, 2, 24, true],
    [12, 1, 24, false],
    [12, 3, 24, false],
    [6, 1, 12, false],
    [3.2, 4, 12, true],
    [3.2, 3, 12, false],
    [3.7, 4, 12, false],
    [24, 2, 48, true],
  ] as const)('%d V × %d on a %d V bus: %s', (unitV, series, busV, expected) => {
    expect(bank([unit({ unitV, series })], 'lfp', busV).strings[0]?.isOfBus).toBe(expected);
  });

  it('limits are those of the units side by side: 2 × 100 A of a BMS give 200 A, charge 0.2 C of 210 Ah is 42 A', () => {
    expect(bank([unit({ dischargeA: 100, parallel: 2 })], 'lfp').dischargeA).toBeCloseTo(200, 9);
    expect(bank([unit({ capacityAh: 105, parallel: 2 })]).chargeA).toBeCloseTo(42, 9);
    expect(bank([unit({ capacityAh: 105, series: 2 })], 'agm', 24).chargeA).toBeCloseTo(21, 9);
  });

  it('weighs its units: 4 × 11.5 kg; or by its chemistry, 24 kg for 2 × 100 Ah of LFP', () => {
    expect(bank([unit({ kg: 11.5, series: 2, parallel: 2 })], 'lfp', 24).kg).toBe(46);
    expect(bank([unit({ parallel: 2 })], 'lfp').kg).toBeCloseTo(24, 9);
    expect(bank([unit({ unitV: 12.8, parallel: 2, series: 2 })], 'lfp', 24).kg).toBeCloseTo(48, 9);
  });

  it('resistance of 2 series × 3 parallel units of 6 mΩ is 4 mΩ', () => {
    expect(bank([unit({ resistanceMohm: 6, series: 2, parallel: 3 })], 'agm', 24).resistanceOhm).toBeCloseTo(0.004, 12);
  });

  it('says what all cost, and null when one price is missing', () => {
    expect(bank([unit({ price: 200, parallel: 2 }), unit({ id: 'b', price: 50 })]).price).toBe(450);
    expect(bank([unit({ price: 200 }), unit({ id: 'b' })]).price).toBeNull();
  });
});

describe('strings that are not alike', () => {
  it('share the current by their resistance: 4 and 12 mΩ take 3/4 and 1/4', () => {
    const { strings } = bank([unit({ resistanceMohm: 4 }), unit({ id: 'old', resistanceMohm: 12 })]);
    expect(strings.map(({ share }) => share)).toEqual([expect.closeTo(0.75, 12), expect.closeTo(0.25, 12)]);
  });

  it('so the first is at its limit before both give what they could: 2 × 50 A become 66.7 A', () => {
    const found = bank([
      unit({ resistanceMohm: 4, dischargeA: 50 }),
      unit({ id: 'old', resistanceMohm: 12, dischargeA: 50 }),
    ]);
    expect(found.dischargeA).toBeCloseTo(50 / 0.75, 9);
    expect(found.lostA).toBeCloseTo(100 - 50 / 0.75, 9);
  });

  it('what was measured counts: 80 % of one and all of the other are 180 Ah; of both 160 are left when old', () => {
    const found = bank([unit({ health: 0.8 }), unit({ id: 'new' })]);
    expect(found.ah).toBeCloseTo(180, 9);
    expect(found.oldAh).toBeCloseTo(160, 9);
    // One of which 60 % was measured does not get better by ageing.
    expect(bank([unit({ health: 0.6 })]).oldAh).toBeCloseTo(60, 9);
  });

  it('share the current as a circuit simulator has it: two in series beside two side by side beside one old', async () => {
    const found = bank(
      [
        unit({ id: 'a', unitV: 6, series: 2, resistanceMohm: 2.5 }),
        unit({ id: 'b', parallel: 2, resistanceMohm: 4 }),
        unit({ id: 'old', resistanceMohm: 11, health: 0.5 }),
      ],
      'agm',
    );
    // Every unit on its own, a voltage at rest behind its resistance; 90 A are drawn.
    const nodes = await simulate([
      'Va1 a1 0 6',
      'Ra1 a1 a2 2.5m',
      'Va2 a3 a2 6',
      'Ra2 a3 bus 2.5m',
      'Vb1 b1 0 12',
      'Rb1 b1 bus 4m',
      'Vb2 b2 0 12',
      'Rb2 b2 bus 4m',
      'Vold o1 0 12',
      'Rold o1 bus 11m',
      'Iload bus 0 90',
      '.op',
    ]);
    const amps = (source: string) => -((nodes.get(`i(${source})`) ?? [])[0] as number);
    const shares = [amps('va1'), amps('vb1') + amps('vb2'), amps('vold')].map((a) => a / 90);
    for (const [i, { share }] of found.strings.entries()) expect(share / (shares[i] as number)).toBeCloseTo(1, 6);
  });

  it('property: shares add up to one, no string is beyond its limit, alike ones lose nothing', () => {
    const some = fc.array(
      fc.record({
        capacityAh: fc.integer({ min: 5, max: 400 }),
        parallel: fc.integer({ min: 1, max: 4 }),
        resistanceMohm: fc.constantFrom(null, 1, 4, 9),
        dischargeA: fc.constantFrom(null, 30, 100),
        health: fc.constantFrom(null, 0.5, 0.9),
      }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(some, fc.constantFrom('lfp', 'agm', 'flooded'), (parts, chemistry) => {
        const found = bank(
          parts.map((part, i) => unit({ ...part, id: `s${i}` })),
          chemistry as Chemistry,
        );
        expect(found.strings.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
        for (const { share, dischargeA, chargeA } of found.strings) {
          expect(share * found.dischargeA).toBeLessThanOrEqual(dischargeA * (1 + 1e-9));
          expect(share * found.chargeA).toBeLessThanOrEqual(chargeA * (1 + 1e-9));
        }
        expect(found.lostA).toBeGreaterThanOrEqual(-1e-9);
        const [first] = parts;
        if (!first) return;
        const alike = bank([unit({ ...first, id: 'a' }), unit({ ...first, id: 'b' })], chemistry as Chemistry);
        expect(alike.lostA).toBeCloseTo(0, 9);
      }),
    );
  });
});
