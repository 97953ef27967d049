import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import * as charging from './charging.ts';
import type { StoreModel } from './fill.ts';

/** Against arithmetic, and against small steps of the same law written out here. */

interface Charging {
  readonly capacityAh: number;
  readonly limitA: number;
  readonly taperFromSoc: number;
  readonly coulombic: number;
}

/** At 1 V an Ah is a Wh. */
const modelOf = ({ capacityAh, limitA, taperFromSoc }: Charging): StoreModel => ({
  fullWh: capacityAh,
  selfWhPerDay: 0,
  chargeLimitW: limitA,
  dischargeLimitW: 1000,
  taperFromSoc,
  inBySun: 1,
  inByAmps: 1,
  out: 1,
});
const hoursToSoc = (of: Charging, fromSoc: number, toSoc: number, amps: number) =>
  charging.hoursToSoc(modelOf(of), fromSoc, toSoc, amps, of.coulombic);
const socAfter = (of: Charging, fromSoc: number, amps: number, hours: number) =>
  charging.socAfter(modelOf(of), fromSoc, amps, of.coulombic, hours);

const agm: Charging = { capacityAh: 138, limitA: 27.6, taperFromSoc: 0.8, coulombic: 1 };

/** Second by second: what is taken is the lesser of what is offered and accepted. */
function stepped(
  { capacityAh, limitA, taperFromSoc, coulombic }: Charging,
  fromSoc: number,
  amps: number,
  hours: number,
) {
  let soc = fromSoc;
  const seconds = Math.round(hours * 3600);
  for (let i = 0; i < seconds && soc < 1; i++) {
    const depth = Math.max(0, (soc - taperFromSoc) / (1 - taperFromSoc));
    const taken = Math.min(amps, limitA * 0.02 ** depth);
    soc += (taken * coulombic) / capacityAh / 3600;
  }
  return Math.min(1, soc);
}

describe('charging with taper', () => {
  it('138 Ah at 50 %, 25 A for 2 h: 50 Ah would make 86 %; the taper leaves it at 84 %, not full', () => {
    expect(0.5 + (25 * 2) / 138).toBeCloseTo(0.862, 3);
    const reached = socAfter(agm, 0.5, 25, 2);
    expect(reached).toBeCloseTo(stepped(agm, 0.5, 25, 2), 3);
    expect(reached).toBeGreaterThan(0.83);
    expect(reached).toBeLessThan(0.862);
  });

  it('below the taper it is plain arithmetic: 41.4 Ah at 25 A from 50 to 80 % take 1.656 h, 5 % more if a twentieth is lost', () => {
    expect(hoursToSoc(agm, 0.5, 0.8, 25)).toBeCloseTo(1.656, 9);
    expect(hoursToSoc({ ...agm, coulombic: 0.95 }, 0.5, 0.8, 25)).toBeCloseTo(1.656 / 0.95, 9);
    expect(hoursToSoc(agm, 0.5, 0.8, 1000)).toBeCloseTo(41.4 / 27.6, 9);
  });

  it('the last fifth takes hours however large the charger: the closed form of the exponential', () => {
    // ∫ ds/acc from 0.8 to 0.99 with acc = 27.6 · 0.02^((s − 0.8)/0.2), in units of 138 Ah.
    const k = Math.log(50) / 0.2;
    const hours = (138 / 27.6) * ((Math.exp(k * 0.19) - 1) / k);
    expect(hoursToSoc(agm, 0.8, 0.99, 1000)).toBeCloseTo(hours, 9);
    expect(hours).toBeGreaterThan(9);
  });

  it('property: time and charge are each other’s inverse, and agree with small steps', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.98, noNaN: true }),
        fc.integer({ min: 1, max: 80 }),
        fc.integer({ min: 1, max: 30 }).map((n) => n / 4),
        fc.constantFrom(0.8, 0.95),
        (fromSoc, amps, hours, taperFromSoc) => {
          const store = { ...agm, taperFromSoc, coulombic: 0.96 };
          const reached = socAfter(store, fromSoc, amps, hours);
          expect(Math.abs(reached - stepped(store, fromSoc, amps, hours))).toBeLessThan(2e-3);
          if (reached < 0.9999) expect(hoursToSoc(store, fromSoc, reached, amps)).toBeCloseTo(hours, 6);
        },
      ),
      { numRuns: 60 },
    );
  });

  it.each([
    // Ah × what is missing ÷ A ÷ 0.98, while the charger decides: 100 Ah of LFP from 20 to 95 %.
    [10, 75 / 10 / 0.98],
    [30, 75 / 30 / 0.98],
    [50, 75 / 50 / 0.98],
    [200, 75 / 50 / 0.98],
  ])('100 Ah of LFP by %d A are at 95 %% after %f h', (amps, hours) => {
    const lfp: Charging = { capacityAh: 100, limitA: 50, taperFromSoc: 0.95, coulombic: 0.98 };
    expect(hoursToSoc(lfp, 0.2, 0.95, amps)).toBeCloseTo(hours, 9);
    expect(socAfter(lfp, 0.2, amps, hours)).toBeCloseTo(0.95, 9);
  });

  it('property: more amps, more hours, a larger store: each goes the way it must', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.9, noNaN: true }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 40 }).map((n) => n / 4),
        (fromSoc, amps, hours) => {
          const reached = socAfter(agm, fromSoc, amps, hours);
          expect(reached).toBeGreaterThanOrEqual(fromSoc);
          expect(reached).toBeLessThanOrEqual(1);
          expect(socAfter(agm, fromSoc, amps + 5, hours)).toBeGreaterThanOrEqual(reached - 1e-12);
          expect(socAfter(agm, fromSoc, amps, hours + 1)).toBeGreaterThanOrEqual(reached - 1e-12);
          expect(socAfter({ ...agm, capacityAh: 300, limitA: 60 }, fromSoc, amps, hours)).toBeLessThanOrEqual(
            reached + 1e-12,
          );
          expect(hoursToSoc(agm, fromSoc, 0.99, amps)).toBeGreaterThanOrEqual(
            hoursToSoc(agm, fromSoc, 0.99, amps + 5) - 1e-9,
          );
        },
      ),
    );
  });

  it('nothing to charge with never gets there; nothing to fill takes no time', () => {
    expect(hoursToSoc(agm, 0.5, 0.99, 0)).toBe(Number.POSITIVE_INFINITY);
    expect(socAfter(agm, 0.5, 0, 5)).toBe(0.5);
    expect(hoursToSoc(agm, 0.99, 0.99, 10)).toBe(0);
    expect(hoursToSoc({ ...agm, capacityAh: 0 }, 0.5, 0.99, 10)).toBe(0);
  });
});
