import type { Assessment } from '../assess/assessment.ts';
import type { Job, Load } from '../job/schema.ts';
import { EVIDENCE_SPREAD } from '../loads/evidence.ts';

/** One thing worth measuring, with what it does for the day's figure. */
export interface ToMeasure {
  readonly loadId: string;
  readonly name: string;
  readonly instrument: 'plug-in meter' | 'clamp or shunt';
  /** h that the test takes. */
  readonly hours: number;
  readonly why:
    | 'a whole day, since it switches by itself'
    | 'two of its cycles'
    | 'a quarter of an hour'
    | 'a night, since it is small and always on';
  /** Wh a day between which the load lies now. */
  readonly lowWh: number;
  readonly highWh: number;
  /** Wh by which the day's range shrinks once it is measured. */
  readonly shrinksWh: number;
}

/** Lengths of tests: common practice. */
const TEST_H: Readonly<Record<Load['draw']['kind'], readonly [hours: number, why: ToMeasure['why']]>> = {
  steady: [0.25, 'a quarter of an hour'],
  cycle: [0, 'two of its cycles'],
  thermostatic: [24, 'a whole day, since it switches by itself'],
  room: [24, 'a whole day, since it switches by itself'],
  'water-heating': [24, 'a whole day, since it switches by itself'],
  standby: [12, 'a night, since it is small and always on'],
};
const MINUTES_AN_HOUR = 60;
const USUAL_CYCLE_H = 0.5;
/** Smaller gains are not worth a test. */
const LEAST_WH = 1;

/** What to measure first, so that the day's range shrinks most: the widest doubt, less what a measurement leaves. */
export function measureFirst(job: Job, { evidence }: Pick<Assessment, 'evidence'>): ToMeasure[] {
  return evidence.ranked
    .flatMap(({ loadId, lowWh, highWh }): ToMeasure[] => {
      const load = job.loads.find(({ id }) => id === loadId);
      if (!load || load.evidence === 'measured') return [];
      const { below, above } = EVIDENCE_SPREAD[load.evidence];
      const wh = highWh / (1 + above);
      const { measured } = EVIDENCE_SPREAD;
      const shrinksWh = wh * (below + above - measured.below - measured.above);
      const [hours, why] = TEST_H[load.draw.kind];
      return [
        {
          loadId,
          name: load.name,
          instrument:
            load.path === 'inverter' || load.path === 'inverter-adapter' || load.path === 'supply-only'
              ? 'plug-in meter'
              : 'clamp or shunt',
          hours: load.draw.kind === 'cycle' ? 2 * cycleH(load) : hours,
          why,
          lowWh,
          highWh,
          shrinksWh,
        },
      ];
    })
    .filter(({ shrinksWh }) => shrinksWh >= LEAST_WH)
    .sort((a, b) => b.shrinksWh - a.shrinksWh);
}

function cycleH({ draw, uses }: Load): number {
  const fixed = draw.kind === 'cycle' ? draw.phases.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0) : 0;
  const longest = Math.max(0, ...uses.map(({ minutes }) => minutes));
  return Math.max(fixed, longest) / MINUTES_AN_HOUR || USUAL_CYCLE_H;
}
