import type { Figures } from '../explain/figures.ts';
import type { Finding } from '../findings/finding.ts';
import type { EvidenceSummary } from '../loads/evidence.ts';
import type { Ledger } from '../paths/shares.ts';

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
