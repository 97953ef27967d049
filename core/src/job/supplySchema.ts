import { Type } from '@sinclair/typebox';
import { id, number, object, oneKindOf, oneNumberOf, orNull, text } from './schemaParts.ts';

/** What the vehicle is plugged into, with the limit that trips first. */

const shared = {
  id: id('unique among the supplies'),
  name: text(60, 'what it is called', 1),
  share: orNull(0.5, 1, 'share of its limit that is used; null = the usual'),
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
  },
  'an engine with a generator',
);

const Outlet = object(
  {
    kind: Type.Literal('outlet'),
    ...shared,
    ratedW: number(50, 30_000, 'W at which it switches off'),
    startW: orNull(50, 60_000, 'W it holds while something starts; null = no more than its rating'),
  },
  'an outlet of the tow vehicle or its traction battery',
);

export const Supply = oneKindOf([Hookup, Generator, Outlet], 'a limited supply');
