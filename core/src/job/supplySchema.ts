import { Type } from '@sinclair/typebox';
import { id, inRange, inRangeOrNull, object, oneKindOf, oneNumberOf, orNull, text, Use } from './schemaParts.ts';

/** What the vehicle is plugged into, with the limit that trips first. */

const shared = {
  id: id('unique among the supplies'),
  name: text(60, 'what it is called', 1),
  share: orNull(0.5, 1, 'share of its limit that is used; null = the usual'),
  hours: Type.Array(Use, { maxItems: 6, description: 'when it is plugged in or runs on a day with it; [] = all day' }),
};

const Hookup = object(
  {
    kind: Type.Literal('hookup'),
    ...shared,
    volts: inRange('supply.volts', 'V of one leg'),
    amps: inRange('supply.amps', 'A of its breaker'),
    legs: oneNumberOf([1, 2], 'legs of that many volts and amps each'),
  },
  'a socket of a campsite, a yard or a house',
);

const Generator = object(
  {
    kind: Type.Literal('generator'),
    ...shared,
    ratedW: inRange('generator.ratedW', 'W it gives for hours'),
    ratedVa: inRangeOrNull('generator.ratedVa', 'VA on its label; null = W count alone'),
    startW: inRangeOrNull('generator.startW', 'W it holds while something starts; null = no more than its rating'),
    altitudeM: inRange('generator.altitudeM', 'm above the sea where it runs'),
    idleLPerH: inRangeOrNull(
      'generator.idleLPerH',
      'l of fuel an hour with nothing drawn; null = the usual of its size',
    ),
    fuelLPerKwh: inRangeOrNull('generator.fuelLPerKwh', 'l of fuel for each kWh beside that; null = the usual'),
  },
  'an engine with a generator',
);

const Outlet = object(
  {
    kind: Type.Literal('outlet'),
    ...shared,
    ratedW: inRange('outlet.ratedW', 'W at which it switches off'),
    startW: inRangeOrNull('outlet.startW', 'W it holds while something starts; null = no more than its rating'),
    packKwh: inRangeOrNull('outlet.packKwh', 'kWh of the traction battery behind it; null = not known'),
    fullShare: inRange('outlet.fullShare', 'share of it that is there to begin with'),
    reserveShare: inRange('outlet.reserveShare', 'share at which it stops giving'),
    offAfterH: inRangeOrNull('outlet.offAfterH', 'h after which its timer switches it off; null = it has none'),
    ownW: inRangeOrNull('outlet.ownW', 'W that it draws for itself while it is on; null = none is known'),
  },
  'an outlet of the tow vehicle or its traction battery',
);

export const Supply = oneKindOf([Hookup, Generator, Outlet], 'a limited supply');
