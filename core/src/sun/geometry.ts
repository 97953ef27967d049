import { MJ_PER_KWH } from '../quantity/units.ts';
import { MONTH_DAYS } from './months.ts';
import { declinationOn } from './position.ts';

/** Solar constant, W/m² (Duffie & Beckman). */
const SOLAR_CONSTANT = 1367;
const RADIANS = Math.PI / 180;

/** Day of the year whose declination is nearest the month's mean (Klein 1977), January first. */
const MEAN_DAY = [17, 47, 75, 105, 135, 162, 198, 228, 258, 288, 318, 344] as const;

export function meanDayOfMonth(month: number): number {
  const day = MEAN_DAY[month - 1];
  if (day === undefined) throw new RangeError(`month must be 1 to 12, not ${month}`);
  return day;
}

/** Cosine of the sun's zenith angle (eq. 1.6.5); angles in radians, hour angle negative before solar noon. */
export function cosZenith(latitude: number, decl: number, hourAngle: number): number {
  return Math.cos(latitude) * Math.cos(decl) * Math.cos(hourAngle) + Math.sin(latitude) * Math.sin(decl);
}

/** Hour angle of sunset, radians, 0 in polar night to π in polar day (eq. 1.6.10). */
export function sunsetHourAngle(latitude: number, decl: number): number {
  const cosine = -Math.tan(latitude) * Math.tan(decl);
  return Math.acos(Math.min(1, Math.max(-1, cosine)));
}

/** Extraterrestrial irradiance normal to the beam on day n, W/m² (eq. 1.4.1a). */
export function extraterrestrialNormal(day: number): number {
  return SOLAR_CONSTANT * (1 + 0.033 * Math.cos((2 * Math.PI * day) / 365));
}

/**
 * Daily extraterrestrial radiation on the flat, H₀, kWh/m² (eq. 1.10.3).
 * @param latitudeDeg −90…90, north positive
 * @param day of the year, 1 = January first
 * @param decl declination of that day, radians
 */
export function dailyExtraterrestrialKwh(latitudeDeg: number, day: number, decl = declinationOn(day)): number {
  if (!(Math.abs(latitudeDeg) <= 90)) throw new RangeError(`latitude must be −90° to 90°, not ${latitudeDeg}`);
  // At the very pole tan(latitude) overflows; a hair's breadth away it does not.
  const latitude = Math.max(-89.999, Math.min(89.999, latitudeDeg)) * RADIANS;
  const ws = sunsetHourAngle(latitude, decl);
  const joules =
    ((24 * 3600) / Math.PI) *
    extraterrestrialNormal(day) *
    (Math.cos(latitude) * Math.cos(decl) * Math.sin(ws) + ws * Math.sin(latitude) * Math.sin(decl));
  return Math.max(0, joules) / 1e6 / MJ_PER_KWH;
}

/** Means already reckoned, of one latitude: a job has one place, and is settled again and again. */
const known = { latitudeDeg: Number.NaN, months: new Map<number, number>() };

/** The month's mean of H₀ over all of its days, kWh/m² a day. @param month 1 = January */
export function monthlyExtraterrestrialKwh(latitudeDeg: number, month: number): number {
  if (known.latitudeDeg !== latitudeDeg) Object.assign(known, { latitudeDeg, months: new Map() });
  const found = known.months.get(month) ?? monthsMeanKwh(latitudeDeg, month);
  known.months.set(month, found);
  return found;
}

function monthsMeanKwh(latitudeDeg: number, month: number): number {
  const days = MONTH_DAYS[month - 1];
  if (days === undefined) throw new RangeError(`month must be 1 to 12, not ${month}`);
  const before = MONTH_DAYS.slice(0, month - 1).reduce((sum: number, n) => sum + n, 0);
  let total = 0;
  for (let day = 1; day <= days; day++) total += dailyExtraterrestrialKwh(latitudeDeg, before + day);
  return total / days;
}
