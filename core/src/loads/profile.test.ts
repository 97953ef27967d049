import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Load } from '../job/schema.ts';
import { aLoad } from '../test/jobs.ts';
import { loadProfile, rememberedProfile } from './profile.ts';

const usual = { season: 'usual', week: 'usual', motion: 'usual' } as const;
const air = (celsius: number) => new Float64Array(1440).fill(celsius);
const mild = { ambientC: air(20), irradianceWm2: air(0), day: usual };
const PLACES = [
  mild,
  { ...mild, ambientC: air(35) },
  { ...mild, day: { ...usual, week: 'weekend' } as const },
] as const;

/** One change of a load, as an edit or a move makes it; parts that it does not touch stay the same objects. */
const CHANGES: readonly ((load: Load, n: number) => Load)[] = [
  (load, n) => ({ ...load, quantity: 1 + (n % 3) }),
  (load, n) => ({ ...load, path: (['direct', 'inverter', 'fuel', 'dc-dc'] as const)[n % 4] ?? 'direct' }),
  (load, n) => ({ ...load, device: n % 2 ? 'small' : null }),
  (load, n) => ({ ...load, residueW: n % 5 }),
  (load, n) => ({ ...load, daysPerWeek: 1 + (n % 7) }),
  (load, n) => ({ ...load, draw: { kind: 'steady', powerW: 10 + n } }),
  (load) => ({ ...load, draw: { kind: 'thermostatic', runningW: 50, duty: 0.3, dutyAtC: 25, setC: 4 } }),
  (load, n) => ({ ...load, uses: [{ startMin: n, minutes: 60 }] }),
  (load, n) => ({ ...load, variants: [{ on: 'weekend', uses: [{ startMin: n, minutes: 30 }] }] }),
];

describe('a remembered profile', () => {
  it('is that of the load as it stands, whatever was changed before, on whatever day', () => {
    const step = fc.tuple(fc.nat({ max: CHANGES.length - 1 }), fc.nat({ max: 600 }), fc.nat({ max: 2 }));
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), (steps) => {
        let load = aLoad();
        for (const [change, n, place] of steps) {
          load = (CHANGES[change] as (typeof CHANGES)[number])(load, n);
          const around = PLACES[place] as (typeof PLACES)[number];
          expect(rememberedProfile(load, around)).toEqual(loadProfile(load, around));
        }
      }),
      { numRuns: 100 },
    );
  });

  it('keeps its arrays when only what feeds the load changes, and carries the load of today', () => {
    const lamp = aLoad({ path: 'inverter' });
    const before = rememberedProfile(lamp, mild);
    const moved = { ...lamp, path: 'direct' as const, device: null };
    expect(rememberedProfile(moved, mild).meanW).toBe(before.meanW);
    expect(rememberedProfile(moved, mild).load).toBe(moved);
    expect(rememberedProfile({ ...lamp, quantity: 2 }, mild).meanW).not.toBe(before.meanW);
  });
});
