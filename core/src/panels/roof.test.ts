import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blankArray, blankPanels } from '../job/blank.ts';
import type { PanelGroup, PlacedPanel, Roof, SolarArray } from '../job/schema.ts';
import { layOut, overlap, roofPlan } from './roof.ts';

const roof = (lengthM: number, widthM: number, ...obstacles: Roof['obstacles']): Roof => ({
  lengthM,
  widthM,
  obstacles,
});
const array = (panels: Partial<PanelGroup>[], mount: SolarArray['mount'] = 'roof'): SolarArray => ({
  ...blankArray('a', 'Array', 0),
  ratingW: null,
  mount,
  panels: panels.map((one, i) => ({ ...blankPanels(`g${i}`, `Panel ${i}`, 100), ...one })),
});
const at = (index: number, xM: number, yM: number, turned = false, group = 'g0'): PlacedPanel => ({
  array: 'a',
  group,
  index,
  xM,
  yM,
  turned,
});
/** 1.2 m by 0.5 m. */
const known = { areaM2: 0.6, lengthM: 1.2 };

describe('a plan of the roof', () => {
  it('panels are as long as is said, or as is usual for their area', () => {
    const { lying, unplaced } = roofPlan(roof(4, 2), {
      arrays: [array([known, { areaM2: 1.6 }])],
      roof: [at(0, 0, 0)],
    });
    expect(lying[0]).toMatchObject({ lengthM: 1.2, widthM: expect.closeTo(0.5, 9), overlaps: [], edgeM: 0 });
    expect(unplaced).toMatchObject([{ name: 'Panel 1', longM: expect.closeTo(1.6, 9), shortM: expect.closeTo(1, 9) }]);
  });

  it('what lies on one another, on a hatch or over the edge is said; edges may touch', () => {
    const hatch = { id: 'h', name: 'Hatch', xM: 2.4, yM: 0, lengthM: 0.4, widthM: 0.4 };
    const plan = (...placed: PlacedPanel[]) =>
      roofPlan(roof(3, 1, hatch), { arrays: [array([{ ...known, parallel: 2 }])], roof: placed }).lying;
    expect(plan(at(0, 0, 0), at(1, 1.2, 0)).map(({ overlaps }) => overlaps)).toEqual([[], []]);
    expect(plan(at(0, 0, 0), at(1, 1.1, 0.2)).map(({ overlaps }) => overlaps)).toEqual([['Panel 0 2'], ['Panel 0 1']]);
    expect(plan(at(0, 1.3, 0), at(1, 0, 0.5))[0]).toMatchObject({ overlaps: ['Hatch'], edgeM: 0 });
    expect(plan(at(0, 1.9, 0.5), at(1, 0, -0.2)).map(({ edgeM }) => edgeM)).toEqual([
      expect.closeTo(0.1, 9),
      expect.closeTo(0.2, 9),
    ]);
    // Turned it is 0.5 m along the roof and 1.2 m across.
    expect(plan(at(0, 0, 0, true), at(1, 0.6, 0))[0]).toMatchObject({
      lengthM: expect.closeTo(0.5, 9),
      edgeM: expect.closeTo(0.2, 9),
    });
  });

  it('what is set out by hand does not lie there, and places of panels that are gone are nobody’s', () => {
    expect(roofPlan(roof(3, 1), { arrays: [array([known], 'portable')], roof: [at(0, 0, 0)] })).toMatchObject({
      lying: [],
      unplaced: [],
      panelsM2: 0,
    });
    expect(roofPlan(roof(3, 1), { arrays: null, roof: [at(5, 0, 0)] }).lying).toEqual([]);
  });

  it('lays four of 1.2 × 0.5 m on 2.4 × 1 m, none of them where there is no room, and leaves what lies', () => {
    const system = { arrays: [array([{ ...known, parallel: 5 }])], roof: [at(2, 1.2, 0.5)] };
    const made = layOut(roof(2.4, 1), system);
    expect(made).toHaveLength(4);
    expect(made).toContainEqual(at(2, 1.2, 0.5));
    const { lying, unplaced } = roofPlan(roof(2.4, 1), { ...system, roof: made });
    expect(lying.every(({ overlaps, edgeM }) => overlaps.length === 0 && edgeM === 0)).toBe(true);
    expect(unplaced).toHaveLength(1);
    // Only across is there room for it.
    expect(layOut(roof(0.6, 1.3), { arrays: [array([known])], roof: [] })).toEqual([at(0, 0, 0, true)]);
  });

  it('property: what is laid out lies on nothing and over no edge', () => {
    const size = fc.double({ min: 0.3, max: 3, noNaN: true });
    fc.assert(
      fc.property(
        fc.tuple(fc.double({ min: 1, max: 6, noNaN: true }), fc.double({ min: 0.6, max: 2.4, noNaN: true })),
        fc.array(fc.record({ areaM2: size, parallel: fc.integer({ min: 1, max: 4 }) }), { minLength: 1, maxLength: 3 }),
        fc.array(fc.record({ xM: size, yM: size, lengthM: size, widthM: size }), { maxLength: 3 }),
        ([lengthM, widthM], groups, inTheWay) => {
          const on = roof(lengthM, widthM, ...inTheWay.map((one, i) => ({ id: `o${i}`, name: `O${i}`, ...one })));
          const system = { arrays: [array(groups)], roof: [] };
          const { lying } = roofPlan(on, { ...system, roof: layOut(on, system) });
          for (const { overlaps, edgeM } of lying) expect([overlaps, edgeM]).toEqual([[], 0]);
        },
      ),
      { numRuns: 60 },
    );
    expect(overlap({ xM: 0, yM: 0, lengthM: 1, widthM: 1 }, { xM: 1, yM: 0, lengthM: 1, widthM: 1 })).toBe(false);
  });
});
