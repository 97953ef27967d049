import type { LedgerRow } from './ledger.ts';

/** Where the watt-hours of a load's day go, Wh at the store; the four parts add up to `batteryWh`. */
export interface LedgerEntry {
  readonly loadId: string;
  readonly usefulWh: number;
  readonly conversionWh: number;
  readonly idleWh: number;
  readonly storageWh: number;
  readonly batteryWh: number;
}

export interface Ledger {
  readonly loads: readonly LedgerEntry[];
  /** The inverter left on with nothing running; no load's doing. All zero when it never is. */
  readonly unattended: Omit<LedgerEntry, 'loadId'>;
  readonly total: Omit<LedgerEntry, 'loadId'>;
}

function entry(usefulWh: number, conversionWh: number, idleWh: number, storageShare: number) {
  const storageWh = (usefulWh + conversionWh + idleWh) * storageShare;
  return { usefulWh, conversionWh, idleWh, storageWh, batteryWh: usefulWh + conversionWh + idleWh + storageWh };
}

/** The day's ledger with the store's own loss shared in proportion to what each load draws from it. */
export function ledgerOf(rows: readonly LedgerRow[], unattendedIdleWh: number, roundTripEfficiency: number): Ledger {
  const storageShare = 1 / roundTripEfficiency - 1;
  const loads: LedgerEntry[] = rows.map((row) => ({
    loadId: row.loadId,
    ...entry(row.usefulWh, row.conversionWh, row.idleWh, storageShare),
  }));
  const unattended = entry(0, 0, unattendedIdleWh, storageShare);
  const sum = (key: 'usefulWh' | 'conversionWh' | 'idleWh') =>
    loads.reduce((total, row) => total + row[key], 0) + unattended[key];
  return { loads, unattended, total: entry(sum('usefulWh'), sum('conversionWh'), sum('idleWh'), storageShare) };
}
