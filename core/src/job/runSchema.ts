import { Type } from '@sinclair/typebox';
import { id, idOrNull, number, object, oneOf, orNull, text } from './schemaParts.ts';
import { CONDUCTOR_KINDS, PROTECTIONS, RUN_ENDS } from './values.ts';

/** A run of cable, plus and return, from the far end of another (or the store) to what it serves. */
export const Run = object({
  id: id('unique among the runs'),
  name: text(60, 'what it is called', 1),
  from: idOrNull('the run at whose far end it begins; null = the terminals of the store'),
  end: oneOf(RUN_ENDS, 'what lies at its far end'),
  part: idOrNull('the device, array, link or charger at its far end; null for a busbar and for loads'),
  loads: Type.Array(id('a load'), { maxItems: 200, uniqueItems: true, description: 'loads at its far end' }),
  lengthM: orNull(0.05, 100, 'm one way; null = the usual, or as the link of an alternator says'),
  areaMm2: orNull(0.2, 300, 'mm² of each conductor; null = as it needs'),
  parallel: Type.Integer({ minimum: 1, maximum: 6, description: 'conductors beside one another for each pole' }),
  conductor: oneOf(CONDUCTOR_KINDS, 'strands and metal'),
  insulationC: number(60, 250, '°C that its insulation bears'),
  ambientC: orNull(-40, 100, '°C of the air around it at its hottest; null = 30'),
  bundled: Type.Integer({
    minimum: 1,
    maximum: 24,
    description: 'conductors that carry current side by side, its own two among them',
  }),
  engine: Type.Boolean({ description: 'it passes through the engine space' }),
  return: oneOf(['conductor', 'chassis'], 'how the current comes back'),
  chassisMohm: orNull(0, 500, 'mΩ of the way back through the chassis; null = the usual'),
  joints: Type.Integer({ minimum: 0, maximum: 60, description: 'crimps, studs and connectors on its way' }),
  jointMohm: orNull(0, 100, 'mΩ of each of them; null = the usual'),
  protection: oneOf(PROTECTIONS, 'what opens when too much flows'),
  ratingA: orNull(0.5, 1000, 'A of its fuse or breaker; null = as it needs'),
  interruptA: orNull(50, 200_000, 'A that it can interrupt; null = the usual of its kind'),
  fuseAtM: orNull(0, 50, 'm from the source at which it sits; null = not known'),
  sheathed: Type.Boolean({ description: 'sheathed or in conduit up to its fuse' }),
  isolator: Type.Boolean({ description: 'it can be switched off by hand' }),
  socketA: orNull(0.5, 400, 'A that the socket at its end bears; null = it has none'),
  unkeyed: Type.Boolean({ description: 'joined so that plus and minus can be swapped' }),
});
