import type { Finding } from './findings/finding.ts';
import type { EvidenceSummary } from './loads/evidence.ts';
import type { Figures } from './quantity/figure.ts';

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

/** Everything the program says about one option of a job; screens, reports and files only read it. */
export interface Assessment {
  readonly optionId: string;
  readonly figures: Figures;
  readonly ledger: Ledger;
  readonly evidence: EvidenceSummary;
  readonly findings: readonly Finding[];
}

/** What a list says of a job at a glance; its first option's figures. */
export interface JobSummary {
  /** Wh a day from the store, and what of it is lost on the way. */
  readonly needWh: number;
  readonly lostWh: number;
  /** The store, at the bus voltage. */
  readonly storeAh: number;
  readonly busV: number;
  /** The gravest open finding, in one sentence; null when there is none above a note. */
  readonly worst: { readonly severity: 'stop' | 'caution'; readonly what: string } | null;
  readonly stops: number;
  readonly cautions: number;
}
