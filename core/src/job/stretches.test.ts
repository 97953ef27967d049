import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatShading, formatStretches, readShading, readStretches } from './stretches.ts';

describe('stretches of a day', () => {
  it.each([
    [
      '07:00-09:00, 17:30-22:00',
      [
        [420, 120],
        [1050, 270],
      ],
    ],
    ['9-11', [[540, 120]]],
    ['9:15–11', [[555, 105]]],
    [
      '8 to 9; 15.30-16',
      [
        [480, 60],
        [930, 30],
      ],
    ],
    ['22:00-06:00', [[1320, 480]]],
    ['0-24', [[0, 1440]]],
    ['all day', [[0, 1440]]],
    ['from 9 to 11', [[540, 120]]],
    ['between 9 and 11', [[540, 120]]],
    [
      '9-11 and 16-17',
      [
        [540, 120],
        [960, 60],
      ],
    ],
    [
      '9-11,16-17',
      [
        [540, 120],
        [960, 60],
      ],
    ],
    ['0900-1130', [[540, 150]]],
    ['9h30 - 11h', [[570, 90]]],
    ['8am-5pm', [[480, 540]]],
    ['8 a.m. to 5 p.m.', [[480, 540]]],
    // Of which half of the day the other is, the shorter stretch says.
    ['9-11pm', [[1260, 120]]],
    ['9-5pm', [[540, 480]]],
    ['11am-3', [[660, 240]]],
    ['10pm-6am', [[1320, 480]]],
    ['12am-1am', [[0, 60]]],
    ['12-1pm', [[720, 60]]],
    ['9 until noon', [[540, 180]]],
    ['noon-14', [[720, 120]]],
    ['22 to midnight', [[1320, 120]]],
    ['08-05', [[480, 1260]]],
    ['8-0', [[480, 960]]],
    ['09:00-11pm', [[540, 840]]],
    ['12:00-10:00', [[720, 1320]]],
    ['', []],
  ] as const)('%j is read', (text, expected) => {
    expect(readStretches(text, 6)).toEqual({
      uses: expected.map(([startMin, minutes]) => ({ startMin, minutes })),
    });
  });

  it.each([
    ['25-26', /25-26.*no time/],
    ['9:75-11', /no time/],
    ['nine to eleven', /no time/],
    ['9-11, 10-12', /overlap/],
    ['9-10, 11-12, 13-14', /At most 2/],
    ['9-10 80 %', /Times only/],
    ['9-10, 3', /no time/],
    // In the evening of the same day, or through the night?
    ['8-5', /08:00-17:00.*08:00-05:00/],
    ['8:30-5:15', /08:30-17:15.*08:30-05:15/],
    ['08:00-5', /08:00-17:00.*08:00-05:00/],
    ['24-2', /no time/],
    ['12-1', /12:00-13:00.*12:00-01:00/],
    ['13pm-14', /no time/],
    ['9-9', /no time/],
    ['9-11 or so', /no time/],
  ])('%j is asked about, never dropped', (text, problem) => {
    expect(readStretches(text, 2)).toEqual({ problem: expect.stringMatching(problem) });
  });

  it('shade has its share, or takes all', () => {
    expect(readShading('15:00-18:00 80 %, 8-9', 12)).toEqual({
      shaded: [
        { startMin: 900, minutes: 180, share: 0.8 },
        { startMin: 480, minutes: 60, share: 1 },
      ],
    });
    expect(readShading('15-18 120 %', 12)).toEqual({ problem: 'At most 100 %' });
    expect(readShading('15-18 12,5 %', 12)).toEqual({ shaded: [{ startMin: 900, minutes: 180, share: 0.125 }] });
  });

  it('property: what is written is read back', () => {
    const stretch = fc
      .record({ startMin: fc.integer({ min: 0, max: 1439 }), minutes: fc.integer({ min: 1, max: 1440 }) })
      .map((use) => [use]);
    fc.assert(
      fc.property(stretch, fc.integer({ min: 0, max: 100 }), (uses, percent) => {
        expect(readStretches(formatStretches(uses), 6)).toEqual({ uses });
        const shaded = uses.map((use) => ({ ...use, share: percent / 100 }));
        expect(readShading(formatShading(shaded), 6)).toEqual({ shaded });
      }),
    );
  });
});
