import { Type } from '@sinclair/typebox';
import { id, idOrNull, inRange, inRangeOrNull, object, oneOf, orNull, text, whole } from './schemaParts.ts';
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
  parallel: whole('run.parallel', 'conductors beside one another for each pole'),
  conductor: oneOf(CONDUCTOR_KINDS, 'strands and metal'),
  insulationC: inRange('run.insulationC', '°C that its insulation bears'),
  ambientC: inRangeOrNull('run.ambientC', '°C of the air around it at its hottest; null = 30'),
  bundled: whole('run.bundled', 'conductors that carry current side by side, its own two among them'),
  engine: Type.Boolean({ description: 'it passes through the engine space' }),
  return: oneOf(['conductor', 'chassis'], 'how the current comes back'),
  chassisMohm: inRangeOrNull('run.chassisMohm', 'mΩ of the way back through the chassis; null = the usual'),
  joints: whole('run.joints', 'crimps, studs and connectors on its way'),
  jointMohm: inRangeOrNull('run.jointMohm', 'mΩ of each of them; null = the usual'),
  protection: oneOf(PROTECTIONS, 'what opens when too much flows'),
  ratingA: inRangeOrNull('run.ratingA', 'A of its fuse or breaker; null = as it needs'),
  interruptA: inRangeOrNull('run.interruptA', 'A that it can interrupt; null = the usual of its kind'),
  fuseAtM: inRangeOrNull('run.fuseAtM', 'm from the source at which it sits; null = not known'),
  sheathed: Type.Boolean({ description: 'sheathed or in conduit up to its fuse' }),
  isolator: Type.Boolean({ description: 'it can be switched off by hand' }),
  socketA: inRangeOrNull('run.socketA', 'A that the socket at its end bears; null = it has none'),
  unkeyed: Type.Boolean({ description: 'joined so that plus and minus can be swapped' }),
});
