import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { momentDetail } from '../choices/momentDetail.ts';
import { APPLIANCES, loadFrom } from '../reference/appliances.ts';
import { loadsOfTemplate, TEMPLATES } from '../reference/templates.ts';
import { aGenerator, aHookup, aJob, aLoad, asVersion3, withSupplies, withSystem } from '../test/jobs.ts';
import { stayOf } from '../test/stay.ts';
import { blankString, blankSupply } from './blank.ts';
import { asKind, runningPowerW } from './draw.ts';
import type { Load } from './schema.ts';
import { validateJob } from './validate.ts';

const DEMO = new URL('../../../demo/', import.meta.url);
const demoJobs = readdirSync(DEMO).map((name) => JSON.parse(readFileSync(new URL(name, DEMO), 'utf8')));

const without = (value: object, ...keys: string[]): object =>
  Object.fromEntries(Object.entries(value).filter(([key]) => !keys.includes(key)));

/** A deep copy of a good job with one value put in at a path such as /loads/0/draw/powerW. */
function spoiled(path: string, value: unknown): unknown {
  const copy = structuredClone(aJob([aLoad(), aLoad()])) as unknown as Record<string, unknown>;
  const keys = path.slice(1).split('/');
  const last = keys.pop() as string;
  const parent = keys.reduce<Record<string, unknown>>((at, key) => at[key] as Record<string, unknown>, copy);
  parent[last] = value;
  return copy;
}

describe('the door for job files', () => {
  it('takes the demo jobs, all with at least 12 loads', () => {
    expect(demoJobs).toHaveLength(3);
    for (const job of demoJobs) {
      expect(validateJob(job)).toMatchObject({ ok: true });
      expect(job.loads.length).toBeGreaterThanOrEqual(12);
    }
  });

  it.each([
    ['/loads/0/draw/powerW', -5, 'at least 0'],
    ['/loads/0/draw/powerW', '60', 'number'],
    ['/loads/0/draw/powerW', null, 'number'],
    ['/loads/1/draw/kind', 'magic', 'one of steady'],
    ['/loads/0/draw', { kind: 'standby', powerW: 5, duty: 1 }, 'no such key'],
    ['/loads/0/quantity', 1.5, 'integer'],
    ['/loads/0/name', '', 'at least 1'],
    ['/loads/0/name', 'x'.repeat(400), 'at most 120'],
    ['/loads/0/name', 'a\u0000b', 'text of the allowed form'],
    ['/loads/0/name', 'a\ud800b', 'text of the allowed form'],
    ['/loads/1/id', 'load-0', 'only once'],
    [
      '/loads/0/uses',
      [
        { startMin: 0, minutes: 60 },
        { startMin: 30, minutes: 60 },
      ],
      'do not overlap',
    ],
    [
      '/loads/0/uses',
      [
        { startMin: 1400, minutes: 60 },
        { startMin: 10, minutes: 5 },
      ],
      'do not overlap',
    ],
    ['/loads/0/uses/0/minutes', 0, 'above 0'],
    ['/brief/months', [], 'at least 1'],
    ['/brief/months', [13], 'at most 12'],
    ['/brief/place/latitudeDeg', 91, 'at most 90'],
    ['/brief/place/sky', 'purple', 'one of very-clear'],
    ['/together/atMost', [{ loads: ['load-0', 'ghost'], most: 1 }], 'id of a load'],
    ['/together/atMost', [{ loads: ['load-0', 'load-1'], most: 2 }], 'fewer than its 2 loads'],
    ['/together/always', [['load-0', 'ghost']], 'id of a load'],
    ['/options/0/system/busVoltageV', 13, 'one of 12, 24, 48'],
    ['/options/0/system/store/usableDepth', 1.2, 'at most 1'],
    ['/options/0/system/devices/0/points', [{ outW: 300, inW: 290 }], 'at least outW, 300'],
    ['/hasNot', [{ id: 'phone' }, { id: 'phone' }], 'used only once'],
    ['/options/0/system/store/strings', [], 'at least 1'],
    ['/options/0/system/store/leadM', 0, 'at least 0.1'],
    ['/surprise', 1, 'no such key'],
    ['/format', 'other', 'joulemetric-job'],
    ['/schemaVersion', 99, 'newer'],
    ['/schemaVersion', 0, 'whole number'],
  ])('refuses %s = %j, saying where and what was expected', (path, value, expected) => {
    const checked = validateJob(spoiled(path, value));
    if (checked.ok) throw new Error('it was taken');
    expect(checked.faults[0]?.expected).toContain(expected);
    expect(checked.faults[0]?.path.startsWith(path.split('/').slice(0, 3).join('/'))).toBe(true);
  });

  it('names every missing key', () => {
    const checked = validateJob({ format: 'joulemetric-job', schemaVersion: 1, title: 'x' });
    expect(checked.ok).toBe(false);
    if (!checked.ok)
      expect(checked.faults.map(({ path }) => path)).toEqual(expect.arrayContaining(['/brief', '/loads', '/options']));
  });

  it('brings a job of version 2 forward: pairs become groups, an inverter stands alone, nothing is plugged in', () => {
    const { together, brief, rules, options, loads, ...rest } = asVersion3(aJob([aLoad(), aLoad()]));
    const older = {
      ...rest,
      schemaVersion: 2,
      neverTogether: [['load-0', 'load-1']],
      brief: without(brief, 'supplies'),
      rules: without(rules, 'coincide'),
      loads: loads.map((load) => without(load, 'startSeconds', 'softStart')),
      options: options.map((option) => ({
        ...option,
        system: {
          ...without(option.system, 'charger'),
          devices: option.system.devices.map((device) => without(device, 'form', 'surgeW', 'surgeSeconds', 'ambientC')),
        },
      })),
    };
    const checked = validateJob(older);
    if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
    expect(checked.job.together).toEqual({ atMost: [{ loads: ['load-0', 'load-1'], most: 1 }], always: [] });
    expect(checked.job.options[0]?.system.devices[0]).toMatchObject({ form: 'stand-alone', surgeW: null });
    expect(checked.job.options[0]?.system.chargers).toEqual([]);
    expect(checked.job.brief.supplies).toEqual([]);
  });

  it('brings a bank of version 4 forward as one unit at the bus voltage, an array as flat and unshaded', () => {
    const now = withSystem(aJob([aLoad()]), { store: { capacityAh: 160 }, array: { ratingW: 300 } });
    const older = {
      ...without(now, 'hasNot'),
      schemaVersion: 4,
      options: now.options.map((option) => ({
        ...option,
        system: {
          ...option.system,
          store: { ...without(option.system.store, 'leadM'), strings: [{ id: 's', name: 'S', capacityAh: 160 }] },
          arrays: [{ id: 'a', name: 'A', ratingW: 300, controllerA: null }],
        },
      })),
    };
    const checked = validateJob(older);
    if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
    const { store, arrays } = checked.job.options[0]?.system ?? {};
    expect(store?.strings).toEqual([blankString('s', 'S', 160)]);
    expect(store?.strings).toMatchObject([{ unitV: null, series: 1, parallel: 1, health: null, kg: null }]);
    expect([store?.leadM, checked.job.hasNot]).toEqual([null, []]);
    expect(arrays).toMatchObject([{ ratingW: 300, slopeDeg: 0, azimuthDeg: null, shade: 0 }]);
  });

  it.each([null, 5, 'text', [], true])('refuses %j as a job', (document) => {
    expect(validateJob(document)).toMatchObject({ ok: false, faults: [{ path: '/' }] });
  });

  it('wants a cycle’s run to be as long as its phases', () => {
    const phases = [{ label: 'brew', powerW: 1000, minutes: 6, startRatio: null }];
    const job = aJob([aLoad({ draw: { kind: 'cycle', phases }, uses: [{ startMin: 0, minutes: 5 }] })]);
    expect(validateJob(job)).toMatchObject({
      ok: false,
      faults: [{ expected: expect.stringContaining('exactly 6 min') }],
    });
  });

  it('never throws on any JSON, and what it takes can be assessed without a NaN', () => {
    const base = demoJobs[0];
    const paths = [
      '/loads/0/draw',
      '/loads/0/uses',
      '/brief/place',
      '/options/0/system/store',
      '/rules',
      '/together',
      '/brief/supplies',
      '/loads/3',
    ];
    fc.assert(
      fc.property(fc.constantFrom(...paths), fc.jsonValue(), (path, value) => {
        const copy = structuredClone(base);
        const keys = path.slice(1).split('/');
        const last = keys.pop() as string;
        // biome-ignore lint/suspicious/noExplicitAny: a document of any shape is the point.
        keys.reduce((at: any, key) => at[key], copy)[last] = value;
        const checked = validateJob(copy);
        if (checked.ok) assess(checked.job);
        else expect(checked.faults.length).toBeGreaterThan(0);
      }),
      { numRuns: 500 },
    );
  });
});

describe('every value that the door lets in', () => {
  /** Paths of all numbers of a document, and of its nulls. */
  const numbers = (value: unknown, path: string[] = []): string[][] => {
    if (typeof value === 'number' || value === null) return [path];
    if (typeof value !== 'object') return [];
    return Object.entries(value as object).flatMap(([key, inner]) => numbers(inner, [...path, key]));
  };
  const plugged = (loads: Load[]) =>
    withSystem(
      withSupplies(aJob(loads), aHookup(10, 230), aGenerator(2000, { ratedVa: 2200, startW: 2500 }), {
        ...blankSupply('outlet', '120V-60Hz'),
        share: 0.8,
      }),
      { charger: { ratingA: 20, leastA: 5, efficiency: 0.9, powerFactor: 0.9 }, inverter: { form: 'assisting' } },
    );
  const base = plugged([
    aLoad({ path: 'inverter-adapter' }),
    aLoad({ path: 'supply-only', startRatio: 3, chargesStore: true }),
    aLoad({ draw: { kind: 'cycle', phases: [{ label: 'a', powerW: 50, minutes: null, startRatio: null }] } }),
    ...(['thermostatic', 'standby', 'water-heating', 'room'] as const).map((kind) =>
      aLoad({ path: 'inverter', draw: asKind(kind, 500) }),
    ),
  ]);

  it.each(numbers(base).map((path) => [path.join('/'), path] as const))(
    '%s can be assessed and simulated',
    (_name, path) => {
      for (const value of [0, 5e-324, 1e-12, 0.01, 1, 12, 24, 90, -90, 365, 20_000, 1e300]) {
        const copy = structuredClone(base);
        // biome-ignore lint/suspicious/noExplicitAny: any path of the document is the point.
        const parent = path.slice(0, -1).reduce((at: any, key) => at[key], copy);
        parent[path.at(-1) as string] = value;
        const checked = validateJob(copy);
        if (!checked.ok) continue;
        for (const [id, figure] of Object.entries(assess(checked.job).figures))
          expect(figure?.value, id).toSatisfy(Number.isFinite);
        momentDetail(checked.job, 'a');
        stayOf({ ...checked.job, brief: { ...checked.job.brief, nightsOffGrid: 1 } });
      }
    },
  );
});

describe('the templates', () => {
  it.each(TEMPLATES)('$name has only types that exist, as valid loads', (template) => {
    const loads = loadsOfTemplate(template, []);
    expect(loads).toHaveLength(template.types.length);
    expect(validateJob({ ...aJob([]), loads })).toMatchObject({ ok: true });
  });
});

describe('the catalogue', () => {
  it('has at least 120 types whose typical watts lie in their range and which are valid loads', () => {
    expect(APPLIANCES.length).toBeGreaterThanOrEqual(120);
    expect(new Set(APPLIANCES.map(({ id }) => id)).size).toBe(APPLIANCES.length);
    for (const appliance of APPLIANCES) {
      const { draw, lowW, highW, id } = appliance;
      const watts = draw.kind === 'cycle' ? highW : runningPowerW(draw);
      expect(watts, id).toBeGreaterThanOrEqual(lowW);
      expect(watts, id).toBeLessThanOrEqual(highW);
      expect(['T', 'M'], id).toContain(appliance.origin);
      expect(validateJob(aJob([loadFrom(appliance, 'load')])), id).toMatchObject({ ok: true });
    }
  });
});
