import { Type } from '@sinclair/typebox';
import { id, idOrNull, number, object, oneKindOf, oneOf, orNull, text, Use } from './schemaParts.ts';
import { DAY_KINDS, EVIDENCE, INSULATION, PATHS } from './values.ts';

/** A load as the job file has it. */

const powerW = number(0, 20_000, 'W while it runs, one piece');

const Steady = object({ kind: Type.Literal('steady'), powerW }, 'the same power for as long as it runs');
const Cycle = object(
  {
    kind: Type.Literal('cycle'),
    phases: Type.Array(
      object({
        label: text(40, 'what the phase is called'),
        powerW,
        minutes: orNull(0.01, 1440, 'length in minutes; null for the one phase that fills the rest of the use'),
        startRatio: orNull(
          1,
          12,
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
    duty: number(0, 1, 'share of the time it runs, at `dutyAtC` around it'),
    dutyAtC: orNull(
      -20,
      60,
      '°C around it at which it runs for that share; null = it is taken as it is, whatever the weather',
    ),
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
  'heats water during its uses, as much as the day needs',
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
  quantity: Type.Integer({ minimum: 1, maximum: 99, description: 'pieces, all alike' }),
  draw: Draw,
  uses: Type.Array(Use, { maxItems: 96, description: 'when it runs on a usual day; they may not overlap' }),
  variants: Type.Array(Variant, { maxItems: DAY_KINDS.length, description: 'other uses on other kinds of day' }),
  daysPerWeek: number(0.1, 7, 'days of the week on which it runs; 7 = every day'),
  movable: Type.Boolean({ description: 'its time of day may be shifted, into sun hours for one' }),
  path: oneOf(PATHS, 'how power reaches it from the battery'),
  device: idOrNull('the inverter, converter or port that feeds it; null = the first of its kind'),
  converterEfficiency: orNull(0.3, 1, 'of its adapter or own DC-DC converter; null = the default'),
  residueW: number(0, 2000, 'on fuel: W it still takes from the bus while it runs, such as a fan'),
  minV: orNull(1, 500, 'lowest voltage it runs at, V; null = not known'),
  maxV: orNull(1, 500, 'highest voltage it bears, V; null = not known'),
  evidence: oneOf(EVIDENCE, 'how good the watts are'),
  startRatio: number(1, 12, 'starting power ÷ running power'),
  startSeconds: orNull(0.01, 600, 's the start lasts; null = the usual for its start'),
  softStart: Type.Boolean({ description: 'a soft starter is fitted: its start is held down' }),
  powerFactor: number(0.1, 1, 'W ÷ VA'),
  critical: Type.Boolean({ description: 'health, food or communications depend on it' }),
  sensitive: Type.Boolean({ description: 'a medical or precision device: it needs a pure sine wave' }),
  chargesStore: Type.Boolean({ description: 'it is a charger of this very store' }),
  photos: Type.Array(Type.String({ pattern: '^[0-9a-f-]{36}$' }), {
    maxItems: 8,
    description: 'ids of the photos of its label, kept by the server beside the job',
  }),
});
