import { type Static, Type } from '@sinclair/typebox';
import { number, object, oneOf, orNull, text } from '../job/schemaParts.ts';
import { LOGGED_CHEMISTRIES } from '../job/values.ts';
import { ABOUT, COUNTS, LOG_VERSION, MARKS, PURPOSES, RESULTS } from './logValues.ts';
import { QUANTITIES } from './quantities.ts';

/** The file of a log: what was read, with what, of what, and what it should answer. */
const MOST_READINGS = 20_000;
const Optional = Type.Optional;
const when = (description: string) =>
  text(
    40,
    `${description}: 2026-06-01T16:55, with or without a zone; 16:55, the next such time; or hours since the beginning as "22.5 h"`,
    1,
  );
const any = (minimum: number, maximum: number, description: string) => Optional(orNull(minimum, maximum, description));

const MAPPED = ['time', 'date', 'note', 'toGo', ...QUANTITIES] as const;
const mappedColumn = () => Optional(text(120, 'head of the column, its number, or head:unit', 1));

const Reading = object({
  at: Optional(when('when')),
  h: Optional(number(0, 1e6, 'hours since the beginning, instead of `at`')),
  soc: any(-1000, 1000, 'state of charge, %'),
  v: any(-1e6, 1e6, 'V'),
  a: any(-1e6, 1e6, 'A; the instrument says which way is positive'),
  w: any(-1e9, 1e9, 'W'),
  va: any(-1e9, 1e9, 'VA'),
  wh: any(-1e12, 1e12, 'counter, Wh'),
  ah: any(-1e9, 1e9, 'counter, Ah'),
  c: any(-1000, 1000, '°C'),
  toGo: Optional(text(20, 'the display’s own time to go: "1 d", "14 h 30 min"')),
  mark: Optional(oneOf(MARKS, 'what happened just then')),
  note: Optional(text(400, 'note')),
  photo: Optional(text(36, 'of the display: its id among the photos of the job')),
});

const Instrument = object({
  quantity: oneOf([...QUANTITIES, 'toGo'], 'what it reads'),
  resolution: any(
    0,
    1e6,
    'the step of its display, in the unit of the reading; null = 1 % for a state of charge, else as the readings show',
  ),
  rounding: Optional(oneOf(['rounds', 'cuts'], 'whether it rounds or cuts off what it cannot show')),
  positive: Optional(oneOf(['out', 'in'], 'amps and watts: whether positive is out of the store or into it')),
  counts: Optional(oneOf(COUNTS, 'counters: what leaves, what comes, both with their sign, or Ah below full')),
  rollsOverAt: any(1e-9, 1e12, 'a counter: where it begins at 0 again'),
});

const Span = object({ from: when('from'), to: when('to'), why: Optional(text(80, 'why')) });

const Window = object({
  label: text(20, 'which of two: A or B', 1),
  from: Optional(when('from, in the readings')),
  to: Optional(when('to, in the readings')),
  minutes: any(0.01, 1e6, 'length, where it is not in the readings'),
  w: any(-1e9, 1e9, 'mean W, where it is not in the readings'),
  wh: any(0, 1e12, 'Wh in the window, where it is not in the readings'),
});

const Phase = object({
  label: text(40, 'what', 1),
  minutes: any(0, 1e6, 'how long, min'),
  w: any(0, 1e9, 'mean W as measured'),
  labelW: any(0, 1e9, 'W by the label'),
  maxW: any(0, 1e9, 'most W it can draw meanwhile'),
  a: any(0, 1e6, 'A'),
  v: any(0, 1000, 'V at which those A were taken; null = the store’s nominal volts'),
  wh: any(0, 1e12, 'Wh by a meter'),
  whStep: any(0, 1e6, 'the step of that meter, Wh'),
  claimedWh: any(0, 1e12, 'Wh as somebody reckoned them'),
  perDay: any(0, 1440, 'times a day'),
  atEnd: Optional(
    Type.Boolean({ description: 'it must still be able to run when the store is at its reserve: a heater’s stop' }),
  ),
  chosen: Optional(oneOf(['meter', 'power', 'label'], 'which counts where they contradict each other')),
});

const Check = object({
  id: text(80, 'of the check in the list that the job makes', 1),
  result: oneOf(RESULTS, 'what came out'),
  found: Optional(text(60, 'what was read')),
  note: Optional(text(400, 'note')),
  by: Optional(text(60, 'who')),
  at: Optional(text(40, 'when')),
});

export const LogSchema = Type.Object(
  {
    format: Type.Literal('joulemetric-log'),
    version: Type.Literal(LOG_VERSION),
    name: Optional(text(120, 'what was measured')),
    purpose: Optional(oneOf(PURPOSES, 'what the log is for')),
    about: Optional(
      object(
        {
          kind: oneOf(ABOUT, 'what of the job'),
          id: Optional(text(40, 'its id in the job; of the store none')),
          optionId: Optional(text(40, 'of the option it is in; of loads none')),
        },
        'what of the job was measured',
      ),
    ),
    checks: Optional(Type.Array(Check, { maxItems: 300, description: 'of a commissioning: what came out of each' })),
    zone: Optional(text(60, 'of times that have none: Europe/Paris, UTC, +02:00; UTC where nothing is said', 1)),
    readings: Optional(
      Type.Array(Reading, { maxItems: MOST_READINGS, description: 'in any order; larger ones as CSV' }),
    ),
    csv: Optional(
      object(
        {
          file: text(400, 'a CSV beside this file', 1),
          map: Optional(
            object(
              Object.fromEntries(MAPPED.map((what) => [what, mappedColumn()])) as Record<
                (typeof MAPPED)[number],
                ReturnType<typeof mappedColumn>
              >,
              'which column is what; what is left out is recognised by its head',
            ),
          ),
          dates: Optional(oneOf(['dmy', 'mdy'], 'order of dates with slashes')),
          zone: Optional(text(60, 'of its times, where it is not the log’s', 1)),
        },
        'readings of a meter’s own file',
      ),
    ),
    instruments: Optional(Type.Array(Instrument, { maxItems: 20 })),
    capacity: Optional(
      object(
        {
          wh: any(1, 1e9, 'Wh'),
          ah: any(0.1, 1e7, 'Ah'),
          chemistry: Optional(oneOf(LOGGED_CHEMISTRIES, 'battery chemistry')),
          nominalV: any(1, 1000, 'V that Ah are multiplied with; null = 12.8 of LFP, 12.0 of lead'),
          measured: Optional(
            Type.Boolean({ description: 'whether the capacity was measured; otherwise it is in doubt by 5 %' }),
          ),
        },
        'of the store',
      ),
    ),
    reserve: Optional(number(0, 95, 'state of charge that is to stay, %; 20 where nothing is said')),
    ceiling: Optional(number(5, 100, 'state of charge that counts as full, %; 100 where nothing is said')),
    targetH: any(0, 100_000, 'hours that it should run'),
    outages: Optional(Type.Array(Span, { maxItems: 500, description: 'when the output was off' })),
    timers: Optional(
      Type.Array(object({ everyH: number(0.01, 10_000, 'it switches off so many hours after it was switched on') }), {
        maxItems: 5,
      }),
    ),
    maxW: any(0, 1e9, 'most W that the load can draw'),
    limitA: any(0, 1e6, 'A at which the port or its fuse lets go'),
    conditions: Optional(
      object({
        ambientC: any(-60, 80, 'air meanwhile, °C'),
        useC: any(-60, 80, 'air that it will be used in, °C'),
        setC: any(-40, 95, 'set-point, °C'),
        empty: Optional(Type.Boolean({ description: 'a fridge without food in it' })),
        doorOpenings: any(0, 10_000, 'door openings a day'),
        sun: Optional(Type.Boolean({ description: 'in the sun' })),
        note: Optional(text(400, 'whatever else')),
      }),
    ),
    windows: Optional(Type.Array(Window, { maxItems: 2000, description: 'of a comparison of two ways' })),
    meterStepAh: any(0, 1000, 'step of the meter of those windows, Ah'),
    meterStepWh: any(0, 1e6, 'step of the meter of those windows, Wh'),
    swingW: Optional(
      Type.Array(number(0, 1e9, 'W'), { minItems: 2, maxItems: 2, description: 'between which watts the load swings' }),
    ),
    claimedPercent: any(-1000, 1000, 'difference as somebody reckoned it, %'),
    pairs: Optional(
      Type.Array(object({ outW: number(0, 1e9, 'W out'), inW: number(0, 1e9, 'W in') }), {
        maxItems: 500,
        description: 'of a device’s loss',
      }),
    ),
    atW: Optional(
      Type.Array(number(0, 1e9, 'W out'), { maxItems: 50, description: 'at which a device’s loss is asked' }),
    ),
    phases: Optional(Type.Array(Phase, { maxItems: 200, description: 'of a cycle, one after the other' })),
    through: Optional(
      object(
        { nominalV: number(1, 1000, 'V'), efficiency: number(0.05, 1, 'Wh out ÷ Wh from the store') },
        'what lies between the load and the store',
      ),
    ),
    chosen: Optional(
      oneOf(['soc', 'counter', 'power'], 'which way of counting energy is right, where they contradict each other'),
    ),
  },
  {
    additionalProperties: false,
    $id: 'urn:joulemetric:log:1',
    title: 'Joulemetric log file',
  },
);

export type Log = Static<typeof LogSchema>;
export type LogReading = Static<typeof Reading>;
export type LogInstrument = Static<typeof Instrument>;
export type LogPhase = Static<typeof Phase>;
export type LogWindow = Static<typeof Window>;
export type LogCheck = Static<typeof Check>;
export type Purpose = (typeof PURPOSES)[number];
