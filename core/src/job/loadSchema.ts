import { Type } from '@sinclair/typebox';
import { id, idOrNull, inRange, inRangeOrNull, object, oneKindOf, oneOf, text, Use, whole } from './schemaParts.ts';
import { DAY_KINDS, EVIDENCE, INSULATION, PATHS } from './values.ts';

/** A load as the job file has it. */

const powerW = inRange('load.powerW', 'W while it runs, one piece');

const Steady = object({ kind: Type.Literal('steady'), powerW }, 'the same power for as long as it runs');
const Cycle = object(
  {
    kind: Type.Literal('cycle'),
    phases: Type.Array(
      object({
        label: text(40, 'what the phase is called'),
        powerW,
        minutes: inRangeOrNull(
          'phase.minutes',
          'length in minutes; null for the one phase that fills the rest of the use',
        ),
        startRatio: inRangeOrNull(
          'load.startRatio',
          'starting power ÷ running power of what this phase switches on; null = that of the load',
        ),
      }),
      { minItems: 1, maxItems: 12 },
    ),
  },
  'phases in order, once per use',
);
const Thermostatic = object(
  {
    kind: Type.Literal('thermostatic'),
    runningW: powerW,
    duty: inRange('draw.duty', 'share of the time it runs, at `dutyAtC` around it'),
    dutyAtC: inRangeOrNull(
      'draw.dutyAtC',
      '°C around it at which it runs for that share; null = it is taken as it is, whatever the weather',
    ),
    setC: inRange('draw.fridgeSetC', '°C it holds'),
  },
  'runs in cycles to hold a temperature below its surroundings',
);
const Standby = object({ kind: Type.Literal('standby'), powerW }, 'on all 24 hours');

const WaterHeating = object(
  {
    kind: Type.Literal('water-heating'),
    powerW,
    litres: inRange('draw.litres', 'litres heated a day'),
    riseK: inRange('draw.riseK', 'K from cold to hot'),
    efficiency: inRange('draw.efficiency', 'share of the electricity that reaches the water'),
    standingW: inRange('draw.standingW', 'W lost by the tank, around the clock'),
  },
  'heats water during its uses, as much as the day needs',
);
const Room = object(
  {
    kind: Type.Literal('room'),
    mode: oneOf(['cooling', 'heating'], 'what it does'),
    capacityW: inRange('draw.capacityW', 'W of heat moved at full power'),
    cop: inRange('draw.cop', 'heat moved ÷ electricity; 1 for an electric heater'),
    setC: inRange('draw.roomSetC', '°C it holds inside'),
    volumeM3: inRange('draw.volumeM3', 'm³ of the room'),
    insulation: oneOf(INSULATION, 'how well the walls hold heat'),
    glazingM2: inRange('draw.glazingM2', 'm² of unshaded glass'),
    internalW: inRange('draw.internalW', 'W of heat from people and appliances'),
  },
  'cools or heats a room during its uses, as the weather asks',
);

const Draw = oneKindOf([Steady, Cycle, Thermostatic, Standby, WaterHeating, Room], 'how it draws power');

/** Uses that take the place of the usual ones on one kind of day. */
const Variant = object(
  {
    on: oneOf(DAY_KINDS, 'the kind of day it is for'),
    uses: Type.Array(Use, { maxItems: 96, description: 'when it runs on such a day; none = it stays off' }),
  },
  'the same load on another kind of day',
);

export const Load = object({
  id: id('unique among the loads'),
  name: text(120, 'what the client calls it', 1),
  type: text(40, 'its type in the catalogue; empty when it is none of them'),
  room: text(40, 'where it stands, such as "galley"'),
  circuit: text(40, 'the circuit that feeds it'),
  quantity: whole('load.quantity', 'pieces, all alike'),
  draw: Draw,
  uses: Type.Array(Use, { maxItems: 96, description: 'when it runs on a usual day; they may not overlap' }),
  variants: Type.Array(Variant, { maxItems: DAY_KINDS.length, description: 'other uses on other kinds of day' }),
  daysPerWeek: inRange('load.daysPerWeek', 'days of the week on which it runs; 7 = every day'),
  movable: Type.Boolean({ description: 'its time of day may be shifted, into sun hours for one' }),
  path: oneOf(PATHS, 'how power reaches it from the battery'),
  device: idOrNull('the inverter, converter or port that feeds it; null = the first of its kind'),
  converterEfficiency: inRangeOrNull(
    'load.converterEfficiency',
    'of its adapter or own DC-DC converter; null = the default',
  ),
  residueW: inRange('load.residueW', 'on fuel: W it still takes from the bus while it runs, such as a fan'),
  minV: inRangeOrNull('load.minV', 'lowest voltage it runs at, V; null = not known'),
  maxV: inRangeOrNull('load.maxV', 'highest voltage it bears, V; null = not known'),
  evidence: oneOf(EVIDENCE, 'how good the watts are'),
  startRatio: inRange('load.startRatio', 'starting power ÷ running power'),
  startSeconds: inRangeOrNull('load.startSeconds', 's the start lasts; null = the usual for its start'),
  softStart: Type.Boolean({ description: 'a soft starter is fitted: its start is held down' }),
  powerFactor: inRange('load.powerFactor', 'W ÷ VA'),
  critical: Type.Boolean({ description: 'health, food or communications depend on it' }),
  sensitive: Type.Boolean({ description: 'a medical or precision device: it needs a pure sine wave' }),
  chargesStore: Type.Boolean({ description: 'it is a charger of this very store' }),
  photos: Type.Array(Type.String({ pattern: '^[0-9a-f-]{36}$' }), {
    maxItems: 8,
    description: 'ids of the photos of its label, kept by the server beside the job',
  }),
});
