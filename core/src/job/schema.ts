import { type Static, type TSchema, Type } from '@sinclair/typebox';
import { BUS_VOLTAGES, CHEMISTRIES, EVIDENCE, INSULATION, MAINS, MARGINS, PATHS, SKIES } from './values.ts';

/**
 * The job file: one document, one schema. The TypeScript types below are derived from it, the published
 * docs/job-file.schema.json is written from it (`npm run schema`), and Ajv checks every door with it.
 */
export const JOB_FORMAT = 'joulemetric-job';
export const SCHEMA_VERSION = 1;

/** No control characters (PostgreSQL refuses NUL) and no lone surrogates. */
const TEXT_PATTERN = '^[^\\p{Cc}\\p{Cs}]*$';
const text = (maxLength: number, description: string, minLength = 0) =>
  Type.String({ minLength, maxLength, pattern: TEXT_PATTERN, description });
const number = (minimum: number, maximum: number, description: string) =>
  Type.Number({ minimum, maximum, description });
const oneOf = <const T extends readonly [string, ...string[]]>(values: T, description: string) =>
  Type.Unsafe<T[number]>({ type: 'string', enum: [...values], description });
const oneNumberOf = <const T extends readonly [number, ...number[]]>(values: T, description: string) =>
  Type.Unsafe<T[number]>({ type: 'number', enum: [...values], description });
/** A number, or null for "the program works it out" (as one type, so that an error names the range, not a union). */
const orNull = (minimum: number, maximum: number, description: string) =>
  Type.Unsafe<number | null>({ type: ['number', 'null'], minimum, maximum, description });
const object = <T extends Record<string, TSchema>>(properties: T, description?: string) =>
  Type.Object(properties, { additionalProperties: false, ...(description ? { description } : {}) });
const id = (description: string) => Type.String({ pattern: '^[a-z0-9][a-z0-9-]{0,39}$', description });

const powerW = number(0, 20_000, 'W while it runs, one piece');

const Run = object(
  {
    startMin: number(0, 1439.999, 'start, minutes after local midnight'),
    minutes: Type.Number({ exclusiveMinimum: 0, maximum: 1440, description: 'length in minutes; may pass midnight' }),
  },
  'one stretch of use in the day',
);

const Steady = object({ kind: Type.Literal('steady'), powerW }, 'the same power for as long as it runs');
const Cycle = object(
  {
    kind: Type.Literal('cycle'),
    phases: Type.Array(
      object({
        label: text(40, 'what the phase is called'),
        powerW,
        minutes: orNull(0.01, 1440, 'length in minutes; null for the one phase that fills the rest of the run'),
      }),
      { minItems: 1, maxItems: 12 },
    ),
  },
  'phases in order, once per run',
);
const Thermostatic = object(
  {
    kind: Type.Literal('thermostatic'),
    runningW: powerW,
    duty: number(0, 1, 'share of the time it runs, at 25 °C around it'),
    setC: number(-40, 20, '°C it holds'),
  },
  'runs in cycles to hold a temperature below its surroundings',
);
const Standby = object({ kind: Type.Literal('standby'), powerW }, 'on all 24 hours');

const WaterHeating = object(
  {
    kind: Type.Literal('water-heating'),
    powerW,
    litres: number(0, 1000, 'litres heated a day'),
    riseK: number(0, 95, 'K from cold to hot'),
    efficiency: number(0.2, 1, 'share of the electricity that reaches the water'),
    standingW: number(0, 500, 'W lost by the tank, around the clock'),
  },
  'heats water during its runs, as much as the day needs',
);
const Room = object(
  {
    kind: Type.Literal('room'),
    mode: oneOf(['cooling', 'heating'], 'what it does'),
    capacityW: number(50, 30_000, 'W of heat moved at full power'),
    cop: number(0.5, 8, 'heat moved ÷ electricity; 1 for an electric heater'),
    setC: number(-5, 40, '°C it holds inside'),
    volumeM3: number(0.5, 200, 'm³ of the room'),
    insulation: oneOf(INSULATION, 'how well the walls hold heat'),
    glazingM2: number(0, 30, 'm² of unshaded glass'),
    internalW: number(0, 5000, 'W of heat from people and appliances'),
  },
  'cools or heats a room during its runs, as the weather asks',
);

/** `discriminator` lets Ajv complain only about the kind that was chosen; other validators may ignore it. */
const Draw = Type.Unsafe<
  Static<typeof Steady | typeof Cycle | typeof Thermostatic | typeof Standby | typeof WaterHeating | typeof Room>
>({
  type: 'object',
  discriminator: { propertyName: 'kind' },
  required: ['kind'],
  oneOf: [Steady, Cycle, Thermostatic, Standby, WaterHeating, Room],
  description: 'how it draws power',
});

const Load = object({
  id: id('unique among the loads'),
  name: text(120, 'what the client calls it', 1),
  quantity: Type.Integer({ minimum: 1, maximum: 99, description: 'pieces, all alike' }),
  draw: Draw,
  runs: Type.Array(Run, { maxItems: 96, description: 'when it runs; they may not overlap' }),
  daysPerWeek: number(0.1, 7, 'days of the week on which it runs; 7 = every day'),
  path: oneOf(PATHS, 'how power reaches it from the battery'),
  converterEfficiency: orNull(0.3, 1, 'of its adapter or DC-DC converter; null = the default'),
  evidence: oneOf(EVIDENCE, 'how good the watts are'),
  startRatio: number(1, 12, 'starting power ÷ running power'),
  powerFactor: number(0.1, 1, 'W ÷ VA'),
  critical: Type.Boolean({ description: 'health, food or communications depend on it' }),
});

const System = object({
  busVoltageV: oneNumberOf(BUS_VOLTAGES, 'nominal battery bus, V'),
  store: object({
    chemistry: oneOf(CHEMISTRIES, 'battery chemistry'),
    capacityAh: orNull(1, 20_000, 'what is or will be fitted, at the bus voltage; null = as required'),
    usableDepth: orNull(0.1, 1, 'share of the capacity used; null = the chemistry’s default'),
    roundTripEfficiency: orNull(0.5, 1, 'energy out ÷ energy in; null = the chemistry’s default'),
    coldestC: number(-40, 50, '°C of the battery at its coldest while in use'),
  }),
  inverter: object({
    ratingW: orNull(50, 20_000, 'what is or will be fitted; null = as required'),
    idleW: orNull(0, 500, 'drawn with nothing connected; null = 1 % of the rating'),
    peakEfficiency: orNull(0.6, 0.99, 'best efficiency on its data sheet; null = the default'),
    policy: oneOf(['always', 'with-loads'], 'left on all day, or on only while something on it runs'),
  }),
  dcdc: object({
    ratingA: orNull(0, 500, 'DC-DC charger output at the bus; null = as required, 0 = none'),
  }),
  array: object({ ratingW: orNull(0, 20_000, 'solar array at laboratory watts; null = as required') }),
});

const Option = object({
  id: id('unique among the options'),
  name: text(40, 'such as "A 12 V"', 1),
  system: System,
});

export const JobSchema = Type.Object(
  {
    format: Type.Literal(JOB_FORMAT),
    schemaVersion: Type.Literal(SCHEMA_VERSION),
    title: text(120, 'what the job is called', 1),
    client: text(120, 'who it is for'),
    vehicle: text(120, 'what is fitted out'),
    brief: object({
      region: object({
        mains: oneOf(MAINS, 'mains of the region'),
        units: oneOf(['metric', 'imperial'], 'how weights and temperatures are shown'),
        currency: Type.String({ pattern: '^[A-Z]{3}$', description: 'ISO 4217 code' }),
      }),
      place: object({
        label: text(120, 'where it is used'),
        latitudeDeg: number(-90, 90, '°, north positive'),
        sky: oneOf(SKIES, 'how clear the sky usually is there'),
        peakSunHours: orNull(0, 12, 'kWh/m² a day on the flat, if known; null = from latitude, month and sky'),
        dayTempC: number(-40, 60, '°C on a usual afternoon'),
        nightTempC: number(-50, 50, '°C on a usual night'),
      }),
      months: Type.Array(Type.Integer({ minimum: 1, maximum: 12 }), {
        minItems: 1,
        maxItems: 12,
        uniqueItems: true,
        description: 'months of use, 1 = January',
      }),
      nightsOffGrid: Type.Integer({ minimum: 1, maximum: 365, description: 'nights in a row away from power' }),
      driveHoursPerDay: number(0, 24, 'h of driving on a usual day'),
      sunlessDays: number(0, 30, 'days to ride through without sun'),
      alternator: object({
        ratingA: number(0, 1000, 'A on its label'),
        systemV: oneNumberOf([12, 24], 'the vehicle’s own electrics, V'),
      }),
      payloadKg: orNull(0, 50_000, 'payload left before this kit; null = not known'),
    }),
    rules: object(
      {
        inverterMargin: oneOf(MARGINS, 'room above the worst moment'),
        inverterCurve: oneOf(['curve', 'flat'], 'efficiency that varies with load, or one flat figure plus idle'),
        twoMayStart: Type.Boolean({ description: 'two loads may start in the same instant' }),
        arrayCovers: oneOf(['the-rest', 'everything'], 'array sized for what the alternator leaves, or for all'),
        arrayFactor: orNull(
          0.3,
          1,
          'one flat factor on laboratory watts; null = computed from heat, dirt, wiring, controller',
        ),
      },
      'the electrician’s schools',
    ),
    loads: Type.Array(Load, { maxItems: 500 }),
    neverTogether: Type.Array(Type.Array(id('a load'), { minItems: 2, maxItems: 50, uniqueItems: true }), {
      maxItems: 200,
      description: 'groups of loads of which at most one runs at a time',
    }),
    options: Type.Array(Option, { minItems: 1, maxItems: 12 }),
  },
  {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'urn:joulemetric:job:1',
    title: 'Joulemetric job file',
    additionalProperties: false,
  },
);

export type Job = Static<typeof JobSchema>;
export type Load = Job['loads'][number];
export type Draw = Load['draw'];
export type Run = Load['runs'][number];
export type PathKind = Load['path'];
export type Evidence = Load['evidence'];
export type Brief = Job['brief'];
export type DesignOption = Job['options'][number];
export type System = DesignOption['system'];
export type Chemistry = System['store']['chemistry'];
export type Sky = Brief['place']['sky'];
