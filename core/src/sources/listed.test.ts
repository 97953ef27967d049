import { describe, expect, it } from 'vitest';
import { blankArray, blankController, blankPanels } from '../job/blank.ts';
import { PARTS } from '../reference/parts.ts';
import { aJob } from '../test/jobs.ts';
import { panelsOfList } from './listed.ts';

describe('panels of the list in the place of a group', () => {
  const group = blankPanels('group', 'Group', 1);
  const { brief, options } = aJob([]);
  const store = options[0]?.system.store;
  if (!store) throw new Error('it has a store');
  // 20 °C in the afternoon: cells close to a roof reach 20 + 25/0.8 and what the roof adds, 5 to 10 K: some 60 °C.
  const mild = { ...brief, months: [6], place: { ...brief.place, dayTempC: 20, nightTempC: 10, lowestC: 10 } };
  const at = (
    busVoltageV: 12 | 24 | 48,
    requiredW: number,
    maxV: number | null = null,
    kind: 'mppt' | 'pwm' = 'mppt',
    maxInputA: number | null = null,
  ) => {
    const controller = { ...blankController(kind), maxV, maxInputA };
    const array = { ...blankArray('array', 'Array', 0), ratingW: null, panels: [group], controller };
    return panelsOfList(PARTS, array, group, requiredW, mild, {
      busVoltageV,
      store: { ...store, chargeV: (14.2 * busVoltageV) / 12 },
    });
  };

  it('make the volts that the store is charged with and one more, hot: 36 cells are 16 V then', () => {
    expect(at(12, 200)).toMatchObject({ part: { ratingW: 200 }, series: 1, parallel: 1 });
    // 29.4 V are two in a row; one of 200 W alone would have too few volts.
    expect(at(24, 200)).toMatchObject({ part: { ratingW: 100 }, series: 2, parallel: 1 });
    // 57.8 V are four in a row of them, or two of 60 cells.
    expect(at(48, 200)).toMatchObject({ part: { ratingW: 100 }, series: 4, parallel: 1 });
    expect(at(48, 600)).toMatchObject({ part: { ratingW: 320 }, series: 2, parallel: 1 });
  });

  it('stay within the volts that the controller bears, cold: four of 21.6 V at 10 °C are 90 V', () => {
    expect(at(48, 200, 95)).toMatchObject({ part: { ratingW: 100 }, series: 4 });
    expect(at(48, 200, 85)).toMatchObject({ part: { ratingW: 320 }, series: 2 });
    expect(at(48, 200, 60)).toBeNull();
  });

  it('stay within the amps that its input bears: side by side two of 5.95 A are 11.9 A, in a row 5.95 A', () => {
    expect(at(12, 200, null, 'mppt', 11)).toMatchObject({ part: { ratingW: 100 }, series: 2, parallel: 1 });
    expect(at(12, 200, null, 'mppt', 5)).toBeNull();
  });

  it('straight on a store of 12 V are of 36 cells: of 60 cells half of the volts would be of no use', () => {
    expect(at(12, 300)).toMatchObject({ part: { ratingW: 100 }, parallel: 3 });
    expect(at(12, 320)).toMatchObject({ part: { ratingW: 320 } });
    expect(at(12, 320, null, 'pwm')).toMatchObject({ part: { ratingW: 175 }, series: 1, parallel: 2 });
    // On 24 V they are what fits: 29.8 V hot of 28.4 V.
    expect(at(24, 320, null, 'pwm')).toMatchObject({ part: { ratingW: 320 }, series: 1 });
  });
});
