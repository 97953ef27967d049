import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aStoreModel } from '../test/storeModel.ts';
import { fill, notFilled } from './fill.ts';

const EFFICIENCY = 0.95;
/** Of the limit, what a full store still takes: common practice, as in the model. */
const LEFT_AT_FULL = 0.02;

/** The same charging in 100,000 small steps, none of which knows of the others. */
function inSmallSteps(storedWh: number, offeredW: number, warmShare: number, hours: number): number {
  const steps = 100_000;
  const overWh = 200 * warmShare;
  let stored = storedWh;
  for (let n = 0; n < steps && stored < 1000; n++) {
    const mostW = 300 * Math.min(1, LEFT_AT_FULL ** ((stored - (1000 - overWh)) / overWh));
    stored += (Math.min(offeredW, mostW) * EFFICIENCY * hours) / steps;
  }
  return Math.min(1000, stored);
}

const watts = fc.oneof(fc.double({ min: 1e-6, max: 700, noNaN: true }), fc.constantFrom(15, 100, 300, 700));
const shares = fc.constantFrom(1, 0.8, 0.6);

describe('charging a store', () => {
  it('is what small steps come to: straight, held back, tapering, full', () => {
    fc.assert(
      fc.property(fc.double({ min: 500, max: 1000, noNaN: true }), watts, shares, (storedWh, offeredW, warmShare) => {
        const out = notFilled();
        fill(aStoreModel, storedWh, offeredW, EFFICIENCY, warmShare, 1.5, Number.POSITIVE_INFINITY, out);
        expect(out.storedWh).toBeCloseTo(inSmallSteps(storedWh, offeredW, warmShare, 1.5), 1);
        expect(out.takenWh * EFFICIENCY).toBeCloseTo(out.storedWh - storedWh, 9);
      }),
      { numRuns: 60 },
    );
  });

  it('does not depend on what was charged before, at which warmth, or how far', () => {
    const piece = fc.record({
      offeredW: watts,
      warmShare: shares,
      hours: fc.constantFrom(0.05, 0.5, 2),
      // What is taken out before it, and where charging stops.
      outWh: fc.constantFrom(0, 0, 0, 1, 150),
      untilWh: fc.constantFrom(Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, 850, 950),
    });
    fc.assert(
      fc.property(
        fc.array(piece, { minLength: 2, maxLength: 12 }),
        fc.double({ min: 700, max: 1000, noNaN: true }),
        (pieces, fromWh) => {
          const out = notFilled();
          let storedWh = fromWh;
          for (const { offeredW, warmShare, hours, outWh, untilWh } of pieces) {
            storedWh -= outWh;
            const alone = notFilled();
            fill(aStoreModel, storedWh, offeredW, EFFICIENCY, warmShare, hours, untilWh, alone);
            fill(aStoreModel, storedWh, offeredW, EFFICIENCY, warmShare, hours, untilWh, out);
            expect(out.storedWh).toBeCloseTo(alone.storedWh, 6);
            expect(out.takenWh).toBeCloseTo(alone.takenWh, 6);
            expect(out.hours).toBeCloseTo(alone.hours, 9);
            storedWh = out.storedWh;
          }
        },
      ),
      { numRuns: 500 },
    );
  });
});
