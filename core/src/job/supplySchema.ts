import { Type } from '@sinclair/typebox';
import { id, number, object, oneKindOf, oneNumberOf, orNull, text, Use } from './schemaParts.ts';

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
    volts: number(90, 260, 'V of one leg'),
    amps: number(1, 200, 'A of its breaker'),
    legs: oneNumberOf([1, 2], 'legs of that many volts and amps each'),
  },
  'a socket of a campsite, a yard or a house',
);

const Generator = object(
  {
    kind: Type.Literal('generator'),
    ...shared,
    ratedW: number(100, 100_000, 'W it gives for hours'),
    ratedVa: orNull(100, 150_000, 'VA on its label; null = W count alone'),
    startW: orNull(100, 200_000, 'W it holds while something starts; null = no more than its rating'),
    altitudeM: number(-400, 5500, 'm above the sea where it runs'),
    idleLPerH: orNull(0, 20, 'l of fuel an hour with nothing drawn; null = the usual of its size'),
    fuelLPerKwh: orNull(0.1, 3, 'l of fuel for each kWh beside that; null = the usual'),
  },
  'an engine with a generator',
);

const Outlet = object(
  {
    kind: Type.Literal('outlet'),
    ...shared,
    ratedW: number(50, 30_000, 'W at which it switches off'),
    startW: orNull(50, 60_000, 'W it holds while something starts; null = no more than its rating'),
    packKwh: orNull(0.1, 1000, 'kWh of the traction battery behind it; null = not known'),
    fullShare: number(0.01, 1, 'share of it that is there to begin with'),
    reserveShare: number(0, 0.99, 'share at which it stops giving'),
    offAfterH: orNull(0.1, 240, 'h after which its timer switches it off; null = it has none'),
    ownW: orNull(0, 5000, 'W that it draws for itself while it is on; null = none is known'),
  },
  'an outlet of the tow vehicle or its traction battery',
);

export const Supply = oneKindOf([Hookup, Generator, Outlet], 'a limited supply');
