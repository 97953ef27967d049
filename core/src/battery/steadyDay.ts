import { type DayAtBattery, type DayBattery, emptyAt, fullAt, type Income, simulateDay } from './day.ts';
import { dayGainWh } from './drift.ts';

/** Wh between one midnight and the next that is no drift. */
const SETTLED_WH = 0.01;
/** Days that are played one after the other before it is searched between. */
const FOLLOWED = 3;
/** Plays after which a day that still drifts is taken as it is. */
const MOST_PLAYS = 60;

const gainOf = ({ startWh, endWh }: DayAtBattery): number => endWh - startWh;
const isSettled = (day: DayAtBattery): boolean => Math.abs(gainOf(day)) < SETTLED_WH;

/**
 * A day as it is once many like it have gone by: with income enough the battery is full at some time of it, with less it
 * is empty at some time, and mostly the day after one that began so is like it. Otherwise: the end of a day grows with
 * its start and by no more than that, so that end − start falls, and where it is 0 lies between empty and full.
 */
export function steadyDay(battery: DayBattery, busW: Float64Array, income: Income): DayAtBattery {
  const from = (startWh: number) => simulateDay(battery, startWh, busW, income);
  const gains = dayGainWh(busW, income, battery.model, battery.warm) >= 0;
  let day = from(gains ? fullAt(battery) : emptyAt(battery));
  for (let n = 0; n < FOLLOWED && !isSettled(day); n++) day = from(day.endWh);
  if (isSettled(day)) return day;
  let losing = gains ? day : from(fullAt(battery));
  let gaining = gains ? from(emptyAt(battery)) : day;
  // Full all the time, or empty.
  if (gainOf(losing) >= 0) return losing;
  if (gainOf(gaining) <= 0) return gaining;
  for (let n = 0; n < MOST_PLAYS; n++) {
    const [high, low] = [losing.startWh, gaining.startWh];
    const straight = high + (gainOf(losing) * (high - low)) / (gainOf(gaining) - gainOf(losing));
    day = from(n % 3 === 2 ? (high + low) / 2 : straight);
    if (isSettled(day)) return day;
    if (gainOf(day) < 0) losing = day;
    else gaining = day;
  }
  return day;
}
