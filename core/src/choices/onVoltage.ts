import type { System } from '../job/schema.ts';
import { onBusTimes } from '../reference/chemistries.ts';

/** A system as it would be on a bus of some voltage: what is fixed to one voltage is left to be sized. */
export const onVoltage = (system: System, busVoltageV: System['busVoltageV']): System => ({
  ...system,
  busVoltageV,
  store:
    system.busVoltageV === busVoltageV
      ? system.store
      : { ...onBusTimes(system.store, busVoltageV / system.busVoltageV), strings: null },
  runs: system.runs?.map((run) => ({ ...run, areaMm2: null, parallel: 1, ratingA: null })) ?? null,
});
