import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { socOf } from './battery/fill.ts';
import { warmShareAt } from './battery/warmth.ts';
import { cellOf, playDay } from './choices/kindsOfDay.ts';
import { storeDetail } from './choices/storeDetail.ts';
import { supplyUses } from './choices/supplyUse.ts';
import { survivalOf } from './days/answers.ts';
import type { PlanDay } from './days/plan.ts';
import { runDays } from './days/run.ts';
import { setUpDays } from './days/setup.ts';
import { typicalRun } from './days/weather.ts';
import { blankArray, blankCharger, blankLink, blankString } from './job/blank.ts';
import { withDriveHours } from './job/day.ts';
import type { Job } from './job/schema.ts';
import { usualDay } from './settle/fit.ts';
import { asFitted } from './settle/fitted.ts';
import { type Settled, settle } from './settle/settle.ts';
import { aGenerator, aHookup } from './test/jobs.ts';

/** The same question asked of two steps has the same answer: 0.5 % or 1 Wh, and what a step of time is worth. */

const demos = readdirSync('demo').map((file): Job => JSON.parse(readFileSync(`demo/${file}`, 'utf8')));
// Of loads that run alike on every day: what runs on some days is sized for by its heaviest run of days.
const loads = demos
  .flatMap((job) => job.loads)
  .filter(({ daysPerWeek, variants }) => daysPerWeek === 7 && variants.length === 0);

const aJobOfAll = fc
  .record({
    base: fc.integer({ min: 0, max: demos.length - 1 }),
    picks: fc.array(fc.integer({ min: 0, max: loads.length - 1 }), { minLength: 1, maxLength: 8 }),
    busVoltageV: fc.constantFrom(12 as const, 24 as const),
    chemistry: fc.constantFrom('lfp' as const, 'agm' as const, 'flooded' as const),
    ah: fc.integer({ min: 50, max: 800 }),
    arrayW: fc.integer({ min: 0, max: 1500 }),
    driveH: fc.integer({ min: 0, max: 4 }),
    month: fc.integer({ min: 1, max: 12 }),
    latitudeDeg: fc.integer({ min: -50, max: 50 }),
    coldestC: fc.constantFrom(-15, 0, 10, 20),
    chargerA: fc.integer({ min: 5, max: 120 }),
    hookup: fc.boolean(),
    // Most have nothing in common on their way in.
    shares: fc.constantFrom(
      'none' as const,
      'none' as const,
      'one-input' as const,
      'input' as const,
      'output' as const,
      'box' as const,
    ),
    secondW: fc.constantFrom(0, 200, 600),
    // Below the depth that is planned with Days goes on to the cut-off: that is another question.
    cutOff: fc.constantFrom(null, null, 0.6),
    keepForCritical: fc.constantFrom(0, 0, 0.1),
  })
  .map((made): Job => {
    const job = demos[made.base] as Job;
    const [option] = job.options as [Job['options'][number]];
    const { chemistry, coldestC, cutOff, keepForCritical, busVoltageV } = made;
    const supply = made.hookup ? aHookup(16, 230) : aGenerator(3000);
    return {
      ...job,
      loads: made.picks.map((pick, i) => ({ ...(loads[pick] as Job['loads'][number]), id: `load-${i}` })),
      together: { atMost: [], always: [] },
      brief: {
        ...job.brief,
        months: [made.month],
        drives: withDriveHours([], made.driveH),
        supplies: [supply],
        plan: [],
        place: { ...job.brief.place, latitudeDeg: made.latitudeDeg },
      },
      options: [
        {
          ...option,
          feeds: [],
          system: {
            ...option.system,
            busVoltageV,
            devices: option.system.devices.map((device) =>
              device.kind === 'inverter' ? { ...device, ratingW: null } : device,
            ),
            runs: null,
            roof: { ...option.system.roof },
            arrays: [
              blankArray('roof', 'Roof', made.arrayW),
              ...(made.secondW > 0 ? [{ ...blankArray('out', 'Set out', made.secondW), slopeDeg: 30 }] : []),
            ],
            driving:
              made.shares === 'output'
                ? [{ ...blankLink('link', 'DC-DC', 30), sharesWith: 'roof', sharing: 'blended' }]
                : null,
            chargers: [{ ...blankCharger('c', 'Charger', made.chargerA), leastA: 1 }],
            allInOnes:
              made.shares === 'box'
                ? [
                    {
                      id: 'box',
                      name: 'Unit',
                      inverter: 'inverter',
                      arrays: ['roof'],
                      charger: 'c',
                      chargeA: 25,
                      kg: null,
                      price: null,
                    },
                  ]
                : [],
            store: {
              ...option.system.store,
              chemistry,
              coldestC,
              cutOff,
              keepForCritical,
              heaterW: null,
              inputs: made.shares === 'one-input' ? 'one' : 'add',
              inputW: made.shares === 'input' ? 300 : null,
              strings: [blankString('bank', 'Bank', made.ah)],
            },
          },
        },
      ],
    };
  });

const near = (a: number, b: number, what: string, slackWh = 1): void => {
  const off = Math.abs(a - b);
  if (off > Math.max(slackWh, 0.005 * Math.max(Math.abs(a), Math.abs(b)))) expect(a, what).toBeCloseTo(b, 0);
};

/** Each job settled, its sizes fitted as every later step has them. */
const settledOf = (job: Job): Settled => settle(asFitted(settle(job), job));

const everyJob = (runs: number, check: (settled: Settled) => void) =>
  fc.assert(
    fc.property(aJobOfAll, (job) => check(settledOf(job))),
    // What fails is as small as it is found: jobs shrink slowly.
    { numRuns: runs, endOnFailure: true },
  );

/** Usual days of the month designed for as Days plays them. */
function usualDays(
  settled: Settled,
  stepMin: number,
  plan: Partial<PlanDay> = {},
  leadIn = 0,
  aboveKept: number | null = null,
) {
  const usual: PlanDay = { kind: 'usual', drives: settled.job.brief.drives, supply: null, ...plan };
  const setup = setUpDays(settled, stepMin, 'old', [usual]);
  const { month } = settled.sun;
  const weather = typicalRun(setup.climate, 0, 8, month);
  // It begins as such a day begins: what is asked is that the next days are like it.
  const warmShare = warmShareAt(setup.battery, Math.max(setup.battery.coldestC, weather.meanC[0] ?? 0));
  const steadySoc = socOf(setup.model, usualDay(settled, settled.bus.busW).startWh, warmShare);
  const fromSoc = aboveKept === null ? steadySoc : Math.min(1, settled.store.factors.levels.keptSoc + aboveKept);
  return { setup, run: runDays(setup, weather, { weekday: 0, month, leadIn, fromSoc, traced: true }) };
}

/** Whether it comes down to where loads go, or something trips. */
const isCut = ({ store }: Settled, { books, lowSoc }: ReturnType<typeof runDays>): boolean =>
  books.unservedWh > 0 || Math.min(...lowSoc) < store.factors.levels.keptSoc + 0.002;

const mayTrip = ({ busPeak, store, nominalV }: Settled): boolean => busPeak.weight > store.playedLimitA * nominalV;

const sum = (watts: ArrayLike<number>, hours: number): number =>
  Array.from(watts).reduce((all, w) => all + w, 0) * hours;

describe('the same question asked of two steps', () => {
  it('what a usual day asks for and what each source brings: Result and Days', () => {
    everyJob(150, (settled) => {
      const { run } = usualDays(settled, 1, {}, 7);
      const hours = 1 / 60;
      const { trace, books } = run;
      if (!trace) throw new Error('it is traced');
      const isShort = books.unservedWh > 0.01;
      near(sum(trace.needW, hours), sum(settled.bus.busW, 1 / 60), 'need');
      near(books.sunOfferedWh, settled.income.sunWh, 'sun');
      const { books: played } = usualDay(settled, settled.bus.busW);
      if (isShort || played.unservedWh > 0) return;
      near(books.sunWh, played.sunWh, 'sun taken');
      near(books.drivingWh, played.drivingWh, 'driving taken');
    });
  });

  it('whether a usual day is served: Result and Days', () => {
    everyJob(150, (settled) => {
      const { books, lowestSoc } = usualDay(settled, settled.bus.busW);
      const { run } = usualDays(settled, 1);
      // Days drops whole loads, and what idles first of all: only that it comes to that is the same.
      if (books.unservedWh > 10) expect(isCut(settled, run)).toBe(true);
      // At the very level where whole loads go, a hair decides whether they do.
      const isClear = lowestSoc > settled.store.factors.levels.keptSoc + 0.01;
      if (books.unservedWh === 0 && isClear) expect(run.books.unservedWh).toBeLessThan(8);
    });
  });

  it('how long it lasts without any source, old and at its coldest: Battery and Days', () => {
    everyJob(150, (settled) => {
      // What is kept back to stop what runs is in Days alone.
      if (settled.job.loads.some(({ draw }) => draw.kind === 'cycle')) return;
      // What is more than the battery gives at a time trips there, and takes nothing.
      if (mayTrip(settled)) return;
      const { hours } = survivalOf(settled, 5, 'old', settled.sun.month);
      if (hours === null) return;
      // By the clock from midnight on it has given by then what the figure of the battery says that it gives.
      const { busW } = settled.bus;
      const dayWh = sum(busW, 1 / 60);
      const minutes = Math.round((hours % 24) * 60);
      const givenWh = Math.floor(hours / 24) * dayWh + sum(busW.subarray(0, minutes), 1 / 60);
      // Each day it loses something by itself, at its beginning: of what it holds full 2 % in a month, lead 4 %. What
      // it gives is what it holds down to the depth planned with, cold as it is: by Peukert's law the faster the less.
      const { store, option } = settled;
      const aDay = (option.system.store.chemistry === 'lfp' ? 0.02 : 0.04) / 30.4375;
      const lostADayWh = (aDay * store.old.givesWh) / (store.factors.usableDepth * store.factors.coldFactor);
      near(
        givenWh + lostADayWh * Math.ceil(hours / 24),
        store.old.givesWh,
        'given',
        Math.max(1, (5 / 60) * Math.max(...busW.map((w, m) => (Math.abs(m - minutes) < 10 ? w : 0)))),
      );
      // And that in days of the mean is what is said in days.
      if (settled.job.loads.every(({ daysPerWeek }) => daysPerWeek === 7))
        expect(store.old.days / (store.old.givesWh / (dayWh + lostADayWh))).toBeCloseTo(1, 2);
    });
  });

  it('how long until it is full: Battery and Days', () => {
    everyJob(60, (settled) => {
      const { option, store } = settled;
      const [charger] = storeDetailFillings(settled);
      if (!charger || charger.hours === null || charger.hours > 20) return;
      // Nothing is drawn, and a supply of amps enough is there from midnight on.
      const quiet: Job = { ...settled.job, loads: [] };
      const job = {
        ...quiet,
        options: [
          { ...option, system: { ...option.system, arrays: [], driving: [], devices: idle(option.system.devices) } },
        ],
      };
      const supply = { ...aHookup(200, 230), hours: [] };
      const alone = settle(job);
      const setup = setUpDays(alone, 5, 'now', [{ kind: 'supply', drives: [], supply }]);
      // The battery of the job, and a day warm enough.
      const model = { ...setup.model, fullWh: charger.fullWh };
      const run = runDays(
        { ...setup, model, battery: { ...setup.battery, coldestC: 30 } },
        typicalRun(setup.climate, 0, 2, 6),
        { fromSoc: 1 - store.factors.usableDepth, traced: true },
      );
      const at = run.trace?.soc.findIndex((soc) => soc >= 0.99) ?? -1;
      expect(Math.abs(((at + 1) * 5) / 60 - charger.hours)).toBeLessThan(0.005 * charger.hours + 0.1);
    });
  });

  it('the hours of a supply that serve a day: Sources and Days, and less of them do not', () => {
    let told = 0;
    everyJob(60, (settled) => {
      const [use] = supplyUses(settled);
      const supply = settled.job.brief.supplies[0];
      if (!use || !supply) throw new Error('it has a supply');
      if (!use.beside || use.beside.hours === 0 || use.beside.hours > 20) return;
      told++;
      // What is kept back to stop what runs is in Days alone, and trips are seen minute by minute alone.
      if (mayTrip(settled) || settled.job.loads.some(({ draw }) => draw.kind === 'cycle')) return;
      const onFor = (hours: number, aboveKept: number | null) => {
        const uses = [{ startMin: use.beside?.fromMin ?? 0, minutes: hours * 60 }];
        return usualDays(settled, 5, { supply: { ...supply, hours: uses } }, 0, aboveKept).run;
      };
      expect(onFor(Math.min(24, use.beside.hours * 1.02 + 0.1), 1).books.unservedWh).toBeLessThan(8);
      const before = usualDay(settled, settled.bus.busW).books.unservedWh;
      if (before > 20) expect(isCut(settled, onFor(use.beside.hours * 0.9, null))).toBe(true);
    });
    expect(told).toBeGreaterThan(5);
  });

  it('a day of driving in the month designed for: Sources’ table and Result', () => {
    everyJob(80, (settled) => {
      const { job, option, leads, sun } = settled;
      if (job.brief.drives.length === 0) return;
      const kind = { kind: 'driving', name: 'Driving', supplyId: null } as const;
      const played = playDay(job, option.id, sun.month, kind, Number.POSITIVE_INFINITY, leads);
      const cell = cellOf(played, sun.month, kind);
      const { books } = usualDay(settled, settled.bus.busW);
      near(cell.sunWh, settled.income.sunWh, 'sun');
      near(cell.drivingWh, settled.income.drivingWh, 'driving');
      near(cell.needWh, settled.ledger.total.batteryWh + settled.heater.wh, 'need');
      near(cell.shortWh, books.unservedWh, 'short');
      near(cell.netWh, settled.income.balanceWh, 'balance');
    });
  });
});

const idle = (devices: Settled['option']['system']['devices']) =>
  devices.map((device) => ({ ...device, policy: 'manual', leftOnH: 0, search: null }) as typeof device);

/** Its charger from the reserve to full, with what the battery holds. */
function storeDetailFillings(settled: Settled) {
  const setup = setUpDays(settled, 5, 'now');
  return storeDetail(settled.job, settled.option.id, [])
    .fillings.filter(({ kind }) => kind === 'charger')
    .map(({ hours }) => ({ hours, fullWh: setup.model.fullWh }));
}
