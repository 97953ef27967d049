import { wholeAllInOnes } from './allInOne.ts';
import { withoutLostRuns } from './runFaults.ts';
import type { Job, System } from './schema.ts';

/** The job with nothing left that names what is not there any more. The very same job where nothing is lost. */
export const withoutLost = (job: Job): Job => withoutLostRuns(withoutLostLinks(job));

/** The same, but for runs: no all-in-one unit with what is gone, no output shared with it. */
export function withoutLostLinks(job: Job): Job {
  const options = job.options.map((option) => {
    const system = wholeLinks({ ...option.system, allInOnes: wholeAllInOnes(option.system) });
    const { allInOnes, driving } = option.system;
    return system.allInOnes === allInOnes && system.driving === driving ? option : { ...option, system };
  });
  return options.every((option, i) => option === job.options[i]) ? job : { ...job, options };
}

function wholeLinks(system: System): System {
  const isLost = (sharesWith: string | null): boolean =>
    sharesWith !== null && !(system.arrays ?? []).some(({ id }) => id === sharesWith);
  if (!system.driving?.some(({ sharesWith }) => isLost(sharesWith))) return system;
  return {
    ...system,
    driving: system.driving.map((link) => (isLost(link.sharesWith) ? { ...link, sharesWith: null } : link)),
  };
}
