import type { StaySimulation } from '../days/stay.ts';
import type { FigureId, Figures } from '../explain/figures.ts';
import type { LaidRuns } from '../runs/laid.ts';
import type { Settled } from '../settle/settle.ts';
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
  'store-heated',
  'bank-voltage',
  'bank-uneven',
  'bank-mixed',
  'unit-doubtful',
  'no-sun',
  'sun-hours-doubtful',
  'balance-short',
  'runs-short',
  'dcdc-limited',
  'fuse-none',
  'run-fuse-volts',
  'dcdc-starved',
  'charge-limit',
  'relay-smart',
  'relay-volts',
  'driving-drop',
  'array-volts',
  'array-low',
  'array-input',
  'array-clips',
  'box-clips',
  'array-unlike',
  'array-window-unknown',
  'roof-overlap',
  'roof-overhang',
  'roof-full',
  'panel-doubtful',
  'pwm-loses',
  'charger-none',
  'run-undersized',
  'run-over-fused',
  'run-unfused',
  'run-no-fuse-fits',
  'run-fuse-small',
  'run-start-opens',
  'run-interrupt',
  'run-not-selective',
  'run-drop',
  'run-collapse',
  'run-start-dip',
  'run-start-pulls',
  'run-output-low',
  'load-drops-out',
  'socket-overload',
  'run-solid',
  'run-aluminium',
  'run-unkeyed',
  'without-run',
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
  'converter-start',
  'voltage-range',
  'volts-unknown',
  'cut-mid-run',
  'search-asleep',
  'off-hours',
] as const satisfies readonly FindingCode[];

export type FindingCode = keyof FindingValues;

/** Where a finding belongs: the step it is shown at, and the load or figure it concerns. */
export interface Where {
  readonly step: 'brief' | 'loads' | 'paths' | 'moment' | 'store' | 'sources' | 'days' | 'runs' | 'result';
  readonly loadId?: string;
  readonly figure?: FigureId;
  readonly runId?: string;
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

/** What a rule may look at: what is settled, the stay played through, and the figures. */
export interface Assessed extends Settled {
  readonly stay: StaySimulation;
  /** Null while no runs are laid: what is only proposed is not found fault with. */
  readonly runs: LaidRuns | null;
  readonly figures: Figures;
}

export type Rule = (assessed: Assessed) => Finding[];
