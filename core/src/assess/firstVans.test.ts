import { describe, expect, it } from 'vitest';
import { blankJob } from '../job/blank.ts';
import type { Job, Load } from '../job/schema.ts';
import { proposeLoad } from '../reading/propose.ts';
import { asLaid } from '../runs/laid.ts';
import { runsOf } from '../settle/runs.ts';
import { settle } from '../settle/settle.ts';
import { assess } from './assess.ts';

/** Lines as somebody new types them, nothing else touched but what the case is about. */
const VANS: Readonly<Record<string, { readonly lines: readonly string[]; readonly change?: (job: Job) => Job }>> = {
  'a newcomer’s': {
    lines: ['fridge 45W', '2 laptops', 'kettle', 'water pump', '6 LED lights 3W 4h', 'induction hob'],
  },
  'for weekends': { lines: ['cool box 45W', '4 LED lights 3W 3h', 'phone charger', 'water pump'] },
  'to work from': {
    lines: [
      'fridge 50W',
      '2 laptops 60W 8h',
      'monitor 30W 8h',
      'router 10W 24h',
      '6 LED lights 3W 5h',
      'coffee machine',
      'water pump',
    ],
  },
  'all electric, 24 V': {
    lines: ['fridge 60W', 'induction hob', 'kettle', 'microwave', 'water heater', '8 LED lights 3W 5h', 'water pump'],
    change: (job) => ({
      ...job,
      options: job.options.map((option) => ({ ...option, system: { ...option.system, busVoltageV: 24 } })),
    }),
  },
  'in winter': {
    lines: ['fridge 45W', 'diesel heater 12h', '6 LED lights 3W 7h', 'laptop 60W 3h', 'water pump'],
    change: (job) => ({
      ...job,
      brief: { ...job.brief, months: [12, 1, 2], place: { ...job.brief.place, dayTempC: 3, nightTempC: -6 } },
    }),
  },
};

function vanOf({ lines, change = (job) => job }: (typeof VANS)[string]): Job {
  const job = change(blankJob('First van'));
  const busV = job.options[0]?.system.busVoltageV ?? 12;
  const loads = lines.map((line, i): Load => {
    const proposed = proposeLoad(line, () => `l${i}`, undefined, [], { busV, mainsV: 230 });
    if (!proposed.load) throw new Error(`${line}: ${JSON.stringify(proposed.questions)}`);
    return proposed.load;
  });
  return { ...job, loads };
}

/** With the program's own proposal laid. */
function laid(job: Job): Job {
  const { rows } = runsOf(settle(job));
  const [option] = job.options as [Job['options'][number]];
  return { ...job, options: [{ ...option, system: { ...option.system, runs: asLaid(rows, option.system) } }] };
}

describe.each(Object.entries(VANS))('a first van, %s', (_name, van) => {
  const job = vanOf(van);
  const made = laid(job);
  const { findings } = assess(made);
  const runs = runsOf(settle(made));
  const rows = runs.rows;

  it('has a fuse at every lead from the battery, between its current and what the lead bears', () => {
    const fused = rows.filter(({ run, isProtectedAbove }) => run.end !== 'panels' && !isProtectedAbove);
    expect(fused.length).toBeGreaterThan(0);
    expect(fused.filter(({ fuse }) => fuse.kind === null).map(({ run }) => run.name)).toEqual([]);
    for (const { fuse, ampacityA, carried, run } of rows)
      if (fuse.ratingA !== null) {
        expect(fuse.ratingA, run.name).toBeLessThanOrEqual(ampacityA + 1e-9);
        expect(fuse.ratingA, run.name).toBeGreaterThanOrEqual(1.25 * carried.lowA - 1e-9);
      }
  });

  it('starts its motors on a low battery, on leads that nobody would call thin', () => {
    const busV = job.options[0]?.system.busVoltageV ?? 12;
    const motors = runs.appliances.filter(({ name }) => /fridge|cool box|pump/i.test(name));
    expect(motors.length).toBeGreaterThan(0);
    for (const { name, startV } of motors) expect(startV, name).toBeGreaterThan((10.4 * busV) / 12);
    const thin = rows.filter(({ run, areaMm2 }) => run.end !== 'panels' && areaMm2 < 1.3);
    expect(thin.map(({ run }) => run.name)).toEqual([]);
    for (const { run, areaMm2 } of rows.filter((row) => row.run.end === 'busbar' && row.depth > 0))
      expect(areaMm2, run.name).toBeGreaterThanOrEqual(5.2);
  });

  it('has nothing said against it that its own proposals could have avoided', () => {
    const against = findings.filter(
      ({ where, severity, code }) =>
        (where.step === 'runs' && severity !== 'note') || code.startsWith('store-') || code === 'fuse-none',
    );
    expect(against.map(({ code, values }) => ({ code, values }))).toEqual([]);
  });
});
