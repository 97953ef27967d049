import { type Static, Type } from '@sinclair/typebox';
import { Load as LoadSchema } from './loadSchema.ts';
import { PlanStretch as PlanStretchSchema } from './planSchema.ts';
import { Roof as RoofSchema } from './roofSchema.ts';
import {
  byDay,
  byMonth,
  id,
  inRange,
  inRangeOrNull,
  object,
  oneNumberOf,
  oneOf,
  text,
  Use as UseSchema,
  whole,
} from './schemaParts.ts';
import { Supply as SupplySchema } from './supplySchema.ts';
import { Option } from './systemSchema.ts';
import {
  ALTERNATORS,
  BUNDLINGS,
  COINCIDE,
  DROP_LIMITS,
  DROP_ORDERS,
  DROPS_OF,
  JOB_FORMAT,
  MAINS,
  MARGINS,
  MOST_LOADS,
  SCHEMA_VERSION,
  SKIES,
} from './values.ts';

/**
 * The job file: one document, one schema. The TypeScript types below are derived from it, the published
 * docs/job-file.schema.json is written from it (`npm run schema`), and Ajv checks every door with it.
 */

/** A kind of day: what is not said is as usual. */
const Day = object(
  {
    season: oneOf(['usual', 'winter', 'summer'], 'season'),
    week: oneOf(['usual', 'weekday', 'weekend'], 'day of the week'),
    motion: oneOf(['usual', 'driving', 'parked'], 'on the move or standing'),
  },
  'the kind of day that is shown and sized for',
);

const members = (maxItems: number) =>
  Type.Array(id('a load'), { minItems: 2, maxItems, uniqueItems: true, description: 'ids of loads' });

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
        latitudeDeg: inRange('place.latitudeDeg', '°, north positive'),
        longitudeDeg: inRangeOrNull(
          'place.longitudeDeg',
          '°, east positive; null = not known: clocks are taken to follow the sun',
        ),
        utcOffsetH: inRangeOrNull(
          'place.utcOffsetH',
          'h by which its clocks are ahead of UTC; null = clocks are taken to follow the sun',
        ),
        heightM: inRangeOrNull('place.heightM', 'm above the sea; null = not known'),
        sky: oneOf(SKIES, 'how clear the sky usually is there'),
        peakSunHours: inRangeOrNull(
          'place.peakSunHours',
          'kWh/m² a day on the flat, if known; null = from latitude, month and sky',
        ),
        dayTempC: inRange('place.dayTempC', '°C on a usual afternoon'),
        nightTempC: inRange('place.nightTempC', '°C on a usual night'),
        lowestC: inRangeOrNull('place.lowestC', '°C, the lowest on record; null = not known'),
        monthly: object(
          {
            peakSunHours: byMonth(0, 12, 'kWh/m² a day on the flat'),
            brightSunHours: byMonth(0, 14, 'the same of a bright day, which three days of four do not reach'),
            dullSunHours: byMonth(0, 12, 'the same of a dull day, which three days of four exceed'),
            dayTempC: byMonth(-90, 60, '°C on a usual afternoon'),
            nightTempC: byMonth(-90, 60, '°C on a usual night'),
            days: byDay(
              {
                sunHours: [0, 14, 'kWh/m² on the flat'],
                dayTempC: [-90, 60, '°C at its warmest'],
                nightTempC: [-90, 60, '°C at its coldest'],
              },
              'each day of the year that a weather file holds',
            ),
            from: text(120, 'where these figures are from, such as a weather file; empty = typed'),
          },
          'what is known month by month; it takes the place of the figures above',
        ),
      }),
      months: Type.Array(Type.Integer({ minimum: 1, maximum: 12 }), {
        minItems: 1,
        maxItems: 12,
        uniqueItems: true,
        description: 'months of use, 1 = January',
      }),
      nightsOffGrid: whole('brief.nightsOffGrid', 'nights in a row away from power'),
      plan: Type.Array(PlanStretchSchema, {
        maxItems: 60,
        description: 'days of the trip, one stretch after the other; [] = the nights away as usual, then one on power',
      }),
      drives: Type.Array(UseSchema, { maxItems: 6, description: 'stretches of driving on a usual day; [] = none' }),
      sunlessDays: inRange('brief.sunlessDays', 'days to ride through without sun'),
      alternator: object({
        ratingA: inRange('alternator.ratingA', 'A on its label'),
        systemV: oneNumberOf([12, 24], 'the vehicle’s own electrics, V'),
        voltage: oneOf(ALTERNATORS, 'whether its voltage is steady or the vehicle turns it down'),
        ownLoadA: inRangeOrNull(
          'alternator.ownLoadA',
          'A that the vehicle itself needs while driving; null = the usual',
        ),
        volts: inRangeOrNull('alternator.volts', 'V that it holds while driving; null = the usual'),
        hotFactor: inRangeOrNull(
          'alternator.hotFactor',
          'share of its label that it gives hot and idling; null = the usual',
        ),
      }),
      day: Day,
      prices: object(
        {
          storePerKwh: inRangeOrNull(
            'prices.storePerKwh',
            'price of a kWh of store, in the currency; null = not given',
          ),
          arrayPerW: inRangeOrNull('prices.arrayPerW', 'price of a W of array'),
          energyPerKwh: inRangeOrNull('prices.energyPerKwh', 'price of a kWh from hookup or generator'),
          copperPerKg: inRangeOrNull('prices.copperPerKg', 'price of cable for each kg of its copper'),
          moves: Type.Array(
            object({
              move: text(120, 'its id', 1),
              cost: inRange('prices.change', 'what it costs to do, in the currency'),
            }),
            { maxItems: 200, description: 'what single moves cost, as the user has asked around' },
          ),
        },
        'what capacity and energy cost, to price the moves',
      ),
      roof: Type.Union([RoofSchema, Type.Null()], { description: 'null = not drawn' }),
      payloadKg: inRangeOrNull('brief.payloadKg', 'payload left before this kit; null = not known'),
      supplies: Type.Array(SupplySchema, { maxItems: 8, description: 'what the vehicle is plugged into' }),
    }),
    rules: object(
      {
        inverterMargin: oneOf(MARGINS, 'room above the worst moment'),
        inverterCurve: oneOf(['curve', 'flat'], 'efficiency that varies with load, or one flat figure plus idle'),
        twoMayStart: Type.Boolean({ description: 'two loads may start in the same instant' }),
        coincide: oneOf(COINCIDE, 'what may coincide: anything, or what the lanes have at the same time'),
        arrayCovers: oneOf(['the-rest', 'everything'], 'array sized for what the alternator leaves, or for all'),
        dropOrder: oneOf(DROP_ORDERS, 'which loads go first when the store has no more to give'),
        keepToStop: Type.Boolean({ description: 'so much is kept back that what runs then can be stopped in order' }),
        cables: object(
          {
            limits: oneOf(DROP_LIMITS, 'share of the volts that may be lost on the way'),
            dropOf: oneOf(DROPS_OF, 'of which volts that share is'),
            bundling: oneOf(BUNDLINGS, 'by whose table conductors that lie together carry less'),
            coldC: inRange('cables.coldC', '°C of copper that carries little'),
            hotC: inRange('cables.hotC', '°C of copper that carries what it may'),
            leastBranchMm2: inRangeOrNull(
              'cables.leastBranchMm2',
              'mm² that a branch has at least, whatever it carries; null = the usual',
            ),
            leastFeederMm2: inRangeOrNull(
              'cables.leastFeederMm2',
              'mm² that what feeds several has at least; null = the usual',
            ),
          },
          'how cables are reckoned',
        ),
        arrayFactor: inRangeOrNull(
          'rules.arrayFactor',
          'one flat factor on laboratory watts; null = computed from heat, dirt, wiring, controller',
        ),
      },
      'the electrician’s schools',
    ),
    loads: Type.Array(LoadSchema, { maxItems: MOST_LOADS }),
    hasNot: Type.Array(object({ id: text(80, 'a type of the catalogue, or a load and what it lacks', 1) }), {
      maxItems: 200,
      description: 'what such a job usually has and this one does not: it is not asked for again',
    }),
    together: object(
      {
        atMost: Type.Array(
          object({
            loads: members(500),
            most: Type.Integer({ minimum: 1, maximum: 499, description: 'how many of them run at a time' }),
          }),
          { maxItems: 200, description: 'groups of which only so many run at a time; 1 = never together' },
        ),
        always: Type.Array(members(50), {
          maxItems: 100,
          description: 'groups that run only together: when one does, all do',
        }),
      },
      'what may run at the same time',
    ),
    options: Type.Array(Option, { minItems: 1, maxItems: 12 }),
  },
  {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'urn:joulemetric:job:11',
    title: 'Joulemetric job file',
    additionalProperties: false,
  },
);

export type Job = Static<typeof JobSchema>;
export type Load = Job['loads'][number];
export type Draw = Load['draw'];
export type Use = Load['uses'][number];
export type PathKind = Load['path'];
export type Evidence = Load['evidence'];
export type Brief = Job['brief'];
export type DesignOption = Job['options'][number];
export type System = DesignOption['system'];
export type Chemistry = System['store']['chemistry'];
export type BatteryString = NonNullable<System['store']['strings']>[number];
export type SolarArray = NonNullable<System['arrays']>[number];
export type PanelGroup = SolarArray['panels'][number];
export type SolarController = SolarArray['controller'];
export type AllInOne = System['allInOnes'][number];
export type DrivingLink = NonNullable<System['driving']>[number];
export type Device = System['devices'][number];
export type Run = NonNullable<System['runs']>[number];
export type Inverter = Extract<Device, { kind: 'inverter' }>;
export type Day = Brief['day'];
export type Feed = DesignOption['feeds'][number];
export type Charger = System['chargers'][number];
export type Place = Brief['place'];
export type Roof = NonNullable<Brief['roof']>;
export type PlacedPanel = System['roof'][number];
export type PlanStretch = Brief['plan'][number];
export type Supply = Brief['supplies'][number];
export type Together = Job['together'];
export type DayKind = Load['variants'][number]['on'];
export type Sky = Brief['place']['sky'];
