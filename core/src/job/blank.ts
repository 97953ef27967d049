import type { DesignOption, Device, Inverter, Job } from './schema.ts';
import { SCHEMA_VERSION } from './values.ts';

/** An inverter of which nothing is said: sized by its loads, on while one of them runs. */
export function blankInverter(id: string, name: string): Inverter {
  return {
    kind: 'inverter',
    id,
    name,
    idleW: null,
    peakEfficiency: null,
    points: [],
    policy: 'with-loads',
    hours: [],
    leftOnH: 0,
    ratingW: null,
    search: null,
    waveform: 'pure',
  };
}

/** A device of a kind with what is usual for it. */
export function blankDevice(kind: Device['kind'], id: string): Device {
  const { kind: _, ratingW: __, search: ___, waveform: ____, ...shared } = blankInverter(id, '');
  switch (kind) {
    case 'inverter':
      return blankInverter(id, 'Inverter');
    case 'converter':
      return { ...shared, kind, name: 'Converter', policy: 'always', outputV: 12, ratingW: 100 };
    case 'port':
      return { ...shared, kind, name: 'Station port', outputV: 12, limitA: 10, limitW: null };
  }
}

/** An option with nothing chosen yet: 12 V, LFP, everything sized by the program. */
export function blankOption(id: string, name: string): DesignOption {
  return {
    id,
    name,
    system: {
      busVoltageV: 12,
      store: { chemistry: 'lfp', capacityAh: null, usableDepth: null, roundTripEfficiency: null, coldestC: 10 },
      devices: [blankInverter('inverter', 'Inverter')],
      dcdc: { ratingA: null },
      array: { ratingW: null },
    },
  };
}

/** A new job: nothing taken down yet, usual settings for a 230 V region. */
export function blankJob(title: string): Job {
  return {
    format: 'joulemetric-job',
    schemaVersion: SCHEMA_VERSION,
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
      day: { season: 'usual', week: 'usual', motion: 'usual' },
      prices: { storePerKwh: null, arrayPerW: null, energyPerKwh: null, moves: [] },
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
