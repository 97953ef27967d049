import type { DayAtBattery } from '../battery/day.ts';
import { type StaySimulation, simulateStay } from '../days/stay.ts';
import type { Job } from '../job/schema.ts';
import { settle } from '../settle/settle.ts';
import type { SourceKind } from '../sources/source.ts';

/** The stay of a job's first option. */
export const stayOf = (job: Job): StaySimulation => simulateStay(settle(job));

/** Wh taken on a day from all sources of a kind. */
export const takenWh = (_: StaySimulation, { books }: DayAtBattery, kind: SourceKind): number =>
  ({ sun: books.sunWh, driving: books.drivingWh, supply: books.supplyWh })[kind];
