import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { prepareDays } from '../choices/daysDetail.ts';
import { runsDetail } from '../choices/runsDetail.ts';
import type { Job, Load } from '../job/schema.ts';
import { validateJob } from '../job/validate.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { oneLead } from '../test/runs.ts';
import { calibrations } from './calibrate.ts';
import { checklist } from './checklist.ts';
import type { Log } from './logSchema.ts';
import { LOG_VERSION } from './logValues.ts';
import { measureFirst } from './measureFirst.ts';
import { mergeSeries } from './merge.ts';
import { readingsOf } from './open.ts';
import { reportOf } from './report.ts';
import { instrumentReading, integral } from './simulated.ts';
import { zoneOf } from './stamp.ts';
import type { Series } from './table.ts';
import { truthOf } from './truth.ts';

const utc = zoneOf('UTC') ?? ((ms: number) => [ms]);

/** What a log of a job offers to it. */
function offers(job: Job, part: Omit<Log, 'format' | 'version'>) {
  const log: Log = { format: 'joulemetric-log', version: LOG_VERSION, ...part };
  const found = calibrations(job, 'a', log, reportOf(log, readingsOf(log.readings ?? [], utc), utc));
  return found.map((offer) => {
    const after = offer.apply(job);
    // What may be taken leaves a job that can be saved.
    if (offer.refused === null) expect(validateJob(after).ok).toBe(true);
    return { ...offer, after };
  });
}
const drawOf = (offer: ReturnType<typeof offers>[number] | undefined): Load['draw'] => {
  const draw = offer?.after.loads[0]?.draw;
  if (!draw) throw new Error('no load');
  return draw;
};
const optionA = (job: Job): Job => ({ ...job, options: job.options.map((option) => ({ ...option, id: 'a' })) });
const one = (draw: Load['draw'], more: Partial<Load> = {}) =>
  optionA(aJob([aLoad({ draw, evidence: 'guess', ...more })]));
const about = { kind: 'load', id: 'load-0' } as const;
const every = <T>(count: number, of: (minute: number) => T) =>
  Array.from({ length: count }, (_, i) => ({ h: i / 60, ...of(i) }));

describe('from a log into the job', () => {
  it('the watts of a steady load, and its evidence', () => {
    const [offer] = offers(one({ kind: 'steady', powerW: 60 }, { quantity: 2 }), {
      about,
      readings: every(31, () => ({ w: 90 })),
    });
    expect(offer).toMatchObject({ id: 'power', from: 120, refused: null });
    expect(offer?.to).toBeCloseTo(90, 9);
    // Of two pieces, each takes half.
    expect(offer?.after.loads[0]).toMatchObject({ draw: { kind: 'steady', powerW: 45 }, evidence: 'measured' });
  });

  it('of a fridge its running watts and its duty, so that the mean comes out', () => {
    const [offer] = offers(one({ kind: 'thermostatic', runningW: 50, duty: 0.5, dutyAtC: 25, setC: 4 }), {
      about,
      readings: every(901, (i) => ({ w: i % 30 < 9 ? 44 : 0 })),
    });
    const draw = drawOf(offer);
    if (draw.kind !== 'thermostatic') throw new Error(draw.kind);
    expect(offer?.from).toBeCloseTo(25, 9);
    expect(draw.runningW).toBeCloseTo(44, 6);
    expect(draw.runningW * draw.duty).toBeCloseTo(44 * 0.3, 0);
    // By percent alone only the duty can be told.
    const [byPercent] = offers(
      one({ kind: 'thermostatic', runningW: 50, duty: 0.5, dutyAtC: 25, setC: 4 }, { path: 'direct' }),
      {
        about,
        readings: [
          { h: 0, soc: 100 },
          { h: 10, soc: 90 },
        ],
        capacity: { wh: 1000 },
      },
    );
    expect(byPercent?.after.loads[0]?.draw).toMatchObject({ runningW: 50, duty: expect.closeTo(0.2, 9) });
  });

  it('of a fridge the duty is that of the air it was logged in, or stands as it is', () => {
    const fridge = { kind: 'thermostatic', runningW: 50, duty: 0.5, dutyAtC: 25, setC: 4 } as const;
    const readings = every(901, (i) => ({ w: i % 30 < 9 ? 44 : 0 }));
    const [at21] = offers(one(fridge), { about, readings, conditions: { ambientC: 21 } });
    expect(at21?.after.loads[0]?.draw).toMatchObject({ dutyAtC: 21 });
    const [unsaid] = offers(one(fridge), { about, readings });
    expect(unsaid?.after.loads[0]?.draw).toMatchObject({ dutyAtC: null });
  });

  it('turns what the battery gave back to the appliance: through an adapter of 80 % ten watts are eight', () => {
    const fridge = { kind: 'thermostatic', runningW: 50, duty: 0.5, dutyAtC: 25, setC: 4 } as const;
    const [offer] = offers(one(fridge, { path: 'dc-dc', converterEfficiency: 0.8 }), {
      about,
      readings: [
        { h: 0, soc: 100 },
        { h: 10, soc: 90 },
      ],
      capacity: { wh: 1000 },
    });
    expect(offer?.to).toBeCloseTo(8, 6);
    expect(offer?.after.loads[0]?.draw).toMatchObject({ runningW: 50, duty: expect.closeTo(0.16, 9) });
  });

  it('leaves the start of a motor what it was when it is measured to take less while it runs', () => {
    const job = one({ kind: 'thermostatic', runningW: 60, duty: 0.5, dutyAtC: 25, setC: 4 }, { startRatio: 4 });
    const [offer] = offers(job, { about, readings: every(901, (i) => ({ w: i % 30 < 9 ? 40 : 0 })) });
    const load = offer?.after.loads[0];
    if (load?.draw.kind !== 'thermostatic') throw new Error('a fridge');
    expect(load.draw.runningW * load.startRatio).toBeCloseTo(240, 6);
  });

  it('does not take a mean of hours for the watts of what was off in between', () => {
    const percent = {
      about,
      capacity: { wh: 1000 },
      readings: [
        { h: 0, soc: 100 },
        { h: 20, soc: 90 },
      ],
    };
    const microwave = one({ kind: 'steady', powerW: 1000 }, { path: 'direct', uses: [{ startMin: 720, minutes: 6 }] });
    expect(offers(microwave, percent)[0]?.refused).toMatch(/may have been off/);
    const always = one({ kind: 'standby', powerW: 9 }, { path: 'direct' });
    expect(offers(always, percent)[0]).toMatchObject({ refused: null, to: expect.closeTo(5, 9) });
  });

  it('refuses a mean above what it is said to take while it runs', () => {
    const [offer] = offers(
      one({ kind: 'thermostatic', runningW: 8, duty: 0.5, dutyAtC: 25, setC: 4 }, { path: 'direct' }),
      {
        about,
        capacity: { wh: 1000 },
        readings: [
          { h: 0, soc: 100 },
          { h: 10, soc: 90 },
        ],
      },
    );
    expect(offer?.refused).toMatch(/log its watts first/);
  });

  it('the phases of a cycle, unless they contradict themselves', () => {
    const brew: Load['draw'] = {
      kind: 'cycle',
      phases: [{ label: 'brew', powerW: 1400, minutes: 6, startRatio: 1.1 }],
    };
    const job = one(brew, { uses: [{ startMin: 600, minutes: 6 }] });
    const phases = [
      { label: 'brew', minutes: 5.9, wh: 140 },
      { label: 'warm', minutes: 70, wh: 85 },
    ];
    const [offer] = offers(job, { about, phases });
    expect(offer).toMatchObject({ id: 'cycle', from: 140, to: 225, refused: null });
    const draw = drawOf(offer);
    // A phase keeps how it starts.
    expect(draw.kind === 'cycle' && draw.phases.map(({ startRatio }) => startRatio)).toEqual([1.1, null]);
    expect(draw.kind === 'cycle' && draw.phases[1]?.powerW).toBeCloseTo((85 * 60) / 70, 9);
    expect(offer?.after.loads[0]?.uses[0]?.minutes).toBeCloseTo(75.9, 9);
    const close = one(brew, {
      uses: [
        { startMin: 600, minutes: 6 },
        { startMin: 660, minutes: 6 },
      ],
    });
    expect(offers(close, { about, phases })[0]?.refused).toMatch(/75\.9 min does not fit between its uses/);
    const [bad] = offers(job, { about, phases: [{ label: 'brew', minutes: 5.9, wh: 140, w: 1569 }] });
    expect(bad?.refused).toMatch(/one of them is not of this phase/);
  });

  it('the loss of an inverter by its pairs', () => {
    const job = optionA(aJob([aLoad()]));
    const id = job.options[0]?.system.devices[0]?.id ?? '';
    const [offer] = offers(job, {
      about: { kind: 'device', id, optionId: 'a' },
      pairs: [
        { outW: 80, inW: 120 },
        { outW: 600, inW: 690 },
      ],
    });
    // 40 W lost at 80 W, 90 W at 600 W: 40 − 80 × 50 ÷ 520.
    expect(offer?.to).toBeCloseTo(32.3, 1);
    expect(offer?.after.options[0]?.system.devices[0]).toMatchObject({
      points: [
        { outW: 80, inW: 120 },
        { outW: 600, inW: 690 },
      ],
      idleW: null,
    });
  });

  it('what a store still holds of its label, by what was metered', () => {
    const job = withSystem(optionA(aJob([aLoad()])), { store: { chemistry: 'lfp', capacityAh: 100 } });
    const readings = every(601, (i) => ({ w: 64, soc: 100 - i / 12 }));
    // 640 Wh for half of 1,280 Wh by the label's 100 Ah at 12.8 V: as new. At 90 % of it 576 Wh.
    const [whole] = offers(job, {
      about: { kind: 'store', optionId: 'a' },
      capacity: { ah: 100, chemistry: 'lfp' },
      readings,
    });
    expect(whole?.to).toBeCloseTo(100, 0);
    const [less] = offers(job, {
      about: { kind: 'store', optionId: 'a' },
      capacity: { ah: 100, chemistry: 'lfp' },
      readings: every(601, (i) => ({ w: 57.6, soc: 100 - i / 12 })),
    });
    expect(less?.to).toBeCloseTo(90, 0);
    expect(less?.after.options[0]?.system.store.strings?.[0]?.health).toBeCloseTo(0.9, 2);
    // A tenth of the charge tells too little.
    expect(
      offers(job, {
        about: { kind: 'store', optionId: 'a' },
        capacity: { ah: 100 },
        readings: every(121, (i) => ({ w: 64, soc: 100 - i / 12 })),
      }),
    ).toEqual([]);
  });

  it('of what is not in the job, nothing', () => {
    const job = optionA(aJob([aLoad()]));
    const readings = every(31, () => ({ w: 90 }));
    expect(offers(job, { readings })).toEqual([]);
    expect(offers(job, { readings, about: { kind: 'load', id: 'gone' } })).toEqual([]);
    expect(
      offers(job, {
        about: { kind: 'device', id: 'gone', optionId: 'a' },
        pairs: [
          { outW: 1, inW: 2 },
          { outW: 3, inW: 5 },
        ],
      }),
    ).toEqual([]);
  });
});

describe('what to measure first', () => {
  it('is what narrows the day most, and the day is narrower by that once it is measured', () => {
    const job = aJob([
      aLoad({ watts: 100, hours: 5, evidence: 'guess' }),
      aLoad({ watts: 300, hours: 5, evidence: 'nameplate' }),
      aLoad({ watts: 500, hours: 5, evidence: 'measured' }),
      aLoad({
        id: 'fridge',
        draw: { kind: 'thermostatic', runningW: 45, duty: 0.4, dutyAtC: 25, setC: 4 },
        evidence: 'typical',
        uses: [{ startMin: 0, minutes: 1440 }],
        path: 'direct',
      }),
    ]);
    const option = job.options[0]?.id ?? '';
    const before = assess(job, option).evidence;
    const [first, ...rest] = measureFirst(job, assess(job, option));
    expect(first?.loadId).toBe('load-1');
    expect(rest.map(({ loadId }) => loadId)).not.toContain('load-2');
    const fridge = rest.find(({ loadId }) => loadId === 'fridge-3');
    expect(fridge).toMatchObject({ instrument: 'clamp or shunt', hours: 24 });
    const after = {
      ...job,
      loads: job.loads.map((load) => (load.id === first?.loadId ? { ...load, evidence: 'measured' as const } : load)),
    };
    const then = assess(after, option).evidence;
    expect(before.highWh - before.lowWh - (then.highWh - then.lowWh)).toBeCloseTo(first?.shrinksWh ?? 0, 6);
  });

  it('of nothing, or of what is all measured, is nothing', () => {
    for (const job of [aJob([]), aJob([aLoad()])])
      expect(measureFirst(job, assess(job, job.options[0]?.id ?? ''))).toEqual([]);
  });
});

describe('the checks of a commissioning', () => {
  const job = aJob([aLoad({ name: 'Water pump', startRatio: 4 }), aLoad({ name: 'Alarm', critical: true })]);
  const option = job.options[0];
  if (!option) throw new Error('no option');
  const items = checklist(job, option, []);
  const of = (id: string) => items.find((item) => item.id === id);

  it('have one for each start, cut-off, source and the mains, each with what should come out', () => {
    expect(of('start-load-0')?.what).toMatch(/Water pump starts/);
    expect(of('critical')?.what).toMatch(/Alarm/);
    // LFP is planned to 80 %: cut off at 20 %, where it rests at 12.9 V.
    expect(of('cut-off')?.expected).toMatch(/at 20 %, 12\.9 V/);
    expect(of('residual')).toMatchObject({ by: 'a licensed person' });
    expect(items.every(({ expected }) => expected.length > 0)).toBe(true);
    expect(new Set(items.map(({ id }) => id)).size).toBe(items.length);
  });

  it('have one for each run that is laid, with what it should lose: by hand', () => {
    // 120 W on 12 V are 10 A; 10 m there and back of 2.5 mm² at 70 °C: 0.1596 Ω × 1.1965.
    const laid = oneLead({ watts: 120 }, { lengthM: 10, areaMm2: 2.5 });
    const found = checklist(laid, laid.options[0] ?? option, runsDetail(laid, 'a').lines);
    expect(found.find(({ id }) => id === 'drop-lead')?.expected).toMatch(/^1\.91 V at 10\.0 A.* 15\.9 %/);
    expect(found.some(({ id }) => id === 'drop-main')).toBe(false);
    expect(items.some(({ id }) => id.startsWith('drop-'))).toBe(false);
  });

  it('leave the mains out of a vehicle that has none, and the cold out of lead', () => {
    const plain = checklist(
      aJob([aLoad({ path: 'direct' })]),
      {
        ...option,
        system: { ...option.system, devices: [], store: { ...option.system.store, chemistry: 'agm' } },
      },
      [],
    );
    expect(plain.map(({ group }) => group)).not.toContain('mains');
    expect(plain.map(({ id }) => id)).not.toContain('cold');
  });
});

describe('two hands in one log', () => {
  const series = (t: number[], w: number[], note: string | null = null): Series => ({
    t: Float64Array.from(t),
    dated: true,
    values: { w: Float64Array.from(w) },
    remarks: note === null ? [] : [{ t: t[0] ?? 0, note, mark: null, toGo: null }],
  });

  it('are in the order of time, and of one moment the first counts', () => {
    const merged = mergeSeries(
      series([0, 10, 20], [1, Number.NaN, 3], 'a'),
      series([5, 10, 20, 30], [4, 5, 6, 7], 'b'),
    );
    expect(Array.from(merged.t)).toEqual([0, 5, 10, 20, 30]);
    expect(Array.from(merged.values.w ?? [])).toEqual([1, 4, 5, 3, 7]);
    expect(merged.remarks.map(({ note }) => note)).toEqual(['a', 'b']);
  });

  it('of which one is empty are the other', () => {
    expect(Array.from(mergeSeries(series([], []), series([1], [2])).values.w ?? [])).toEqual([2]);
    expect(Array.from(mergeSeries(series([1], [2]), series([], [])).values.w ?? [])).toEqual([2]);
  });
});

describe('what simulated instruments see', () => {
  it('loses about a fifth of its readings where it is told to, a few in a row', () => {
    const list = Array.from({ length: 24 }, () => 40);
    const truth = {
      stepMin: 60,
      ah: 100,
      w: list,
      needW: list,
      soc: list.map(() => 0.8),
      v: list.map(() => 13),
      airC: list,
      storeC: list,
    };
    const of = (faults: readonly 'drop-outs'[]) =>
      Array.from({ length: 900 }, (_, n) =>
        instrumentReading({ kind: 'monitor', seed: 3, everyS: 10, truth, faults, zeroed: false }, n),
      ).filter((one) => one === null).length;
    expect(of([])).toBe(0);
    expect(of(['drop-outs'])).toBeGreaterThan(110);
    expect(of(['drop-outs'])).toBeLessThan(260);
  });

  it('is the trip: charge falls by what is taken, and volts with it', () => {
    const job = withSystem(
      aJob([aLoad({ watts: 50, hours: 24, path: 'direct', uses: [{ startMin: 0, minutes: 1440 }] })]),
      { store: { capacityAh: 200 }, array: { ratingW: 0 }, dcdc: { ratingA: 0 } },
    );
    const quiet = { ...job, brief: { ...job.brief, nightsOffGrid: 1 } };
    const truth = truthOf(
      prepareDays(quiet, quiet.options[0]?.id ?? '', { month: 6, weather: 'typical', ifs: [], stepMin: 15 }),
    );
    expect(truth.needW.slice(0, 96).every((w) => Math.abs(w - 50) < 1)).toBe(true);
    expect(truth.soc[90] ?? 1).toBeLessThan(truth.soc[0] ?? 0);
    // At home it is filled, at no more than charging volts.
    expect(truth.v.every((v) => v > 12 && v <= 14.2)).toBe(true);
    expect(truth.ah).toBeCloseTo(200, 6);
  });

  it('adds up as the straight lines between the middles do, by hand', () => {
    // Two steps of an hour, 10 and 30 W: 20 W at both ends, so 15 over each half beside 10 and 25 beside 30.
    expect(integral([10, 30], 60, 0.5)).toBeCloseTo(0.5 * 15, 9);
    expect(integral([10, 30], 60, 1)).toBeCloseTo(0.5 * 15 + 0.5 * 15, 9);
    expect(integral([10, 30], 60, 2)).toBeCloseTo(40, 9);
    expect(integral([10, 30], 60, 7)).toBeCloseTo(3 * 40 + 15, 9);
  });
});
