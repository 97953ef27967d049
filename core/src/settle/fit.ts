import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { ARRAY_STEP_W } from '../reference/sizes.ts';
import { throughBoxes } from '../sources/allInOne.ts';
import { isWorthAWord, simulateDay } from '../sources/dayAtStore.ts';
import { type DrivingSize, driveProfile, sizeDriving } from '../sources/driving.ts';
import { sharingOutputs, throughInputs } from '../sources/shared.ts';
import { type Sky, type SolarSize, sizeSolar } from '../sources/solar.ts';
import { type Source, togetherW } from '../sources/source.ts';
import { steadyDay } from '../sources/steady.ts';
import { type Charging, type HeaterDay, heaterDay, NO_HEATER, withHeater } from '../store/heaterDay.ts';
import { storeFactors } from '../store/requirement.ts';
import { type StoreSize, sizeStore } from '../store/size.ts';
import { batteryOf } from '../store/warmth.ts';
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
  /** Wh a day that the store's heater takes while the sun is up or the engine runs, as what charges is sized for it. */
  readonly heaterAsksWh: number;
  /** What it takes of what the sources really bring. */
  readonly heater: HeaterDay;
}

/** Where it is fitted. */
type Around = Pick<SettledDay, 'job' | 'brief' | 'option' | 'sun' | 'ambientC' | 'leads'>;

/** The store and what fills it, as given or as the day asks for them. */
export function fitFor({ needWh, busW, demand, typicalA, worstA }: Asked, around: Around): Fit {
  const { job, brief, option, ambientC, leads } = around;
  const { system } = option;
  const store = sizeStore(system, brief, demand, storeFactors(system, typicalA), worstA);
  const battery = batteryOf(system, store.kg);
  const heaterAsksWh = battery.heaterW > 0 ? heaterDay(battery, ambientC, amply(around)).wh : 0;
  const driving = sizeDriving(brief, system, needWh + heaterAsksWh, store, leads);
  const coveredWh = job.rules.arrayCovers === 'everything' ? 0 : driving.yieldWh * driving.countsShare;
  const sky = skyOver(around);
  const filledBy = (moreW: number) => {
    const solar = sizeSolar(system, sky, Math.max(0, needWh + heaterAsksWh - coveredWh), leads, moreW);
    const sources = sourcesOf(solar.sources, driving.sources, system);
    return { solar, sources, heater: heaterOn(store, around, sources) };
  };
  const isServed = ({ sources, heater }: ReturnType<typeof filledBy>): boolean =>
    !isWorthAWord(steadyDay({ store, option }, withHeater(busW, heater), sources, simulateDay).books.unservedWh, busW);
  const byBalance = filledBy(0);
  const isOpen = system.arrays === null && byBalance.solar.flat.whPerRatedW >= HELPS_WH;
  const moreW =
    isOpen && !isServed(byBalance) ? leastServing(byBalance.solar, needWh, (w) => isServed(filledBy(w))) : 0;
  return { store, driving, heaterAsksWh, ...(moreW > 0 ? filledBy(moreW) : byBalance) };
}

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
  supplyW: NO_HEATER.watts,
});

/** What the store's heater takes of what its sources bring. */
export function heaterOn(
  { kg }: Pick<StoreSize, 'kg'>,
  { option, ambientC }: Pick<Around, 'option' | 'ambientC'>,
  sources: readonly Source[],
): HeaterDay {
  const battery = batteryOf(option.system, kg);
  if (battery.heaterW === 0) return NO_HEATER;
  const of = (wanted: Source['kind']) =>
    togetherW(
      sources.filter(({ kind }) => kind === wanted),
      MINUTES_PER_DAY,
    );
  return heaterDay(battery, ambientC, { sunW: of('sun'), drivingW: of('driving'), supplyW: of('supply') });
}

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

/** What fills the store in the order it is drawn on, shared outputs held to what their charger gives. */
export const sourcesOf = (
  sun: readonly Source[],
  driving: readonly Source[],
  system: SettledDay['option']['system'],
): readonly Source[] => {
  const shared = sharingOutputs([...sun, ...driving], system.driving ?? [], system.busVoltageV);
  const inOrder = [...shared].sort((a, b) => a.priority - b.priority);
  return throughInputs(throughBoxes(inOrder, system), system.store);
};
