import { type Fault, shown } from './fault.ts';
import { JOB_FORMAT, SCHEMA_VERSION } from './values.ts';

type Document = Record<string, unknown>;

/** `FORWARD[n]` turns a document of version n into one of version n + 1; pure, and never edited once released. */
const FORWARD: Readonly<Record<number, (older: Document) => Document>> = {
  1: fromOneInverterToDevices,
  2: fromPairsToTogether,
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

/** What is not of the expected form stays as it is: the validation that follows names it. */
const isDocument = (value: unknown): value is Document =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const part = (value: unknown, change: (value: Document) => Document): Document =>
  isDocument(value) ? change(value) : (value as Document);
const each = (value: unknown, change: (value: Document) => Document): unknown =>
  Array.isArray(value) ? value.map((item) => part(item, change)) : value;

/** Brings a document forward to the current version, or names why it cannot be one of ours. */
export function migrate(document: unknown): { readonly document: unknown } | { readonly fault: Fault } {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) {
    return { fault: { path: '/', expected: 'a job file: one JSON object' } };
  }
  let current = document as Document;
  if (current.format !== JOB_FORMAT) {
    return { fault: { path: '/format', expected: `"${JOB_FORMAT}"`, found: shown(current.format) } };
  }
  const version = current.schemaVersion;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return { fault: { path: '/schemaVersion', expected: 'a whole number from 1', found: shown(version) } };
  }
  if (version > SCHEMA_VERSION) {
    const expected = `at most ${SCHEMA_VERSION}: this file was written by a newer Joulemetric; update this one`;
    return { fault: { path: '/schemaVersion', expected, found: shown(version) } };
  }
  for (let v = version; v < SCHEMA_VERSION; v++) {
    const step = FORWARD[v];
    if (!step) throw new Error(`no migration from job file version ${v}`);
    current = { ...step(current), schemaVersion: v + 1 };
  }
  return { document: current };
}
