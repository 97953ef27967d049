import { validateAppliance, validateJob, validatePart } from '@joulemetric/core/validate';
import { validateHours } from '@joulemetric/core/validate-hours';
import { validateLog } from '@joulemetric/core/validate-log';

/** The doors that each kind of document must have passed to be stored. */
export const validators = {
  job: (document) => validateJob(document).ok,
  part: (document) => validatePart(document).ok,
  appliance: (document) => validateAppliance(document).ok,
  log: (document) => validateLog(document).ok,
  hours: (document) => validateHours(document).ok,
};
