import type { Supply } from '../job/schema.ts';
import { supplyLimit } from '../moment/supplyLimit.ts';
import { DEFAULT } from '../reference/defaults.ts';
import type { Settled } from '../settle/settle.ts';
import { chargersOf } from '../sources/supplyDay.ts';

/** What charging from a supply takes of it, for this job. */
export interface SupplyUse {
  readonly supplyId: string;
  readonly name: string;
  readonly kind: Supply['kind'];
  /** W from it into the chargers, nothing else running, and W at the store. */
  readonly acW: number;
  readonly dcW: number;
  /** Share of what it may give that the chargers take. */
  readonly limitShare: number;
  /** h a day in which it would cover the whole need, and what sun and driving leave of it; null = never. */
  readonly hoursAlone: number | null;
  readonly hoursBeside: number | null;
  /** Of a generator: l of fuel a day for those hours, and an hour with the chargers. */
  readonly fuelLPerH: number | null;
  readonly fuelAloneL: number | null;
  readonly fuelBesideL: number | null;
  /** Of a traction battery: kWh it has down to its reserve, h that this job runs on it, and h at which a timer ends that. */
  readonly packKwh: number | null;
  readonly lastsH: number | null;
  readonly timerH: number | null;
}

export const supplyUses = ({ brief, option, ledger, income, leads, heater }: Settled): SupplyUse[] =>
  brief.supplies.map((supply) => {
    const limit = supplyLimit(supply);
    const chargers = chargersOf(option.system, leads);
    const mostAcW = limit.runningSize * limit.wattsPerUnit;
    const share = chargers.acW > 0 ? Math.min(1, mostAcW / (chargers.acW * vaFactor(supply, chargers.vaPerW))) : 0;
    const acW = chargers.acW * share >= chargers.leastAcW ? chargers.acW * share : 0;
    const dcW = chargers.storeW(acW);
    const needWh = ledger.total.batteryWh + heater.wh;
    const besideWh = Math.max(0, needWh - income.sunWh - income.drivingWh);
    const hours = (wh: number): number | null => (wh <= 0 ? 0 : dcW > 0 && wh / dcW <= 24 ? wh / dcW : null);
    const [hoursAlone, hoursBeside] = [hours(needWh), hours(besideWh)];
    const fuelLPerH = supply.kind === 'generator' && acW > 0 ? fuelOf(supply, acW) : null;
    const fuel = (h: number | null) => (fuelLPerH === null || h === null ? null : fuelLPerH * h);
    const efficiency = chargers.acW > 0 ? chargers.dcW / chargers.acW : DEFAULT.chargerEfficiency.value;
    const lasts = supply.kind === 'outlet' ? packOf(supply, needWh / efficiency / 24) : null;
    return {
      supplyId: supply.id,
      name: supply.name,
      kind: supply.kind,
      acW,
      dcW,
      limitShare: mostAcW > 0 ? (acW * vaFactor(supply, chargers.vaPerW)) / mostAcW : 0,
      hoursAlone,
      hoursBeside,
      fuelLPerH,
      fuelAloneL: fuel(hoursAlone),
      fuelBesideL: fuel(hoursBeside),
      packKwh: lasts?.kwh ?? null,
      lastsH: lasts?.hours ?? null,
      timerH: supply.kind === 'outlet' ? supply.offAfterH : null,
    };
  });

/** VA count on a socket, and on a generator whose label names them. */
function vaFactor(supply: Supply, vaPerW: number): number {
  if (supply.kind === 'hookup') return vaPerW;
  if (supply.kind === 'generator' && supply.ratedVa !== null)
    return Math.max(1, (vaPerW * supply.ratedW) / supply.ratedVa);
  return 1;
}

/** l/h: what it takes idling, and as much more as it gives. From memory, of a small inverter generator. */
const fuelOf = (generator: Extract<Supply, { kind: 'generator' }>, watts: number): number =>
  (generator.idleLPerH ?? DEFAULT.generatorIdleLPerH.value) +
  ((generator.fuelLPerKwh ?? DEFAULT.generatorLPerKwh.value) * watts) / 1000;

/** What a traction battery gives down to its reserve, and how long this job and its own electrics take for it. */
function packOf(
  { packKwh, fullShare, reserveShare, ownW }: Extract<Supply, { kind: 'outlet' }>,
  meanW: number,
): { readonly kwh: number; readonly hours: number | null } | null {
  if (packKwh === null) return null;
  const kwh = packKwh * (fullShare - reserveShare);
  const watts = meanW + (ownW ?? 0);
  return { kwh, hours: watts > 0 ? (kwh * 1000) / watts : null };
}
