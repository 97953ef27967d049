import { pattern } from '../quantity/pattern.ts';
import { readMeasure } from './measure.ts';

type Read = ReturnType<typeof readMeasure>;

const POINTS = 'n nne ne ene e ese se sse s ssw sw wsw w wnw nw nnw'.split(' ');
const POINT_DEG = 360 / POINTS.length;
const WORDS = [
  [/north/g, 'n'],
  [/east/g, 'e'],
  [/south/g, 's'],
  [/west/g, 'w'],
] as const;

/** ° clockwise from north of "225", "225°", "SW", "south-west". */
export function readBearing(text: string): Read {
  const letters = WORDS.reduce((left, [word, letter]) => left.replace(word, letter), text.trim().toLowerCase());
  const point = POINTS.indexOf(letters.replace(/[\s-]/g, ''));
  if (point >= 0) return { value: point * POINT_DEG };
  const read = readMeasure(text, '°');
  return 'problem' in read
    ? { problem: 'Write degrees from north or a point of the compass, such as 225° or SW' }
    : read;
}

const NUMBER = '(\\d+(?:[.,]\\d+)?)';
const COORDINATE = pattern(
  `^([nsew])?\\s*([-−+])?\\s*${NUMBER}\\s*(?:°|deg(?:rees)?)?(?:\\s*${NUMBER}\\s*['′’])?(?:\\s*${NUMBER}\\s*["″”])?\\s*([nsew])?$`,
  'iu',
);
const SIDES = { latitude: ['n', 's'], longitude: ['e', 'w'] } as const;

/** ° north or east of "-33.9", "33.9 S", "33° 52′ 10″ S", "S33.9". */
export function readCoordinate(text: string, axis: keyof typeof SIDES): Read {
  const [above, below] = SIDES[axis];
  const match = COORDINATE.exec(text.trim());
  const [, ahead, sign, degrees = '', minutes = '0', seconds = '0', behind] = match ?? [];
  const side = (ahead ?? behind)?.toLowerCase();
  const isClear = match !== null && !(ahead && behind) && !(side && sign);
  if (!isClear || (side !== undefined && side !== above && side !== below))
    return {
      problem: `Write degrees, such as ${axis === 'latitude' ? '33.9 S or 33° 52′ S' : '151.2 E or 151° 12′ E'}`,
    };
  const [d = 0, m = 0, s = 0] = [degrees, minutes, seconds].map((part) => Number(part.replace(',', '.')));
  if (m >= 60 || s >= 60) return { problem: 'Minutes and seconds of a degree are below 60' };
  const value = d + m / 60 + s / 3600;
  return { value: side === below || sign === '-' || sign === '−' ? -value : value };
}
