import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { capacityForPeukert, peukertHours } from './peukert.ts';

describe('Peukert’s law (worked by hand from t = H·(C/(I·H))^k, 100 Ah at 20 h, 20 A)', () => {
  it.each([
    [1.25, 3.54],
    [1.1, 4.35],
    [1.05, 4.67],
  ])('k %f lasts %f h', (k, hours) => {
    expect(peukertHours(100, 20, k)).toBeCloseTo(hours, 2);
  });

  it('inverts: a capacity found for a charge gives that charge', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 0.1, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 1.4, noNaN: true }),
        (neededAh, amps, k) => {
          const rated = capacityForPeukert(neededAh, amps, k);
          expect(rated).toBeGreaterThanOrEqual(neededAh);
          if (rated > neededAh * 1.0001) expect((peukertHours(rated, amps, k) * amps) / neededAh).toBeCloseTo(1, 6);
        },
      ),
    );
  });

  it('refuses a current of nothing', () => {
    expect(() => peukertHours(100, 0, 1.2)).toThrow(/above 0 A/);
  });
});

describe('the store', () => {
  const lossless = { roundTripEfficiency: 1 };

  it('counts 12.8 V 100 Ah LFP as 1,280 Wh and 200 Ah × 12 V as 2,400 Wh (common practice)', () => {
    const job = aJob([aLoad()]);
    expect(assess(withSystem(job, { store: { capacityAh: 100 } })).figures['store.capacity'].value).toBeCloseTo(
      1280,
      9,
    );
    const lead = withSystem(job, { store: { chemistry: 'agm', capacityAh: 200 } });
    expect(assess(lead).figures['store.capacity'].value).toBeCloseTo(2400, 9);
  });

  it('runs a 5 A device for 40 h from 200 Ah at full depth (common practice)', () => {
    const device = aLoad({ watts: 60, draw: { kind: 'standby', powerW: 60 } });
    const job = withSystem(aJob([device]), {
      store: { chemistry: 'agm', capacityAh: 200, usableDepth: 1, ...lossless },
    });
    expect(assess(job).figures['store.days'].value * 24).toBeCloseTo(40, 6);
  });

  it('needs C = E·N/(DoD·k_T·k_age·η) for LFP, by hand', () => {
    // 1,200 Wh over a whole day, 2 days, 80 % depth, 85 % when old, lossless: 3,529 Wh.
    const job = withSystem(
      aJob([aLoad({ draw: { kind: 'standby', powerW: 50 } })], (j) => ({
        ...j,
        brief: { ...j.brief, sunlessDays: 2 },
      })),
      { store: lossless },
    );
    expect(assess(job).figures['store.required'].value).toBeCloseTo((1200 * 2) / (0.8 * 0.85), 6);
  });

  it('asks 1 % more of lead for each kelvin below 25 °C and never less for a heavier day', () => {
    const at = (coldestC: number, watts: number) =>
      assess(
        withSystem(aJob([aLoad({ draw: { kind: 'standby', powerW: watts } })]), {
          store: { chemistry: 'agm', coldestC },
        }),
      ).figures['store.required'].value;
    expect(at(5, 40) / at(25, 40)).toBeCloseTo(1 / 0.8, 9);
    expect(at(5, 80)).toBeGreaterThanOrEqual(2 * at(5, 40) - 1e-9);
  });

  it('needs half the ampere-hours at 24 V', () => {
    const { figures } = assess(aJob([aLoad()]));
    expect(figures['store.ah12'].value / figures['store.ah24'].value).toBeCloseTo(2, 12);
  });

  it('draws 183 A at 12.0 V for 2,200 W without loss, half of it at 24 V (arithmetic)', () => {
    const kettle = aLoad({ watts: 2200, path: 'direct' });
    const amps = (busVoltageV: 12 | 24) =>
      assess(withSystem(aJob([kettle]), { busVoltageV, store: { chemistry: 'agm' } })).figures['peak.current'].value;
    expect(amps(12)).toBeCloseTo(183.33, 2);
    expect(amps(24)).toBeCloseTo(91.67, 2);
  });
});
