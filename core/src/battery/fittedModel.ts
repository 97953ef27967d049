import type { DesignOption } from '../job/schema.ts';
import { CHEMISTRY, chargingVoltageV } from '../reference/chemistries.ts';
import type { StoreModel } from './fill.ts';
import { passageOf } from './passage.ts';
import { chargeAtPeukert } from './peukert.ts';
import type { StoreSize } from './size.ts';

/** A store that is settled, and the option it belongs to. */
export interface FittedStore {
  readonly store: StoreSize;
  readonly option: Pick<DesignOption, 'system'>;
}

export type Age = 'now' | 'old';

/** The store as it is now, or old: full at the day's current, with what it loses going in and coming out. */
export function storeModelOf({ store, option }: FittedStore, age: Age): StoreModel {
  const { nominalV, typicalA, peukert } = store.factors;
  const fullWh = chargeAtPeukert(store.ah, typicalA, peukert) * nominalV * (age === 'old' ? store.ageing : 1);
  return {
    fullWh,
    selfWhPerDay: fullWh * store.factors.selfPerDay,
    ...passageOf(option.system),
    chargeLimitW: store.chargeLimitA * chargingVoltageV(option.system),
    dischargeLimitW: store.playedLimitA * nominalV,
    taperFromSoc: CHEMISTRY[option.system.store.chemistry].taperFromSoc,
  };
}
