import type { Job, Load } from '../job/schema.ts';
import { minutesPerDay } from '../loads/uses.ts';
import { clearnessAt } from '../sun/spread.ts';
import type { WeatherRun } from './weather.ts';

/** What may come otherwise than planned: of the weather, of the job, of the store. */
export const WHAT_IFS = [
  'heat-wave',
  'cold-snap',
  'overcast',
  'inverter-on',
  'guest',
  'shaded',
  'aged',
  'timer',
] as const;
export type WhatIf = (typeof WHAT_IFS)[number];

/** K by which a heat wave is warmer and a cold snap colder; the share of days that are duller than an overcast run. Common practice. */
const HEAT_WAVE_K = 8;
const COLD_SNAP_K = -10;
const OVERCAST_SHARE = 0.1;
/** What one guest more adds to what people themselves use: one to three. Common practice. */
const GUEST = 4 / 3;
/** Share of the light that a shaded panel loses. Common practice. */
const SHADED = 0.5;
/** h of a usual timer of a vehicle's outlet. Common practice. */
const TIMER_H = 12;
/** A load that is on for so long is nobody's in particular. */
const ALL_DAY_MIN = 23.9 * 60;

/** The job as it is under these; the same object when none of them is about the job. Sizes stay as they are. */
export function jobUnder(job: Job, ifs: readonly WhatIf[]): Job {
  let now = job;
  if (ifs.includes('inverter-on')) now = inverterLeftOn(now);
  if (ifs.includes('guest')) now = { ...now, loads: now.loads.map(withGuest) };
  if (ifs.includes('shaded')) now = firstArrayShaded(now);
  if (ifs.includes('timer')) now = timerTurned(now);
  return now;
}

const inverterLeftOn = (job: Job): Job => ({
  ...job,
  options: job.options.map((option) => ({
    ...option,
    system: {
      ...option.system,
      devices: option.system.devices.map((device) =>
        device.kind === 'inverter' ? { ...device, policy: 'always', search: null } : device,
      ),
    },
  })),
});

/** What people switch on and off, cook and wash with is used for longer or harder; what holds a temperature is not. */
function withGuest(load: Load): Load {
  const { draw } = load;
  if (draw.kind === 'water-heating') return { ...load, draw: { ...draw, litres: Math.min(1000, draw.litres * GUEST) } };
  if (draw.kind === 'steady' && minutesPerDay(load.uses) < ALL_DAY_MIN)
    return { ...load, draw: { ...draw, powerW: draw.powerW * GUEST } };
  if (draw.kind === 'cycle')
    return { ...load, draw: { ...draw, phases: draw.phases.map((one) => ({ ...one, powerW: one.powerW * GUEST })) } };
  return load;
}

const firstArrayShaded = (job: Job): Job => ({
  ...job,
  options: job.options.map((option) => ({
    ...option,
    system: {
      ...option.system,
      arrays:
        option.system.arrays?.map((array, i) =>
          i === 0 ? { ...array, shade: Math.min(0.95, 1 - (1 - array.shade) * (1 - SHADED)) } : array,
        ) ?? null,
    },
  })),
});

/** An outlet with a timer is without, and one without has the usual. */
const timerTurned = (job: Job): Job => ({
  ...job,
  brief: {
    ...job.brief,
    supplies: job.brief.supplies.map((supply) =>
      supply.kind === 'outlet' ? { ...supply, offAfterH: supply.offAfterH === null ? TIMER_H : null } : supply,
    ),
  },
});

/** The weather under these, for as long as it is given. */
export function weatherUnder(weather: WeatherRun, ifs: readonly WhatIf[]): WeatherRun {
  const warmerK = (ifs.includes('heat-wave') ? HEAT_WAVE_K : 0) + (ifs.includes('cold-snap') ? COLD_SNAP_K : 0);
  const overcast = ifs.includes('overcast');
  if (warmerK === 0 && !overcast) return weather;
  const clearness = overcast
    ? weather.clearness.map((k) => Math.min(k, clearnessAt(k, OVERCAST_SHARE)))
    : weather.clearness;
  return {
    ...weather,
    clearness,
    meanC: weather.meanC.map((c) => c + warmerK),
    hours: weather.hours && {
      ...weather.hours,
      ghiWh: weather.hours.ghiWh.map((wh, k) => {
        const day = Math.floor(k / 24);
        const before = weather.clearness[day] as number;
        return before > 0 ? (wh * (clearness[day] as number)) / before : wh;
      }),
      airC: weather.hours.airC.map((c) => c + warmerK),
    },
  };
}

/** Those that would change anything in this job. */
export function whatIfsOf({ brief }: Pick<Job, 'brief'>): readonly WhatIf[] {
  return WHAT_IFS.filter((one) => one !== 'timer' || brief.supplies.some(({ kind }) => kind === 'outlet'));
}
