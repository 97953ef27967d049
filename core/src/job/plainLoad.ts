import type { Load } from './schema.ts';

/** A load of which nothing is known but that it exists: an hour a day, straight from the bus, no start. */
export function plainLoad(id: string): Load {
  return {
    id,
    name: id,
    type: '',
    room: '',
    circuit: '',
    quantity: 1,
    draw: { kind: 'steady', powerW: 0 },
    uses: [{ startMin: 12 * 60, minutes: 60 }],
    variants: [],
    daysPerWeek: 7,
    movable: false,
    path: 'direct',
    device: null,
    converterEfficiency: null,
    residueW: 0,
    minV: null,
    maxV: null,
    evidence: 'nameplate',
    startRatio: 1,
    startSeconds: null,
    softStart: false,
    powerFactor: 1,
    critical: false,
    sensitive: false,
    chargesStore: false,
    photos: [],
  };
}
