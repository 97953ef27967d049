import { type Fault, shown } from './fault.ts';
import { JOB_FORMAT, SCHEMA_VERSION } from './values.ts';

type Document = Record<string, unknown>;
type Forward = Readonly<Record<number, (older: Document) => Document>>;
type Migrated = { readonly document: unknown } | { readonly fault: Fault };

/** `FORWARD[n]` turns a document of version n into one of version n + 1; pure, and never edited once released. */
const FORWARD: Forward = {
  1: fromOneInverterToDevices,
  2: fromPairsToTogether,
  3: fromSinglesToLists,
  4: fromCapacitiesToUnits,
  5: fromWattsToPanels,
  6: fromStayToPlan,
  7: fromNoRunsToProposed,
  8: fromPartsApartToAllInOnes,
  9: fromUsualToSaid,
  10: fromLoadsToPhases,
};

/** Version 2: devices instead of one inverter; loads with place, other days, device, volts, photos; a kind of day. */
function fromOneInverterToDevices(older: Document): Document {
  return {
    ...older,
    brief: part(older.brief, (brief) => ({
      ...brief,
      day: { season: 'usual', week: 'usual', motion: 'usual' },
      prices: { storePerKwh: null, arrayPerW: null, energyPerKwh: null, moves: [] },
    })),
    loads: each(older.loads, (load) => ({ ...NEW_IN_2, ...load })),
    options: each(older.options, (option) => ({
      ...option,
      system: part(option.system, ({ inverter, ...system }) => ({
        ...system,
        devices: [
          {
            kind: 'inverter',
            id: 'inverter',
            name: 'Inverter',
            points: [],
            hours: [],
            leftOnH: 0,
            search: null,
            waveform: 'pure',
            ...part(inverter, (found) => found),
          },
        ],
      })),
    })),
  };
}

const NEW_IN_2 = {
  type: '',
  room: '',
  circuit: '',
  variants: [],
  movable: false,
  device: null,
  residueW: 0,
  minV: null,
  maxV: null,
  sensitive: false,
  chargesStore: false,
  photos: [],
} as const;

/** Version 3: what runs together at most or always; supplies and a charger; how an inverter starts and stands; starts. */
function fromPairsToTogether({ neverTogether, ...older }: Document): Document {
  return {
    ...older,
    brief: part(older.brief, (brief) => ({ ...brief, supplies: [] })),
    rules: part(older.rules, (rules) => ({ ...rules, coincide: 'any-time' })),
    loads: each(older.loads, (load) => ({ startSeconds: null, softStart: false, ...load })),
    together: {
      atMost: Array.isArray(neverTogether) ? neverTogether.map((loads) => ({ loads, most: 1 })) : neverTogether,
      always: [],
    },
    options: each(older.options, (option) => ({
      ...option,
      system: part(option.system, (system) => ({
        ...system,
        devices: each(system.devices, (device) => (device.kind === 'inverter' ? { ...NEW_IN_3, ...device } : device)),
        charger: { ratingA: 0, leastA: null, efficiency: null, powerFactor: null },
      })),
    })),
  };
}

const NEW_IN_3 = { form: 'stand-alone', surgeW: null, surgeSeconds: null, ambientC: null } as const;

/** Version 4: uses instead of runs; strings, arrays and chargers in lists; feeds of an option; a place month by month. */
function fromSinglesToLists(older: Document): Document {
  return {
    ...older,
    brief: part(older.brief, (brief) => ({
      ...brief,
      place: part(brief.place, (place) => ({ ...NEW_PLACE_IN_4, ...place })),
    })),
    loads: each(older.loads, loadWithUses),
    options: each(older.options, (option) => ({
      feeds: [],
      ...option,
      system: part(option.system, ({ dcdc, array, charger, ...system }) => ({
        ...system,
        store: part(system.store, ({ capacityAh, ...store }) => ({
          ...store,
          strings: listOf(capacityAh, (ah) => [{ id: 'string-1', name: 'String 1', capacityAh: ah }]),
        })),
        devices: each(system.devices, (device) =>
          device.kind === 'inverter' ? { ratingVa: null, ...device } : device,
        ),
        driving: listOf(inside(dcdc, 'ratingA'), (a) =>
          a === 0 ? [] : [{ id: 'dcdc-1', name: 'DC-DC charger', ratingA: a }],
        ),
        arrays: listOf(inside(array, 'ratingW'), (w) =>
          w === 0 ? [] : [{ id: 'array-1', name: 'Array 1', ratingW: w, controllerA: null }],
        ),
        chargers: chargersFrom(charger),
      })),
    })),
  };
}

const NEW_PLACE_IN_4 = {
  longitudeDeg: null,
  utcOffsetH: null,
  heightM: null,
  monthly: { peakSunHours: null, dayTempC: null, nightTempC: null },
} as const;

/** A load of version 3 as one of version 4, in a job or in the firm's catalogue. */
function loadWithUses({ runs, ...load }: Document): Document {
  return {
    ...load,
    uses: runs,
    variants: each(load.variants, ({ runs: other, ...rest }) => ({ ...rest, uses: other })),
  };
}

const inside = (value: unknown, key: string): unknown => (isDocument(value) ? value[key] : value);
const listOf = (value: unknown, make: (value: unknown) => unknown[]): unknown => (value === null ? null : make(value));

/** A charger of 0 A of which something else was said is kept: nothing typed is lost. */
function chargersFrom(charger: unknown): unknown {
  if (!isDocument(charger)) return charger;
  const { ratingA, ...rest } = charger;
  if (ratingA === 0 && Object.values(rest).every((value) => value === null)) return [];
  return [{ id: 'charger-1', name: 'Charger', ...charger }];
}

/** Version 5: strings of units in series and parallel, with what is known of them; the bank's leads; how arrays lie; what a job has not. */
function fromCapacitiesToUnits(older: Document): Document {
  return {
    hasNot: [],
    ...older,
    options: each(older.options, (option) => ({
      ...option,
      system: part(option.system, (system) => ({
        ...system,
        store: part(system.store, (store) => ({
          leadM: null,
          ...store,
          strings: each(store.strings, (string) => ({ ...NEW_STRING_IN_5, ...string })),
        })),
        arrays: each(system.arrays, (array) => ({ slopeDeg: 0, azimuthDeg: null, shade: 0, ...array })),
      })),
    })),
  };
}

const NEW_STRING_IN_5 = {
  unitV: null,
  series: 1,
  parallel: 1,
  health: null,
  chargeA: null,
  dischargeA: null,
  resistanceMohm: null,
  kg: null,
  price: null,
} as const;

/** Version 6: driving by stretches; panels, controllers and how arrays stand; links to the alternator; hours of supplies. */
function fromWattsToPanels(older: Document): Document {
  return {
    ...older,
    brief: part(older.brief, ({ driveHoursPerDay: hours, ...brief }) => ({
      drives: hours === undefined ? undefined : drivesFrom(hours),
      ...brief,
      alternator: part(brief.alternator, (alternator) => ({ voltage: 'steady', ownLoadA: null, ...alternator })),
      place: part(brief.place, (place) => ({
        ...place,
        monthly: part(place.monthly, (monthly) => ({ brightSunHours: null, dullSunHours: null, from: '', ...monthly })),
      })),
      supplies: each(brief.supplies, (supply) => ({
        hours: [],
        ...(supply.kind === 'generator' ? { idleLPerH: null, fuelLPerKwh: null } : {}),
        ...(supply.kind === 'outlet' ? NEW_OUTLET_IN_6 : {}),
        ...supply,
      })),
    })),
    options: each(older.options, (option) => ({
      ...option,
      system: part(option.system, (system) => ({
        ...system,
        store: part(system.store, (store) => ({ heaterW: null, inputs: 'add', inputW: null, ...store })),
        driving: each(system.driving, (link) => ({ ...NEW_LINK_IN_6, ...link })),
        arrays: each(system.arrays, ({ controllerA, ...array }) => ({
          ...NEW_ARRAY_IN_6,
          controller: { kind: 'mppt', maxA: controllerA, maxW: null, maxV: null, maxInputA: null },
          ...array,
        })),
      })),
    })),
  };
}

/** Version 7: a plan of days, cut-offs and who is dropped first, the days of a weather file. */
function fromStayToPlan(older: Document): Document {
  return {
    ...older,
    brief: part(older.brief, (brief) => ({
      plan: [],
      roof: null,
      ...brief,
      place: part(brief.place, (place) => ({
        ...place,
        monthly: part(place.monthly, (monthly) => ({ days: null, ...monthly })),
      })),
    })),
    rules: part(older.rules, (rules) => ({ dropOrder: 'critical-last', ...rules })),
    options: each(older.options, (option) => ({
      ...option,
      system: part(option.system, (system) => ({
        roof: [],
        ...system,
        store: part(system.store, (store) => ({ cutOff: null, reconnect: null, keepForCritical: 0, ...store })),
        arrays: each(system.arrays, (array) => ({
          ...array,
          panels: each(array.panels, (group) => ({ lengthM: null, ...group })),
        })),
      })),
    })),
  };
}

/** Version 8: runs of cable, the schools they are laid by, the volts below which a device shuts off. */
function fromNoRunsToProposed(older: Document): Document {
  return {
    ...older,
    rules: part(older.rules, (rules) => ({
      cables: { limits: 'marine', dropOf: 'bus', bundling: 'marine', coldC: 20, hotC: 70 },
      ...rules,
    })),
    brief: part(older.brief, (brief) => ({
      ...brief,
      prices: part(brief.prices, (prices) => ({ copperPerKg: null, ...prices })),
    })),
    options: each(older.options, (option) => ({
      ...option,
      system: part(option.system, (system) => ({
        runs: null,
        ...system,
        devices: each(system.devices, (device) => ({ cutOffV: null, ...device })),
      })),
    })),
  };
}

/** Version 9: what is in one box, a controller's own efficiency and least volts, kg and price of every part. */
function fromPartsApartToAllInOnes(older: Document): Document {
  const bought = (found: Document): Document => ({ kg: null, price: null, ...found });
  return {
    ...older,
    options: each(older.options, (option) => ({
      ...option,
      system: part(option.system, (system) => ({
        allInOnes: [],
        ...system,
        devices: each(system.devices, (device) => (device.kind === 'inverter' ? bought(device) : device)),
        driving: each(system.driving, bought),
        arrays: each(system.arrays, (array) => ({
          ...array,
          controller: part(array.controller, (controller) => ({ minV: null, efficiency: null, ...bought(controller) })),
        })),
        chargers: each(system.chargers, bought),
      })),
    })),
  };
}

/** Driving was taken to begin at nine, or as much earlier as the day needs. */
function drivesFrom(hours: unknown): unknown {
  if (typeof hours !== 'number' || !(hours >= 0 && hours <= 24)) return hours;
  const minutes = hours * 60;
  return minutes < 1 ? [] : [{ startMin: Math.min(540, 1440 - minutes), minutes }];
}

const NEW_OUTLET_IN_6 = { packKwh: null, fullShare: 1, reserveShare: 0.2, offAfterH: null, ownW: null } as const;
const NEW_LINK_IN_6 = {
  kind: 'dc-dc',
  bothWays: false,
  cableM: null,
  cableMm2: null,
  sharesWith: null,
  sharing: 'sun-first',
} as const;
const NEW_ARRAY_IN_6 = {
  panels: [],
  wiring: 'parallel',
  mount: 'roof',
  follows: false,
  setOut: [],
  shaded: [],
  clean: null,
} as const;

/**
 * Version 10: what an alternator holds and gives, what a charger on it makes of it, the lowest temperature on record;
 * what a battery gives for a short time, what chargers idle on; the temperature a duty was taken at; least sizes.
 */
function fromUsualToSaid(older: Document): Document {
  return {
    ...older,
    brief: part(older.brief, (brief) => ({
      ...brief,
      place: part(brief.place, (place) => ({ lowestC: null, ...place })),
      alternator: part(brief.alternator, (alternator) => ({ volts: null, hotFactor: null, ...alternator })),
    })),
    rules: part(older.rules, (rules) => ({
      ...rules,
      cables: part(rules.cables, (cables) => ({ leastBranchMm2: null, leastFeederMm2: null, ...cables })),
    })),
    loads: each(older.loads, loadWithDutyAt),
    options: each(older.options, (option) => ({
      ...option,
      system: part(option.system, (system) => ({
        ...system,
        store: part(system.store, (store) => ({
          ...store,
          strings: each(store.strings, (string) => ({ shortA: null, shortS: null, ...string })),
        })),
        driving: each(system.driving, (link) => ({ efficiency: null, minInputV: null, idleW: null, ...link })),
        arrays: each(system.arrays, (array) => ({
          ...array,
          controller: part(array.controller, (controller) => ({ idleW: null, ...controller })),
        })),
        chargers: each(system.chargers, (charger) => ({ idleW: null, ...charger })),
      })),
    })),
  };
}

/**
 * Version 11: what starts in a phase, where a charger senses, whether what stops in order is kept for. Until then nothing
 * was counted of what a battery loses by itself.
 */
function fromLoadsToPhases(older: Document): Document {
  return {
    ...older,
    rules: part(older.rules, (rules) => ({ keepToStop: true, ...rules })),
    loads: each(older.loads, loadWithPhaseStarts),
    options: each(older.options, (option) => ({
      ...option,
      system: part(option.system, (system) => ({
        ...system,
        store: part(system.store, (store) => ({ chargeV: null, selfDischarge: 0, ...store })),
        chargers: each(system.chargers, (charger) => ({ senses: 'terminals', ...charger })),
      })),
    })),
  };
}

const loadWithPhaseStarts = (load: Document): Document => ({
  ...load,
  draw: part(load.draw, (draw) =>
    draw.kind === 'cycle' ? { ...draw, phases: each(draw.phases, (phase) => ({ startRatio: null, ...phase })) } : draw,
  ),
});

/** Until version 9 a duty was that at 25 °C. */
const loadWithDutyAt = (load: Document): Document => ({
  ...load,
  draw: part(load.draw, (draw) => (draw.kind === 'thermostatic' ? { dutyAtC: 25, ...draw } : draw)),
});

/** What is not of the expected form stays as it is: the validation that follows names it. */
const isDocument = (value: unknown): value is Document =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const part = (value: unknown, change: (value: Document) => Document): Document =>
  isDocument(value) ? change(value) : (value as Document);
const each = (value: unknown, change: (value: Document) => Document): unknown =>
  Array.isArray(value) ? value.map((item) => part(item, change)) : value;

/** Brings a document forward to the current version, or names why it cannot be one of ours. */
export function migrate(document: unknown): Migrated {
  if (!isDocument(document)) return { fault: { path: '/', expected: 'a job file: one JSON object' } };
  const current = document;
  if (current.format !== JOB_FORMAT) {
    return { fault: { path: '/format', expected: `"${JOB_FORMAT}"`, found: shown(current.format) } };
  }
  return broughtForward(current, FORWARD, current.schemaVersion);
}

/** The first version of the firm's entries that says which it is; those before it are of the version before. */
const FIRST_SAID = 4;
const APPLIANCE_FORWARD: Forward = {
  3: (older) => ({ ...older, load: part(older.load, loadWithUses) }),
  4: (older) => older,
  5: (older) => older,
  6: (older) => older,
  7: (older) => older,
  8: (older) => ({ measured: [], ...older }),
  9: (older) => ({ ...older, load: part(older.load, loadWithDutyAt) }),
  10: (older) => ({ ...older, load: part(older.load, loadWithPhaseStarts) }),
};

/** Brings an entry of the firm's catalogue forward: its load is of the same versions as a job's. */
export function migrateAppliance(document: unknown): Migrated {
  if (!isDocument(document)) return { fault: { path: '/', expected: 'an entry of the catalogue: one JSON object' } };
  return broughtForward(document, APPLIANCE_FORWARD, document.schemaVersion ?? FIRST_SAID - 1);
}

function broughtForward(older: Document, forward: Forward, version: unknown): Migrated {
  const oldest = Math.min(...Object.keys(forward).map(Number));
  if (typeof version !== 'number' || !Number.isInteger(version) || version < oldest) {
    return { fault: { path: '/schemaVersion', expected: `a whole number from ${oldest}`, found: shown(version) } };
  }
  if (version > SCHEMA_VERSION) {
    const expected = `at most ${SCHEMA_VERSION}: this file was written by a newer Joulemetric; update this one`;
    return { fault: { path: '/schemaVersion', expected, found: shown(version) } };
  }
  let current = older;
  for (let v = version; v < SCHEMA_VERSION; v++) {
    const step = forward[v];
    if (!step) throw new Error(`no migration from version ${v}`);
    current = { ...step(current), schemaVersion: v + 1 };
  }
  return { document: current };
}
