import { describe, expect, it } from 'vitest';
import { settle } from '../settle/settle.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { levelsOf } from './levels.ts';

const store = { chemistry: 'lfp', usableDepth: null, cutOff: null, keepForCritical: 0 } as const;

describe('the levels between which a battery is used', () => {
  it.each([
    ['the usual depth', {}, 0.2, 0.2, 0.8, 'depth'],
    ['a depth of its own', { usableDepth: 0.9 }, 0.1, 0.1, 0.9, 'depth'],
    ['a cut-off below the depth: planned to the depth', { cutOff: 0.1 }, 0.1, 0.1, 0.8, 'depth'],
    ['a cut-off above the depth', { cutOff: 0.4 }, 0.4, 0.4, 0.6, 'cut-off'],
    ['what is kept for critical loads', { keepForCritical: 0.15 }, 0.2, 0.35, 0.65, 'critical'],
    ['both', { cutOff: 0.3, keepForCritical: 0.1 }, 0.3, 0.4, 0.6, 'critical'],
    ['more kept than there is', { keepForCritical: 0.8 }, 0.2, 0.98, 0.02, 'critical'],
  ] as const)('%s', (_, part, cutOffSoc, keptSoc, plannedDepth, decidedBy) => {
    const levels = levelsOf({ ...store, ...part });
    expect(levels.cutOffSoc).toBeCloseTo(cutOffSoc, 12);
    expect(levels.keptSoc).toBeCloseTo(keptSoc, 12);
    expect(levels.plannedDepth).toBeCloseTo(plannedDepth, 12);
    expect(levels.decidedBy).toBe(decidedBy);
  });

  it('count in what is needed and how long it lasts: 100 Wh a day for two days down to 40 %', () => {
    const load = aLoad({ draw: { kind: 'standby', powerW: 100 / 24 } });
    const job = (part: object) =>
      withSystem(aJob([load]), { store: { chemistry: 'lfp', roundTripEfficiency: 1, ...part } });
    const { store: needed } = settle(job({ cutOff: 0.4 }));
    // Two days of 100 Wh, 60 % of it used, 80 % left when it is old.
    expect(needed.need.requiredWh).toBeCloseTo(200 / (0.6 * 0.8), 6);
    const { store: given } = settle(job({ cutOff: 0.3, keepForCritical: 0.2, capacityAh: 100 }));
    expect(given.new.givesWh).toBeCloseTo(1280 * 0.5, 6);
    expect(given.old.days).toBeCloseTo((1280 * 0.5 * 0.8) / 100, 6);
  });
});
