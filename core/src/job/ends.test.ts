import { describe, expect, it } from 'vitest';
import { aJob, aLoad } from '../test/jobs.ts';
import { plainLoad } from './plainLoad.ts';
import type { Job, PlanStretch } from './schema.ts';
import { validateJob } from './validate.ts';

const faultsOf = (job: Job): string[] => {
  const read = validateJob(JSON.parse(JSON.stringify(job)));
  return read.ok ? [] : read.faults.map(({ path, expected }) => `${path}: ${expected}`);
};
const planned = (part: Partial<PlanStretch>, days = 2): Job =>
  aJob([aLoad()], (job) => ({
    ...job,
    brief: { ...job.brief, plan: [{ kind: 'driving', days, driveH: 3, supply: null, hours: null, ...part }] },
  }));

describe('a plan', () => {
  it.each([
    [planned({ driveH: 0 }), null],
    [planned({ driveH: 24 }), null],
    [planned({ driveH: 24.5 }), 'driveH'],
    [planned({ driveH: -1 }), 'driveH'],
    [planned({}, 0), 'days'],
    [planned({}, 1), null],
    [planned({}, 2.5), 'days'],
    [planned({}, 1200), 'days'],
    [planned({ supply: 'nobody' }), 'supply'],
  ])('case %#: taken, or refused by its place', (job, place) => {
    const faults = faultsOf(job);
    if (place === null) expect(faults).toEqual([]);
    else expect(faults.join('\n')).toContain(place);
  });
});

it('a load of which nothing is known is valid: an hour at noon, nothing drawn', () => {
  const load = plainLoad('one');
  expect(load.uses).toEqual([{ startMin: 720, minutes: 60 }]);
  expect(faultsOf(aJob([load]))).toEqual([]);
});

describe('what a store may be told', () => {
  const withStore = (part: Partial<Job['options'][number]['system']['store']>): Job =>
    aJob([aLoad()], (job) => ({
      ...job,
      options: job.options.map((option) => ({
        ...option,
        system: { ...option.system, store: { ...option.system.store, ...part } },
      })),
    }));

  it.each([
    [{ cutOff: 0.1, reconnect: 0.2 }, null],
    [{ cutOff: -0.1 }, 'cutOff'],
    [{ reconnect: -0.1 }, 'reconnect'],
    [{ usableDepth: 1 }, null],
    [{ usableDepth: 1.01 }, 'usableDepth'],
    [{ usableDepth: 0.05 }, 'usableDepth'],
    [{ keepForCritical: -0.2 }, 'keepForCritical'],
    [{ coldestC: -273 }, 'coldestC'],
    [{ heaterW: 0 }, 'heaterW'],
    [{ strings: [] }, 'strings'],
    [{ inputW: -5 }, 'inputW'],
    [{ leadM: 0 }, 'leadM'],
  ] as const)('%o', (part, place) => {
    const faults = faultsOf(withStore(part as never));
    if (place === null) expect(faults).toEqual([]);
    else expect(faults.join('\n')).toContain(place);
  });
});
