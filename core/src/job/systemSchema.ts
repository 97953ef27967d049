import { type TSchema, Type } from '@sinclair/typebox';
import { Device } from './deviceSchema.ts';
import { id, number, object, oneNumberOf, oneOf, orNull, text } from './schemaParts.ts';
import { BUS_VOLTAGES, CHEMISTRIES, PATHS } from './values.ts';

/** One design of a job: its bus, what holds, what converts, what charges, and how its loads are fed. */

const orRequired = <T extends TSchema>(list: T) =>
  Type.Unsafe<T['static'] | null>({
    ...list,
    type: ['array', 'null'],
    description: `${list.description}; null = as required`,
  });

const part = { id: id('unique in its list'), name: text(60, 'what it is called', 1) };

const count = (description: string) => Type.Integer({ minimum: 1, maximum: 24, description });

const Strings = Type.Array(
  object({
    ...part,
    capacityAh: number(0.5, 20_000, 'Ah of a unit, by its label'),
    unitV: orNull(2, 60, 'V of a unit; null = that of the bus'),
    series: count('units one after the other'),
    parallel: count('of these beside one another'),
    health: orNull(0.05, 1.2, 'share of its label that it still has, as measured; null = as new'),
    chargeA: orNull(0.1, 2000, 'A that a unit may be charged with; null = the usual of its chemistry'),
    dischargeA: orNull(0.1, 5000, 'A that a unit may give for long; null = the usual of its chemistry'),
    resistanceMohm: orNull(0.01, 1000, 'mΩ inside a unit; null = the usual of its chemistry'),
    kg: orNull(0.1, 2000, 'kg of a unit; null = the usual of its chemistry'),
    price: orNull(0, 1_000_000, 'of a unit, in the currency of the region; null = not known'),
  }),
  { minItems: 1, maxItems: 12, description: 'strings of the bank, in parallel' },
);
const Driving = Type.Array(object({ ...part, ratingA: number(0, 500, 'A at the bus') }), {
  maxItems: 4,
  description: 'DC-DC chargers on the alternator, together held to what it can feed; [] = none',
});
const Arrays = Type.Array(
  object({
    ...part,
    ratingW: number(0, 20_000, 'laboratory watts of its panels'),
    controllerA: orNull(1, 1000, 'A at the bus that its controller gives at most; null = no limit'),
    slopeDeg: number(0, 90, '° from the horizontal; 0 = flat'),
    azimuthDeg: orNull(0, 360, '° clockwise from north that it faces; null = any, as the vehicle happens to stand'),
    shade: number(0, 0.95, 'share of the day’s yield that shade takes'),
  }),
  { maxItems: 8, description: 'solar arrays, each with its controller; [] = none' },
);
const Chargers = Type.Array(
  object({
    ...part,
    ratingA: number(0, 1000, 'A at the bus that it charges with; 0 = it is not used'),
    leastA: orNull(0, 1000, 'A to which it can be turned down; null = it cannot be'),
    efficiency: orNull(0.5, 1, 'DC out ÷ AC in; null = the usual'),
    powerFactor: orNull(0.4, 1, 'W ÷ VA; null = the usual'),
  }),
  { maxItems: 4, description: 'chargers from hookup or generator; [] = none' },
);

const System = object({
  busVoltageV: oneNumberOf(BUS_VOLTAGES, 'nominal battery bus, V'),
  store: object({
    chemistry: oneOf(CHEMISTRIES, 'battery chemistry'),
    strings: orRequired(Strings),
    usableDepth: orNull(0.1, 1, 'share of the capacity used; null = the chemistry’s default'),
    roundTripEfficiency: orNull(0.5, 1, 'energy out ÷ energy in; null = the chemistry’s default'),
    coldestC: number(-40, 50, '°C of the battery at its coldest while in use'),
    leadM: orNull(0.1, 30, 'm of cable from the bank to what it feeds, one way; null = the usual'),
  }),
  devices: Type.Array(Device, {
    minItems: 1,
    maxItems: 12,
    description: 'inverters, shared converters, ports; the first inverter feeds what names none',
  }),
  driving: orRequired(Driving),
  arrays: orRequired(Arrays),
  chargers: Chargers,
});

const Feed = object({
  load: id('a load of the job, once'),
  path: oneOf(PATHS, 'how power reaches it in this option'),
  device: Type.Unsafe<string | null>({
    ...id('the inverter, converter or port of this option that feeds it; null = the first of its kind'),
    type: ['string', 'null'],
  }),
  converterEfficiency: orNull(0.3, 1, 'of its adapter or own DC-DC converter; null = the default'),
});

export const Option = object({
  id: id('unique among the options'),
  name: text(40, 'such as "A 12 V"', 1),
  system: System,
  feeds: Type.Array(Feed, {
    maxItems: 500,
    description: 'loads that this option feeds otherwise than is usual for them',
  }),
});
