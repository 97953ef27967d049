import type { Ledger } from '../assessment.ts';
import type { DesignOption, Job } from '../job/schema.ts';
import type { EvidenceSummary } from '../loads/evidence.ts';
import type { LoadProfile } from '../loads/profile.ts';
import type { BusMoment } from '../moment/busMoment.ts';
import type { Coincidence } from '../moment/coincidence.ts';
import type { SizedInverter } from '../moment/sizeInverters.ts';
import type { SupplyMoment } from '../moment/supplyMoment.ts';
import type { BusDay } from '../paths/ledger.ts';
import type { FigureId, Figures } from '../quantity/figure.ts';
import type { FindingValues } from './values.ts';

export type Severity = 'note' | 'caution' | 'stop';

export const FINDING_CODES = [
  'no-loads',
  'double-conversion',
  'idle-dominates',
  'inverter-too-small',
  'inverter-oversized',
  'inverter-parallel',
  'moment-unproved',
  'inverter-start',
  'inverter-heat',
  'surge-unknown',
  'together-contradiction',
  'supply-overload',
  'supply-charger',
  'supply-start',
  'assist-short',
  'nothing-passes',
  'low-voltage-high-current',
  'store-current',
  'store-short',
  'store-cold',
  'no-sun',
  'sun-hours-doubtful',
  'balance-short',
  'dcdc-limited',
  'payload-exceeded',
  'measure-first',
  'critical-single-source',
  'cannot-hold',
  'mains-licensed',
  'hookup-inlet',
  'generator-fumes',
  'inverter-loop',
  'port-overload',
  'no-port',
  'stepped-wave',
  'converter-undersized',
  'voltage-range',
  'search-asleep',
  'off-hours',
] as const satisfies readonly FindingCode[];

export type FindingCode = keyof FindingValues;

/** Where a finding belongs: the step it is shown at, and the load or figure it concerns. */
export interface Where {
  readonly step: 'brief' | 'loads' | 'paths' | 'moment' | 'result';
  readonly loadId?: string;
  readonly figure?: FigureId;
}

/** One kind of finding. */
export interface FindingOf<C extends FindingCode> {
  readonly code: C;
  readonly severity: Severity;
  readonly where: Where;
  readonly values: FindingValues[C];
}

/** Something to check, as data; the words are in `words.ts`. */
export type Finding = { [C in FindingCode]: FindingOf<C> }[FindingCode];

/** What a rule may look at. */
export interface Assessed {
  readonly job: Job;
  readonly option: DesignOption;
  readonly profiles: readonly LoadProfile[];
  readonly figures: Figures;
  readonly ledger: Ledger;
  readonly evidence: EvidenceSummary;
  /** Main first. */
  readonly inverters: readonly SizedInverter[];
  readonly bus: BusDay;
  readonly supplies: readonly SupplyMoment[];
  readonly busPeak: BusMoment;
  readonly coincidence: Coincidence;
  /** Wh that the store gains (or, below 0, loses) over a usual day, sun and alternator feeding the loads directly first. */
  readonly driftWh: number;
}

export type Rule = (assessed: Assessed) => Finding[];
