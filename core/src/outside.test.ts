import { describe, expect, it } from 'vitest';
import { assess, evaluate } from './assess/assess.ts';
import { storeDriftWh } from './battery/drift.ts';
import { blankCharger, blankJob } from './job/blank.ts';
import { withDriveHours } from './job/day.ts';
import { ambientByMinuteC } from './loads/ambient.ts';
import { chargerWatts } from './moment/supplyMoment.ts';
import { applyMoves } from './moves/move.ts';
import { prepareMoves, rankMoves } from './moves/rank.ts';
import { arrayDay } from './sources/array.ts';
import { dayIncome } from './sources/dayIncome.ts';
import { driveProfile } from './sources/driving.ts';
import type { Source, SourceKind } from './sources/source.ts';
import { sunDay } from './sun/day.ts';
import { dailyExtraterrestrialKwh, extraterrestrialNormal, sunsetHourAngle } from './sun/geometry.ts';
import { declinationOn } from './sun/position.ts';
import { findingOf } from './test/findings.ts';
import { aHookup, aJob, aLoad, withSupplies, withSystem } from './test/jobs.ts';
import { stayOf } from './test/stay.ts';

/** Worked by hand, beside the code: each figure here is arithmetic on the published formula or a closed form. */

const place = (part: object) => ({ ...blankJob('x').brief.place, ...part });

describe('a day’s sun by hand', () => {
  it('at the equator the sun sets at 90°: noon and mid-morning by Collares-Pereira and Rabl', () => {
    // a = 0.409 + 0.5016·sin 30° = 0.6598; b = 0.6609 − 0.4767·sin 30° = 0.42255.
    // ∫(a + b·cos ω)·cos ω dω from −90° to 90° = 2a + bπ/2 = 1.98334; in hours × 12/π = 7.57578.
    const day = sunDay(place({ latitudeDeg: 0, peakSunHours: 6 }), 3);
    const noon = ((0.6598 + 0.42255) / 7.57578) * 6000;
    const at0900 = (((0.6598 + 0.42255 * Math.SQRT1_2) * Math.SQRT1_2) / 7.57578) * 6000;
    expect(day.irradianceWm2[719] as number).toBeCloseTo(noon, 0);
    expect(day.irradianceWm2[540] as number).toBeCloseTo(at0900, -1);
    expect(day.irradianceWm2[540] as number).toBeLessThan(noon * 0.66);
    expect(day.irradianceWm2[300]).toBe(0);
    expect(day.irradianceWm2.reduce((sum, w) => sum + w, 0) / 60).toBeCloseTo(6000, 6);
  });

  it('is as long before noon as after', () => {
    const { irradianceWm2 } = sunDay(place({ latitudeDeg: 47, peakSunHours: 4 }), 6);
    for (let m = 0; m < 720; m += 37) expect(irradianceWm2[m]).toBeCloseTo(irradianceWm2[1439 - m] as number, 9);
  });

  it('above the air: 1,367 W/m² more in January than in July', () => {
    expect(extraterrestrialNormal(1)).toBeCloseTo(1367 * (1 + 0.033 * Math.cos((2 * Math.PI) / 365)), 9);
    expect(extraterrestrialNormal(183)).toBeLessThan(1330);
  });

  it('polar night gives nothing, polar day the whole circle, and the pole itself no NaN', () => {
    expect(sunsetHourAngle((80 * Math.PI) / 180, declinationOn(355))).toBe(0);
    expect(sunsetHourAngle((80 * Math.PI) / 180, declinationOn(172))).toBeCloseTo(Math.PI, 9);
    for (const latitude of [-90, 90])
      for (let day = 1; day <= 365; day += 13) {
        const kwh = dailyExtraterrestrialKwh(latitude, day);
        expect(kwh).toBeGreaterThanOrEqual(0);
        expect(kwh).toBeLessThan(14);
      }
  });
});

describe('a usual day’s warmth by hand', () => {
  const ambient = ambientByMinuteC(place({ dayTempC: 30, nightTempC: 10 }));
  it('is warmest at 15:00, coldest at 03:00, and half way at 09:00 and 21:00', () => {
    expect(ambient[899]).toBeCloseTo(30, 3);
    expect(ambient[179]).toBeCloseTo(10, 3);
    expect(ambient[539]).toBeCloseTo(20, 1);
    expect(ambient[1259]).toBeCloseTo(20, 1);
  });
});

describe('an array by hand', () => {
  const steady = (g: number) => ({
    month: 6,
    extraterrestrialKwh: 10,
    sunHours: (g * 24) / 1000,
    irradianceWm2: new Float64Array(1440).fill(g),
  });
  const air = new Float64Array(1440).fill(20);
  // Dirt 0.97, wiring 0.98, mismatch 0.98, controller 0.97.
  const other = 0.97 * 0.98 * 0.98 * 0.97;

  it.each([
    // Cells at 20 + 25/800·G + 7·G/800: 52 °C and 36 °C; −0.4 % a kelvin above 25 °C.
    [800, 52],
    [400, 36],
  ])('at %d W/m² and 20 °C its cells have %d °C', (g, cellC) => {
    const { perRatedW, heatFactor } = arrayDay(steady(g).irradianceWm2, air, null);
    const heat = 1 - 0.004 * (cellC - 25);
    expect(heatFactor).toBeCloseTo(heat, 9);
    expect(perRatedW[600]).toBeCloseTo((g / 1000) * heat * other, 9);
  });

  it('with one flat factor gives that share of the laboratory’s watts, hot or cold', () => {
    const { perRatedW, heatFactor } = arrayDay(steady(500).irradianceWm2, air, 0.75);
    expect(perRatedW[1]).toBeCloseTo(0.375, 12);
    expect(heatFactor).toBe(1);
  });

  it('four panels of 320 W at nominal conditions: 800 W/m², 20 °C, cells at 45 °C without the roof, give about 950 W', () => {
    // 1,280 W × 0.8 × 0.92 = 942 W; the trade says 4 × 238 = 952 W.
    expect(1280 * 0.8 * (1 - 0.004 * 20)).toBeCloseTo(942, 0);
  });
});

describe('what a store gains in a day, by hand', () => {
  const warm = { locked: new Uint8Array(1440) };
  const source = (kind: SourceKind, watts: Float64Array): Source => ({
    id: kind,
    kind,
    name: kind,
    priority: 0,
    watts,
    limitW: null,
    clippedWh: 0,
    efficiency: 1,
  });

  it('nothing while it is too cold to be charged: only what runs meanwhile is fed', () => {
    const bus = new Float64Array(1440).fill(60);
    const sun = new Float64Array(1440).fill(160, 600, 1200);
    const passage = { inBySun: 0.9, inByAmps: 0.8, out: 0.9 };
    // Too cold until 15:00: of ten hours five charge.
    const cold = { locked: new Uint8Array(1440).fill(1, 0, 900) };
    expect(storeDriftWh(bus, dayIncome([source('sun', sun)]), passage, cold)).toBeCloseTo(
      500 * 0.9 - (14 * 60) / 0.9,
      6,
    );
  });

  it('what is over, less what is lost on the way in, without what is missing and is lost on the way out', () => {
    const bus = new Float64Array(1440).fill(60);
    const sun = new Float64Array(1440).fill(160, 600, 1200);
    // Ten hours 100 W over, fourteen hours 60 W missing.
    const passage = { inBySun: 0.9, inByAmps: 0.8, out: 0.9 };
    expect(storeDriftWh(bus, dayIncome([source('sun', sun)]), passage, warm)).toBeCloseTo(
      1000 * 0.9 - (14 * 60) / 0.9,
      6,
    );
    expect(storeDriftWh(bus, dayIncome([source('driving', sun)]), passage, warm)).toBeCloseTo(
      1000 * 0.8 - (14 * 60) / 0.9,
      6,
    );
    // The sun serves first: 60 W of its 160 go to the bus, so that a charger's 50 W are all over.
    const both = [source('sun', sun), source('driving', new Float64Array(1440).fill(50, 600, 1200))];
    expect(storeDriftWh(bus, dayIncome(both), passage, warm)).toBeCloseTo(1000 * 0.9 + 500 * 0.8 - (14 * 60) / 0.9, 6);
    const driven = source('driving', driveProfile(withDriveHours([], 2), 250));
    expect(storeDriftWh(bus, dayIncome([driven]), { inBySun: 1, inByAmps: 1, out: 1 }, warm)).toBeCloseTo(
      500 - 60 * 24,
      6,
    );
  });
});

describe('what is drawn while there is no sun', () => {
  const nightAt = (latitudeDeg: number, month: number) =>
    assess(
      withSystem(
        aJob([aLoad({ draw: { kind: 'standby', powerW: 10 } })], (j) => ({
          ...j,
          brief: { ...j.brief, months: [month], place: { ...j.brief.place, latitudeDeg } },
        })),
        { store: { roundTripEfficiency: 1 } },
      ),
    ).figures['demand.night'].value;

  it('is half a day’s at the equator, all of it in polar night, none in polar day', () => {
    expect(Math.abs(nightAt(0, 3) - 120)).toBeLessThan(1);
    expect(nightAt(80, 12)).toBeCloseTo(240, 9);
    expect(nightAt(80, 6)).toBeCloseTo(0, 9);
  });
});

describe('driving and charging by hand', () => {
  it('a drive begins at 09:00, lasts as long as it is said to, and gives what it gives', () => {
    const profile = driveProfile(withDriveHours([], 1.5), 200);
    expect([profile[539], profile[540], profile[629], profile[630]]).toEqual([0, 200, 200, 0]);
    expect(profile.reduce((sum, w) => sum + w, 0) / 60).toBeCloseTo(300, 9);
    expect(driveProfile(withDriveHours([], 0), 300).every((w) => w === 0)).toBe(true);
    expect(driveProfile(withDriveHours([], 24), 100)[0]).toBeCloseTo(100, 9);
  });

  it('a charger of 30 A at 12 V asks 30 × 14.2 ÷ 0.9 = 473.3 W of mains; on 24 V twice that', () => {
    const charger = blankCharger('charger', 'Charger', 30);
    expect(chargerWatts(30, charger, 14.2)).toBeCloseTo(473.33, 2);
    expect(chargerWatts(30, charger, 28.4)).toBeCloseTo(946.67, 2);
    expect(chargerWatts(30, { ...charger, efficiency: 0.8 }, 14.2)).toBeCloseTo(532.5, 9);
  });

  it('at a socket it counts by its VA: 473.3 W ÷ 0.98 ÷ 230 V = 2.10 A', () => {
    const job = withSystem(withSupplies(aJob([aLoad()]), aHookup(10, 230)), { charger: { ratingA: 30 } });
    const [supply] = evaluate(job, 'a').supplies;
    expect(supply?.loads.find(({ id }) => id === '@charger')?.size).toBeCloseTo(2.1, 2);
  });
});

describe('moves by hand', () => {
  const lamp = (part = {}) => aLoad({ id: 'lamp', watts: 100, hours: 4, path: 'inverter-adapter', ...part });
  const flat = (job: ReturnType<typeof aJob>) => ({
    ...withSystem(job, {
      inverter: { ratingW: 500, idleW: 0, peakEfficiency: 0.8 },
      store: { roundTripEfficiency: 0.9 },
    }),
    rules: { ...job.rules, inverterCurve: 'flat' as const },
  });

  it('the average view counts the way there and back: 400 Wh through 0.8 × 0.85, against 0.9, over 0.9', () => {
    const { moves } = rankMoves(prepareMoves(flat(aJob([lamp()])), 'a'), []);
    const toDc = moves.find(({ move }) => move.kind === 'dc-converter');
    expect(toDc?.averageWh).toBeCloseTo(400 / (0.8 * 0.85) / 0.9 - 400 / 0.9 / 0.9, 6);
  });

  it('what goes into the sun runs around noon: four hours from 10:00 to 14:00', () => {
    const job = aJob([lamp({ movable: true, uses: [{ startMin: 1200, minutes: 240 }] })]);
    const moved = applyMoves(job, 'a', [{ id: 'into-sun lamp-0', kind: 'into-sun', loadId: 'lamp-0' }]).loads[0];
    expect(moved?.uses).toEqual([{ startMin: 600, minutes: 240 }]);
  });
});

describe('the ends', () => {
  it('an empty job has no −0 and no NaN in any figure', () => {
    for (const figure of Object.values(assess(blankJob('Empty')).figures)) {
      const value = figure?.value ?? 0;
      expect(Number.isFinite(value)).toBe(true);
      expect(Object.is(value, -0)).toBe(false);
    }
  });

  it('500 loads of every kind are reckoned, and the day of an empty store is served by nobody', () => {
    const loads = Array.from({ length: 500 }, (_, i) => aLoad({ watts: 1 + (i % 40), hours: 1 + (i % 20) }));
    const { figures } = assess(aJob(loads));
    const byHand = loads.reduce((sum, _, i) => sum + (1 + (i % 40)) * (1 + (i % 20)), 0);
    expect(figures['demand.useful'].value).toBeCloseTo(byHand, 4);
  });

  it('at −18 °C in the polar night a stay is simulated, with all that is missing named', () => {
    const job = withSystem(
      aJob([aLoad({ draw: { kind: 'standby', powerW: 50 } })], (j) => ({
        ...j,
        brief: {
          ...j.brief,
          months: [12],
          nightsOffGrid: 9,
          drives: [],
          place: { ...j.brief.place, latitudeDeg: 80, dayTempC: -18, nightTempC: -18 },
        },
      })),
      { store: { capacityAh: 100, coldestC: -18, usableDepth: 1, roundTripEfficiency: 1 } },
    );
    const { first, last, worst } = stayOf(job);
    // 1,280 Wh × 0.8 when old × (1 − 18 × 0.007) in the cold = 894.98 Wh of 1,200 Wh a day.
    expect(first.books.unservedWh).toBeCloseTo(1200 - 1280 * 0.8 * (1 - 18 * 0.007), 3);
    expect(last.books.unservedWh).toBeCloseTo(1200, 6);
    expect(worst.books.unservedWh).toBeCloseTo(1200, 6);
    // Empty after 894.98 ÷ 50 h on the first day, gone all day on the second, which is the worst of the nine.
    expect(findingOf(assess(job).findings, 'runs-short')?.values).toEqual({
      fromDay: 1,
      worstDay: 2,
      days: 9,
      atMin: 0,
      unservedWh: expect.closeTo(1200, 6),
    });
    const oneDay = { ...job, brief: { ...job.brief, nightsOffGrid: 1 } };
    expect(findingOf(assess(oneDay).findings, 'runs-short')?.values.atMin).toBe(Math.floor((894.976 / 50) * 60));
  });
});
