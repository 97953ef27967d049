import { type StaySimulation, simulateStay } from '../days/stay.ts';
import type { Job } from '../job/schema.ts';
import { settle } from '../settle/settle.ts';
import type { DayTrace } from '../sources/dayAtStore.ts';
import type { SourceKind } from '../sources/source.ts';

/** The stay of a job's first option. */
export const stayOf = (job: Job): StaySimulation => simulateStay(settle(job));

/** Wh taken on a day from all sources of a kind. */
export const takenWh = ({ sources }: StaySimulation, { books }: DayTrace, kind: SourceKind): number =>
  sources.reduce((sum, source, i) => sum + (source.kind === kind ? (books.takenWh[i] ?? 0) : 0), 0);
