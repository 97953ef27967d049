import { blankJob } from '../job/blank.ts';
import type { Job, Load, System } from '../job/schema.ts';

/** Builders for tests: a load with everything usual, and a job of such loads. */
export function aLoad(part: Partial<Load> & { readonly watts?: number; readonly hours?: number } = {}): Load {
  const { watts = 100, hours = 1, ...rest } = part;
  return {
    id: 'load',
    name: 'Load',
    quantity: 1,
    draw: { kind: 'steady', powerW: watts },
    runs: [{ startMin: 600, minutes: hours * 60 }],
    daysPerWeek: 7,
    path: 'direct',
    converterEfficiency: null,
    evidence: 'measured',
    startRatio: 1,
    powerFactor: 1,
    critical: false,
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
    [K in 'store' | 'inverter' | 'dcdc' | 'array']?: Partial<System[K]>;
  },
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
          inverter: { ...system.inverter, ...change.inverter },
          dcdc: { ...system.dcdc, ...change.dcdc },
          array: { ...system.array, ...change.array },
        },
      };
    }),
  };
}
