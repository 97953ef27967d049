import type { BatteryString, Chemistry } from '../job/schema.ts';
import { bankVoltageV, CHEMISTRY, VOLTS_OFF } from '../reference/chemistries.ts';
import { unitLimits } from '../reference/currents.ts';

/** A string of the bank as it stands on the bus. */
export interface BankString {
  readonly id: string;
  readonly name: string;
  readonly series: number;
  readonly parallel: number;
  /** V of a unit, by its chemistry where not said. */
  readonly unitV: number;
  /** Whether its units in series make the voltage of the bus. */
  readonly isOfBus: boolean;
  /** Ah it has: its label, or what was measured of it; and when it is old. */
  readonly ah: number;
  readonly oldAh: number;
  readonly chargeA: number;
  readonly dischargeA: number;
  readonly shortA: number;
  readonly shortS: number;
  readonly resistanceOhm: number;
  /** Share of the bank's current that it takes. */
  readonly share: number;
}

export interface Bank {
  readonly strings: readonly BankString[];
  readonly units: number;
  readonly nominalV: number;
  readonly ah: number;
  readonly oldAh: number;
  readonly wh: number;
  /** Ah until its first string is empty where all share by their resistance and none comes to its help: an estimate. */
  readonly firstEmptyAh: number;
  /** A at which the first string is at its limit. */
  readonly chargeA: number;
  readonly dischargeA: number;
  /** A that it gives for so many s, at which the first string is at its limit. */
  readonly shortA: number;
  readonly shortS: number;
  /** A that the strings could give beyond that if they shared as their limits ask. */
  readonly lostA: number;
  readonly resistanceOhm: number;
  readonly kg: number;
  /** In the currency of the job; null when a price is missing. */
  readonly price: number | null;
}

/**
 * What strings of equal or unlike units come to in parallel. Currents share by resistance (I_i ∝ 1/R_i at the same
 * rest voltage), so that the bank's limit is where its first string meets its own.
 */
export function bankOf(strings: readonly BatteryString[], chemistry: Chemistry, busVoltageV: number): Bank {
  const data = CHEMISTRY[chemistry];
  const nominalV = bankVoltageV({ chemistry, strings }, busVoltageV);
  const known = strings.map((string) => {
    const { id, name, series, parallel, capacityAh, health } = string;
    const unitV = string.unitV ?? nominalV / series;
    const isOfBus = isNear(unitV * series, nominalV) || isNear(unitV * series, busVoltageV);
    // Called 12 V or 12.8 V, it is the same unit.
    const volts = isOfBus ? nominalV / series : unitV;
    const label = capacityAh * parallel;
    const limits = unitLimits(string, chemistry);
    const ohm = (string.resistanceMohm ?? usualMohm(capacityAh, volts, chemistry)) / 1000;
    return {
      id,
      name,
      series,
      parallel,
      unitV,
      isOfBus,
      ah: label * (health ?? 1),
      oldAh: label * Math.min(health ?? 1, data.ageingReserve),
      chargeA: parallel * (string.chargeA ?? capacityAh * data.chargeLimitC),
      dischargeA: parallel * limits.longA,
      shortA: parallel * limits.shortA,
      shortS: limits.shortS,
      resistanceOhm: (ohm * series) / parallel,
      kg: series * parallel * (string.kg ?? (capacityAh / 100) * (volts / data.nominal12V) * data.kgPer100Ah12V),
      price: string.price === null ? null : string.price * series * parallel,
    };
  });
  const siemens = known.reduce((sum, { resistanceOhm }) => sum + 1 / resistanceOhm, 0);
  const shared = known.map((string) => ({ ...string, share: 1 / string.resistanceOhm / siemens }));
  const sum = (of: (string: (typeof shared)[number]) => number) => shared.reduce((total, one) => total + of(one), 0);
  const first = (limit: 'chargeA' | 'dischargeA' | 'shortA') =>
    Math.min(...shared.map((one) => one[limit] / one.share));
  const ah = sum((one) => one.ah);
  const dischargeA = first('dischargeA');
  return {
    strings: shared.map(({ kg: _kg, price: _price, ...string }) => string),
    units: strings.reduce((total, { series, parallel }) => total + series * parallel, 0),
    nominalV,
    ah,
    oldAh: sum((one) => one.oldAh),
    wh: ah * nominalV,
    firstEmptyAh: Math.min(...shared.map((one) => one.ah / one.share)),
    chargeA: first('chargeA'),
    dischargeA,
    shortA: first('shortA'),
    shortS: Math.min(...shared.map((one) => one.shortS)),
    lostA: sum((one) => one.dischargeA) - dischargeA,
    resistanceOhm: 1 / siemens,
    kg: sum((one) => one.kg),
    price: shared.some(({ price }) => price === null) ? null : sum(({ price }) => price ?? 0),
  };
}

const isNear = (volts: number, wanted: number): boolean => Math.abs(volts / wanted - 1) < VOLTS_OFF;

/** mΩ inside a unit: less the larger it is, more the more volts it has. Common practice, figures from memory. */
export const usualMohm = (capacityAh: number, unitV: number, chemistry: Chemistry): number =>
  (CHEMISTRY[chemistry].mohmPer100Ah12V * 100 * unitV) / (capacityAh * CHEMISTRY[chemistry].nominal12V);
