import { type Static, type TSchema, Type } from '@sinclair/typebox';
import { Device } from './deviceSchema.ts';
import { Placed } from './roofSchema.ts';
import { Run } from './runSchema.ts';
import {
  bought,
  id,
  idOrNull,
  inRange,
  inRangeOrNull,
  object,
  oneNumberOf,
  oneOf,
  orNull,
  Shading,
  text,
  Use,
  whole,
} from './schemaParts.ts';
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

const count = (description: string) => whole('string.series', description);

/** Of what charges, while it does not. */
const idleW = inRangeOrNull(
  'charger.idleW',
  'W that it takes from the battery around the clock; null = not known: nothing is counted',
);

const Strings = Type.Array(
  object({
    ...part,
    capacityAh: inRange('string.capacityAh', 'Ah of a unit, by its label'),
    unitV: inRangeOrNull('string.unitV', 'V of a unit; null = that of the bus'),
    series: count('units one after the other'),
    parallel: count('of these beside one another'),
    health: inRangeOrNull('string.health', 'share of its label that it still has, as measured; null = as new'),
    chargeA: inRangeOrNull('string.chargeA', 'A that a unit may be charged with; null = the usual of its chemistry'),
    dischargeA: inRangeOrNull(
      'string.dischargeA',
      'A that a unit may give for long; null = the usual of its chemistry',
    ),
    shortA: inRangeOrNull(
      'string.shortA',
      'A that a unit may give for a short time; null = the usual of its chemistry',
    ),
    shortS: inRangeOrNull('string.shortS', 's for which it may give that; null = the usual of its chemistry'),
    resistanceMohm: inRangeOrNull('string.resistanceMohm', 'mΩ inside a unit; null = the usual of its chemistry'),
    kg: inRangeOrNull('string.kg', 'kg of a unit; null = the usual of its chemistry'),
    price: inRangeOrNull('string.price', 'of a unit, in the currency of the region; null = not known'),
  }),
  { minItems: 1, maxItems: 12, description: 'strings of the bank, in parallel' },
);
const Driving = Type.Array(
  object({
    ...part,
    kind: oneOf(LINKS, 'a DC-DC charger, or a relay that joins the two batteries while driving'),
    ratingA: inRange('link.chargerA', 'A at the bus; of a relay what it carries'),
    bothWays: Type.Boolean({ description: 'it also lets the sun top up the vehicle’s own battery' }),
    cableM: inRangeOrNull(
      'link.cableM',
      'm of cable from the alternator’s battery, one way; null = not known: the usual for a relay, and for a charger nothing is lost in it',
    ),
    cableMm2: inRangeOrNull('link.cableMm2', 'mm² of that cable; null = as its amps need'),
    efficiency: inRangeOrNull('link.efficiency', 'W out ÷ W in of a charger; null = the usual'),
    idleW,
    minInputV: inRangeOrNull(
      'link.minInputV',
      'V from the vehicle below which a charger gives nothing; null = the usual',
    ),
    sharesWith: idOrNull('the array whose sun comes out of the same output; null = none'),
    sharing: oneOf(SHARINGS, 'who comes first on a shared output'),
    ...bought,
  }),
  { maxItems: 4, description: 'what charges from the alternator, together held to what it can feed; [] = none' },
);
const Panels = Type.Array(
  object({
    ...part,
    ratingW: inRange('panel.ratingW', 'laboratory W of one panel'),
    vmpV: inRangeOrNull('panel.vmpV', 'V at its best point; null = not known'),
    impA: inRangeOrNull('panel.impA', 'A at its best point; null = not known'),
    vocV: inRangeOrNull('panel.vocV', 'V with nothing connected; null = not known'),
    iscA: inRangeOrNull('panel.iscA', 'A short-circuited; null = not known'),
    powerPerK: inRangeOrNull('panel.powerPerK', 'share of its W gained for each K of cell, below 0; null = the usual'),
    vocPerK: inRangeOrNull('panel.vocPerK', 'share of its open V gained for each K, below 0; null = the usual'),
    iscPerK: inRangeOrNull('panel.iscPerK', 'share of its short-circuit A gained for each K; null = the usual'),
    noctC: inRangeOrNull('panel.noctC', '°C of its cells in 800 W/m², 20 °C and 1 m/s of wind; null = the usual'),
    lengthM: inRangeOrNull('panel.lengthM', 'm of its longer side; null = by its area'),
    areaM2: inRangeOrNull('panel.areaM2', 'm² it covers; null = the usual for its W'),
    kg: inRangeOrNull('panel.kg', 'kg of one; null = the usual for its area'),
    price: inRangeOrNull('panel.price', 'of one, in the currency of the region; null = not known'),
    series: count('panels one after the other'),
    parallel: count('of these strings beside one another'),
  }),
  { maxItems: 12, description: 'groups of like panels; [] = only their watts are known' },
);
const Controller = object({
  kind: oneOf(CONTROLLERS, 'seeks the best point of the panels, or joins them straight to the store'),
  maxA: inRangeOrNull('controller.maxA', 'A at the bus that it gives at most; null = no limit is known'),
  maxW: inRangeOrNull('controller.maxW', 'W of panels or of output that it takes at most; null = no limit is known'),
  maxV: inRangeOrNull('controller.maxV', 'V from the panels that it bears; null = not known'),
  maxInputA: inRangeOrNull('controller.maxInputA', 'A short-circuited from the panels that it bears; null = not known'),
  minV: inRangeOrNull('controller.minV', 'V from the panels below which it does not work; null = what the store needs'),
  efficiency: inRangeOrNull('controller.efficiency', 'W out ÷ W in while it seeks the best point; null = the usual'),
  idleW,
  ...bought,
});
const Arrays = Type.Array(
  object({
    ...part,
    ratingW: inRangeOrNull('array.ratingW', 'laboratory watts of its panels; null = what `panels` add up to'),
    panels: Panels,
    wiring: oneOf(WIRINGS, 'how its groups of panels are joined'),
    controller: Controller,
    mount: oneOf(MOUNTS, 'close to the roof, with air behind it, or set out by hand'),
    slopeDeg: inRange('array.slopeDeg', '° from the horizontal; 0 = flat'),
    azimuthDeg: inRangeOrNull(
      'array.azimuthDeg',
      '° clockwise from north that it faces; null = any, as the vehicle happens to stand',
    ),
    follows: Type.Boolean({ description: 'aimed again and again through the day; for what is set out by hand' }),
    setOut: Type.Array(Use, { maxItems: 6, description: 'hours in which it stands in the light; [] = all day' }),
    shade: inRange('array.shade', 'share of the light that shade takes all day'),
    shaded: Type.Array(Shading, { maxItems: 12, description: 'stretches of the day in which it is shaded' }),
    clean: inRangeOrNull('array.clean', 'share of the light that dirt leaves; null = the usual'),
  }),
  { maxItems: 8, description: 'solar arrays, each with its controller; [] = none' },
);
const Chargers = Type.Array(
  object({
    ...part,
    ratingA: inRange('charger.ratingA', 'A at the bus that it charges with; 0 = it is not used'),
    leastA: inRangeOrNull('charger.leastA', 'A to which it can be turned down; null = it cannot be'),
    efficiency: inRangeOrNull('charger.efficiency', 'DC out ÷ AC in; null = the usual'),
    powerFactor: inRangeOrNull('charger.powerFactor', 'W ÷ VA; null = the usual'),
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
    chargeA: inRangeOrNull(
      'unit.chargeA',
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
    usableDepth: inRangeOrNull('store.usableDepth', 'share of the capacity used; null = the chemistry’s default'),
    roundTripEfficiency: inRangeOrNull(
      'store.roundTripEfficiency',
      'energy out ÷ energy in; null = the chemistry’s default',
    ),
    coldestC: inRange('store.coldestC', '°C of the battery at its coldest while in use'),
    leadM: inRangeOrNull('store.leadM', 'm of cable from the bank to what it feeds, one way; null = the usual'),
    heaterW: inRangeOrNull('store.heaterW', 'W of a heater that keeps it from freezing; null = none'),
    cutOff: inRangeOrNull(
      'store.cutOff',
      'state of charge at which loads are cut off; null = where the usable depth is used up',
    ),
    reconnect: inRangeOrNull(
      'store.reconnect',
      'share of charge above the cut-off at which they come back; null = the usual',
    ),
    chargeV: inRangeOrNull('store.chargeV', 'V at which it is charged, the mean; null = the usual of its chemistry'),
    selfDischarge: inRangeOrNull(
      'store.selfDischarge',
      'share of its capacity that it loses in a month by itself; null = the usual of its chemistry',
    ),
    keepForCritical: inRange(
      'store.keepForCritical',
      'share of charge above the cut-off that is kept for critical loads',
    ),
    inputs: oneOf(INPUTS, 'what fills it adds up, or one socket takes one source at a time'),
    inputW: inRangeOrNull('store.inputW', 'W that it takes in at most, whatever comes; null = no limit of its own'),
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
