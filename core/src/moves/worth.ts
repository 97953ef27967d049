import type { Job } from '../job/schema.ts';
import { panelKgPerW } from '../panels/panels.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import type { Settled } from '../settle/settle.ts';

/** What watt-hours a day come to in what has to be bought, carried and paid; in the units of the names. */
export interface Worth {
  readonly ahPerDay: number;
  /** Store that need not be fitted for the sunless days, Wh. */
  readonly storeWh: number;
  /** Panel that need not be fitted, W; null when there is no sun to reckon with. */
  readonly panelW: number | null;
  /** kg of store, panel and inverters less; below 0 it weighs more. */
  readonly kg: number;
  /** Store and panel at the user's prices; null when none is given. */
  readonly money: number | null;
  /** What it costs to do, as the user has put it in; null when not. */
  readonly cost: number | null;
  /** Days until it has paid for itself: 0 when the kit it spares costs more; null when prices are missing or it never does. */
  readonly paybackDays: number | null;
}

/** What is saved, against the same job without it. */
export interface Saved {
  /** Wh/day. */
  readonly totalWh: number;
  /** The part that the store is sized by, Wh/day; the rest is spared on sunny days only. */
  readonly needWh: number;
  /** Rating of all inverters together, W less. */
  readonly invertersW: number;
  /** Copper of all runs together, kg less; below 0 it is more. */
  readonly copperKg: number;
}

export function worthOf(
  { option, ledger, store, solar, nominalV, income }: Settled,
  job: Job,
  saved: Saved,
  moveId: string | null,
): Worth {
  const data = CHEMISTRY[option.system.store.chemistry];
  const needWh = ledger.total.batteryWh;
  const storeWh = needWh > 0 ? (saved.needWh * store.need.requiredWh) / needWh : 0;
  const perPanelW = solar.ratingW > 0 ? income.sunWh / solar.ratingW : 0;
  const savedWh = saved.totalWh;
  const panelW = perPanelW > 0 ? savedWh / perPanelW : null;
  const inverterKg = (saved.invertersW / 1000) * DEFAULT.inverterKgPerKw.value;
  const storeKg = (storeWh / (100 * data.nominal12V)) * data.kgPer100Ah12V;
  const panelKg = (panelW ?? 0) * panelKgPerW();
  const { storePerKwh, arrayPerW, energyPerKwh, copperPerKg, moves } = job.brief.prices;
  const priced = storePerKwh !== null || arrayPerW !== null || (copperPerKg !== null && saved.copperKg !== 0);
  const spared = (storeWh / 1000) * (storePerKwh ?? 0) + (panelW ?? 0) * (arrayPerW ?? 0);
  const money = priced ? spared + saved.copperKg * (copperPerKg ?? 0) : null;
  const cost = moves.find(({ move }) => move === moveId)?.cost ?? null;
  return {
    ahPerDay: savedWh / nominalV,
    storeWh,
    panelW,
    kg: storeKg + panelKg + inverterKg + saved.copperKg,
    money,
    cost,
    paybackDays: paybackDays(cost, money, (savedWh / 1000) * (energyPerKwh ?? 0)),
  };
}

/** Days until a cost is made good by the kit it spares at once and the energy it spares a day. */
function paybackDays(cost: number | null, money: number | null, perDay: number): number | null {
  if (cost === null) return null;
  const open = cost - (money ?? 0);
  if (open <= 0) return 0;
  return perDay > 0 ? open / perDay : null;
}
