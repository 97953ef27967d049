import type { Job, System } from '../job/schema.ts';

/** A job of which one option has another system. */
export const withSystem = (job: Job, optionId: string, change: (system: System) => System): Job => ({
  ...job,
  options: job.options.map((option) =>
    option.id === optionId ? { ...option, system: change(option.system) } : option,
  ),
});
