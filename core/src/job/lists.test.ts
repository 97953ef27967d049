import { describe, expect, it } from 'vitest';
import { assess, type Evaluation, evaluate } from '../assess/assess.ts';
import { applyMoves } from '../moves/move.ts';
import { sunAheadMin } from '../sun/day.ts';
import { findingOf } from '../test/findings.ts';
import { aHookup, aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';
import { blankArray, blankCharger, blankJob, blankLink, blankString } from './blank.ts';
import type { Job, Place, SolarArray, System } from './schema.ts';

/** What the lists of version 4 come to, by arithmetic beside the code. */

const withParts = (job: Job, parts: Partial<System>): Job => ({
  ...job,
  options: job.options.map((option) => ({ ...option, system: { ...option.system, ...parts } })),
});
const atPlace = (job: Job, place: Partial<Place>): Job => ({
  ...job,
  brief: { ...job.brief, place: { ...job.brief.place, ...place } },
});
const value = (job: Job, id: 'store.ah' | 'dcdc.rating' | 'array.rating' | 'sun.yield' | 'sun.hours') =>
  assess(job).figures[id].value;
const job = aJob([aLoad({ hours: 10 })]);

describe('several of a kind', () => {
  it('of strings add up in Ah, chargers on the alternator in A, arrays in W', () => {
    const [option] = job.options;
    if (!option) throw new Error('a blank job has an option');
    const { store } = option.system;
    const strings = [100, 60].map((capacityAh, i) => blankString(`s-${i}`, 'String', capacityAh));
    expect(value(withParts(job, { store: { ...store, strings } }), 'store.ah')).toBeCloseTo(160, 9);
    const driving = [20, 15].map((ratingA, i) => blankLink(`d-${i}`, 'DC-DC', ratingA));
    expect(value(withParts(job, { driving }), 'dcdc.rating')).toBe(35);
    const arrays = [300, 150].map((ratingW, i) => blankArray(`a-${i}`, 'Array', ratingW));
    expect(value(withParts(job, { arrays }), 'array.rating')).toBe(450);
  });

  it('that are none are none, not as required', () => {
    const none = withParts(job, { driving: [], arrays: [] });
    expect(value(none, 'dcdc.rating')).toBe(0);
    expect(value(none, 'array.rating')).toBe(0);
    expect(value(job, 'array.rating')).toBeGreaterThan(0);
  });

  const arrayW = ({ brings }: Evaluation) => brings.sunW;

  it('a controller holds its own array to its A at 14.2 V, and no other', () => {
    const one = blankArray('one', 'One', 1000);
    const sunny = atPlace(job, { peakSunHours: 6, dayTempC: 15 });
    const free = evaluate(withParts(sunny, { arrays: [one, { ...one, id: 'two' }] }));
    const freeW = arrayW(free);
    const held = evaluate(
      withParts(sunny, { arrays: [one, { ...one, id: 'two', controller: { ...one.controller, maxA: 20 } }] }),
    );
    const heldW = arrayW(held);
    for (let m = 0; m < 1440; m += 7) {
      const half = (freeW[m] as number) / 2;
      expect(heldW[m]).toBeCloseTo(half + Math.min(half, 20 * 14.2), 6);
    }
    const sum = heldW.reduce((total, w) => total + w, 0) / 60;
    expect(held.assessment.figures['sun.yield'].value).toBeCloseTo(sum, 6);
    expect(Math.max(...freeW) / 2).toBeGreaterThan(284);
  });

  it('an array yields as it lies: shade takes its share, a slope to the winter noon adds, and the working says so', () => {
    const winter = atPlace({ ...job, brief: { ...job.brief, months: [12] } }, { latitudeDeg: 50, sky: 'very-clear' });
    const flat = blankArray('a', 'A', 400);
    const yieldOf = (...arrays: SolarArray[]) => assess(withParts(winter, { arrays })).figures['sun.yield'];
    const none = yieldOf(flat).value;
    expect(yieldOf({ ...flat, shade: 0.25 }).value).toBeCloseTo(0.75 * none, 9);
    const south = yieldOf({ ...flat, slopeDeg: 60, azimuthDeg: 180 });
    expect(south.value).toBeGreaterThan(1.5 * none);
    expect(yieldOf({ ...flat, slopeDeg: 60, azimuthDeg: 0 }).value).toBeLessThan(0.6 * none);
    const any = yieldOf({ ...flat, slopeDeg: 60, azimuthDeg: null }).value;
    expect(any).toBeGreaterThan(0.7 * none);
    expect(any).toBeLessThan(south.value);
    // Two lie each in its own way.
    const both = yieldOf({ ...flat, shade: 0.5 }, { ...flat, id: 'b', slopeDeg: 60, azimuthDeg: 180 });
    expect(both.value).toBeCloseTo(0.5 * none + south.value, 6);
    const told = Object.fromEntries(both.working.inputs.map(({ symbol, value }) => [symbol, Number(value)]));
    const { array = 0, sun = 0, heat = 0, rest = 0, lie = 0 } = told;
    expect(array * sun * heat * rest * lie).toBeCloseTo(both.value, 6);
    expect(both.working.formula).toContain('{lie}');
    expect(yieldOf(flat).working.formula).not.toContain('{lie}');
  });

  it('chargers draw side by side on a supply: 30 A and 10 A ask for 473.3 and 157.8 W of mains', () => {
    const chargers = [blankCharger('big', 'Big', 30), blankCharger('small', 'Small', 10)];
    const [supply] = evaluate(withParts(withSupplies(job, aHookup(10, 230)), { chargers })).supplies;
    // At power factor 0.98: 2.100 and 0.700 A of 230 V.
    expect(supply?.loads.map(({ name, size }) => [name, Number(size.toFixed(2))])).toEqual([
      ['Big', 2.1],
      ['Small', 0.7],
    ]);
    expect(supply?.fullSize).toBeCloseTo(2.8, 2);
    // Neither can be turned down: both are among what cannot wait.
    expect(supply?.worst.ids).toEqual(['@big', '@small']);
  });
});

describe('an inverter with VA of its own', () => {
  // 2,000 W that give only 1,600 VA: 1,500 VA of motor pass, 1,700 do not, whatever the W.
  const motor = (va: number, ratingVa: number | null) =>
    withSystem(aJob([aLoad({ watts: va * 0.6, path: 'inverter', powerFactor: 0.6 })]), {
      inverter: { ratingW: 2000, ratingVa },
    });
  const stops = (one: Job) =>
    assess(one).findings.filter(({ code, severity }) => code === 'inverter-too-small' && severity === 'stop').length;

  it('is stopped by them, and not by as many VA as W', () => {
    expect(stops(motor(1500, 1600))).toBe(0);
    expect(stops(motor(1700, 1600))).toBe(1);
    expect(stops(motor(1700, null))).toBe(0);
    expect(stops(motor(2100, null))).toBe(1);
    expect(stops(motor(2100, 2500))).toBe(0);
  });

  it('trips on them too', () => {
    const trips = (one: Job) => evaluate(one).inverters[0]?.trips.filter(({ kind }) => kind === 'overload') ?? [];
    expect(trips(motor(1700, 1600))).toMatchObject([{ unit: 'VA', limit: 1600 }]);
    expect(trips(motor(2100, 2500))).toEqual([]);
  });
});

describe('a place month by month', () => {
  const sun = [1, 2, 3, 4, 5, 6, 5.5, 5, 4, 3, 2, 1.5];
  const monthly = {
    ...job.brief.place.monthly,
    peakSunHours: sun,
    dayTempC: sun.map((h) => 5 * h),
    nightTempC: sun.map((h) => 2 * h),
  };
  const used = (months: number[], place: Partial<Place> = { monthly }) => {
    const placed = atPlace(job, place);
    return { ...placed, brief: { ...placed.brief, months } };
  };

  it('is designed for its own darkest month of use, with that month’s sun and warmth', () => {
    const { brief, sun: day } = evaluate(used([4, 5, 6, 9]));
    // April and September have 4 h each: the first of them.
    expect(day.month).toBe(4);
    expect(day.sunHours).toBe(4);
    expect(brief.place).toMatchObject({ dayTempC: 20, nightTempC: 8 });
    expect(value(used([10, 12]), 'sun.hours')).toBe(1.5);
  });

  it('doubts the month that has more sun than there is, and says how many more', () => {
    const doubted = assess(used([6], { monthly: { ...monthly, peakSunHours: sun.map(() => 6) }, latitudeDeg: 50 }));
    const finding = findingOf(doubted.findings, 'sun-hours-doubtful');
    expect(finding).toMatchObject({ severity: 'stop', values: { month: 'December', hours: 6 } });
    expect(finding?.values.others).toBeGreaterThan(4);
    expect(assess(used([6])).findings.some(({ code }) => code === 'sun-hours-doubtful')).toBe(false);
  });
});

describe('clocks and the sun', () => {
  const { place } = blankJob('x').brief;

  it('are one until longitude and offset are known', () => {
    expect(sunAheadMin(place, 6)).toBe(0);
    expect(sunAheadMin({ ...place, longitudeDeg: 10 }, 6)).toBe(0);
  });

  it('differ by 4 min a degree and by the equation of time: −14.2 min in mid-February, +15.4 in November', () => {
    expect(sunAheadMin({ ...place, longitudeDeg: 15, utcOffsetH: 1 }, 2)).toBe(-14);
    expect(Math.abs(sunAheadMin({ ...place, longitudeDeg: 15, utcOffsetH: 1 }, 11) - 15)).toBeLessThanOrEqual(1);
    // Far west in its zone with summer time: noon by the sun is near 14:00.
    expect(Math.abs(sunAheadMin({ ...place, longitudeDeg: -8, utcOffsetH: 2 }, 6) + 152)).toBeLessThanOrEqual(1);
  });

  it('put what goes into the sun around the sun’s noon, not the clock’s', () => {
    const lamp = aJob([aLoad({ hours: 4, movable: true, uses: [{ startMin: 60, minutes: 240 }] })]);
    const late = {
      ...atPlace(lamp, { longitudeDeg: 0, utcOffsetH: 2 }),
      brief: { ...atPlace(lamp, { longitudeDeg: 0, utcOffsetH: 2 }).brief, months: [4] },
    };
    const moved = applyMoves(late, 'a', [{ id: 'into-sun load-0', kind: 'into-sun', loadId: 'load-0' }]);
    // Mid-April the equation of time is nearly nothing: noon by the sun is 14:00, four hours begin at 12:00.
    expect(Math.abs((moved.loads[0]?.uses[0]?.startMin ?? 0) - 720)).toBeLessThanOrEqual(1);
  });

  it('shift the sun and the warmest hour, and nothing of their sum', () => {
    const late = evaluate(atPlace(job, { longitudeDeg: 0, utcOffsetH: 2, peakSunHours: 5 }));
    const { irradianceWm2 } = late.sun;
    const noon = irradianceWm2.indexOf(Math.max(...irradianceWm2));
    expect(Math.abs(noon - 840)).toBeLessThan(20);
    expect(Math.abs(late.ambientC.indexOf(Math.max(...late.ambientC)) - (15 + 2) * 60)).toBeLessThan(20);
    expect(irradianceWm2.reduce((sum, g) => sum + g, 0) / 60_000).toBeCloseTo(5, 9);
  });
});
