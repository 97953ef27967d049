import { throughBoxes } from '../sources/allInOne.ts';
import { type DrivingSize, sizeDriving } from '../sources/driving.ts';
import { sharingOutputs, throughInputs } from '../sources/shared.ts';
import { type Sky, type SolarSize, sizeSolar } from '../sources/solar.ts';
import type { Source } from '../sources/source.ts';
import { storeFactors } from '../store/requirement.ts';
import { type StoreSize, sizeStore } from '../store/size.ts';
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
}

/** Where it is fitted. */
type Around = Pick<SettledDay, 'job' | 'brief' | 'option' | 'sun' | 'ambientC' | 'leads'>;

/** The store and what fills it, as given or as the day asks for them. */
export function fitFor({ needWh, demand, typicalA, worstA }: Asked, around: Around): Fit {
  const { job, brief, option, leads } = around;
  const { system } = option;
  const store = sizeStore(system, brief, demand, storeFactors(system, typicalA), worstA);
  const driving = sizeDriving(brief, system, needWh, store, leads);
  const coveredWh = job.rules.arrayCovers === 'everything' ? 0 : driving.yieldWh * driving.countsShare;
  const solar = sizeSolar(system, skyOver(around), Math.max(0, needWh - coveredWh), leads);
  return { store, driving, solar, sources: sourcesOf(solar.sources, driving.sources, system) };
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
