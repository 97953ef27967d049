import type { BusDay, LedgerRow } from './ledger.ts';

/** Where the watt-hours of a load's day go, Wh at the store; the five parts add up to `batteryWh`. */
export interface LedgerEntry {
  readonly loadId: string;
  readonly usefulWh: number;
  readonly conversionWh: number;
  readonly idleWh: number;
  readonly cableWh: number;
  readonly storageWh: number;
  readonly batteryWh: number;
}

export interface Ledger {
  readonly loads: readonly LedgerEntry[];
  /** The inverter left on with nothing running; no load's doing. All zero when it never is. */
  readonly unattended: Omit<LedgerEntry, 'loadId'>;
  readonly total: Omit<LedgerEntry, 'loadId'>;
}

function entry(
  { usefulWh, conversionWh, idleWh, cableWh }: Omit<LedgerRow, 'loadId'>,
  storageShare: number,
): Omit<LedgerEntry, 'loadId'> {
  const busWh = usefulWh + conversionWh + idleWh + cableWh;
  const storageWh = busWh * storageShare;
  return { usefulWh, conversionWh, idleWh, cableWh, storageWh, batteryWh: busWh + storageWh };
}

/** The day's ledger with the store's own loss shared in proportion to what each load draws from it. */
export function ledgerOf(
  rows: readonly LedgerRow[],
  { unattendedIdleWh, cables }: Pick<BusDay, 'unattendedIdleWh' | 'cables'>,
  roundTripEfficiency: number,
): Ledger {
  const storageShare = 1 / roundTripEfficiency - 1;
  const loads: LedgerEntry[] = rows.map((row) => ({
    loadId: row.loadId,
    ...entry(row, storageShare),
  }));
  const alone = { usefulWh: 0, conversionWh: 0, idleWh: unattendedIdleWh, cableWh: cables?.unattendedWh ?? 0 };
  const unattended = entry(alone, storageShare);
  const sum = (key: keyof typeof alone) => loads.reduce((total, row) => total + row[key], 0) + unattended[key];
  const total = {
    usefulWh: sum('usefulWh'),
    conversionWh: sum('conversionWh'),
    idleWh: sum('idleWh'),
    cableWh: sum('cableWh'),
  };
  return { loads, unattended, total: entry(total, storageShare) };
}
