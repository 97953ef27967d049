import { describe, expect, it } from 'vitest';
import { blankArray, blankController, blankPanels } from '../job/blank.ts';
import type { PanelGroup, SolarArray } from '../job/schema.ts';
import { aJob, aLoad } from '../test/jobs.ts';
import { type ArraySurroundings, arrayYield } from './array.ts';
import { lowestC, windowOf } from './window.ts';

const flat = (value: number) => new Float64Array(1440).fill(value);
/** Steady light and air all day. */
const around = (irradiance: number, ambientC: number, part: Partial<ArraySurroundings> = {}): ArraySurroundings => ({
  irradianceWm2: flat(irradiance),
  ambientC: flat(ambientC),
  flatFactor: null,
  chargingV: 14.2,
  busV: 12,
  ...part,
});
const array = (ratingW: number, part: Partial<SolarArray> = {}): SolarArray => ({
  ...blankArray('a', 'A', ratingW),
  ...part,
});
const panel: PanelGroup = { ...blankPanels('p', 'P', 100), vmpV: 18, impA: 5.56, vocV: 21.6, iscA: 5.95 };
const ofPanels = (panels: readonly PanelGroup[], part: Partial<SolarArray> = {}): SolarArray => ({
  ...array(0, part),
  ratingW: null,
  panels: [...panels],
});
const kwh = (watts: Float64Array) => watts.reduce((sum, w) => sum + w, 0) / 60 / 1000;
/** Dirt 0.97, wiring 0.98, mismatch 0.98, controller 0.97. */
const OTHERS = 0.97 * 0.98 * 0.98 * 0.97;

describe('what an array gives, by hand', () => {
  it('100 W in 800 W/m² at 20 °C: cells at 45 °C with air behind them, 52 °C close to the roof', () => {
    const free = arrayYield(array(100, { mount: 'free' }), around(800, 20));
    expect(free.watts[0]).toBeCloseTo(80 * (1 - 0.004 * 20) * OTHERS, 9);
    const roof = arrayYield(array(100), around(800, 20));
    expect(roof.watts[0]).toBeCloseTo(80 * (1 - 0.004 * 27) * OTHERS, 9);
  });

  it('the label’s own NOCT and coefficient count, of several groups by their watts', () => {
    const own = { ...panel, noctC: 49, powerPerK: -0.003 };
    const one = arrayYield(ofPanels([own], { mount: 'free' }), around(800, 20));
    expect(one.watts[0]).toBeCloseTo(80 * (1 - 0.003 * 24) * OTHERS, 9);
    const two = arrayYield(ofPanels([own, { ...panel, id: 'q', parallel: 3 }], { mount: 'free' }), around(800, 20));
    // NOCT (49 + 3 × 45) ÷ 4 = 46, coefficient (0.003 + 3 × 0.004) ÷ 4 = 0.00375.
    expect((two.watts[0] as number) / (320 * (1 - 0.00375 * 21) * OTHERS)).toBeCloseTo(1, 3);
  });

  it('a 100 W panel on an input limited to 60 W gives 60 W, and 10 A × 14.2 V is another limit', () => {
    const limited = (part: object) =>
      arrayYield(array(100, { controller: { ...blankArray('', '', 0).controller, ...part } }), around(1000, 10));
    expect(limited({ maxW: 60 }).watts[700]).toBe(60);
    expect(limited({ maxA: 4 }).watts[700]).toBeCloseTo(56.8, 9);
    expect(limited({ maxA: 4, maxW: 60 }).watts[700]).toBeCloseTo(56.8, 9);
    expect(limited({ maxW: 60 }).chain.clippedWh + 60 * 24).toBeCloseTo(24 * (limited({}).watts[0] as number), 6);
  });

  it('shade by hours takes its share in them, and what is set out by hand counts only then', () => {
    const whole = kwh(arrayYield(array(100), around(500, 20)).watts);
    const shaded = arrayYield(
      array(100, { shade: 0.1, shaded: [{ startMin: 720, minutes: 360, share: 0.5 }] }),
      around(500, 20),
    );
    expect(kwh(shaded.watts)).toBeCloseTo(whole * 0.9 * (0.75 + 0.25 * 0.5), 9);
    // Half a minute of shade takes half of that minute.
    const brief = arrayYield(array(100, { shaded: [{ startMin: 600, minutes: 0.5, share: 1 }] }), around(500, 20));
    expect(kwh(brief.watts)).toBeCloseTo(whole * (1 - 0.5 / 1440), 12);
    const out = arrayYield(array(100, { setOut: [{ startMin: 1380, minutes: 120.5 }] }), around(500, 20));
    expect(kwh(out.watts)).toBeCloseTo((whole * 120.5) / 1440, 9);
  });

  it('what each cause takes adds up to what is missing', () => {
    const { watts, chain } = arrayYield(
      ofPanels([panel, { ...panel, id: 'q', ratingW: 320, vmpV: 33.4, impA: 9.58, vocV: 40.3, iscA: 10.1 }], {
        shade: 0.2,
        controller: { ...blankController('mppt'), maxA: 5 },
      }),
      around(700, 30),
    );
    const { lightWh, ...losses } = chain;
    const lost = Object.values(losses).reduce((sum, wh) => sum + wh, 0);
    expect(lightWh).toBeCloseTo(420 * 0.7 * 24, 9);
    expect(lightWh - lost).toBeCloseTo(kwh(watts) * 1000, 6);
    expect(losses.mismatchWh).toBeGreaterThan(0.1 * lightWh);
  });

  it('one flat factor is the product of all of it', () => {
    const { watts } = arrayYield(array(500), around(1000, 35, { flatFactor: 0.75 }));
    // 3.8 h of full sun: 1,425 Wh.
    expect((watts[0] as number) * 3.8).toBeCloseTo(1425, 9);
  });
});

describe('a controller that joins panels straight to the store', () => {
  const pwm = { ...blankArray('', '', 0).controller, kind: 'pwm' } as const;
  const loses = (cellC: number, sheet: Partial<PanelGroup> = {}) => {
    // Free-standing: cells are 25 K × 1000/800 above the air.
    const air = cellC - 31.25;
    const both = (['pwm', 'mppt'] as const).map((kind) =>
      arrayYield(
        ofPanels([{ ...panel, ...sheet }], { mount: 'free', controller: { ...pwm, kind } }),
        around(1000, air),
      ),
    );
    const [straight, seeking] = both as [(typeof both)[number], (typeof both)[number]];
    return 1 - (straight.watts[0] as number) / ((seeking.watts[0] as number) / 0.97);
  };

  it('loses about 20 % of a panel of 36 cells while they are at 25 °C, and a few at 60 °C (common practice)', () => {
    expect(loses(25)).toBeGreaterThan(0.13);
    expect(loses(25)).toBeLessThan(0.23);
    expect(loses(60)).toBeGreaterThan(0);
    expect(loses(60)).toBeLessThan(0.08);
  });

  it('loses more than half of one of 60 cells', () => {
    expect(loses(25, { ratingW: 320, vmpV: 33.4, impA: 9.58, vocV: 40.3, iscA: 10.1 })).toBeGreaterThan(0.5);
  });

  it('of which no curve is known gives the store’s volts ÷ 18, and on 24 V as much', () => {
    const { watts } = arrayYield(array(100, { controller: pwm, mount: 'free' }), around(1000, -6.25));
    expect(watts[0]).toBeCloseTo(100 * 0.97 * 0.98 * 0.98 * (14.2 / 18), 9);
    const on24 = arrayYield(
      array(100, { controller: pwm, mount: 'free' }),
      around(1000, -6.25, { chargingV: 28.4, busV: 24 }),
    );
    expect(on24.watts[0]).toBeCloseTo(watts[0] as number, 9);
  });
});

describe('what panels bring against what a controller bears, by hand', () => {
  const { brief, options } = aJob([aLoad()]);
  const system = options[0]?.system as (typeof options)[number]['system'];
  const place = { ...brief.place, nightTempC: -2, dayTempC: 35, lowestC: -10 };
  const at = (one: SolarArray, busVoltageV: 12 | 24 | 48 = 12) =>
    windowOf(one, { place, months: [1, 7] }, { ...system, busVoltageV });

  it('three in series at −10 °C and in full sun at 35 °C', () => {
    const window = at(
      ofPanels([{ ...panel, series: 3, parallel: 2 }], {
        controller: { ...blankController('mppt'), maxA: 30, maxW: 1000, maxV: 75, maxInputA: 25 },
      }),
    );
    expect(window.coldVoc?.value).toBeCloseTo(3 * 21.6 * (1 + 0.0029 * 35), 9);
    expect(window.coldVoc?.share).toBeCloseTo((3 * 21.6 * 1.1015) / 75, 9);
    // 35 + 25 × 1000/800 + 7 close to the roof.
    expect(window.hotC).toBeCloseTo(73.25, 9);
    expect(window.hotVmp?.value).toBeCloseTo(3 * 18 * (1 - 0.0029 * 48.25), 9);
    expect(window.hotVmp?.limit).toBeCloseTo(15.2, 9);
    expect(window.inputA).toEqual({ value: 11.9, limit: 25, share: 11.9 / 25 });
    expect(window.outputA.share).toBeCloseTo(600 / 14.2 / 30, 9);
    expect(window.watts.share).toBeCloseTo(0.6, 9);
  });

  it('the coldest and the warmest of the months of use count, whichever they are', () => {
    const byMonth = (value: number, other: number) => Array.from({ length: 12 }, (_, i) => (i === 6 ? other : value));
    const monthly = { ...brief.place.monthly, nightTempC: byMonth(8, -15), dayTempC: byMonth(20, 38) };
    const unrecorded = { ...place, monthly, lowestC: null };
    const used = (months: number[]) => windowOf(ofPanels([panel]), { place: unrecorded, months }, system);
    // No usual night is the coldest: 10 K less where no record is known.
    expect([used([1, 7]).coldC, used([7, 1]).coldC, used([1, 2]).coldC]).toEqual([-25, -25, -2]);
    expect(used([1, 7]).hotC - used([1, 2]).hotC).toBeCloseTo(18, 9);
  });

  it('the coldest is the record, or the coldest imported day of the months of use', () => {
    const byDay = Array.from({ length: 365 }, (_, day) => (day === 10 ? -19 : day === 200 ? 1 : 5));
    const days = { sunHours: byDay.map(() => 3), dayTempC: byDay.map(() => 10), nightTempC: byDay };
    const monthly = { ...brief.place.monthly, days };
    expect(lowestC({ ...place, monthly, lowestC: null }, [1])).toBe(-19);
    expect(lowestC({ ...place, monthly, lowestC: null }, [7])).toBe(1);
    expect(lowestC({ ...place, monthly, lowestC: -30 }, [7])).toBe(-30);
  });

  it('a 2,500 W array on an input for 5,000 W uses half of it, and its volts are not known', () => {
    const window = at(array(2500, { controller: { ...blankArray('', '', 0).controller, maxW: 5000 } }), 48);
    expect(window.watts.share).toBe(0.5);
    expect([window.coldVoc, window.hotVmp]).toEqual([null, null]);
  });

  it('of groups side by side the highest and the lowest count, in a row their sum', () => {
    const groups = [panel, { ...panel, id: 'q', vocV: 24, vmpV: 19.8, impA: 8.84, iscA: 9.3, ratingW: 175 }];
    const beside = at(ofPanels(groups));
    expect(beside.coldVoc?.value).toBeCloseTo(24 * 1.1015, 9);
    expect(beside.hotVmp?.value).toBeCloseTo(18 * (1 - 0.0029 * 48.25), 9);
    expect(beside.inputA?.value).toBeCloseTo(15.25, 9);
    const row = at(ofPanels(groups, { wiring: 'series' }));
    expect(row.coldVoc?.value).toBeCloseTo(45.6 * 1.1015, 9);
    expect(row.inputA?.value).toBeCloseTo(9.3, 9);
  });
});
