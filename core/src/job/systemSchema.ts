import { type Static, type TSchema, Type } from '@sinclair/typebox';
import { Device } from './deviceSchema.ts';
import { Placed } from './roofSchema.ts';
import { Run } from './runSchema.ts';
import { bought, id, idOrNull, number, object, oneNumberOf, oneOf, orNull, Shading, text, Use } from './schemaParts.ts';
import {
  BUS_VOLTAGES,
  CHEMISTRIES,
  CONTROLLERS,
  INPUTS,
  LINKS,
  MOUNTS,
  PATHS,
  SENSES,
  SHARINGS,
  WIRINGS,
} from './values.ts';

/** One design of a job: its bus, what holds, what converts, what charges, and how its loads are fed. */

const orRequired = <T extends TSchema>(list: T) =>
  Type.Unsafe<T['static'] | null>({
    ...list,
    type: ['array', 'null'],
    description: `${list.description}; null = as required`,
  });

const part = { id: id('unique in its list'), name: text(60, 'what it is called', 1) };

const count = (description: string) => Type.Integer({ minimum: 1, maximum: 24, description });

/** Of what charges, while it does not. */
const idleW = orNull(0, 500, 'W that it takes from the battery around the clock; null = not known: nothing is counted');

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
    shortA: orNull(0.1, 20_000, 'A that a unit may give for a short time; null = the usual of its chemistry'),
    shortS: orNull(0.1, 3600, 's for which it may give that; null = the usual of its chemistry'),
    resistanceMohm: orNull(0.01, 1000, 'mΩ inside a unit; null = the usual of its chemistry'),
    kg: orNull(0.1, 2000, 'kg of a unit; null = the usual of its chemistry'),
    price: orNull(0, 1_000_000, 'of a unit, in the currency of the region; null = not known'),
  }),
  { minItems: 1, maxItems: 12, description: 'strings of the bank, in parallel' },
);
const Driving = Type.Array(
  object({
    ...part,
    kind: oneOf(LINKS, 'a DC-DC charger, or a relay that joins the two batteries while driving'),
    ratingA: number(0, 500, 'A at the bus; of a relay what it carries'),
    bothWays: Type.Boolean({ description: 'it also lets the sun top up the vehicle’s own battery' }),
    cableM: orNull(
      0.1,
      50,
      'm of cable from the alternator’s battery, one way; null = not known: the usual for a relay, and for a charger nothing is lost in it',
    ),
    cableMm2: orNull(0.5, 300, 'mm² of that cable; null = as its amps need'),
    efficiency: orNull(0.5, 1, 'W out ÷ W in of a charger; null = the usual'),
    idleW,
    minInputV: orNull(6, 60, 'V from the vehicle below which a charger gives nothing; null = the usual'),
    sharesWith: idOrNull('the array whose sun comes out of the same output; null = none'),
    sharing: oneOf(SHARINGS, 'who comes first on a shared output'),
    ...bought,
  }),
  { maxItems: 4, description: 'what charges from the alternator, together held to what it can feed; [] = none' },
);
const Panels = Type.Array(
  object({
    ...part,
    ratingW: number(1, 2000, 'laboratory W of one panel'),
    vmpV: orNull(0.5, 500, 'V at its best point; null = not known'),
    impA: orNull(0.05, 100, 'A at its best point; null = not known'),
    vocV: orNull(0.5, 600, 'V with nothing connected; null = not known'),
    iscA: orNull(0.05, 120, 'A short-circuited; null = not known'),
    powerPerK: orNull(-0.01, 0, 'share of its W gained for each K of cell, below 0; null = the usual'),
    vocPerK: orNull(-0.01, 0, 'share of its open V gained for each K, below 0; null = the usual'),
    iscPerK: orNull(-0.001, 0.005, 'share of its short-circuit A gained for each K; null = the usual'),
    noctC: orNull(20, 80, '°C of its cells in 800 W/m², 20 °C and 1 m/s of wind; null = the usual'),
    lengthM: orNull(0.1, 4, 'm of its longer side; null = by its area'),
    areaM2: orNull(0.01, 10, 'm² it covers; null = the usual for its W'),
    kg: orNull(0.05, 100, 'kg of one; null = the usual for its area'),
    price: orNull(0, 100_000, 'of one, in the currency of the region; null = not known'),
    series: count('panels one after the other'),
    parallel: count('of these strings beside one another'),
  }),
  { maxItems: 12, description: 'groups of like panels; [] = only their watts are known' },
);
const Controller = object({
  kind: oneOf(CONTROLLERS, 'seeks the best point of the panels, or joins them straight to the store'),
  maxA: orNull(1, 1000, 'A at the bus that it gives at most; null = no limit is known'),
  maxW: orNull(5, 50_000, 'W of panels or of output that it takes at most; null = no limit is known'),
  maxV: orNull(5, 1500, 'V from the panels that it bears; null = not known'),
  maxInputA: orNull(0.5, 500, 'A short-circuited from the panels that it bears; null = not known'),
  minV: orNull(1, 1000, 'V from the panels below which it does not work; null = what the store needs'),
  efficiency: orNull(0.5, 1, 'W out ÷ W in while it seeks the best point; null = the usual'),
  idleW,
  ...bought,
});
const Arrays = Type.Array(
  object({
    ...part,
    ratingW: orNull(0, 20_000, 'laboratory watts of its panels; null = what `panels` add up to'),
    panels: Panels,
    wiring: oneOf(WIRINGS, 'how its groups of panels are joined'),
    controller: Controller,
    mount: oneOf(MOUNTS, 'close to the roof, with air behind it, or set out by hand'),
    slopeDeg: number(0, 90, '° from the horizontal; 0 = flat'),
    azimuthDeg: orNull(0, 360, '° clockwise from north that it faces; null = any, as the vehicle happens to stand'),
    follows: Type.Boolean({ description: 'aimed again and again through the day; for what is set out by hand' }),
    setOut: Type.Array(Use, { maxItems: 6, description: 'hours in which it stands in the light; [] = all day' }),
    shade: number(0, 0.95, 'share of the light that shade takes all day'),
    shaded: Type.Array(Shading, { maxItems: 12, description: 'stretches of the day in which it is shaded' }),
    clean: orNull(0.5, 1, 'share of the light that dirt leaves; null = the usual'),
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
    senses: oneOf(
      SENSES,
      'where it takes the volts that it holds: at its own terminals, or at the battery by wires of its own',
    ),
    idleW,
    ...bought,
  }),
  { maxItems: 4, description: 'chargers from hookup or generator; [] = none' },
);

const AllInOnes = Type.Array(
  object({
    ...part,
    inverter: id('the inverter of this option that is in it'),
    arrays: Type.Array(id('an array of this option, once'), {
      maxItems: 8,
      description: 'arrays whose solar controllers are in it',
    }),
    charger: idOrNull('the mains charger of this option that is in it; null = it has none'),
    chargeA: orNull(
      1,
      2000,
      'A at the bus that sun and mains together charge with at most; null = no limit of its own',
    ),
    ...bought,
  }),
  {
    maxItems: 4,
    description:
      'units that hold an inverter, solar controllers and a mains charger in one box; its idle is that of its inverter',
  },
);

const Runs = Type.Array(Run, { maxItems: 600, description: 'runs of cable, a tree from the store' });

const System = object({
  busVoltageV: oneNumberOf(BUS_VOLTAGES, 'nominal battery bus, V'),
  store: object({
    chemistry: oneOf(CHEMISTRIES, 'battery chemistry'),
    strings: orRequired(Strings),
    usableDepth: orNull(0.1, 1, 'share of the capacity used; null = the chemistry’s default'),
    roundTripEfficiency: orNull(0.5, 1, 'energy out ÷ energy in; null = the chemistry’s default'),
    coldestC: number(-40, 50, '°C of the battery at its coldest while in use'),
    leadM: orNull(0.1, 30, 'm of cable from the bank to what it feeds, one way; null = the usual'),
    heaterW: orNull(1, 1000, 'W of a heater that keeps it from freezing; null = none'),
    cutOff: orNull(0, 0.95, 'state of charge at which loads are cut off; null = where the usable depth is used up'),
    reconnect: orNull(0.01, 0.9, 'share of charge above the cut-off at which they come back; null = the usual'),
    chargeV: orNull(6, 70, 'V at which it is charged, the mean; null = the usual of its chemistry'),
    selfDischarge: orNull(
      0,
      0.5,
      'share of its capacity that it loses in a month by itself; null = the usual of its chemistry',
    ),
    keepForCritical: number(0, 0.8, 'share of charge above the cut-off that is kept for critical loads'),
    inputs: oneOf(INPUTS, 'what fills it adds up, or one socket takes one source at a time'),
    inputW: orNull(5, 50_000, 'W that it takes in at most, whatever comes; null = no limit of its own'),
  }),
  devices: Type.Array(Device, {
    minItems: 1,
    maxItems: 12,
    description: 'inverters, shared converters, ports; the first inverter feeds what names none',
  }),
  driving: orRequired(Driving),
  arrays: orRequired(Arrays),
  roof: Placed,
  chargers: Chargers,
  allInOnes: AllInOnes,
  runs: Type.Unsafe<Static<typeof Runs> | null>({
    ...Runs,
    type: ['array', 'null'],
    description: `${Runs.description}; null = not laid yet: as the program proposes, its loss not counted`,
  }),
});

const Feed = object({
  load: id('a load of the job, once'),
  path: oneOf(PATHS, 'how power reaches it in this option'),
  device: idOrNull('the inverter, converter or port of this option that feeds it; null = the first of its kind'),
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
