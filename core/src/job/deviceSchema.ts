import { Type } from '@sinclair/typebox';
import { bought, id, inRange, inRangeOrNull, object, oneKindOf, oneNumberOf, oneOf, text, Use } from './schemaParts.ts';
import { FORMS, OUTPUT_VOLTAGES, POLICIES, WAVEFORMS } from './values.ts';

/** What stands between the bus and the loads: inverters, shared DC-DC converters, ports of a portable station. */

const shared = {
  id: id('unique among the devices of the option'),
  name: text(60, 'what it is called', 1),
  idleW: inRangeOrNull(
    'device.idleW',
    'W drawn with nothing connected; null = the usual share of the rating, or as the points tell',
  ),
  peakEfficiency: inRangeOrNull('device.peakEfficiency', 'best efficiency on its data sheet; null = the default'),
  cutOffV: inRangeOrNull(
    'device.cutOffV',
    'V at its own terminals on the bus below which it shuts off; null = the usual of its bus',
  ),
  points: Type.Array(
    object({
      outW: Type.Number({ exclusiveMinimum: 0, maximum: 40_000, description: 'W given' }),
      inW: Type.Number({ exclusiveMinimum: 0, maximum: 60_000, description: 'W taken at the same time' }),
    }),
    { maxItems: 24, description: 'pairs measured or from a data sheet; the loss curve is fitted to them' },
  ),
  policy: oneOf(POLICIES, 'when it is on'),
  hours: Type.Array(Use, { maxItems: 12, description: 'for the policy "hours": when it is switched on' }),
  leftOnH: inRange('device.leftOnH', 'for the policy "manual": hours a day it stays on with nothing running'),
};

const Inverter = object(
  {
    kind: Type.Literal('inverter'),
    ...shared,
    ratingW: inRangeOrNull('inverter.ratingW', 'what is or will be fitted; null = as required'),
    ratingVa: inRangeOrNull('inverter.ratingVa', 'VA it gives at most; null = 1 VA per W'),
    search: Type.Unsafe<{ idleW: number; wakeW: number } | null>({
      type: ['object', 'null'],
      properties: {
        idleW: inRange('device.searchIdleW', 'W while it looks for a load'),
        wakeW: inRange('device.searchWakeW', 'W from which a load wakes it'),
      },
      required: ['idleW', 'wakeW'],
      additionalProperties: false,
      description: 'search (eco) mode; null = it has none or it is off',
    }),
    waveform: oneOf(WAVEFORMS, 'pure sine or stepped'),
    form: oneOf(FORMS, 'what it does while a supply is plugged in'),
    surgeW: inRangeOrNull(
      'inverter.surgeW',
      'W it holds while something starts; null = the usual multiple of its rating',
    ),
    surgeSeconds: inRangeOrNull('inverter.surgeSeconds', 's for which it holds them; null = the usual'),
    ambientC: inRangeOrNull('inverter.ambientC', '°C of the air around it at its hottest; null = at most 25'),
    ...bought,
  },
  'battery to mains voltage',
);

const Converter = object(
  {
    kind: Type.Literal('converter'),
    ...shared,
    outputV: oneNumberOf(OUTPUT_VOLTAGES, 'what it gives, V'),
    ratingW: inRange('converter.ratingW', 'W it gives at most'),
  },
  'battery to another DC voltage, for one or more loads',
);

const Port = object(
  {
    kind: Type.Literal('port'),
    ...shared,
    outputV: inRange('port.outputV', 'what it gives, V'),
    limitA: inRangeOrNull('port.limitA', 'A at which it shuts off; null = only W count'),
    limitW: inRangeOrNull('port.limitW', 'W at which it shuts off; null = only A count'),
  },
  'one output of a portable power station',
);

export const Device = oneKindOf([Inverter, Converter, Port], 'what stands between the bus and loads');
