import type { Load } from '../job/schema.ts';
import type { Question } from '../quantity/question.ts';
import type { Appliance } from '../reference/appliances.ts';
import type { LabelReading } from './labelReading.ts';

/** What a typed line or a label would add, or the questions that stand in the way. */
export interface Proposal {
  readonly load: Load | null;
  /** The catalogue type behind it, when one fits. */
  readonly appliance: Appliance | null;
  readonly questions: readonly Question[];
  /** What is missing before it can be a load. */
  readonly missing: 'name' | 'power' | null;
  /** What a nameplate was read as; null for a typed line. */
  readonly label: LabelReading | null;
  /** What was taken that nobody typed, in words, such as the volts that amps were multiplied with. */
  readonly notes: readonly string[];
}

/** What the line's volts and amps meet: the battery bus and the mains of the region, V. */
export interface Bus {
  readonly busV: number;
  readonly mainsV: number;
}

export const USUAL_BUS: Bus = { busV: 12, mainsV: 230 };
