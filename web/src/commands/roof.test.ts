import { blankArray, blankJob, blankPanels, type Job, type PanelGroup, type Roof } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeOption } from './design.ts';
import { addObstacle, changeRoof, layAllOut, placePanel } from './roof.ts';

const ROOF: Roof = { lengthM: 3, widthM: 1.6, obstacles: [] };
const group = (id: string, parallel: number): PanelGroup => ({
  ...blankPanels(id, `Panel ${id}`, 100),
  parallel,
  areaM2: 0.6,
  lengthM: 1,
});
/** Four panels of 1 m × 0.6 m in two groups. */
const job: Job = changeOption('a', (option) => ({
  ...option,
  system: {
    ...option.system,
    arrays: [{ ...blankArray('roof', 'Roof', 400), ratingW: null, panels: [group('p', 2), group('q', 2)] }],
  },
}))(changeRoof(ROOF)(blankJob('Roofed')));
const roofOf = ({ brief }: Job): Roof => {
  if (!brief.roof) throw new Error('no roof');
  return brief.roof;
};
const placedOn = ({ options }: Job) => options[0]?.system.roof ?? [];
const isValid = (one: Job) => validateJob(JSON.parse(JSON.stringify(one)));

describe('what is in the way on a roof', () => {
  it('comes in the middle, 0.4 m square, each under an id of its own, and no more than two dozen', () => {
    const one = addObstacle(ROOF)(job);
    expect(roofOf(one).obstacles).toEqual([
      expect.objectContaining({ name: 'Hatch', xM: 1.3, yM: expect.closeTo(0.6, 9), lengthM: 0.4, widthM: 0.4 }),
    ]);
    let many = job;
    for (let i = 0; i < 30; i++) many = addObstacle(roofOf(many))(many);
    expect(roofOf(many).obstacles).toHaveLength(24);
    expect(new Set(roofOf(many).obstacles.map(({ id }) => id)).size).toBe(24);
    expect(isValid(many)).toMatchObject({ ok: true });
    // Full, the very same job: no step of undo.
    expect(addObstacle(roofOf(many))(many)).toBe(many);
  });

  it('is no larger than a small roof', () => {
    const [hatch] = roofOf(addObstacle({ ...ROOF, widthM: 0.3 })(job)).obstacles;
    expect(hatch).toMatchObject({ widthM: 0.3, yM: 0, lengthM: 0.4 });
  });
});

describe('a panel on the roof', () => {
  const first = { array: 'roof', group: 'p', index: 0 };

  it('is laid, moved and taken off, and no other with it', () => {
    const laid = placePanel('a', first, { xM: 0.1, yM: 0.2, turned: false })(job);
    const two = placePanel('a', { ...first, index: 1 }, { xM: 1.5, yM: 0.2, turned: true })(laid);
    expect(placedOn(two)).toEqual([
      { ...first, xM: 0.1, yM: 0.2, turned: false },
      { ...first, index: 1, xM: 1.5, yM: 0.2, turned: true },
    ]);
    const moved = placePanel('a', first, { xM: 0.5, yM: 0.9, turned: false })(two);
    expect(placedOn(moved)).toHaveLength(2);
    expect(placedOn(moved)).toContainEqual({ ...first, xM: 0.5, yM: 0.9, turned: false });
    expect(placedOn(placePanel('a', first, null)(moved))).toEqual([
      { ...first, index: 1, xM: 1.5, yM: 0.2, turned: true },
    ]);
    expect(placedOn(job)).toEqual([]);
  });

  it('panels of other groups and arrays with the same number are others', () => {
    const p = placePanel('a', first, { xM: 0, yM: 0, turned: false })(job);
    const q = placePanel('a', { ...first, group: 'q' }, { xM: 1.2, yM: 0, turned: false })(p);
    expect(placedOn(placePanel('a', first, null)(q)).map(({ group: of }) => of)).toEqual(['q']);
  });

  it('all are laid where there is room, those that lie stay, none on another or on what is in the way', () => {
    const started = placePanel('a', first, { xM: 0.4, yM: 0.5, turned: false })(job);
    const withHatch = addObstacle(ROOF)(started);
    const laid = layAllOut('a', roofOf(withHatch))(withHatch);
    const places = placedOn(laid);
    expect(places[0]).toEqual({ ...first, xM: 0.4, yM: 0.5, turned: false });
    const boxes = [
      ...places.map(({ xM, yM, turned }) => ({ xM, yM, l: turned ? 0.6 : 1, w: turned ? 1 : 0.6 })),
      ...roofOf(withHatch).obstacles.map(({ xM, yM, lengthM, widthM }) => ({ xM, yM, l: lengthM, w: widthM })),
    ];
    for (const [i, a] of boxes.entries())
      for (const b of boxes.slice(i + 1)) {
        const across = Math.min(a.xM + a.l, b.xM + b.l) - Math.max(a.xM, b.xM);
        const along = Math.min(a.yM + a.w, b.yM + b.w) - Math.max(a.yM, b.yM);
        // The hatch came after the first panel and lies on it: that is a finding, not something to be moved.
        if (i > 0) expect(Math.min(across, along)).toBeLessThan(1e-3);
      }
    for (const { xM, yM, l, w } of boxes) {
      expect(xM + l).toBeLessThanOrEqual(3 + 1e-9);
      expect(yM + w).toBeLessThanOrEqual(1.6 + 1e-9);
    }
    expect(isValid(laid)).toMatchObject({ ok: true });
  });

  it('property: whatever is done, one place a panel, and a job that is valid', () => {
    const step = fc.oneof(
      fc.record({
        kind: fc.constant('place' as const),
        group: fc.constantFrom('p', 'q'),
        index: fc.integer({ min: 0, max: 1 }),
        xM: fc.double({ min: 0, max: 2, noNaN: true }),
        yM: fc.double({ min: 0, max: 1, noNaN: true }),
        turned: fc.boolean(),
        on: fc.boolean(),
      }),
      fc.constantFrom({ kind: 'hatch' as const }, { kind: 'all' as const }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        let now = job;
        for (const one of steps) {
          if (one.kind === 'hatch') now = addObstacle(roofOf(now))(now);
          else if (one.kind === 'all') now = layAllOut('a', roofOf(now))(now);
          else {
            const to = one.on
              ? { xM: Math.round(one.xM * 100) / 100, yM: Math.round(one.yM * 100) / 100, turned: one.turned }
              : null;
            now = placePanel('a', { array: 'roof', group: one.group, index: one.index }, to)(now);
          }
          const keys = placedOn(now).map(({ array, group: of, index }) => `${array} ${of} ${index}`);
          expect(new Set(keys).size).toBe(keys.length);
        }
        expect(isValid(now)).toMatchObject({ ok: true });
      }),
      { numRuns: 60 },
    );
  });
});
