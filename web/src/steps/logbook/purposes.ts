import type { Purpose } from '@joulemetric/core';

/** What a log is for, in words. */
export const PURPOSE: Readonly<Record<Purpose, string>> = {
  runtime: 'how long until the reserve',
  appliance: 'energy of one appliance',
  loss: 'what a device loses',
  compare: 'one way against another',
  charge: 'how fast it charges',
  check: 'commissioning',
  watch: 'watching',
};
