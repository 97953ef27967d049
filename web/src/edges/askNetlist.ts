import type { Job } from '@joulemetric/core';
import { details } from './compute.ts';

/** The network of an option as a netlist, made in the worker. */
export const askNetlist = (job: Job, optionId: string): Promise<string> =>
  details.ask('netlist', (remote) => remote.netlist(job, optionId));
