import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { validateJob } from '../job/validate.ts';
import { readUse } from '../reading/readUse.ts';
import { aJob, aLoad } from '../test/jobs.ts';
import { loadProfile } from './profile.ts';
import { unfit } from './unfit.ts';
import { formatUse } from './use.ts';
import { minutesPerDay, spreadUses } from './uses.ts';

const lamp = aLoad({ watts: 12, uses: [{ startMin: 18 * 60, minutes: 240 }] });
/** Five minutes, and then as long as it is used; and one that always takes 5 + 40 min. */
const stretches = aLoad({
  draw: {
    kind: 'cycle',
    phases: [
      { label: 'heat', powerW: 1200, minutes: 5, startRatio: null },
      { label: 'keep', powerW: 100, minutes: null, startRatio: null },
    ],
  },
  uses: [{ startMin: 480, minutes: 60 }],
});
const wash = aLoad({
  draw: {
    kind: 'cycle',
    phases: [
      { label: 'heat', powerW: 2000, minutes: 5, startRatio: null },
      { label: 'turn', powerW: 150, minutes: 40, startRatio: null },
    ],
  },
  uses: [{ startMin: 480, minutes: 45 }],
});

describe('how long a load runs, as it is typed into its cell', () => {
  it.each<[string, number, number]>([
    ['45 min', 1, 45],
    ['1h30', 1, 90],
    ['1 h 30', 1, 90],
    ['2', 1, 120],
    ['0.5', 1, 30],
    ['2,5', 1, 150],
    ['4 min x 3', 3, 12],
    ['3 × 4 min', 3, 12],
    ['all day', 1, 1440],
    ['24h', 1, 1440],
    ['always', 1, 1440],
    ['never', 0, 0],
    ['0', 0, 0],
  ])('%s: %d uses, %d min a day', (typed, uses, minutes) => {
    const read = readUse(typed, lamp);
    if (!('uses' in read)) throw new Error(read.problem);
    expect(read.uses).toHaveLength(uses);
    expect(minutesPerDay(read.uses)).toBeCloseTo(minutes, 9);
  });

  it('keeps its hours where only how long is said, and moves into a part of the day that is said', () => {
    const longer = readUse('5 h', lamp);
    expect(longer).toMatchObject({ uses: [{ minutes: 300 }] });
    const atNight = readUse('8 h at night', lamp);
    if (!('uses' in atNight)) throw new Error(atNight.problem);
    expect(minutesPerDay(atNight.uses)).toBe(480);
    const inTheDark = atNight.uses.every(
      ({ startMin, minutes }) => startMin >= 20 * 60 || startMin + minutes <= 8 * 60 || startMin + minutes > 1440,
    );
    expect(inTheDark).toBe(true);
  });

  it.each<[string, string[]]>([
    ['from 8 to 18', ['8 h: 600']],
    ['18:30-22', ['18.5 h: 210']],
    ['10 min every hour from 8 to 11', ['8 h: 10', '9 h: 10', '10 h: 10']],
    ['45 min at 6pm', ['18 h: 45']],
    ['5 min at 7am and 5pm', ['7 h: 5', '17 h: 5']],
    ['1 h at 7am, 2 h at 6pm', ['7 h: 60', '18 h: 120']],
    ['overnight', ['22 h: 540']],
  ])('is at the hours that are said: %s', (typed, told) => {
    const read = readUse(typed, lamp);
    if (!('uses' in read)) throw new Error(read.problem);
    expect(read.uses.map(({ startMin, minutes }) => `${startMin / 60} h: ${minutes}`)).toEqual(told);
  });

  it.each([
    ['3 h weekends', 'weekends'],
    ['3 h twice a week', 'twice a week'],
    ['60 W 3 h', '60 W'],
    ['3 h 200 Wh', '200 Wh'],
    ['3 h in winter', 'in winter'],
    ['3 h when it rains', 'when it rains'],
    ['3 h from 8 to 18', 'from 8 to 18'],
    ['3 times at 6pm 5 min', '3 times'],
  ])('drops nothing of “%s”: it names %s', (typed, named) => {
    const read = readUse(typed, lamp);
    expect('problem' in read ? read.problem : read.uses).toContain(`“${named}”`);
  });

  it.each([
    ['', lamp, 'Write how long'],
    ['soon', lamp, 'Write how long'],
    ['2 ×', lamp, 'Write how long'],
    ['25 h', lamp, 'A day has 24 hours'],
    ['3 × 10 h', lamp, 'A day has 24 hours'],
    ['45 min', wash, 'Its phases set how long it runs'],
    ['2', wash, 'Its phases set how long it runs'],
    ['40 × 45 min', wash, 'A day has 24 hours'],
    ['3 min', stretches, 'Its phases alone take 5 min'],
  ])('“%s” is refused and says what to write', (typed, load, problem) => {
    const read = readUse(typed, load);
    expect('problem' in read ? read.problem : read.uses).toContain(problem);
  });

  it('what always takes as long is counted; what stretches keeps its phases and takes the rest', () => {
    for (const typed of ['2 ×', '2x', '× 2', 'x2', '2 times', 'twice', '2 times a day']) {
      const twice = readUse(typed, wash);
      expect('uses' in twice && twice.uses.map(({ minutes }) => minutes), typed).toEqual([45, 45]);
    }
    expect(readUse('2 h', stretches)).toMatchObject({ uses: [{ minutes: 120 }] });
  });

  it('property: what stands in the cell is read as what it says', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 119 }), (times, minutes) => {
        const load = aLoad({ uses: spreadUses(times, minutes) });
        const read = readUse(formatUse(load), load);
        expect('uses' in read && minutesPerDay(read.uses)).toBeCloseTo(times * minutes, 6);
      }),
    );
  });
});

describe('what is proposed and what is stored have the same ends', () => {
  const held = (setC: number) => aLoad({ draw: { kind: 'thermostatic', runningW: 60, duty: 0.3, dutyAtC: 25, setC } });
  const room = (capacityW: number) =>
    aLoad({
      draw: { kind: 'room', capacityW, cop: 3, mode: 'cool', setC: 24, areaM2: 8, insulation: 'good', shade: 0.5 },
    } as unknown as Parameters<typeof aLoad>[0]);
  it.each([
    ['−40 °C', held(-40), true],
    ['−41 °C', held(-41), false],
    ['20 °C', held(20), true],
    ['21 °C', held(21), false],
    ['20,000 W', aLoad({ watts: 20_000 }), true],
    ['20,001 W', aLoad({ watts: 20_001 }), false],
    ['−1 W', aLoad({ watts: -1 }), false],
    ['99 pieces', aLoad({ quantity: 99 }), true],
    ['100 pieces', aLoad({ quantity: 100 }), false],
    ['half a piece', aLoad({ quantity: 0.5 }), false],
    ['0.1 of a day a week', aLoad({ daysPerWeek: 0.1 }), true],
    ['8 days a week', aLoad({ daysPerWeek: 8 }), false],
    ['a start of 12', aLoad({ startRatio: 12 }), true],
    ['a start of 12.5', aLoad({ startRatio: 12.5 }), false],
    ['a start of 0.5', aLoad({ startRatio: 0.5 }), false],
    ['a power factor of 0.1', aLoad({ powerFactor: 0.1 }), true],
    ['a power factor of 1.1', aLoad({ powerFactor: 1.1 }), false],
    ['500 V', aLoad({ maxV: 500 }), true],
    ['501 V', aLoad({ maxV: 501 }), false],
    ['0.5 V', aLoad({ minV: 0.5 }), false],
    ['no name', aLoad({ name: '' }), false],
    ['a use of no length', aLoad({ uses: [{ startMin: 0, minutes: 0 }] }), false],
    ['a use of more than a day', aLoad({ uses: [{ startMin: 0, minutes: 1441 }] }), false],
    ['a use that begins tomorrow', aLoad({ uses: [{ startMin: 1440, minutes: 5 }] }), false],
  ])('%s', (_, load, fits) => {
    expect(unfit(load) === null).toBe(fits);
    expect(validateJob(JSON.parse(JSON.stringify(aJob([load])))).ok).toBe(fits);
  });

  it('says what is out of range, in its unit', () => {
    expect(unfit(held(21))).toBe('21 °C, beyond -40 to 20 °C');
    expect(unfit(aLoad({ watts: 20_001 }))).toBe('20000 W, beyond 0 to 20000 W');
    expect(unfit(room(49))).toContain('49 W');
  });
});

describe('a duty is of the air it was taken in', () => {
  const fridge = (dutyAtC: number | null) =>
    aLoad({
      draw: { kind: 'thermostatic', runningW: 60, duty: 0.3, dutyAtC, setC: 4 },
      uses: [{ startMin: 0, minutes: 1440 }],
    });
  const whAt = (ambient: number, dutyAtC: number | null) =>
    loadProfile(fridge(dutyAtC), {
      ambientC: new Float64Array(1440).fill(ambient),
      irradianceWm2: new Float64Array(1440),
      day: { season: 'usual', week: 'usual', motion: 'usual' },
    }).energyWh;

  it.each([
    // 432 Wh where it was taken; (19 − 4) ÷ (21 − 4) of it two degrees cooler.
    [21, 21, 432],
    [19, 21, (432 * 15) / 17],
    [32, 25, (432 * 28) / 21],
    [35, null, 432],
  ])('at %d °C, taken at %s °C: %d Wh', (ambient, dutyAtC, wh) => {
    expect(whAt(ambient, dutyAtC)).toBeCloseTo(wh, 6);
  });
});
