import { type DayAtBattery, dayBattery, type Income, isWorthAWord } from '../battery/day.ts';
import { type FittedStore, storeModelOf } from '../battery/fittedModel.ts';
import { storeFactors } from '../battery/requirement.ts';
import { type StoreSize, sizeStore } from '../battery/size.ts';
import { steadyDay } from '../battery/steadyDay.ts';
import { type Charging, type WarmDay, warmDay, withHeater } from '../battery/warmDay.ts';
import { batteryOf } from '../battery/warmth.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { ARRAY_STEP_W } from '../reference/sizes.ts';
import { dayIncome } from '../sources/dayIncome.ts';
import { type DrivingSize, driveProfile, sizeDriving } from '../sources/driving.ts';
import { throughShared } from '../sources/shared.ts';
import { type Sky, type SolarSize, sizeSolar } from '../sources/solar.ts';
import { type Source, wattHours } from '../sources/source.ts';
import { planeIrradiance } from '../sun/plane.ts';
import type { Asked } from './asked.ts';
import type { SettledDay } from './day.ts';

/** What is fitted for it. */
export interface Fit {
  readonly store: StoreSize;
  readonly driving: DrivingSize;
  readonly solar: SolarSize;
  /** All that fills the store, in the order they are drawn on. */
  readonly sources: readonly Source[];
  /** What they bring together. */
  readonly brings: Income;
  /** Wh a day that the store's heater takes while the sun is up or the engine runs, as what charges is sized for it. */
  readonly heaterAsksWh: number;
  /** And what makes good what the store loses by itself. */
  readonly selfAsksWh: number;
  /** How warm the battery is, and what its heater takes of what the sources really bring. */
  readonly heater: WarmDay;
}

/** Where it is fitted. */
type Around = Pick<SettledDay, 'job' | 'brief' | 'option' | 'sun' | 'ambientC' | 'leads'>;

/** The store and what fills it, as given or as the day asks for them. */
export function fitFor({ needWh, busW, demand, typicalA, currents }: Asked, around: Around): Fit {
  const { job, brief, option, ambientC, leads } = around;
  const { system } = option;
  const store = sizeStore(system, brief, demand, storeFactors(keeping(job, system), typicalA), currents);
  const battery = batteryOf(system, store.kg);
  const heaterAsksWh = battery.heaterW > 0 ? warmDay(battery, ambientC, amply(around)).wh : 0;
  const model = storeModelOf({ store, option }, 'old');
  const selfAsksWh = model.selfWhPerDay / model.inBySun;
  const askedOfAllWh = needWh + heaterAsksWh + selfAsksWh;
  const driving = sizeDriving(brief, system, askedOfAllWh, store, leads);
  const coveredWh = job.rules.arrayCovers === 'everything' ? 0 : driving.yieldWh * driving.countsShare;
  const sky = skyOver(around);
  const filledBy = (moreW: number) => {
    const solar = sizeSolar(system, sky, Math.max(0, askedOfAllWh - coveredWh), leads, moreW);
    const sources = sourcesOf(solar.sources, driving.sources, system);
    const brings = dayIncome(sources);
    return { solar, sources, brings, heater: warmOn(store, around, brings) };
  };
  const askedWh = wattHours(busW);
  const isServed = (filled: ReturnType<typeof filledBy>): boolean =>
    !isWorthAWord(usualDay({ store, option, ...filled }, busW).books.unservedWh, askedWh);
  const byBalance = filledBy(0);
  const isOpen = system.arrays === null && byBalance.solar.flat.whPerRatedW >= HELPS_WH;
  const moreW =
    isOpen && !isServed(byBalance) ? leastServing(byBalance.solar, needWh, (w) => isServed(filledBy(w))) : 0;
  return { store, driving, heaterAsksWh, selfAsksWh, ...(moreW > 0 ? filledBy(moreW) : byBalance) };
}

/** Where all loads are critical none goes earlier than the others: nothing is kept from any. */
const keeping = ({ loads }: Around['job'], system: Around['option']['system']): typeof system =>
  system.store.keepForCritical > 0 && loads.every(({ critical }) => critical)
    ? { ...system, store: { ...system.store, keepForCritical: 0 } }
    : system;

/** Wh a day that 1 W of an array gives where one is made larger than its balance asks: in less sun it would fill a field. From memory. */
const HELPS_WH = 0.3;
/** Steps in which larger arrays are tried, the last covering all of the need once more. From memory. */
const MOST_TRIED = 20;

/** The least W more than an array needs by its balance with which the day is served; 0 where the largest does not help. */
function leastServing({ requiredW, ratingW, flat }: SolarSize, needWh: number, serves: (w: number) => boolean): number {
  const stepW = Math.ceil(needWh / flat.whPerRatedW / MOST_TRIED / ARRAY_STEP_W) * ARRAY_STEP_W;
  const moreW = (steps: number) => ratingW + steps * stepW - requiredW;
  if (!serves(moreW(MOST_TRIED))) return 0;
  let [short, enough] = [0, MOST_TRIED];
  while (enough - short > 1) {
    const middle = Math.floor((short + enough) / 2);
    if (serves(moreW(middle))) enough = middle;
    else short = middle;
  }
  return moreW(enough);
}

/** More than any heater takes, W. */
const AMPLE_W = 1e6;

/** Enough for any heater while the sun is up or the engine runs, whatever is fitted. */
const amply = ({ sun, brief }: Pick<Around, 'sun' | 'brief'>): Charging => ({
  sunW: sun.irradianceWm2.map((w) => (w > 0 ? AMPLE_W : 0)),
  drivingW: driveProfile(brief.drives, AMPLE_W),
  supplyW: new Float64Array(MINUTES_PER_DAY),
});

/** How warm the battery is, and what its heater takes of what its sources bring. */
export function warmOn(
  { kg }: Pick<StoreSize, 'kg'>,
  { option, ambientC }: Pick<Around, 'option' | 'ambientC'>,
  brings: Income,
): WarmDay {
  return warmDay(batteryOf(option.system, kg), ambientC, brings);
}

/** A day once many like it have gone by. @param busW W on the bus in each minute, the heater apart */
export const usualDay = (fitted: FittedStore & Pick<Fit, 'heater' | 'brings'>, busW: Float64Array): DayAtBattery =>
  steadyDay(dayBattery(fitted, fitted.heater), withHeater(busW, fitted.heater), fitted.brings);

/** The sky of the day that was settled, as arrays see it. */
export const skyOver = ({
  brief,
  sun,
  ambientC,
  job,
}: Pick<SettledDay, 'brief' | 'sun' | 'ambientC' | 'job'>): Sky => ({
  onPlane: (plane) => planeIrradiance(brief.place, sun, plane),
  ambientC,
  flatFactor: job.rules.arrayFactor,
});

/** What fills the store in the order it is drawn on, held to what outputs, units and inputs let in. */
export const sourcesOf = (
  sun: readonly Source[],
  driving: readonly Source[],
  system: SettledDay['option']['system'],
): readonly Source[] =>
  throughShared(
    [...sun, ...driving].sort((a, b) => a.priority - b.priority),
    system,
  );
