import { blankArray, blankCharger, blankJob, blankLink, blankString } from '../job/blank.ts';
import { plainLoad } from '../job/plainLoad.ts';
import type { Charger, Inverter, Job, Load, Supply, System } from '../job/schema.ts';
import { onBusTimes } from '../reference/chemistries.ts';

/** Builders for tests: a load with everything usual, and a job of such loads; its store is a plain one. */
export function aLoad(part: Partial<Load> & { readonly watts?: number; readonly hours?: number } = {}): Load {
  const { watts = 100, hours = 1, ...rest } = part;
  return {
    ...plainLoad('load'),
    name: 'Load',
    draw: { kind: 'steady', powerW: watts },
    uses: [{ startMin: 600, minutes: hours * 60 }],
    evidence: 'measured',
    ...rest,
  };
}

export function aJob(loads: readonly Load[], change: (job: Job) => Job = (job) => job): Job {
  const blank = blankJob('Test');
  return change({
    ...blank,
    loads: loads.map((load, i) => ({ ...load, id: `${load.id}-${i}` })),
    options: blank.options.map((option) => ({
      ...option,
      system: { ...option.system, store: { ...option.system.store, ...PLAIN_STORE } },
    })),
  });
}

/** So that sums can be made by hand: 14.2 V while anything is charged, and nothing lost by itself. */
const PLAIN_STORE = { chargeV: 14.2, selfDischarge: 0 } as const;

/** Changes the system of the job's only option, part by part. */
export function withSystem(
  job: Job,
  change: { busVoltageV?: 12 | 24 | 48; runs?: System['runs'] } & {
    store?: Partial<System['store']> & { readonly capacityAh?: number | null };
    /** Singles, as most tests want them: one charger, one array, one string; null = as required, 0 = none. */
    dcdc?: { readonly ratingA: number | null };
    array?: { readonly ratingW: number | null };
    charger?: Partial<Charger>;
  } & { inverter?: Partial<Inverter>; devices?: System['devices'] },
): Job {
  return {
    ...job,
    options: job.options.map((option) => {
      const { system } = option;
      return {
        ...option,
        system: {
          busVoltageV: change.busVoltageV ?? system.busVoltageV,
          store: storeWith(
            onBusTimes(system.store, (change.busVoltageV ?? system.busVoltageV) / system.busVoltageV),
            change.store,
          ),
          devices: (change.devices ?? system.devices).map((device) =>
            device.kind === 'inverter' ? { ...device, ...change.inverter } : device,
          ),
          driving: change.dcdc
            ? one(change.dcdc.ratingA, (ratingA) => blankLink('dcdc', 'dcdc', ratingA))
            : system.driving,
          arrays: change.array
            ? one(change.array.ratingW, (ratingW) => blankArray('array', 'array', ratingW))
            : system.arrays,
          roof: system.roof,
          chargers: change.charger
            ? [{ ...(system.chargers[0] ?? blankCharger('charger', 'Charger', 0)), ...change.charger }]
            : system.chargers,
          allInOnes: system.allInOnes,
          runs: change.runs === undefined ? system.runs : change.runs,
        },
      };
    }),
  };
}

const one = <T>(value: number | null, make: (value: number) => T): T[] | null =>
  value === null ? null : value === 0 ? [] : [make(value)];

function storeWith(
  store: System['store'],
  { capacityAh, ...change }: Partial<System['store']> & { readonly capacityAh?: number | null } = {},
): System['store'] {
  const strings =
    capacityAh === undefined ? {} : { strings: one(capacityAh, (ah) => blankString('string', 'string', ah)) };
  return { ...store, ...strings, ...change };
}

/** Groups of loads of which only one runs at a time. */
export const apart = (job: Job, ...groups: readonly string[][]): Job => ({
  ...job,
  together: { ...job.together, atMost: groups.map((loads) => ({ loads, most: 1 })) },
});

/** The job with these supplies in its brief. */
export const withSupplies = (job: Job, ...supplies: Job['brief']['supplies']): Job => ({
  ...job,
  brief: { ...job.brief, supplies },
});

export const aHookup = (
  amps: number,
  volts: number,
  part: Partial<Extract<Supply, { kind: 'hookup' }>> = {},
): Supply => ({
  kind: 'hookup',
  id: 'hookup',
  name: 'Hookup',
  share: 1,
  hours: [],
  amps,
  volts,
  legs: 1,
  ...part,
});

export const aGenerator = (ratedW: number, part: Partial<Extract<Supply, { kind: 'generator' }>> = {}): Supply => ({
  kind: 'generator',
  id: 'generator',
  name: 'Generator',
  share: 0.9,
  ratedW,
  ratedVa: null,
  startW: null,
  altitudeM: 0,
  hours: [],
  idleLPerH: null,
  fuelLPerKwh: null,
  ...part,
});

/** The job as a program of version 3 wrote it, where it had but one of each. */
export function asVersion3(job: Job) {
  const { longitudeDeg: _1, utcOffsetH: _2, heightM: _3, monthly: _4, ...place } = job.brief.place;
  const { hasNot: _9, ...then } = job;
  return {
    ...then,
    schemaVersion: 3,
    brief: { ...job.brief, place },
    loads: job.loads.map(({ uses, variants, ...load }) => ({
      ...load,
      runs: uses,
      variants: variants.map(({ on, uses: other }) => ({ on, runs: other })),
    })),
    options: job.options.map(({ feeds: _5, system: { driving, arrays, chargers, ...system }, ...option }) => {
      const { strings, leadM: _10, ...store } = system.store;
      const { id: _6, name: _7, ...charger } = chargers[0] ?? blankCharger('charger', 'Charger', 0);
      return {
        ...option,
        system: {
          ...system,
          store: { ...store, capacityAh: strings?.[0]?.capacityAh ?? null },
          devices: system.devices.map((device) => {
            const { ratingVa: _8, ...older } = device as Inverter;
            return older;
          }),
          dcdc: { ratingA: driving === null ? null : (driving[0]?.ratingA ?? 0) },
          array: { ratingW: arrays === null ? null : (arrays[0]?.ratingW ?? 0) },
          charger,
        },
      };
    }),
  };
}
