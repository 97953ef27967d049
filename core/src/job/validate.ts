import { type FirmAppliance, FirmApplianceSchema } from './applianceSchema.ts';
import { boundsFault } from './bounds.ts';
import { consistencyFaults, loadFaults } from './consistency.ts';
import type { Fault } from './fault.ts';
import { migrate, migrateAppliance } from './migrate.ts';
import type { Part } from './partFields.ts';
import { PartSchema } from './partSchema.ts';
import { type Job, JobSchema } from './schema.ts';
import { FAULTS_SHOWN, twoWays } from './schemaCheck.ts';

export type { Fault } from './fault.ts';

export type Validated = { readonly ok: true; readonly job: Job } | { readonly ok: false; readonly faults: Fault[] };

const fits = twoWays<Job>(JobSchema);
const fitsAppliance = twoWays<FirmAppliance>(FirmApplianceSchema);
const fitsPart = twoWays<Part>(PartSchema);

/** The one door for documents from outside: brings older versions forward, checks shape, ranges and cross-references. */
export function validateJob(document: unknown): Validated {
  const tooMuch = boundsFault(document);
  if (tooMuch) return { ok: false, faults: [tooMuch] };
  const migrated = migrate(document);
  if ('fault' in migrated) return { ok: false, faults: [migrated.fault] };
  if (!fits.accepts(migrated.document)) return { ok: false, faults: fits.faults(migrated.document) };
  const faults: Fault[] = [];
  for (const fault of consistencyFaults(migrated.document)) if (faults.push(fault) >= FAULTS_SHOWN) break;
  return faults.length ? { ok: false, faults } : { ok: true, job: migrated.document };
}

export type ValidatedAppliance =
  | { readonly ok: true; readonly appliance: FirmAppliance }
  | { readonly ok: false; readonly faults: Fault[] };

/** The door for entries of the firm's own catalogue, older ones brought forward. */
export function validateAppliance(document: unknown): ValidatedAppliance {
  const tooMuch = boundsFault(document);
  if (tooMuch) return { ok: false, faults: [tooMuch] };
  const migrated = migrateAppliance(document);
  if ('fault' in migrated) return { ok: false, faults: [migrated.fault] };
  const appliance = migrated.document;
  if (!fitsAppliance.accepts(appliance)) return { ok: false, faults: fitsAppliance.faults(appliance) };
  const faults = loadFaults(appliance.load, '/load');
  return faults.length ? { ok: false, faults: faults.slice(0, FAULTS_SHOWN) } : { ok: true, appliance };
}

export type ValidatedPart =
  | { readonly ok: true; readonly part: Part }
  | { readonly ok: false; readonly faults: Fault[] };

/** The door for parts of the firm's list. */
export function validatePart(document: unknown): ValidatedPart {
  const tooMuch = boundsFault(document);
  if (tooMuch) return { ok: false, faults: [tooMuch] };
  return fitsPart.accepts(document) ? { ok: true, part: document } : { ok: false, faults: fitsPart.faults(document) };
}
