import type {
  BatteryString,
  Charger,
  DesignOption,
  Device,
  DrivingLink,
  Inverter,
  Job,
  PanelGroup,
  SolarArray,
  SolarController,
  Supply,
} from './schema.ts';
import { SCHEMA_VERSION } from './values.ts';

/** Of a part of which nobody has said what it weighs and costs. */
const NOT_BOUGHT = { kg: null, price: null } as const;

/** What is said of no device yet; on while one of its loads runs. */
const UNSAID = {
  cutOffV: null,
  idleW: null,
  peakEfficiency: null,
  points: [],
  policy: 'with-loads',
  hours: [],
  leftOnH: 0,
} satisfies Partial<Device>;

/** What a data sheet or a meter says of one unit, and of no other size. */
export const UNIT_UNSAID = {
  idleW: null,
  peakEfficiency: null,
  points: [],
  ratingVa: null,
  surgeW: null,
  surgeSeconds: null,
  ...NOT_BOUGHT,
} satisfies Partial<Inverter>;

/** An inverter of which nothing is said: sized by its loads. */
export function blankInverter(id: string, name: string): Inverter {
  return {
    kind: 'inverter',
    id,
    name,
    ...UNSAID,
    ratingW: null,
    ratingVa: null,
    search: null,
    waveform: 'pure',
    form: 'stand-alone',
    surgeW: null,
    surgeSeconds: null,
    ambientC: null,
    ...NOT_BOUGHT,
  };
}

/** A device of a kind with what is usual for it. */
export function blankDevice(kind: Device['kind'], id: string): Device {
  switch (kind) {
    case 'inverter':
      return blankInverter(id, 'Inverter');
    case 'converter':
      return { kind, id, name: 'Converter', ...UNSAID, policy: 'always', outputV: 12, ratingW: 100 };
    case 'port':
      return { kind, id, name: 'Station port', ...UNSAID, outputV: 12, limitA: 10, limitW: null };
  }
}

/** What a place of the region usually offers; a generator and an outlet of a usual size. Common practice.
 * @param heightM where it stands, m above the sea */
export function blankSupply(kind: Supply['kind'], mains: Job['brief']['region']['mains'], heightM = 0): Supply {
  const shared = { id: kind, share: null, hours: [] };
  switch (kind) {
    case 'hookup':
      return mains === '230V-50Hz'
        ? { kind, ...shared, name: 'Hookup', volts: 230, amps: 10, legs: 1 }
        : { kind, ...shared, name: 'Hookup', volts: 120, amps: 30, legs: 1 };
    case 'generator':
      return {
        kind,
        ...shared,
        name: 'Generator',
        ratedW: 2000,
        ratedVa: null,
        startW: null,
        altitudeM: Math.max(0, heightM),
        idleLPerH: null,
        fuelLPerKwh: null,
      };
    case 'outlet':
      return {
        kind,
        ...shared,
        name: 'Vehicle outlet',
        ratedW: 2000,
        startW: null,
        packKwh: null,
        fullShare: 1,
        reserveShare: 0.2,
        offAfterH: null,
        ownW: null,
      };
  }
}

/** A charger from hookup or generator of which nothing is said but its amps. */
export const blankCharger = (id: string, name: string, ratingA: number): Charger => ({
  id,
  name,
  ratingA,
  leastA: null,
  efficiency: null,
  powerFactor: null,
  senses: 'terminals',
  idleW: null,
  ...NOT_BOUGHT,
});

/** An option with nothing chosen yet: 12 V, LFP, everything sized by the program. */
export function blankOption(id: string, name: string): DesignOption {
  return {
    id,
    name,
    system: {
      busVoltageV: 12,
      store: {
        chemistry: 'lfp',
        strings: null,
        usableDepth: null,
        roundTripEfficiency: null,
        coldestC: 10,
        leadM: null,
        heaterW: null,
        cutOff: null,
        reconnect: null,
        chargeV: null,
        selfDischarge: null,
        keepForCritical: 0,
        inputs: 'add',
        inputW: null,
      },
      devices: [blankInverter('inverter', 'Inverter')],
      driving: null,
      arrays: null,
      roof: [],
      chargers: [],
      allInOnes: [],
      runs: null,
    },
    feeds: [],
  };
}

/** A solar controller of which only its kind is known. */
export const blankController = (kind: SolarController['kind']): SolarController => ({
  kind,
  maxA: null,
  maxW: null,
  maxV: null,
  maxInputA: null,
  minV: null,
  efficiency: null,
  idleW: null,
  ...NOT_BOUGHT,
});

/** An array flat on the roof, unshaded, with a controller that is large enough. */
export const blankArray = (id: string, name: string, ratingW: number): SolarArray => ({
  id,
  name,
  ratingW,
  panels: [],
  wiring: 'parallel',
  controller: blankController('mppt'),
  mount: 'roof',
  slopeDeg: 0,
  azimuthDeg: null,
  follows: false,
  setOut: [],
  shade: 0,
  shaded: [],
  clean: null,
});

/** A group of panels of which nothing but the watts is known. */
export const blankPanels = (id: string, name: string, ratingW: number): PanelGroup => ({
  id,
  name,
  ratingW,
  vmpV: null,
  impA: null,
  vocV: null,
  iscA: null,
  powerPerK: null,
  vocPerK: null,
  iscPerK: null,
  noctC: null,
  lengthM: null,
  areaM2: null,
  kg: null,
  price: null,
  series: 1,
  parallel: 1,
});

/** A DC-DC charger of which nothing is said but its amps. */
export const blankLink = (id: string, name: string, ratingA: number): DrivingLink => ({
  id,
  name,
  kind: 'dc-dc',
  ratingA,
  bothWays: false,
  cableM: null,
  cableMm2: null,
  efficiency: null,
  idleW: null,
  minInputV: null,
  sharesWith: null,
  sharing: 'sun-first',
  ...NOT_BOUGHT,
});

/** A string of one unit at the bus voltage, of which nothing but its capacity is known. */
export const blankString = (id: string, name: string, capacityAh: number): BatteryString => ({
  id,
  name,
  capacityAh,
  unitV: null,
  series: 1,
  parallel: 1,
  health: null,
  chargeA: null,
  dischargeA: null,
  shortA: null,
  shortS: null,
  resistanceMohm: null,
  kg: null,
  price: null,
});

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
      place: {
        label: '',
        latitudeDeg: 45,
        longitudeDeg: null,
        utcOffsetH: null,
        heightM: null,
        sky: 'mixed',
        peakSunHours: null,
        dayTempC: 22,
        nightTempC: 10,
        lowestC: null,
        monthly: {
          peakSunHours: null,
          brightSunHours: null,
          dullSunHours: null,
          dayTempC: null,
          nightTempC: null,
          days: null,
          from: '',
        },
      },
      months: [5, 6, 7, 8, 9],
      nightsOffGrid: 3,
      plan: [],
      drives: [{ startMin: 540, minutes: 60 }],
      sunlessDays: 2,
      alternator: { ratingA: 120, systemV: 12, voltage: 'steady', ownLoadA: null, volts: null, hotFactor: null },
      day: { season: 'usual', week: 'usual', motion: 'usual' },
      prices: { storePerKwh: null, arrayPerW: null, energyPerKwh: null, copperPerKg: null, moves: [] },
      roof: null,
      payloadKg: null,
      supplies: [],
    },
    rules: {
      inverterMargin: 'plus-25',
      inverterCurve: 'curve',
      twoMayStart: false,
      coincide: 'any-time',
      arrayCovers: 'the-rest',
      dropOrder: 'critical-last',
      keepToStop: true,
      cables: {
        limits: 'marine',
        dropOf: 'bus',
        bundling: 'marine',
        coldC: 20,
        hotC: 70,
        leastBranchMm2: null,
        leastFeederMm2: null,
      },
      arrayFactor: null,
    },
    loads: [],
    hasNot: [],
    together: { atMost: [], always: [] },
    options: [blankOption('a', 'A 12 V')],
  };
}
