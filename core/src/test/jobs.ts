import { blankJob } from '../job/blank.ts';
import { plainLoad } from '../job/plainLoad.ts';
import type { Inverter, Job, Load, Supply, System } from '../job/schema.ts';

/** Builders for tests: a load with everything usual, and a job of such loads. */
export function aLoad(part: Partial<Load> & { readonly watts?: number; readonly hours?: number } = {}): Load {
  const { watts = 100, hours = 1, ...rest } = part;
  return {
    ...plainLoad('load'),
    name: 'Load',
    draw: { kind: 'steady', powerW: watts },
    runs: [{ startMin: 600, minutes: hours * 60 }],
    evidence: 'measured',
    ...rest,
  };
}

export function aJob(loads: readonly Load[], change: (job: Job) => Job = (job) => job): Job {
  return change({ ...blankJob('Test'), loads: loads.map((load, i) => ({ ...load, id: `${load.id}-${i}` })) });
}

/** Changes the system of the job's only option, part by part. */
export function withSystem(
  job: Job,
  change: { busVoltageV?: 12 | 24 | 48 } & {
    [K in 'store' | 'dcdc' | 'array' | 'charger']?: Partial<System[K]>;
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
          store: { ...system.store, ...change.store },
          devices: (change.devices ?? system.devices).map((device) =>
            device.kind === 'inverter' ? { ...device, ...change.inverter } : device,
          ),
          dcdc: { ...system.dcdc, ...change.dcdc },
          array: { ...system.array, ...change.array },
          charger: { ...system.charger, ...change.charger },
        },
      };
    }),
  };
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
  ...part,
});
