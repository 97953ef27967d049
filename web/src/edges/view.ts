import {
  type Assessment,
  asFed,
  type Bank,
  type BoxChoice,
  type BoxColumn,
  type DesignOption,
  type Evaluation,
  type Finding,
  type Job,
  type Words,
  wordsFor,
} from '@joulemetric/core';
import { keeping } from './changes.ts';

/** Columns of a load's lane: one for every ten minutes. */
export const LANE_SLOTS = 144;
const SLOT_MIN = 1440 / LANE_SLOTS;

/** A load's day as the page draws it. */
export interface Drawn {
  readonly runningW: number;
  readonly energyWh: number;
  /** W of the strongest minute in each ten. */
  readonly skylineW: Float32Array;
}

/** A finding with what it says: the sentences of all findings stay where they are made. */
export type SaidFinding = Finding & { readonly words: Words };

export interface SaidAssessment extends Assessment {
  readonly findings: readonly SaidFinding[];
}

export interface SaidBoxColumn extends BoxColumn {
  readonly findings: readonly SaidFinding[];
}

export interface SaidBoxChoice extends BoxChoice {
  readonly columns: readonly SaidBoxColumn[];
}

/** What has findings, with what they say. */
export const said = <T extends { readonly findings: readonly Finding[] }>(
  having: T,
): T & { readonly findings: readonly SaidFinding[] } => ({
  ...having,
  findings: having.findings.map((finding) => ({ ...finding, words: wordsFor(finding) })),
});

/** What is sent of an evaluation: what its searches and steps went on from stays where it was made. */
export interface Reckoned extends Pick<Evaluation, 'inverters' | 'feeds' | 'busPeak' | 'supplies' | 'stay'> {
  readonly assessment: SaidAssessment;
  /** What each minute loses in each cable is not shown, and is a lot to send. */
  readonly bus: Omit<Evaluation['bus'], 'cables'>;
  /** The units that are chosen; null = as required. */
  readonly bank: Bank | null;
  /** In the order of the loads. */
  readonly drawn: readonly Drawn[];
}

/** All that the page shows of an option: its job and what was reckoned of it, belonging together. */
export interface View extends Reckoned {
  /** Its loads as this option feeds them. */
  readonly job: Job;
  readonly option: DesignOption;
}

export function reckonedOf(evaluation: Evaluation): Reckoned {
  const { inverters, feeds, busPeak, supplies, stay, profiles, store } = evaluation;
  const { cables: _cables, ...bus } = evaluation.bus;
  const drawn = profiles.map(({ runningW, energyWh, meanW }) => ({ runningW, energyWh, skylineW: skylineOf(meanW) }));
  return {
    inverters,
    feeds,
    bus,
    busPeak,
    supplies,
    stay,
    assessment: said(evaluation.assessment),
    bank: store.bank,
    drawn,
  };
}

/** Of the same profile the very same skyline. */
function skylineOf(meanW: Float64Array): Float32Array {
  const found = known.get(meanW);
  if (found) return found;
  const made = new Float32Array(LANE_SLOTS);
  for (let m = 0; m < meanW.length; m++) {
    const slot = Math.floor(m / SLOT_MIN);
    made[slot] = Math.max(made[slot] as number, meanW[m] as number);
  }
  known.set(meanW, made);
  return made;
}
const known = new WeakMap<Float64Array, Float32Array>();

/** @param before the view it follows: what did not change stays the same object */
export function viewOf(asStored: Job, optionId: string, reckoned: Reckoned, before: View | null): View {
  const option = asStored.options.find(({ id }) => id === optionId) ?? (asStored.options[0] as DesignOption);
  const { job: _job, option: _option, ...parts } = before ?? {};
  return { ...keeping(parts as Reckoned, reckoned), job: asFed(asStored, option), option };
}
