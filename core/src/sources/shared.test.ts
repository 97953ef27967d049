import { expect, it } from 'vitest';
import { blankArray, blankCharger, blankLink } from '../job/blank.ts';
import type { DesignOption, System } from '../job/schema.ts';
import { aJob } from '../test/jobs.ts';
import { holdBack, isShared, sharingOf } from './shared.ts';
import type { Flow } from './source.ts';

const [plain] = aJob([]).options;
if (!plain) throw new Error('it has an option');
const arrays = [blankArray('roof', 'Roof', 400), blankArray('out', 'Set out', 400)];

/** W that are left of each source of one moment; by hand. */
function left(
  watts: Readonly<Record<string, number>>,
  { store, ...system }: Partial<Omit<System, 'store'>> & { readonly store?: Partial<System['store']> },
): number[] {
  const kindOf = (id: string) => (id === 'mains' ? 'supply' : id === 'link' ? 'driving' : 'sun');
  const flows = Object.entries(watts).map(([id, w]): Flow => ({ id, kind: kindOf(id), watts: Float64Array.of(w) }));
  const all = { ...(plain as DesignOption).system, arrays, ...system };
  holdBack(flows, sharingOf({ ...all, store: { ...all.store, ...store } }));
  return flows.map((flow) => flow.watts[0] as number);
}

const all = { roof: 200, out: 150, link: 120, mains: 100 };

it('nothing is held back where nothing is shared', () => {
  expect(left(all, {})).toEqual([200, 150, 120, 100]);
  expect(isShared(sharingOf(plain.system))).toBe(false);
});

it('one socket takes one source, of two arrays the stronger', () => {
  expect(left(all, { store: { inputs: 'one' } })).toEqual([200, 0, 0, 0]);
  expect(left({ ...all, link: 360 }, { store: { inputs: 'one' } })).toEqual([0, 0, 360, 0]);
  expect(left({ ...all, link: 360 }, { store: { inputs: 'one', inputW: 300 } })).toEqual([0, 0, 300, 0]);
});

it('an input takes so much of all, those first that are drawn on first', () => {
  expect(left(all, { store: { inputW: 400 } })).toEqual([200, 150, 50, 0]);
});

it('an output that sun and alternator share gives its amps: 20 A at 14.2 V are 284 W', () => {
  const link = (sharing: 'sun-first' | 'blended') => ({
    driving: [{ ...blankLink('link', 'DC-DC', 20), sharesWith: 'roof', sharing }],
  });
  expect(left(all, link('sun-first'))).toEqual([200, 150, expect.closeTo(84, 6), 100]);
  const [sun, , driving] = left(all, link('blended'));
  expect(sun).toBeCloseTo((200 * 284) / 320, 6);
  expect(driving).toBeCloseTo((120 * 284) / 320, 6);
});

it('a unit lets in the sun first and of the mains what is left: 10 A at 14.2 V are 142 W', () => {
  const box = { id: 'box', name: 'Unit', inverter: 'inverter', charger: 'c', kg: null, price: null } as const;
  const unit = (arrays: string[]) => ({
    chargers: [blankCharger('c', 'C', 20)],
    allInOnes: [{ ...box, arrays, chargeA: 10 }],
  });
  expect(left({ ...all, roof: 100 }, unit(['roof']))).toEqual([100, 150, 120, expect.closeTo(42, 6)]);
  // Half of what the mains give comes by another charger: of 100 W 50 W come through the unit, of which 42 W fit.
  const half = { ...unit(['roof']), chargers: [blankCharger('c', 'C', 20), blankCharger('d', 'D', 20)] };
  expect(left({ ...all, roof: 100 }, half)).toEqual([100, 150, 120, expect.closeTo(92, 6)]);
  expect(left(all, unit(['roof', 'out']))).toEqual([expect.closeTo(142, 6), 0, 120, 0]);
});
