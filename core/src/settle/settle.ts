import type { Job } from '../job/schema.ts';
import { type EvidenceSummary, evidenceSummary } from '../loads/evidence.ts';
import { type BusMoment, busMoment } from '../moment/busMoment.ts';
import type { Effort } from '../moment/effort.ts';
import { type SupplyMoment, supplyMoment } from '../moment/supplyMoment.ts';
import { panelKg } from '../panels/panels.ts';
import { ledgerRows } from '../paths/ledger.ts';
import { type Ledger, ledgerOf } from '../paths/shares.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { nominalVoltageV } from '../reference/chemistries.ts';
import { throughBoxes } from '../sources/allInOne.ts';
import { storeDriftWh } from '../sources/drift.ts';
import { type DrivingSize, sizeDriving } from '../sources/driving.ts';
import { sharingOutputs, throughInputs } from '../sources/shared.ts';
import { type Sky, type SolarSize, sizeSolar } from '../sources/solar.ts';
import { controllersLoseWh, type Source, togetherW, yieldOf } from '../sources/source.ts';
import { directWh } from '../sources/spared.ts';
import { type Window, windowOf } from '../sources/window.ts';
import type { Demand } from '../store/demand.ts';
import { batteryKg, type KitMass, kitMass } from '../store/mass.ts';
import { passageOf } from '../store/passage.ts';
import { chargeWeightedMeanA } from '../store/peukert.ts';
import { storeFactors } from '../store/requirement.ts';
import { type StoreSize, sizeStore } from '../store/size.ts';
import { planeIrradiance } from '../sun/plane.ts';
import { type SettledDay, settleDay } from './day.ts';
import { demandOn } from './demand.ts';

/** An option with every size settled, as plain numbers; nothing is explained yet. */
export interface Settled extends SettledDay {
  /** What the store must carry on which days. */
  readonly demand: Demand;
  readonly nominalV: number;
  readonly ledger: Ledger;
  readonly evidence: EvidenceSummary;
  readonly night: Night;
  readonly busPeak: BusMoment;
  /** In the order of the brief. */
  readonly supplies: readonly SupplyMoment[];
  readonly store: StoreSize;
  readonly driving: DrivingSize;
  readonly solar: SolarSize;
  /** Of each array, what its panels bring against what its controller bears. */
  readonly windows: readonly Window[];
  /** All that fills the store, in the order they are drawn on. */
  readonly sources: readonly Source[];
  readonly income: Income;
  readonly kit: KitMass;
}

/** What is drawn while there is no sun. */
interface Night {
  readonly busWh: number;
  readonly darkH: number;
}

/** How the day's income and its need meet, Wh. */
interface Income {
  /** What each kind of source brings. */
  readonly sunWh: number;
  readonly drivingWh: number;
  /** Of what driving brings, what counts against the need. */
  readonly drivingCountsWh: number;
  /** Income less need, as if all passed through the store. */
  readonly netWh: number;
  /** Lost in controllers on the way in. */
  readonly controllersWh: number;
  /** Fed straight from the array to what runs meanwhile. */
  readonly directWh: number;
  /** What a store of any size gains over the day as it goes; below 0 it loses. */
  readonly driftWh: number;
}

/**
 * @param optionId the job's first option when left out; a RangeError when the job has no such option
 * @param effort what the searches may cost before they say "at most"; without a limit when left out
 */
export function settle(asStored: Job, optionId?: string, effort?: Effort): Settled {
  const day = settleDay(asStored, optionId, effort);
  const { job, brief, option, profiles, bus, feeds, slices, coincidence, inverters, roundTripEfficiency } = day;
  const { system } = option;
  const ledger = ledgerOf(ledgerRows(profiles, system.devices, bus.devices, bus.cables), bus, roundTripEfficiency);
  const needWh = ledger.total.batteryWh;
  const busPeak = busMoment(profiles, system.devices, feeds, slices, coincidence);
  const nominalV = nominalVoltageV(system.store.chemistry, system.busVoltageV);
  const factors = storeFactors(system, chargeWeightedMeanA(bus.busW, nominalV));
  const demand = demandOn(day);
  const store = sizeStore(system, brief, demand, factors, busPeak.weight / nominalV);
  const driving = sizeDriving(brief, system, needWh, store, day.leads);
  const coveredWh = job.rules.arrayCovers === 'everything' ? 0 : driving.yieldWh * driving.countsShare;
  const solar = sizeSolar(system, skyOver(day), Math.max(0, needWh - coveredWh), day.leads);
  const sources = sourcesOf(solar.sources, driving.sources, system);
  const drivenWh = yieldOf(sources, 'driving');
  return {
    ...day,
    demand,
    nominalV,
    ledger,
    evidence: evidenceSummary(
      job.loads.map(({ id, evidence }, i) => ({
        loadId: id,
        evidence,
        batteryWh: ledger.loads[i]?.batteryWh ?? 0,
      })),
      ledger.unattended.batteryWh,
    ),
    night: nightOf(day),
    busPeak,
    supplies: brief.supplies.map((supply) => supplyMoment(supply, profiles, system, inverters, slices, coincidence)),
    store,
    driving,
    solar,
    windows: solar.arrays.map((array) => windowOf(array, job.brief, system)),
    sources,
    income: {
      sunWh: yieldOf(sources, 'sun'),
      drivingWh: drivenWh,
      drivingCountsWh: drivenWh * driving.countsShare,
      netWh: yieldOf(sources, 'sun') + drivenWh * driving.countsShare - needWh,
      controllersWh: controllersLoseWh(sources),
      directWh: directWh(bus.busW, sunW(sources)),
      driftWh: storeDriftWh(bus.busW, sources, passageOf(system)),
    },
    kit: kitMass(
      system,
      store.bank?.kg ?? batteryKg(system, store.capacityWh),
      panelKg(solar.arrays),
      inverters,
      day.leads?.kg ?? 0,
    ),
  };
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

/** W that the sun offers in each minute. */
export const sunW = (sources: readonly Source[]): Float64Array =>
  togetherW(
    sources.filter(({ kind }) => kind === 'sun'),
    MINUTES_PER_DAY,
  );

function nightOf({ bus, sun }: SettledDay): Night {
  let wattMinutes = 0;
  let darkMin = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    if ((sun.irradianceWm2[m] as number) > 0) continue;
    wattMinutes += bus.busW[m] as number;
    darkMin++;
  }
  return { busWh: wattMinutes / 60, darkH: darkMin / 60 };
}
