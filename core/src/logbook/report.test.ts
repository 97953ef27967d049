import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Log } from './logSchema.ts';
import { LOG_VERSION } from './logValues.ts';
import { readingsOf } from './open.ts';
import { reportOf } from './report.ts';
import { zoneOf } from './stamp.ts';
import { readTimeToGo } from './timeToGo.ts';
import { validateLog } from './validateLog.ts';

const DEMO_LOGS = new URL('../../../demo-logs/', import.meta.url);

/** A log as a file has it, through the door and to what it says. */
function says(log: Omit<Log, 'format' | 'version'>) {
  const checked = validateLog({ format: 'joulemetric-log', version: LOG_VERSION, ...log });
  if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
  const zone = zoneOf(checked.log.zone ?? 'UTC');
  if (zone === null) throw new Error('no zone');
  return reportOf(checked.log, readingsOf(checked.log.readings ?? [], zone), zone);
}
const faultsOf = (log: object) => {
  const checked = validateLog({ format: 'joulemetric-log', version: LOG_VERSION, ...log });
  return checked.ok ? [] : checked.faults.map(({ path }) => path);
};
const minutes = <T extends object>(count: number, of: (minute: number) => T) =>
  Array.from({ length: count }, (_, i) => ({ h: i / 60, ...of(i) }));

describe('the cases of the trade', () => {
  it('1: a traction battery feeds a trailer, with a timer’s switch-off', () => {
    const log = says({
      readings: [
        { at: '16:55', soc: 57 },
        { at: '19:18', soc: 52 },
        { at: '08:57', soc: 39 },
        { at: '18:17', soc: 21 },
      ],
      outages: [{ from: '04:55', to: '08:57' }],
      timers: [{ everyH: 12 }],
      capacity: { wh: 123_000 },
      reserve: 20,
    });
    expect(log.energy.soc?.wh).toBeCloseTo(44_280, 6);
    expect(log.poweredH).toBeCloseTo(21.333, 3);
    expect(log.outages).toEqual([
      { fromH: 12, toH: expect.closeTo(16.0333, 3), hours: expect.closeTo(4.0333, 3), by: 'timer' },
    ]);
    expect(log.energy.soc?.meanW).toBeCloseTo(2075.6, 1);
    expect(log.forecast?.fullToReserveH?.value).toBeCloseTo(47.41, 2);
    // 80 % over 37 and 35 % in 21.33 h.
    expect(log.forecast?.fullToReserveH?.low).toBeCloseTo(46.13, 2);
    expect(log.forecast?.fullToReserveH?.high).toBeCloseTo(48.76, 2);
    expect(log.caveats.map(({ code }) => code)).toContain('no-reading-at-switch-off');
    expect(log.caveats.map(({ code }) => code)).not.toContain('timer');
  });

  it('1, its outage not put down: the timer is asked about', () => {
    const log = says({
      readings: [
        { at: '16:55', soc: 57 },
        { at: '08:57', soc: 39 },
      ],
      timers: [{ everyH: 12 }],
      capacity: { wh: 123_000 },
    });
    expect(log.caveats.find(({ code }) => code === 'timer')?.says).toMatch(/12 h timer.*12\.00 h after/);
  });

  it('1, as a meter’s file that falls silent when the timer ends: it is off then', () => {
    // A reading each ten minutes, none from 12.0 to 16.0 h.
    const hours = Array.from({ length: 150 }, (_, i) => i / 6).filter((h) => h <= 12 || h >= 16);
    const readings = hours.map((h) => ({ h, w: 1000, soc: Math.round(100 - (h <= 12 ? h : h - 4) * 2) }));
    const log = says({ readings, timers: [{ everyH: 12 }], capacity: { wh: 50_000 } });
    expect(log.outages).toEqual([{ fromH: 12, toH: 16, hours: expect.closeTo(4, 9), by: 'timer' }]);
    expect(log.caveats.map(({ code }) => code)).not.toContain('gap');
    expect(log.rate?.percentPerH.value).toBeCloseTo(-2, 1);
    const without = says({ readings, capacity: { wh: 50_000 } });
    expect(without.outages).toEqual([]);
    expect(without.caveats.find(({ code }) => code === 'gap')?.says).toMatch(/If the output was off then, put it down/);
  });

  it('3: a coffee machine', () => {
    const log = says({
      phases: [
        { label: 'brew', minutes: 5.9, labelW: 1550, w: 1569, wh: 140 },
        { label: 'keep-warm', minutes: 70, maxW: 100, wh: 85 },
      ],
      through: { nominalV: 12.8, efficiency: 0.9 },
    });
    const [brew, warm] = log.stated?.phases ?? [];
    expect(brew?.byLabelWh).toBeCloseTo(152.4, 1);
    expect(brew?.byMeterWh).toEqual({ value: 140, low: 135, high: 145 });
    expect(brew?.byPowerWh).toBeCloseTo(154.3, 1);
    expect(log.contradictions).toEqual([
      expect.objectContaining({ code: 'meter-against-power', where: 'brew', refused: true }),
    ]);
    expect(log.stated).toMatchObject({ wh: 225, isEvidence: false });
    expect(log.stated?.ah.map(({ ah }) => Number(ah.toFixed(2)))).toEqual([18.75, 17.58, 19.53]);
    expect(warm?.share).toBeCloseTo(0.3778, 4);
    expect(warm?.mostWh).toBeCloseTo(116.67, 2);
  });

  it('3: once somebody chose, it is evidence', () => {
    const log = says({ phases: [{ label: 'brew', minutes: 5.9, w: 1569, wh: 140, chosen: 'power' }] });
    expect(log.contradictions[0]).toMatchObject({ refused: false });
    expect(log.stated?.wh).toBeCloseTo(154.3, 1);
    expect(log.stated?.isEvidence).toBe(true);
  });

  it('a tenfold slip is bounded and the likely figure offered', () => {
    const log = says({ phases: [{ label: 'keep-warm', minutes: 70, maxW: 100, wh: 850 }] });
    expect(log.contradictions).toEqual([expect.objectContaining({ code: 'above-most', offer: 85, refused: true })]);
    expect(log.contradictions[0]?.says).toMatch(/at most 116\.7 Wh/);
    expect(log.stated?.phases[0]?.wh).toBeNull();
    const claimed = says({ phases: [{ label: 'fan', minutes: 300, w: 150, claimedWh: 1500 }] });
    expect(claimed.contradictions).toEqual([expect.objectContaining({ code: 'claimed', offer: 750 })]);
  });

  it('4: an inverter by two pairs', () => {
    const { loss } = says({
      pairs: [
        { outW: 76.1, inW: 117.6 },
        { outW: 574, inW: 659.4 },
      ],
      atW: [300],
    });
    expect(loss?.idleW).toBeCloseTo(34.8, 1);
    expect(loss?.perW).toBeCloseTo(0.0882, 4);
    expect(loss?.pairs.map(({ efficiency }) => Number(efficiency.toFixed(3)))).toEqual([0.647, 0.87]);
    expect(loss?.at[0]?.inW).toBeCloseTo(361.2, 1);
    expect(loss?.at[0]?.efficiency).toBeCloseTo(0.83, 2);
    // What two pairs leave open: the pure square gives 40.7 W of idle and 353 W.
    expect(loss?.idleBetween?.highW).toBeCloseTo(40.7, 1);
    expect(loss?.at[0]?.lowInW).toBeCloseTo(352.9, 1);
    expect(loss?.at[0]?.highInW).toBeCloseTo(361.2, 1);
  });

  it('8: percent alone', () => {
    const pairs = [
      [0, 100],
      [1.5, 97],
      [5, 90],
      [8, 84],
      [22.5, 56],
      [30, 42],
      [45, 13],
    ] as const;
    const log = says({ readings: pairs.map(([h, soc]) => ({ h, soc })), targetH: 48, reserve: 20 });
    expect(log.rate?.percentPerH.value).toBeCloseTo(-1.93, 2);
    expect(log.forecast?.fullToEmptyH?.value).toBeCloseTo(51.8, 0);
    expect(log.forecast?.fullToReserveH?.value).toBeCloseTo(41.4, 0);
    expect(log.forecast?.toEmptyH?.value).toBeCloseTo(6.7, 1);
    expect(log.target).toMatchObject({ met: 'no', metToEmpty: 'yes' });
    expect(log.rate?.startUp.found).toBe(false);
    expect([log.energy.soc, log.forecast?.meanW, log.forecast?.whPerDay]).toEqual([null, null, null]);
    expect(log.caveats.map(({ code }) => code)).toContain('no-capacity');
  });

  it('11: a cool box until it cuts out', () => {
    const log = says({
      readings: [
        { h: 0, soc: 100 },
        { at: '138 h 04', soc: 14, mark: 'cut-out' },
      ],
      capacity: { ah: 100, chemistry: 'lfp' },
    });
    expect(log.forecast?.meanA).toBeCloseTo(0.623, 3);
    expect(log.forecast?.meanW).toBeCloseTo(7.97, 2);
    expect(log.forecast?.whPerDay).toBeCloseTo(191.4, 1);
    expect(log.forecast?.fullToReserveH?.value).toBeCloseTo(128.4, 1);
    expect(log.forecast?.fullToEmptyH?.value).toBeCloseTo(160.5, 1);
    expect(log.strandedAh).toBeCloseTo(14, 9);
  });

  it('12: a heater at a port', () => {
    const log = says({
      capacity: { ah: 100, chemistry: 'lfp' },
      limitA: 10,
      phases: [
        { label: 'start', a: 10.2, minutes: 1 / 3 },
        { label: 'run', a: 1.75 },
        { label: 'stop', a: 8.4, minutes: 3, atEnd: true },
      ],
      readings: [
        { h: 0, soc: 100 },
        { h: 10, soc: 80 },
      ],
      reserve: 20,
    });
    expect(log.limit).toEqual({ limitA: 10, peakA: 10.2, meanA: 1.75, trips: true, at: 'start' });
    // 8.4 A × 12.8 V × 3 min.
    expect(log.stopReserveWh).toBeCloseTo(5.376, 3);
    // It stays in the forecast: 60 % less 5.376 of 1,280 Wh, at 2 % an hour.
    expect(log.forecast?.toReserveH?.value).toBeCloseTo((60 - 0.42) / 2, 6);
  });

  it('14: a monitor’s net amps and amp-hours used', () => {
    const log = says({
      capacity: { ah: 210 },
      reserve: 10,
      readings: [{ at: '12:00', a: -6, ah: -20.6 }],
      instruments: [{ quantity: 'ah', counts: 'from-full' }],
      phases: [
        { label: 'always on', a: 1.5, minutes: 1440, perDay: 1 },
        { label: 'pump', a: 5, minutes: 0.25 },
      ],
    });
    expect(log.spot?.toEmptyH).toBeCloseTo(31.57, 2);
    expect(log.spot?.toReserveH).toBeCloseTo(28.07, 2);
    expect(log.stated?.phases[0]?.perDayAh).toBeCloseTo(36, 9);
    expect(log.stated?.phases[0]?.ofStorePerDay).toBeCloseTo(0.1714, 4);
    expect(log.stated?.phases[1]?.ah).toBeCloseTo(0.0208, 4);
  });

  it('18: two ways that cannot be told apart', () => {
    const { compare, contradictions } = says({
      windows: (['A', 'B', 'A', 'B'] as const).map((label) => ({ label, minutes: 15, w: label === 'A' ? 57.2 : 57.6 })),
      swingW: [50, 130],
      meterStepAh: 0.1,
      claimedPercent: 7,
    });
    expect(compare?.differencePercent).toBeCloseTo(0.7, 1);
    expect(compare?.windowWh).toBeCloseTo(14.35, 9);
    expect((compare?.windowWh ?? 0) / 12.8).toBeCloseTo(1.12, 2);
    expect((compare?.differenceWh ?? 0) / 12.8).toBeCloseTo(0.008, 3);
    expect(compare?.distinguishable).toBe(false);
    expect(compare?.because).toEqual(['below-resolution', 'scatter', 'swing']);
    // 0.4 W make 1.28 Wh in 3.2 h.
    expect(compare?.test?.windowH).toBeCloseTo(3.2, 9);
    expect(compare?.neededWindows).toBeGreaterThan(400);
    expect(contradictions).toEqual([expect.objectContaining({ code: 'percent' })]);
  });
});

describe('a display’s time to go', () => {
  it.each([
    ['1 d', false, 24, 36],
    ['1 d', true, 24, 48],
    ['2 d', false, 36, 60],
    ['2d', true, 48, 72],
    ['14 h', false, 13.5, 14.5],
    ['14 h', true, 14, 15],
    ['1 d 4 h', false, 27.5, 28.5],
    ['14:30', false, 14.4917, 14.5083],
    ['45 min', true, 0.75, 0.7667],
  ] as const)('“%s”, cuts off %s', (text, cuts, low, high) => {
    const found = readTimeToGo(text, cuts);
    expect(found?.lowH).toBeCloseTo(low, 3);
    expect(found?.highH).toBeCloseTo(high, 3);
  });

  it('that is none', () => {
    expect(readTimeToGo('soon', false)).toBeNull();
    expect(readTimeToGo('∞', false)).toBeNull();
    expect(readTimeToGo('5 bananas', false)).toBeNull();
  });

  it('is held against the readings', () => {
    const readings = [
      { h: 0, soc: 100, toGo: '5 d' },
      { h: 10, soc: 80, toGo: '1 d' },
      { h: 20, soc: 60 },
    ];
    const log = says({ readings, reserve: 20 });
    // At 2 % an hour: 40 h to the reserve and 50 h to empty, then 30 and 40.
    expect(log.timeToGo.map(({ agrees }) => agrees)).toEqual([false, true]);
    expect(log.contradictions.map(({ code }) => code)).toEqual(['time-to-go']);
  });
});

describe('energy, by each way', () => {
  it('a steady load: W, counter and percent agree', () => {
    // 60 W for two hours: 120 Wh, of 1,200 Wh 10 %.
    const log = says({
      readings: minutes(121, (i) => ({ w: 60, wh: i, soc: Math.round(100 - i / 12) })),
      capacity: { wh: 1200, measured: true },
      instruments: [{ quantity: 'wh', resolution: 1 }],
    });
    expect(log.energy.power?.wh).toBeCloseTo(120, 9);
    expect(log.energy.counter?.wh).toBe(120);
    expect(log.energy.soc).toMatchObject({ wh: 120, low: 108, high: 132 });
    expect(log.energy.disagreements.every(({ sigmas }) => sigmas < 1)).toBe(true);
    expect(log.energy.unexplained).toBeNull();
    expect(log.energy.ahAt?.v12_0).toBeCloseTo(10, 9);
    expect(log.energy.ahAt?.v12_8).toBeCloseTo(9.375, 9);
  });

  it('what the store lost beyond the meter is said, with what it may be', () => {
    const log = says({
      readings: minutes(601, (i) => ({ w: 60, soc: 100 - i / 15 })),
      capacity: { wh: 2000, measured: true },
    });
    // 40 % of 2,000 Wh against 600 Wh: 200 Wh in ten hours.
    expect(log.energy.unexplained?.wh).toBeCloseTo(200, 0);
    expect(log.energy.unexplained?.w).toBeCloseTo(20, 0);
    expect(log.energy.unexplained?.candidates.join(' ')).toMatch(/idle draw.*drift/);
  });

  it('a gap is in neither energy nor mean', () => {
    const log = says({
      readings: [
        ...minutes(61, () => ({ w: 100 })),
        ...minutes(61, () => ({ w: 100 })).map(({ h, w }) => ({ h: h + 5, w })),
      ],
    });
    expect(log.gaps).toEqual([{ fromH: 1, toH: 5, hours: 4, of: 'power' }]);
    expect(log.energy.power).toMatchObject({
      wh: expect.closeTo(200, 6),
      hours: expect.closeTo(2, 6),
      meanW: expect.closeTo(100, 6),
    });
    expect(log.caveats.map(({ code }) => code)).toContain('gap');
  });

  it('percent typed fifteen hours apart has no gap', () => {
    const log = says({
      readings: [0, 1, 2, 3, 4, 5, 20, 21].map((h) => ({ h, soc: 100 - h })),
      capacity: { wh: 1000 },
    });
    expect(log.gaps).toEqual([]);
    expect(log.energy.soc?.wh).toBeCloseTo(210, 9);
  });

  it('every demo log is a log, and says something', () => {
    for (const name of readdirSync(DEMO_LOGS)) {
      const { format: _format, version: _version, ...log } = JSON.parse(readFileSync(new URL(name, DEMO_LOGS), 'utf8'));
      const said = says(log);
      expect(said.faults, name).toEqual([]);
      expect(said.forecast ?? said.compare ?? said.loss, name).not.toBeNull();
    }
  });

  it('a counter that rolls over goes on, one that was set back is said', () => {
    const counter = (values: readonly number[], rollsOverAt: number | null = null) =>
      says({ readings: values.map((wh, h) => ({ h, wh })), instruments: [{ quantity: 'wh', rollsOverAt }] });
    expect(counter([9970, 9990, 10, 30], 10_000).energy.counter?.wh).toBe(60);
    const guessed = counter([9990, 9999, 8, 17]);
    expect(guessed.energy.counter?.wh).toBe(27);
    expect(guessed.notes.join(' ')).toMatch(/rolled over.*nobody said/);
    const reset = counter([500, 560, 20, 80]);
    expect(reset.energy.counter?.wh).toBe(140);
    expect(reset.notes.join(' ')).toMatch(/set back after 2\.0 h, from 560 to 20/);
  });

  it('two ways are compared over the hours that both cover', () => {
    const readings = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 9, 9.1, 9.2].map((h) => ({
      h,
      w: 100,
      soc: h < 5 ? null : 100 - (h - 9) * 10,
    }));
    const log = says({ readings, capacity: { wh: 1000 } });
    expect(log.energy.disagreements).toEqual([
      expect.objectContaining({ of: ['soc', 'power'], wh: expect.closeTo(0, 6) }),
    ]);
  });

  it('a counter’s band is a step each way, and one far from its range’s end was set back even where the range is said', () => {
    const counter = (values: readonly number[], more: object = {}) =>
      says({
        readings: values.map((wh, h) => ({ h, wh })),
        instruments: [{ quantity: 'wh', resolution: 10, ...more }],
      });
    // Of a display that cuts off at 10 Wh, 100 Wh between two readings may be from 90 to 110.
    expect(counter([0, 100]).energy.counter).toMatchObject({ wh: 100, low: 90, high: 110 });
    const reset = counter([3000, 3050, 20, 60], { rollsOverAt: 10_000 });
    expect(reset.energy.counter?.wh).toBe(110);
    expect(reset.notes.join(' ')).toMatch(/set back/);
    // Within a tenth of a power of ten is not near enough to guess that it rolls over there.
    expect(counter([900, 950, 5, 60]).energy.counter?.wh).toBe(110);
    const midway = counter([600, 700, 5, 60]);
    expect(midway.energy.counter?.wh).toBe(160);
    expect(midway.notes.join(' ')).toMatch(/set back/);
  });

  it('a doubtful capacity weighs as a rectangle of 5 % does', () => {
    // 1,000 Wh metered, 1,080 Wh by the percent: 80 Wh apart. σ: rounding 10 ÷ √6 = 4.1, capacity 54 ÷ √3 = 31.2, meter 10 ÷ √3 = 5.8.
    const log = says({
      readings: minutes(601, (i) => ({ w: 100, soc: 100 - (i / 600) * 50 })),
      capacity: { wh: 2160 },
      instruments: [{ quantity: 'soc', resolution: 0.46296 }],
    });
    expect(log.energy.disagreements[0]?.wh).toBeCloseTo(80, 6);
    expect(log.energy.disagreements[0]?.sigmas).toBeCloseTo(80 / Math.hypot(4.08, 31.18, 5.77), 1);
  });

  it('a step of six times the usual is a gap, one of four is none, and steps that vary have none', () => {
    const at = (hours: readonly number[]) => says({ readings: hours.map((h) => ({ h, w: 100 })) }).gaps.length;
    const tenth = (count: number, from: number) => Array.from({ length: count }, (_, i) => from + i / 10);
    expect(at([...tenth(20, 0), ...tenth(20, 1.9 + 0.6)])).toBe(1);
    expect(at([...tenth(20, 0), ...tenth(20, 1.9 + 0.4)])).toBe(0);
    expect(at([0, 0.1, 0.2, 0.9, 1, 1.6, 1.7, 1.8, 2.5, 2.6])).toBe(0);
  });

  it('a monitor that counts what leaves as negative is turned round', () => {
    const log = says({
      readings: [
        { h: 0, a: -5, ah: 0 },
        { h: 1, a: -5, ah: -5 },
        { h: 2, a: -5, ah: -10 },
      ],
      capacity: { ah: 100, chemistry: 'lfp' },
    });
    expect(log.energy.counter?.wh).toBeCloseTo(128, 9);
    expect(log.energy.power?.wh).toBeCloseTo(128, 9);
    const both = says({
      readings: [
        { h: 0, a: 5 },
        { h: 1, a: -5 },
        { h: 2, a: 5 },
      ],
    });
    expect(both.caveats.map(({ code }) => code)).toContain('sign');
    const told = says({
      readings: [
        { h: 0, a: 5 },
        { h: 1, a: 5 },
      ],
      instruments: [{ quantity: 'a', positive: 'in' }],
      capacity: { ah: 100, nominalV: 12 },
    });
    expect(told.energy.power?.wh).toBeCloseTo(-60, 9);
  });

  it('counter and W × t that contradict each other count only once one is chosen', () => {
    const readings = minutes(61, (i) => ({ w: 100, wh: i * 2 }));
    const open = says({ readings });
    expect(open.energy.counts).toBeNull();
    expect(open.contradictions).toEqual([expect.objectContaining({ code: 'ways-disagree', refused: true })]);
    expect(says({ readings, chosen: 'power' }).energy.counts).toBe('power');
    expect(says({ readings, chosen: 'power' }).contradictions).toEqual([]);
  });

  it('more than the load can draw is refused', () => {
    const log = says({
      readings: [
        { h: 0, wh: 0 },
        { h: 1, wh: 900 },
      ],
      maxW: 100,
    });
    expect(log.contradictions).toEqual([expect.objectContaining({ code: 'above-most', offer: 90 })]);
  });

  it('of any signal, the trapezoid is that of the integral between', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 0, max: 2000 })), {
          minLength: 2,
          maxLength: 30,
        }),
        (steps) => {
          let minute = 0;
          const readings = steps.map(([step, w]) => {
            minute += step;
            return { h: minute / 60, w };
          });
          const log = says({ readings });
          // By hand, with the gaps that it says left out.
          let wh = 0;
          const first = readings[0]?.h ?? 0;
          for (let i = 1; i < readings.length; i++) {
            const [one, other] = [readings[i - 1], readings[i]] as [{ h: number; w: number }, { h: number; w: number }];
            if (log.gaps.some(({ fromH }) => Math.abs(fromH + first - one.h) < 1e-6)) continue;
            wh += ((one.w + other.w) / 2) * (other.h - one.h);
          }
          expect(log.energy.power?.wh).toBeCloseTo(wh, 4);
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe('rate and forecast', () => {
  it('a start-up that runs faster is found, and rounding is not taken for one', () => {
    const at = (h: number) => (h <= 4 ? 100 - 4 * h : 84 - (h - 4));
    const hours = Array.from({ length: 25 }, (_, i) => i);
    const log = says({ readings: hours.map((h) => ({ h, soc: at(h) })) });
    expect(log.rate?.startUp).toMatchObject({ found: true });
    expect(log.rate?.startUp.firstPercentPerH).toBeCloseTo(-4, 1);
    expect(log.rate?.startUp.thenPercentPerH).toBeCloseTo(-1, 1);
    const rounded = says({ readings: hours.map((h) => ({ h, soc: Math.round(100 - 1.23 * h) })) });
    expect(rounded.rate?.startUp.found).toBe(false);
    expect(rounded.rate?.by).toBe('line');
  });

  it('the truth lies in the band, whatever whole-percent display of a steady load', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 6, noNaN: true }),
        fc.double({ min: 60, max: 100, noNaN: true }),
        fc.boolean(),
        (fall, from, cuts) => {
          const length = Math.floor((from - 5) / fall);
          if (length < 2) return;
          const show = (soc: number) => (cuts ? Math.floor(soc) : Math.round(soc));
          const readings = Array.from({ length: length + 1 }, (_, h) => ({ h, soc: show(from - fall * h) }));
          const log = says({
            readings,
            instruments: [{ quantity: 'soc', resolution: 1, rounding: cuts ? 'cuts' : 'rounds' }],
            reserve: 3,
          });
          const { low, high } = log.rate?.percentPerH ?? { low: 0, high: 0 };
          expect(low - 1e-9).toBeLessThanOrEqual(-fall);
          expect(high + 1e-9).toBeGreaterThanOrEqual(-fall);
          const left = (from - fall * length) / fall;
          expect(log.forecast?.toEmptyH?.low).toBeLessThanOrEqual(left + 1e-9);
          expect(log.forecast?.toEmptyH?.high).toBeGreaterThanOrEqual(left - 1e-9);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('what charged on the way is said, and what only rises has no time to empty', () => {
    const charged = says({ readings: [100, 90, 80, 95, 85, 75].map((soc, h) => ({ h, soc })) });
    expect(charged.caveats.find(({ code }) => code === 'charged')?.says).toMatch(/15\.0 %/);
    const rising = says({ readings: [20, 40, 60].map((soc, h) => ({ h, soc })), capacity: { wh: 1000 } });
    expect(rising.forecast).toBeNull();
    expect(rising.energy.soc?.wh).toBe(-400);
  });

  it('the mean that stands above a log is that of its day: 12 W by the meter, 10 W by the charge', () => {
    const readings = Array.from({ length: 11 }, (_, h) => ({ h, soc: 90 - h, w: 12 }));
    const log = says({ readings, capacity: { wh: 1000 } });
    expect(log.energy.counts).toBe('power');
    expect([log.energy.power?.meanW, log.forecast?.meanW, log.forecast?.whPerDay]).toEqual([12, 12, 288]);
    expect(log.forecast?.fullToEmptyH?.value).toBeCloseTo(100, 6);
  });

  it('what was charged on the way leaves the rate: 5 %/h before and after 20 % from 4 h to 6 h', () => {
    const soc = [90, 85, 80, 75, 70, 80, 90, 85, 80, 75];
    const log = says({ readings: soc.map((percent, h) => ({ h, soc: percent })) });
    expect(log.rate?.percentPerH.value).toBeCloseTo(-5, 6);
    expect(log.caveats.filter(({ code }) => code === 'charged').map(({ says: words }) => words)).toEqual([
      expect.stringContaining('rose by 20.0 % from 4.00 to 6.00 h'),
    ]);
  });

  it('a leap of the display is asked about and is not in the rate; a charge takes its time', () => {
    const readings = [
      [0, 80],
      [1, 78],
      [2, 76],
      [2.05, 60],
      [3, 58.1],
      [4, 56.1],
    ].map(([h, soc]) => ({ h, soc }));
    const log = says({ readings });
    expect(log.rate?.percentPerH.value).toBeCloseTo(-2, 1);
    expect(log.caveats.map(({ code }) => code)).toContain('leap');
    const slow = says({ readings: [80, 78, 76, 60, 58].map((soc, h) => ({ h, soc })) });
    expect(slow.caveats.map(({ code }) => code)).not.toContain('leap');
  });

  it('readings of nothing after a timer are time in which it was off', () => {
    const readings = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4].map((h) => ({ h, w: h > 2 && h < 3.5 ? 0 : 100 }));
    const log = says({ readings, timers: [{ everyH: 2 }] });
    // From its first nothing at 2.5 h it is no timer of 2 h; one of 2.5 h is.
    expect(log.outages).toEqual([]);
    const by = says({ readings, timers: [{ everyH: 2.5 }] });
    expect(by.outages).toEqual([expect.objectContaining({ fromH: 2.5, toH: 3.5, by: 'timer' })]);
    expect(by.poweredH).toBeCloseTo(3, 9);
  });

  it('a display changed from °C to °F is asked about: 24 and then 75.2', () => {
    const codes = (c: readonly number[]) => says({ readings: c.map((one, h) => ({ h, soc: 80 - h, c: one })) }).caveats;
    expect(codes([24, 24, 75.2, 75]).map(({ code }) => code)).toContain('degrees');
    expect(codes([24, 25, 31, 40]).map(({ code }) => code)).not.toContain('degrees');
    // Deep in the cold both scales are near to each other: −40 °C is −40 °F.
    expect(codes([-38, -36, -37]).map(({ code }) => code)).not.toContain('degrees');
  });

  it('each way has the mean of its own hours, and they are compared over those that both have', () => {
    // The counter is read from 0 to 2 h at 100 W; watts of 50 from 0 to 4 h; the charge, 1,000 Wh, from 1 h on.
    const readings = [0, 1, 2, 3, 4].map((h) => ({
      h,
      w: 50,
      wh: h <= 2 ? 100 * h : null,
      soc: h >= 1 ? 90 - 5 * h : null,
    }));
    const log = says({ readings, capacity: { wh: 1000 }, chosen: 'power' });
    expect([log.energy.counter?.hours, log.energy.counter?.meanW, log.energy.counter?.wh]).toEqual([2, 100, 200]);
    expect([log.energy.soc?.hours, log.energy.soc?.meanW]).toEqual([3, 50]);
    const apart = new Map(log.energy.disagreements.map(({ of, wh }) => [of.join(' '), wh]));
    expect(apart.get('counter power')).toBeCloseTo(200 - 100, 6);
    expect(apart.get('soc counter')).toBeCloseTo(50 - 100, 6);
    expect(apart.get('soc power')).toBeCloseTo(0, 6);
  });

  it('a charge of a capacity that is doubted gives way to a meter that is off by less, one that was measured does not', () => {
    // Watts of 52 and 48 by turns are off by 2.3 % and the meter by 1 %; the capacity by 5 %, or by nothing.
    const readings = [0, 1, 2, 3, 4].map((h) => ({ h, soc: 90 - 5 * h, w: h % 2 ? 48 : 52 }));
    const counts = (measured: boolean) =>
      says({ readings, capacity: { wh: 1000, measured }, instruments: [{ quantity: 'soc', resolution: 0.01 }] }).energy
        .counts;
    expect([counts(true), counts(false)]).toEqual(['soc', 'power']);
  });

  it('the way that is known best counts: a counter of 100 Wh steps gives way to watts each minute', () => {
    const readings = Array.from({ length: 121 }, (_, m) => ({
      h: m / 60,
      w: 100,
      wh: m < 60 ? 0 : m < 120 ? 100 : 200,
    }));
    const log = (resolution: number) => says({ readings, instruments: [{ quantity: 'wh', resolution }] }).energy.counts;
    expect(log(100)).toBe('power');
    expect(log(1)).toBe('counter');
  });

  it('noise of a meter is averaged by the line, a load that wanders is told by what was used', () => {
    // Hops of 2 % about a fall of 1 %/h: the ends alone are 2 ÷ 23 off.
    const noisy = says({ readings: Array.from({ length: 24 }, (_, h) => ({ h, soc: 90 - h + (h % 2 ? 2 : -2) })) });
    expect(noisy.rate?.by).toBe('line');
    expect(noisy.rate?.percentPerH.value).toBeCloseTo(-1, 1);
    // 2 %/h for half of the time and nothing for the other: 24 % in 24 h.
    const wanders = says({ readings: Array.from({ length: 25 }, (_, h) => ({ h, soc: h <= 12 ? 100 - 2 * h : 76 })) });
    expect(wanders.rate?.by).toBe('ends');
    expect(wanders.rate?.percentPerH.value).toBeCloseTo(-1, 9);
  });

  it('the line’s band is what rounding can do to it, each reading as far off as it may be', () => {
    // Hours 0, 1, 2: the mean is 1, the spread 2; (1 + 0 + 1) ÷ 2 · 0.5 = 0.5.
    const log = says({ readings: [0, 1, 2].map((h) => ({ h, soc: 90 - 10 * h })) });
    expect(log.rate?.percentPerH).toEqual({ value: -10, low: -10.5, high: -9.5 });
  });

  it('a scatter that has no clear break is no start-up', () => {
    const off = [0.4, -0.9, 1.1, -0.2, 0.8, -1.2, 0.3, 0.9, -0.7, 0.1, -0.4, 0.6, -0.5, 1, -1.1, 0.2];
    const log = says({
      readings: off.map((more, h) => ({ h, soc: 90 - 2 * h + 1.5 * more })),
      instruments: [{ quantity: 'soc', resolution: 0.1 }],
    });
    expect(log.rate?.startUp.found).toBe(false);
    expect(log.rate?.startUp.p).toBeGreaterThan(0.05);
  });

  it('a display that cuts off may hold up to a step more', () => {
    const end = (rounding: 'rounds' | 'cuts') =>
      says({
        readings: [
          { h: 0, soc: 100 },
          { h: 10, soc: 80 },
        ],
        instruments: [{ quantity: 'soc', rounding }],
      }).forecast?.toEmptyH;
    // 80 to 81 % at 1.9 to 2.1 %/h, and 79.5 to 80.5.
    expect(end('cuts')?.low).toBeCloseTo(80 / 2.1, 6);
    expect(end('cuts')?.high).toBeCloseTo(81 / 1.9, 6);
    expect(end('rounds')?.low).toBeCloseTo(79.5 / 2.1, 6);
  });

  it('intervals reach to the last reading, however many there are', () => {
    const log = says({
      readings: Array.from({ length: 450 }, (_, i) => ({ h: i / 10, soc: Math.round(100 - i / 6) })),
      capacity: { wh: 1000 },
    });
    expect(log.intervals.length).toBeLessThanOrEqual(200);
    expect(log.intervals.at(-1)?.toH).toBeCloseTo(44.9, 9);
    expect(log.intervals.reduce((sum, { socWh }) => sum + (socWh?.value ?? 0), 0)).toBeCloseTo(
      log.energy.soc?.wh ?? 0,
      6,
    );
  });

  it('a target within the band is open', () => {
    // 20 % in 10 h, each ±0.5: full to the reserve 38.1 to 42.1 h.
    const log = (targetH: number) =>
      says({
        readings: [
          { h: 0, soc: 100 },
          { h: 10, soc: 80 },
        ],
        reserve: 20,
        targetH,
      }).target?.met;
    expect([log(37), log(40), log(43)]).toEqual(['yes', 'open', 'no']);
  });

  it('without a state of charge, the capacity over the mean', () => {
    const log = says({ readings: minutes(61, () => ({ w: 50 })), capacity: { ah: 100, nominalV: 12 }, reserve: 50 });
    expect(log.forecast?.fullToReserveH).toEqual({
      value: expect.closeTo(12, 9),
      low: expect.closeTo(11.4, 9),
      high: expect.closeTo(12.6, 9),
    });
  });

  it('a load that cycles: its levels, and that no moment stands for it', () => {
    const log = says({
      readings: minutes(600, (i) => ({ w: i % 30 < 10 ? 45 : 2, soc: Math.round(100 - i / 40) })),
      capacity: { wh: 1000 },
    });
    expect(log.levels.map(({ mean }) => Math.round(mean))).toEqual([2, 45]);
    expect(log.levels[1]?.duty).toBeCloseTo(1 / 3, 1);
    expect(log.levels[1]?.times).toBe(20);
    expect(log.caveats.map(({ code }) => code)).toContain('cycles');
    expect(log.spot?.w).toBe(2);
    expect(log.spot?.meanW).toBeCloseTo((45 + 2 * 2) / 3, 0);
  });
});

describe('what the notes and conditions say stays with the figures', () => {
  it.each([
    [{ ambientC: 18, useC: 32 }, 'unlike-use'],
    [{ empty: true }, 'empty'],
    [{ sun: true }, 'sun'],
    [{ note: 'in a shed' }, 'note'],
  ])('%j', (conditions, code) => {
    const log = says({
      readings: [
        { h: 0, soc: 100 },
        { h: 10, soc: 80 },
      ],
      conditions,
    });
    expect(log.caveats.map((caveat) => caveat.code)).toContain(code);
    expect(log.conditions).toEqual(conditions);
  });
});

describe('the door for log files', () => {
  it.each([
    [{ zone: 'Mars/Base' }, ['/zone']],
    [{ readings: [{ soc: 5 }] }, ['/readings/0']],
    [{ readings: [{ h: 1, at: '10:00', soc: 5 }] }, ['/readings/0']],
    [{ capacity: { chemistry: 'lfp' } }, ['/capacity']],
    [{ capacity: { ah: 100, nominalV: 12.8, wh: 1000 } }, ['/capacity']],
    [{ reserve: 50, ceiling: 40 }, ['/reserve']],
    [{ windows: [{ label: 'A' }] }, ['/windows/0']],
    [{ swingW: [130, 50] }, ['/swingW']],
    [{ purpose: 'fun' }, ['/purpose']],
    [{ readings: [{ h: -1, soc: 5 }] }, ['/readings/0/h']],
    [{ targetH: 'long' }, ['/targetH']],
    [{ colour: 'red' }, ['/colour']],
  ])('%j is refused at its place', (log, paths) => {
    expect(faultsOf(log)).toEqual(paths);
  });

  it('an empty log says nothing, and falls over nothing', () => {
    const log = says({});
    expect(log).toMatchObject({ readings: 0, rate: null, forecast: null, compare: null, loss: null, target: null });
    expect(says({ readings: [{ at: '10:00', soc: 50 }], capacity: { wh: 1000 }, targetH: 5 })).toMatchObject({
      readings: 1,
      rate: null,
      target: null,
    });
  });

  it('whatever is in a log, what it says has no NaN', () => {
    const any = (min: number, max: number) =>
      fc.option(
        fc.integer({ min: min * 10, max: max * 10 }).map((tenths) => tenths / 10),
        { nil: null },
      );
    const reading = fc.record({
      h: fc.integer({ min: 0, max: 1000 }).map((tenths) => tenths / 10),
      soc: any(0, 100),
      v: any(0, 60),
      a: any(-200, 200),
      w: any(-3000, 3000),
      wh: any(0, 5000),
      ah: any(-500, 500),
    });
    fc.assert(
      fc.property(
        fc.array(reading, { maxLength: 25 }),
        fc.option(fc.double({ min: 1, max: 1e5, noNaN: true }), { nil: null }),
        fc.integer({ min: 0, max: 90 }),
        (readings, wh, reserve) => {
          const log = says({ readings, reserve, targetH: 24, maxW: 500, ...(wh === null ? {} : { capacity: { wh } }) });
          const look = (value: unknown, path: string): void => {
            if (typeof value === 'number' && !Number.isFinite(value)) throw new Error(`${path} is ${value}`);
            if (value && typeof value === 'object')
              for (const [key, inner] of Object.entries(value)) look(inner, `${path}/${key}`);
          };
          look(log, '');
        },
      ),
      { numRuns: 300 },
    );
  });
});
