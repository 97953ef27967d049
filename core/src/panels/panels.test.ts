import { describe, expect, it } from 'vitest';
import { blankArray, blankPanels } from '../job/blank.ts';
import { arrayRatingW, panelKg, panelKgPerW, panelsOf } from './panels.ts';

const group = (ratingW: number, part = {}) => ({ ...blankPanels('p', 'Panels', ratingW), ...part });
const array = (part = {}) => ({ ...blankArray('roof', 'Roof', 0), ratingW: null, ...part });

describe('panels together', () => {
  it('add their watts: 2 × 2 of 110 W and one of 50 W', () => {
    const panels = [group(110, { series: 2, parallel: 2 }), group(50)];
    expect(arrayRatingW(array({ panels }))).toBe(490);
    expect(arrayRatingW(blankArray('roof', 'Roof', 333))).toBe(333);
    expect(arrayRatingW(array({ panels: [] }))).toBe(0);
  });

  it('add their mass, of all groups of all arrays; where none is said, by their watts', () => {
    const heavy = array({ panels: [group(110, { kg: 8, parallel: 3 }), group(50, { kg: 3.5 })] });
    const light = array({ panels: [group(100, { kg: 2.5 })] });
    expect(panelKg([heavy])).toBeCloseTo(27.5, 9);
    expect(panelKg([heavy, light])).toBeCloseTo(30, 9);
    expect(panelKg([heavy, blankArray('b', 'B', 200)])).toBeCloseTo(27.5 + 200 * panelKgPerW(), 9);
    expect(panelKg([array({ panels: [group(200)] })])).toBeCloseTo(200 * panelKgPerW(), 9);
    expect(panelKg([])).toBe(0);
  });

  it('a rigid panel of 200 W weighs 10 to 16 kg, as they are sold', () => {
    expect(200 * panelKgPerW()).toBeGreaterThan(10);
    expect(200 * panelKgPerW()).toBeLessThan(16);
  });

  it('count their pieces, and take the area that is said', () => {
    const four = panelsOf(group(110, { series: 2, parallel: 2, areaM2: 0.7 }));
    expect([four.count, four.ratingW]).toEqual([4, 440]);
    expect(four.areaM2).toBeCloseTo(2.8, 9);
  });
});
