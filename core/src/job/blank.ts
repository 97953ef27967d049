import type { DesignOption, Job } from './schema.ts';

/** An option with nothing chosen yet: 12 V, LFP, everything sized by the program. */
export function blankOption(id: string, name: string): DesignOption {
  return {
    id,
    name,
    system: {
      busVoltageV: 12,
      store: { chemistry: 'lfp', capacityAh: null, usableDepth: null, roundTripEfficiency: null, coldestC: 10 },
      inverter: { ratingW: null, idleW: null, peakEfficiency: null, policy: 'with-loads' },
      dcdc: { ratingA: null },
      array: { ratingW: null },
    },
  };
}

/** A new job: nothing taken down yet, usual settings for a 230 V region. */
export function blankJob(title: string): Job {
  return {
    format: 'joulemetric-job',
    schemaVersion: 1,
    title,
    client: '',
    vehicle: '',
    brief: {
      region: { mains: '230V-50Hz', units: 'metric', currency: 'EUR' },
      place: { label: '', latitudeDeg: 45, sky: 'mixed', peakSunHours: null, dayTempC: 22, nightTempC: 10 },
      months: [5, 6, 7, 8, 9],
      nightsOffGrid: 3,
      driveHoursPerDay: 1,
      sunlessDays: 2,
      alternator: { ratingA: 120, systemV: 12 },
      payloadKg: null,
    },
    rules: {
      inverterMargin: 'plus-25',
      inverterCurve: 'curve',
      twoMayStart: false,
      arrayCovers: 'the-rest',
      arrayFactor: null,
    },
    loads: [],
    neverTogether: [],
    options: [blankOption('a', 'A 12 V')],
  };
}
