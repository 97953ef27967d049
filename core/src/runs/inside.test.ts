import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { prepareDays, tripDetail } from '../choices/daysDetail.ts';
import { diagramOf } from '../choices/diagram.ts';
import { runsDetail } from '../choices/runsDetail.ts';
import { supplyUses } from '../choices/supplyUse.ts';
import { blankArray, blankCharger } from '../job/blank.ts';
import type { AllInOne, Job, Run } from '../job/schema.ts';
import { validateJob } from '../job/validate.ts';
import { asCabled, runsOf } from '../settle/runs.ts';
import { settle } from '../settle/settle.ts';
import { supplyDay } from '../sources/supplyDay.ts';
import { aHookup, aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';
import { aRun, withRuns } from '../test/runs.ts';
import { asLaid } from './laid.ts';

import { netlistOf } from './netlist.ts';
import { propose } from './propose.ts';

/** A kettle on an inverter, a lamp, two arrays and a charger; some of them in one unit. */
const withUnit = (part: Partial<AllInOne> | null, arrayW = 300): Job => {
  const job = withSystem(aJob([aLoad({ watts: 600, hours: 1, path: 'inverter' }), aLoad({ watts: 12, hours: 4 })]), {
    dcdc: { ratingA: 0 },
    store: { capacityAh: 200 },
  });
  const unit = { id: 'box', name: 'Box', inverter: 'inverter', arrays: ['roof'], charger: 'mains' };
  return {
    ...job,
    options: job.options.map((option) => ({
      ...option,
      system: {
        ...option.system,
        arrays: [blankArray('roof', 'Roof', arrayW), blankArray('awning', 'Awning', 100)],
        chargers: [blankCharger('mains', 'Charger', 40)],
        allInOnes: part ? [{ ...unit, chargeA: 60, kg: null, price: null, ...part }] : [],
      },
    })),
  };
};
const systemOf = (job: Job) => {
  const [option] = job.options;
  if (!option) throw new Error('no option');
  return option.system;
};
const proposed = (job: Job, existing: readonly Run[] = []): Run[] => propose(asCabled(settle(job)), existing);
const endsOf = (runs: readonly Run[]) =>
  runs.map(({ name, end, from, lengthM, protection }) => [
    name,
    end,
    runs.find(({ id }) => id === from)?.name ?? null,
    lengthM,
    protection,
  ]);

describe('an all-in-one unit', () => {
  it('has one lead for all that is in it, and what is in it none of its own', () => {
    expect(endsOf(proposed(withUnit({})))).toEqual([
      ['Bank to busbars', 'busbar', null, null, 'as-needed'],
      ['Box', 'busbar', 'Bank to busbars', null, 'as-needed'],
      ['Inverter', 'device', 'Box', 0.05, 'none'],
      ['Busbars to fuse block', 'busbar', 'Bank to busbars', null, 'as-needed'],
      ['Load', 'loads', 'Busbars to fuse block', null, 'as-needed'],
      ['Roof', 'array', 'Box', 0.05, 'none'],
      ['Roof: panels', 'panels', 'Roof', null, 'none'],
      ['Awning', 'array', 'Bank to busbars', null, 'as-needed'],
      ['Awning: panels', 'panels', 'Awning', null, 'none'],
      ['Charger', 'charger', 'Box', 0.05, 'none'],
    ]);
    const apart = endsOf(proposed(withUnit(null)));
    expect(apart.filter(([, , from]) => from === 'Bank to busbars')).toHaveLength(5);
  });

  it('its lead carries what its inverter draws, or all that charges through it, whichever is more', () => {
    const leadOf = (job: Job) => {
      const row = runsOf(settle(job)).rows.find(({ run }) => run.name === 'Box');
      if (!row) throw new Error('no lead');
      return row;
    };
    // 300 W ÷ 14.2 V and 40 A.
    expect(leadOf(withUnit({})).carried.chargeA).toBeCloseTo(300 / 14.2 + 40, 9);
    expect(leadOf(withUnit({}, 1500)).carried.lowA).toBeCloseTo(1500 / 14.2 + 40, 9);
    expect(leadOf(withUnit({ inverter: 'inverter', arrays: [], charger: null })).carried.chargeA).toBe(0);
  });

  it('is a unit in the table and the diagram, laid or proposed; busbars with anything else on them are busbars', () => {
    const shown = (job: Job) => {
      const detail = runsDetail(job, 'a');
      const { nodes } = diagramOf(detail, job, 'a');
      return detail.lines
        .filter(({ run }) => run.end === 'busbar')
        .map(({ run, isUnit, leadsTo }) => [run.name, isUnit, leadsTo, nodes.find(({ id }) => id === run.id)?.kind]);
    };
    const others = [
      ['Bank to busbars', false, 'busbars', 'busbar'],
      ['Busbars to fuse block', false, 'busbars', 'busbar'],
    ];
    const job = withUnit({});
    expect(shown(job)).toEqual([others[0], ['Box', true, 'Box', 'inverter'], others[1]]);
    expect(shown(withRuns(job, proposed(job)))).toEqual([others[0], ['Box', true, 'Box', 'inverter'], others[1]]);
    expect(shown(withUnit(null))).toEqual(others);
    const laid = proposed(job);
    const moved = laid.map((run) =>
      run.loads.length > 0 ? { ...run, from: laid.find(({ name }) => name === 'Box')?.id ?? null } : run,
    );
    expect(shown(withRuns(job, moved)).find(([name]) => name === 'Box')).toEqual(['Box', false, 'busbars', 'busbar']);
  });

  it('what is added to it later goes inside; where its parts are laid apart it goes apart', () => {
    const before = withUnit({ charger: null });
    const runs = proposed(before).filter(({ end }) => end !== 'charger');
    const later = proposed(withUnit({}), runs);
    const [added] = later.filter((run) => !runs.includes(run));
    expect(later.length).toBe(runs.length + 1);
    expect([added?.end, later.find(({ id }) => id === added?.from)?.name]).toEqual(['charger', 'Box']);
    const apart = proposed(withUnit(null)).filter(({ end }) => end !== 'charger');
    const [own] = proposed(withUnit({}), apart).filter((run) => !apart.includes(run));
    expect([own?.end, apart.find(({ id }) => id === own?.from)?.name]).toEqual(['charger', 'Bank to busbars']);
  });

  it('its proposal is valid and passes its own findings, whatever is in it', () => {
    fc.assert(
      fc.property(
        fc.subarray(['roof', 'awning']),
        fc.constantFrom('mains', null),
        fc.constantFrom('inverter', null),
        fc.integer({ min: 50, max: 1200 }),
        (arrays, charger, inverter, arrayW) => {
          if (inverter === null && arrays.length === 0 && charger === null) return;
          const job = withUnit({ arrays, charger, inverter: inverter as string }, arrayW);
          const { rows } = runsOf(settle(job));
          const made = withRuns(job, asLaid(rows, systemOf(job)));
          if (inverter !== null) expect(validateJob(JSON.parse(JSON.stringify(made)))).toMatchObject({ ok: true });
          const found = assess(made).findings.filter(
            ({ where, code }) => where.step === 'runs' && code !== 'run-interrupt',
          );
          expect(found.map(({ code, values }) => ({ code, values }))).toEqual([]);
        },
      ),
      { numRuns: 40, seed: 3 },
    );
  });
});

describe('a lead without a fuse of its own', () => {
  it('is suggested as thick as the fuse before it asks: 5 A behind 60 A', () => {
    const job = withSystem(aJob([aLoad({ watts: 60, hours: 2 })]), {
      dcdc: { ratingA: 0 },
      array: { ratingW: 0 },
      store: { capacityAh: 100 },
      runs: [
        aRun('main', 'busbar', { ratingA: 60, areaMm2: 25 }),
        aRun('lead', 'loads', { from: 'main', loads: ['load-0'], lengthM: 0.3, protection: 'none' }),
      ],
    });
    const lead = runsOf(settle(job)).rows.find(({ run }) => run.id === 'lead');
    expect(lead?.decidedBy).toBe('fuse');
    expect(lead?.ampacityA).toBeGreaterThanOrEqual(60);
    expect(assess(job).findings.map(({ code }) => code)).not.toContain('run-unfused');
    // Behind 15 A it may be as thin as its drop allows.
    const thin = withRuns(
      job,
      systemOf(job).runs?.map((run) => (run.id === 'main' ? { ...run, ratingA: 15 } : run)) ?? null,
    );
    const thinner = runsOf(settle(thin)).rows.find(({ run }) => run.id === 'lead');
    expect(thinner?.areaMm2).toBeLessThan(lead?.areaMm2 ?? 0);
  });
});

describe('the leads of chargers, once laid', () => {
  /** 3.30 Ω/km of 6 mm² (IEC 60228 class 5), there and back. */
  const OHM = (2 * 3.3) / 1000;
  const driven = (runs: Run[] | null): Job => {
    const job = withSystem(aJob([aLoad({ watts: 100, hours: 5 })]), {
      dcdc: { ratingA: 30 },
      array: { ratingW: 0 },
      charger: { ratingA: 20, efficiency: 1 },
      runs,
    });
    return { ...job, brief: { ...job.brief, drives: [{ startMin: 600, minutes: 60 }] } };
  };
  const runs = [
    aRun('main', 'busbar'),
    aRun('in', 'driving', { from: 'main', part: 'dcdc', lengthM: 1, areaMm2: 6 }),
    aRun('plug', 'charger', { from: 'main', part: 'charger', lengthM: 2, areaMm2: 6 }),
    aRun('lead', 'loads', { from: 'main', loads: ['load-0'] }),
  ];

  it('take R × I² of what a DC-DC charger gives, in the day’s income and in the days that are played', () => {
    const watts = 30 * 14.2 - 30 ** 2 * OHM;
    expect(settle(driven(runs)).income.drivingWh).toBeCloseTo(watts, 6);
    expect(settle(driven(null)).income.drivingWh).toBeCloseTo(30 * 14.2, 6);
    const ask = { month: 6, weather: 'sunless', ifs: [], stepMin: 15 } as const;
    const { trace } = tripDetail(prepareDays(driven(runs), 'a', ask)).run;
    expect(Math.max(...(trace?.drivingW ?? []))).toBeCloseTo(watts, 3);
    // It is asked for more in turn, and takes no more from the alternator.
    expect(settle(driven(runs)).driving.requiredA).toBeGreaterThan(settle(driven(null)).driving.requiredA);
    expect(settle(driven(runs)).driving.links[0]?.inputA).toBe(settle(driven(null)).driving.links[0]?.inputA);
  });

  it('the lead from the alternator loses R × I² of the amps that it is drawn, by the volts that it leaves', () => {
    const job = driven([...runs, aRun('alt', 'alternator', { from: 'in', part: 'dcdc' })]);
    const cabled: Job = {
      ...job,
      options: job.options.map((option) => ({
        ...option,
        system: {
          ...option.system,
          driving: option.system.driving?.map((link) => ({ ...link, cableM: 4, cableMm2: 10 })) ?? null,
        },
      })),
    };
    const settled = settle(cabled);
    const [link] = settled.driving.links;
    const row = runsOf(settled).rows.find(({ run }) => run.id === 'alt');
    // 1.91 Ω/km of 10 mm² (IEC 60228 class 5), 8 m there and back, an hour.
    expect(row?.coldOhm).toBeCloseTo(8 * 0.00191, 6);
    expect((row?.lostWh ?? 0) / ((link?.inputA ?? 0) ** 2 * 8 * 0.00191)).toBeCloseTo(1, 2);
  });

  it('what is explained adds up with them: amps needed, and watt-hours of the alternator', () => {
    const { figures } = assess(driven(runs));
    const valuesOf = (id: 'dcdc.required' | 'alternator.yield') =>
      Object.fromEntries(figures[id].working.inputs.map(({ symbol, value }) => [symbol, value]));
    const { need, hours, volts, counted, lead } = valuesOf('dcdc.required');
    expect(lead).toBeGreaterThan(0);
    const amps = Number(need) / (Number(hours) * Number(volts) * Number(counted)) + Number(lead);
    expect(figures['dcdc.required'].value).toBeCloseTo(amps, 9);
    const given = valuesOf('alternator.yield');
    expect(figures['alternator.yield'].value).toBeCloseTo(
      Number(given.amps) * Number(given.volts) * Number(given.hours),
      6,
    );
    // 30 A less 30² × 6.6 mΩ ÷ 14.2 V.
    expect(given.amps).toBeCloseTo(30 - (900 * OHM) / 14.2, 9);
  });

  it('and of what a mains charger gives: 20 A through 2 m', () => {
    const plugged = (laid: Run[] | null) => withSupplies(driven(laid), aHookup(16, 230));
    const watts = 20 * 14.2 - 20 ** 2 * 2 * OHM;
    expect(supplyUses(settle(plugged(runs)))[0]?.dcW).toBeCloseTo(watts, 6);
    expect(supplyUses(settle(plugged(null)))[0]?.dcW).toBeCloseTo(20 * 14.2, 6);
    const { profiles, option, inverters, feeds, leads, bus } = settle(plugged(runs));
    const day = { profiles, system: option.system, inverters, feeds, leads, busW: bus.busW };
    expect(supplyDay(aHookup(16, 230), day).source.watts[700]).toBeCloseTo(watts, 6);
  });

  it('what a DC-DC charger must have covers its lead: with it fitted the day is served', () => {
    const { driving, ledger } = settle(driven(runs));
    const need = ledger.total.batteryWh;
    const job = driven(runs);
    const fitted: Job = {
      ...job,
      options: job.options.map((option) => ({
        ...option,
        system: {
          ...option.system,
          driving: option.system.driving?.map((link) => ({ ...link, ratingA: driving.requiredA })) ?? null,
        },
      })),
    };
    const { driving: now } = settle({
      ...fitted,
      brief: { ...fitted.brief, alternator: { ...fitted.brief.alternator, ratingA: 400 } },
    });
    if (now.usedA * 14.2 * 1 < now.chargeLimitA * 14.2) expect(now.yieldWh * now.countsShare).toBeCloseTo(need, 3);
  });

  it('stand in the netlist as what may be switched on', () => {
    const deck = netlistOf(asCabled(settle(driven(runs))), { charged: 'low', copper: 'hot' });
    expect(deck).toContain('*I2 0 n2 30');
    expect(deck).toContain('*I3 0 n3 20');
  });
});
