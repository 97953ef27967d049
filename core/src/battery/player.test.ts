import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aStoreModel } from '../test/storeModel.ts';
import { noBooks } from './books.ts';
import { type CutOff, type LoadShares, makeSteps, type StepRows, type StepState } from './player.ts';

const CUT_OFF: CutOff = {
  soc: 0.2,
  keep: 0.1,
  reconnect: 0.1,
  together: false,
  order: [1, 0],
  critical: [true, false],
};
const STEPS = 12;
const HOURS = 0.5;

/** What a day is made of, step by step. */
interface Given {
  readonly firstW: number;
  readonly secondW: number;
  readonly idleW: number;
  readonly sunW: number;
  readonly drivingW: number;
  readonly supplyW: number;
  readonly warmShare: number;
  readonly isLocked: boolean;
  readonly stopWh: number;
}

function rowsOf(day: readonly Given[]): StepRows {
  const row = (of: (given: Given) => number) => Float64Array.from(day, of);
  const before = (of: (given: Given) => number) =>
    Float64Array.from({ length: day.length + 1 }, (_, n) => day.slice(0, n).reduce((sum, given) => sum + of(given), 0));
  return {
    busW: row(({ firstW, secondW, idleW }) => (firstW + secondW) * 1.1 + idleW),
    usefulW: row(({ firstW, secondW }) => firstW + secondW),
    idleW: row(({ idleW }) => idleW),
    cableW: row(({ firstW, secondW }) => (firstW + secondW) * 0.02),
    idleSums: before(({ idleW }) => idleW),
    cableSums: before(({ firstW, secondW }) => (firstW + secondW) * 0.02),
    sunW: row(({ sunW }) => sunW),
    drivingW: row(({ drivingW }) => drivingW),
    supplyW: row(({ supplyW }) => supplyW),
    otherW: row(({ drivingW, supplyW }) => drivingW + supplyW),
    warmShare: row(({ warmShare }) => warmShare),
    locked: Uint8Array.from(day, ({ isLocked }) => Number(isLocked)),
    stopWh: row(({ stopWh }) => stopWh),
    spareW: null,
    levelWh: null,
  };
}

/** Plays a day: in stretches as far as they are usual, or each step looked at closely. */
function play(day: readonly Given[], fromSoc: number, closely: boolean) {
  const { usual, close } = makeSteps(aStoreModel, CUT_OFF, HOURS);
  const state: StepState = {
    storedWh: fromSoc * aStoreModel.fullWh,
    cut: new Uint8Array(4),
    cutCount: 0,
    shortAtH: -1,
    cutAtH: -1,
    lowSoc: 1,
  };
  const rows = rowsOf(day);
  const books = noBooks();
  const unserved = new Float64Array(2);
  const sharesAt = (at: number) => (): LoadShares => {
    const { firstW, secondW, idleW } = day[at] as Given;
    const of = (scale: number, idle = 0) => Float64Array.of(firstW * scale, secondW * scale, idle, 0);
    return { usefulW: of(1), conversionW: of(0.08), idleW: of(0, idleW), cableW: of(0.02) };
  };
  let usualSteps = 0;
  for (let at = 0; at < STEPS; at++) {
    const reached = closely ? at : usual(state, rows, at, STEPS, books);
    if (reached > at) {
      usualSteps += reached - at;
      at = reached - 1;
    } else close(state, rows, at, books, sharesAt(at), unserved);
  }
  return { storedWh: state.storedWh, lowSoc: state.lowSoc, cutCount: state.cutCount, ...books, unserved, usualSteps };
}

const watts = (max: number) => fc.oneof(fc.constant(0), fc.double({ min: 0, max, noNaN: true }));
const given: fc.Arbitrary<Given> = fc.record({
  firstW: watts(150),
  secondW: watts(400),
  idleW: watts(20),
  sunW: watts(700),
  drivingW: watts(300),
  supplyW: watts(300),
  warmShare: fc.oneof(fc.constant(1), fc.double({ min: 0.6, max: 1, noNaN: true })),
  isLocked: fc.oneof({ weight: 5, arbitrary: fc.constant(false) }, { weight: 1, arbitrary: fc.constant(true) }),
  stopWh: watts(60),
});

describe('steps', () => {
  it('are the same in stretches and one by one', () => {
    let usual = 0;
    fc.assert(
      fc.property(
        fc.array(given, { minLength: STEPS, maxLength: STEPS }),
        fc.double({ min: 0.25, max: 1, noNaN: true }),
        (day, fromSoc) => {
          const { usualSteps, ...quick } = play(day, fromSoc, false);
          usual += usualSteps;
          const closely = play(day, fromSoc, true);
          for (const [key, value] of Object.entries(quick)) {
            const other = closely[key as keyof typeof quick];
            if (typeof value === 'number') expect(value, key).toBeCloseTo(other as number, 6);
            else expect([...value]).toEqual([...(other as Float64Array)].map((wh) => expect.closeTo(wh, 6)));
          }
        },
      ),
      { numRuns: 600 },
    );
    expect(usual).toBeGreaterThan(1000);
  });

  const still: Given = {
    firstW: 0,
    secondW: 0,
    idleW: 0,
    sunW: 0,
    drivingW: 0,
    supplyW: 0,
    warmShare: 1,
    isLocked: false,
    stopWh: 0,
  };
  const night = (part: Partial<Given>) => Array.from({ length: STEPS }, () => ({ ...still, ...part }));

  it('of next to no sun fill nothing', () => {
    const { storedWh, intoStoreWh } = play(night({ sunW: 5e-324, warmShare: 0.6 }), 0.88, false);
    expect([storedWh, intoStoreWh]).toEqual([880, 0]);
  });

  it('of a night go down by watts × hours ÷ what comes out of what is in, and the lowest is at its end', () => {
    // 40 W of 44 at the bus for six hours out of 1,000 Wh.
    const { storedWh, lowSoc, outOfStoreWh, usualSteps } = play(night({ firstW: 40 }), 1, false);
    expect(storedWh).toBeCloseTo(1000 - (44 * 6) / 0.96, 9);
    expect(lowSoc).toBeCloseTo(storedWh / 1000, 12);
    expect([outOfStoreWh, usualSteps]).toEqual([expect.closeTo(264, 9), STEPS]);
  });

  it('in weak sun hold what stops a load back, and no more than the store may give', () => {
    // 100 W of 110 at the bus against 10 W of sun from 60 %: 40 Wh ÷ 0.96 stay above the 30 % that critical loads keep.
    const { usefulWh, storedWh } = play(night({ secondW: 100, sunW: 10, stopWh: 40 }), 0.6, false);
    const carriedH = ((600 - 300 - 40 / 0.96) * 0.96) / 100;
    // What was kept for it then goes into stopping it, and the sun charges.
    expect(usefulWh).toBeCloseTo(carriedH * 100 + 40, 6);
    expect(storedWh).toBeCloseTo(300 + (6 - carriedH) * 10 * 0.97, 6);
    // 500 W of 550 at the bus less 100 W of sun are more than 400 W out: nothing of it is carried.
    expect(play(night({ secondW: 500, sunW: 100 }), 1, false).usefulWh).toBeLessThan(1e-6);
  });
});
