import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blankArray, blankPanels, blankString } from '../job/blank.ts';
import type { Job } from '../job/schema.ts';
import { controllerOf, groupOf, smallestBank, smallestController, stringOf } from '../parts/choose.ts';
import { PARTS } from '../reference/parts.ts';
import { asFitted } from '../settle/fitted.ts';
import { settle } from '../settle/settle.ts';
import { broughtBy, panelsOfList } from '../sources/listed.ts';
import { windowOf } from '../sources/window.ts';
import { workedOut } from '../test/formula.ts';
import { assess } from './assess.ts';

const demos = readdirSync('demo').map((file): Job => JSON.parse(readFileSync(`demo/${file}`, 'utf8')));
// Of loads that run on every day: what runs on some is sized for in its heaviest days, of which many may be short.
const loads = demos.flatMap((job) => job.loads).filter(({ daysPerWeek }) => daysPerWeek === 7);

/** Jobs put together from the loads of the demo jobs, every size left to the program. */
const aJobOfAll = fc
  .record({
    base: fc.integer({ min: 0, max: demos.length - 1 }),
    picks: fc.array(fc.integer({ min: 0, max: loads.length - 1 }), { minLength: 1, maxLength: 15 }),
    busVoltageV: fc.constantFrom(12 as const, 24 as const, 48 as const),
    chemistry: fc.constantFrom('lfp' as const, 'agm' as const, 'flooded' as const),
    heaterW: fc.constantFrom(null, null, 60),
    months: fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 12 }),
    nightsOffGrid: fc.integer({ min: 1, max: 10 }),
    // Nearer the poles no array helps in winter.
    latitudeDeg: fc.integer({ min: -50, max: 50 }),
  })
  .map(({ base, picks, busVoltageV, chemistry, heaterW, months, nightsOffGrid, latitudeDeg }): Job => {
    const job = demos[base] as Job;
    const [option] = job.options as [Job['options'][number]];
    const { system, ...rest } = option;
    return {
      ...job,
      loads: picks.map((pick, i) => ({ ...(loads[pick] as Job['loads'][number]), id: `load-${i}` })),
      together: { atMost: [], always: [] },
      brief: { ...job.brief, months, nightsOffGrid, place: { ...job.brief.place, latitudeDeg } },
      options: [
        {
          ...rest,
          system: {
            ...system,
            busVoltageV,
            devices: system.devices.map((device) =>
              device.kind === 'inverter' ? { ...device, ratingW: null } : device,
            ),
            runs: null,
            arrays: null,
            driving: null,
            store: { ...system.store, chemistry, strings: null, heaterW, ...(heaterW && { coldestC: -12 }) },
          },
        },
      ],
    };
  });

/** What no size changes: what the job gives, how its loads are fed, and what is wrong with the voltage or the weight. */
const OF_THE_JOB = new Set([
  'supply-charger',
  'supply-overload',
  'supply-start',
  'double-conversion',
  'idle-dominates',
  'voltage-range',
  'payload-exceeded',
  'low-voltage-high-current',
  // No fuse is sold for it at this voltage; and chargers are set lower, whatever their size.
  'fuse-none',
  'charge-limit',
  'no-sun',
  'store-cold',
  'critical-single-source',
]);

describe('the program’s own sizes', () => {
  it('pass its own findings once they are taken: jobs of any loads, lead and LFP, anywhere and at any time', () => {
    fc.assert(
      fc.property(aJobOfAll, (job) => {
        const { findings } = assess(asFitted(settle(job), job));
        const found = findings.filter(({ severity, code }) => severity !== 'note' && !OF_THE_JOB.has(code));
        expect(found).toEqual([]);
      }),
      { numRuns: 150, seed: 9 },
    );
  });

  it('say what they are made of where a store that fills takes less, and no smaller array serves the day', () => {
    let larger = 0;
    const isLead = (job: Job) => job.options[0]?.system.store.chemistry !== 'lfp';
    for (const job of fc.sample(aJobOfAll, { numRuns: 300, seed: 9 }).filter(isLead)) {
      const settled = settle(job);
      const { solar } = settled;
      if (!(solar.moreW > 0)) continue;
      if (++larger > 5) break;
      const required = assess(job).figures['array.required'];
      expect(required.working.formula).toMatch(/\{fills\}$/);
      expect(workedOut(required)).toBeCloseTo(required.value, 6);
      expect(required.value).toBeCloseTo(solar.ratingW, 6);
      // One step smaller, over so long a stay that the store has gone down. A step is a twentieth of all of the need.
      const needWh = assess(job).figures['demand.battery'].value;
      const stepW = Math.ceil(needWh / solar.flat.whPerRatedW / 20 / 50) * 50;
      const arrays = [blankArray('array', 'Array', required.value - stepW)];
      const long = { ...job, brief: { ...job.brief, nightsOffGrid: 30 } };
      const smaller = asFitted({ ...settled, solar: { ...solar, arrays } }, long);
      expect(assess(smaller).findings.map(({ code }) => code)).toContain('runs-short');
    }
    expect(larger).toBeGreaterThan(5);
  });

  it('so do the smallest bank, panels and controller of the parts list', () => {
    let taken = 0;
    for (const job of fc.sample(aJobOfAll, { numRuns: 60, seed: 9 })) {
      const fitted = asFitted(settle(job), job);
      const { figures } = assess(fitted);
      const [option] = fitted.options as [Job['options'][number]];
      const { store, busVoltageV } = option.system;
      const withPart = (part: Partial<typeof option.system>): Job => ({
        ...fitted,
        options: [{ ...option, system: { ...option.system, ...part } }],
      });
      const codesOf = (one: Job) =>
        assess(one).findings.filter(({ severity, code }) => severity !== 'note' && !OF_THE_JOB.has(code));
      const requiredWh = figures['store.required'].value;
      const currents = {
        longA: figures['peak.long'].value,
        worstA: figures['peak.current'].value,
        startA: figures['peak.start'].value,
      };
      const bank = smallestBank(PARTS, store.chemistry, busVoltageV, { requiredWh, currents });
      if (bank) {
        const { part, series, parallel } = bank;
        const strings = [{ ...stringOf(part, blankString('string', 'String', 1)), series, parallel }];
        // What charges is made for the larger bank: it loses more by itself.
        const larger = withPart({ store: { ...store, strings }, arrays: null, driving: null });
        expect(codesOf(asFitted(settle(larger), larger))).toEqual([]);
      }
      const group = blankPanels('group', 'Group', 1);
      const blank = { ...blankArray('array', 'Array', 0), ratingW: null, panels: [group] };
      const requiredW = figures['array.required'].value;
      const panels = panelsOfList(PARTS, blank, group, requiredW, fitted.brief, option.system);
      if (panels === null || requiredW === 0) continue;
      const { part, series, parallel } = panels;
      const array = { ...blank, panels: [{ ...groupOf(part, group), series, parallel }] };
      const controller = smallestController(PARTS, broughtBy(windowOf(array, fitted.brief, option.system)));
      if (controller === null) continue;
      taken++;
      const arrays = [{ ...array, controller: controllerOf(controller) }];
      expect(codesOf(withPart({ arrays }))).toEqual([]);
    }
    expect(taken).toBeGreaterThan(20);
  });

  it('are no field of panels where there is next to no sun', () => {
    for (const job of fc.sample(aJobOfAll, { numRuns: 40, seed: 9 })) {
      const place = { ...job.brief.place, latitudeDeg: 65 };
      const { solar } = settle({ ...job, brief: { ...job.brief, months: [12], place } });
      expect(solar.flat.whPerRatedW).toBeLessThan(0.3);
      expect(solar.moreW).toBe(0);
    }
  });
});
