import type { Place } from '../job/schema.ts';
import { remembering } from '../quantity/remember.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { type SunDay, sunAheadMin } from './day.ts';
import { cosZenith as cosZenithOf, extraterrestrialNormal, meanDayOfMonth } from './geometry.ts';
import { declinationOn } from './position.ts';

const RADIANS = Math.PI / 180;
/** Nearer to the horizon the share of the beam on a slope is not told apart from noise: cos 87°. */
const LOWEST_COS = 0.052;
/** Headings over which a vehicle that stands anyhow is averaged. */
export const HEADINGS = 12;

/**
 * Cosine of the sun's angle of incidence on a plane (Duffie & Beckman eq. 1.6.2), below 0 from behind.
 * @param latitude radians, north positive
 * @param decl declination, radians
 * @param hourAngle radians, negative before noon
 * @param slope radians from the horizontal
 * @param azimuth radians clockwise from north that the plane faces
 */
export function cosIncidence(
  latitude: number,
  decl: number,
  hourAngle: number,
  slope: number,
  azimuth: number,
): number {
  const fromSouth = azimuth - Math.PI;
  const [sinD, cosD] = [Math.sin(decl), Math.cos(decl)];
  const [sinL, cosL] = [Math.sin(latitude), Math.cos(latitude)];
  const [sinS, cosS] = [Math.sin(slope), Math.cos(slope)];
  const [sinA, cosA] = [Math.sin(fromSouth), Math.cos(fromSouth)];
  const [sinH, cosH] = [Math.sin(hourAngle), Math.cos(hourAngle)];
  return (
    sinD * sinL * cosS -
    sinD * cosL * sinS * cosA +
    cosD * cosL * cosS * cosH +
    cosD * sinL * sinS * cosA * cosH +
    cosD * sinS * sinA * sinH
  );
}

/** Share of the light on the flat that comes from the sky: Erbs, Klein & Duffie 1982. @param clearness of the hour, 0 to 1 */
export function diffuseShare(clearness: number): number {
  if (clearness <= 0.22) return 1 - 0.09 * clearness;
  if (clearness > 0.8) return 0.165;
  return 0.9511 + clearness * (-0.1604 + clearness * (4.388 + clearness * (-16.638 + clearness * 12.336)));
}

interface Light {
  /** On the flat at the ground and above the air, in the same unit. */
  readonly flat: number;
  readonly above: number;
  readonly cosZenith: number;
  readonly cosine: number;
  /** Radians. */
  readonly slope: number;
  /** Share of the light that the ground gives back. */
  readonly ground: number;
  readonly sky: 'isotropic' | 'hay-davies';
}

/**
 * Light on a plane: beam, sky and ground. The sky is even (Liu & Jordan 1963), or brighter round the sun by the share of
 * the beam that reaches the ground (Hay & Davies 1980).
 */
export const onPlane = ({ flat, above, cosZenith, cosine, slope, ground, sky }: Light): number =>
  underSky(flat, above, beamRatio(cosine, cosZenith), (1 + Math.cos(slope)) / 2, ground, sky);

/** @param ratio of the beam; `seen` share of the sky in view */
function underSky(flat: number, above: number, ratio: number, seen: number, ground: number, sky: Light['sky']): number {
  if (flat <= 0) return 0;
  const diffuse = flat * diffuseShare(above > 0 ? Math.min(1, flat / above) : 0);
  const around = sky === 'isotropic' || above <= 0 ? 0 : Math.min(1, (flat - diffuse) / above);
  return sumOnPlane(flat, diffuse, around, ratio, seen, ground);
}

/** By how much a beam falls more squarely on a plane than on the flat. */
export const beamRatio = (cosine: number, cosZenith: number): number =>
  Math.max(0, cosine) / Math.max(LOWEST_COS, cosZenith);

/**
 * Light on a plane from that on the flat and how much of it is diffuse, in its unit.
 * @param around share of the diffuse that comes from round the sun; `ratio` of the beam; `seen` share of the sky in view
 */
export const sumOnPlane = (
  flat: number,
  diffuse: number,
  around: number,
  ratio: number,
  seen: number,
  ground: number,
): number => (flat - diffuse + diffuse * around) * ratio + diffuse * (1 - around) * seen + flat * ground * (1 - seen);

/** How a plane lies. */
export interface Plane {
  /** ° from the horizontal, 0 to 90. */
  readonly slopeDeg: number;
  /** ° clockwise from north that it faces; null = any, as the vehicle happens to stand: the mean of all. */
  readonly azimuthDeg: number | null;
  /** Aimed at the sun all day, however it was set. */
  readonly follows: boolean;
}

/** Planes already reckoned: a day is never changed in place. */
const remembered = remembering<SunDay, Float64Array>(24);

/** W/m² on a plane in each minute of a day. */
export function planeIrradiance(place: Place, sun: SunDay, plane: Plane): Float64Array {
  const { slopeDeg, azimuthDeg, follows } = plane;
  if (slopeDeg === 0 && !follows) return sun.irradianceWm2;
  const from = follows ? ['follows'] : [slopeDeg, azimuthDeg];
  return remembered(sun, from, () => onThePlane(place, sun, plane));
}

function onThePlane(place: Place, sun: SunDay, { slopeDeg, azimuthDeg, follows }: Plane): Float64Array {
  const latitude = place.latitudeDeg * RADIANS;
  const day = meanDayOfMonth(sun.month);
  const decl = declinationOn(day);
  const normal = extraterrestrialNormal(day);
  const ahead = sunAheadMin(place, sun.month);
  const slope = slopeDeg * RADIANS;
  const ground = DEFAULT.groundAlbedo.value;
  const ratioAt = beamOn(latitude, decl, slope, azimuthDeg);
  return sun.irradianceWm2.map((flat, m) => {
    if (flat === 0) return 0;
    const hourAngle = (((m + ahead + 0.5) / MINUTES_PER_DAY) * 2 - 1) * Math.PI;
    const cosZenith = cosZenithOf(latitude, decl, hourAngle);
    const above = normal * cosZenith;
    const seen = (1 + (follows ? Math.max(-1, Math.min(1, cosZenith)) : Math.cos(slope))) / 2;
    const ratio = follows ? beamRatio(1, cosZenith) : ratioAt(hourAngle, cosZenith);
    return Math.min(normal, underSky(flat, above, ratio, seen, ground, 'hay-davies'));
  });
}

/**
 * The ratio of the beam on a plane by the hour angle and the zenith's cosine. Of a plane that faces anywhere it is the
 * mean over the headings: light goes with it in a straight line, so that the mean of light is that of the ratio.
 */
function beamOn(
  latitude: number,
  decl: number,
  slope: number,
  azimuthDeg: number | null,
): (hourAngle: number, cosZenith: number) => number {
  if (azimuthDeg !== null)
    return (hourAngle, cosZenith) =>
      beamRatio(cosIncidence(latitude, decl, hourAngle, slope, azimuthDeg * RADIANS), cosZenith);
  const facing = Array.from({ length: HEADINGS }, (_, i) => (i * 2 * Math.PI) / HEADINGS);
  const [cosA, sinA] = [facing.map(Math.cos), facing.map(Math.sin)];
  // The cosine of incidence is level + cos A · south + sin A · east, of which only the headings' part is another.
  const [sinD, cosD, sinL, cosL] = [Math.sin(decl), Math.cos(decl), Math.sin(latitude), Math.cos(latitude)];
  const [sinS, cosS] = [Math.sin(slope), Math.cos(slope)];
  return (hourAngle, cosZenith) => {
    const [sinH, cosH] = [Math.sin(hourAngle), Math.cos(hourAngle)];
    const level = sinD * sinL * cosS + cosD * cosL * cosS * cosH;
    const south = cosD * sinL * sinS * cosH - sinD * cosL * sinS;
    const east = cosD * sinS * sinH;
    let sum = 0;
    for (let i = 0; i < HEADINGS; i++)
      sum += beamRatio(level + (cosA[i] as number) * south + (sinA[i] as number) * east, cosZenith);
    return sum / HEADINGS;
  };
}
