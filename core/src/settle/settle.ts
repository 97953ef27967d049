import type { Demand } from '../battery/demand.ts';
import { dayGainWh } from '../battery/drift.ts';
import { storeModelOf } from '../battery/fittedModel.ts';
import { type KitMass, kitMass } from '../battery/mass.ts';
import { NEVER_LOCKED, withHeater } from '../battery/warmDay.ts';
import type { Job } from '../job/schema.ts';
import { type EvidenceSummary, evidenceSummary } from '../loads/evidence.ts';
import type { BusMoment } from '../moment/busMoment.ts';
import { Effort } from '../moment/effort.ts';
import { type SupplyMoment, supplyMoment } from '../moment/supplyMoment.ts';
import { panelKg } from '../panels/panels.ts';
import type { Ledger } from '../paths/shares.ts';
import { remembering } from '../quantity/remember.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Currents } from '../reference/currents.ts';
import { controllersLoseWh, yieldOf } from '../sources/source.ts';
import { directWh } from '../sources/spared.ts';
import { type Window, windowOf } from '../sources/window.ts';
import { askedBy } from './asked.ts';
import { type SettledDay, settleDay } from './day.ts';
import { type Fit, fitFor } from './fit.ts';

/** An option with every size settled, as plain numbers; nothing is explained yet. */
export interface Settled extends SettledDay, Fit {
  /** What the store must carry on which days. */
  readonly demand: Demand;
  readonly nominalV: number;
  readonly ledger: Ledger;
  readonly evidence: EvidenceSummary;
  readonly night: Night;
  readonly busPeak: BusMoment;
  /** What is asked of the store at its worst, A at nominal volts. */
  readonly currents: Currents;
  /** In the order of the brief. */
  readonly supplies: readonly SupplyMoment[];
  /** Of each array, what its panels bring against what its controller bears. */
  readonly windows: readonly Window[];
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
  /** What the battery gains over the day as it goes, below 0 what it loses. */
  readonly balanceWh: number;
  /** In it: saved since what runs while something comes does not pass through the battery; and not taken for cold. */
  readonly sparedWh: number;
  readonly lockedWh: number;
  /** And what the battery loses by itself. */
  readonly selfWh: number;
  /** Lost in controllers on the way in. */
  readonly controllersWh: number;
  /** Fed straight from the array to what runs meanwhile. */
  readonly directWh: number;
}

/** Wh at the battery of what idles on a load's account, with its share of what storing loses. */
function idleAtBattery(row: Ledger['loads'][number] | undefined): number {
  if (!row || row.batteryWh <= 0) return 0;
  const drawnWh = row.usefulWh + row.conversionWh + row.idleWh + row.cableWh;
  return drawnWh > 0 ? (row.idleWh * row.batteryWh) / drawnWh : 0;
}

/**
 * @param optionId the job's first option when left out; a RangeError when the job has no such option
 * @param effort what the searches may cost before they say "at most"; without a limit when left out
 */
export function settle(asStored: Job, optionId?: string, effort?: Effort): Settled {
  const day = settleDay(asStored, optionId, effort);
  const { job, brief, option, profiles, bus, slices, coincidence, inverters } = day;
  const { system } = option;
  const asked = askedBy(day);
  const { ledger, busPeak, nominalV, demand, needWh } = asked;
  const fit = fitFor(asked, day);
  const { store, driving, solar, sources, brings, heater } = fit;
  const busW = withHeater(bus.busW, heater);
  const [sunWh, drivenWh] = [yieldOf(sources, 'sun'), yieldOf(sources, 'driving')];
  const battery = storeModelOf({ store, option }, 'old');
  const balanceWh = dayGainWh(busW, brings, battery, heater);
  const warmWh = heater.lockedH > 0 ? dayGainWh(busW, brings, battery, NEVER_LOCKED) : balanceWh;
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
        idleWh: idleAtBattery(ledger.loads[i]),
      })),
      ledger.unattended.batteryWh,
    ),
    night: nightOf(day),
    busPeak,
    currents: asked.currents,
    supplies: brief.supplies.map((supply) => supplyMoment(supply, profiles, system, inverters, slices, coincidence)),
    ...fit,
    windows: solar.arrays.map((array) => windowOf(array, job.brief, system)),
    income: {
      sunWh,
      drivingWh: drivenWh,
      drivingCountsWh: drivenWh * driving.countsShare,
      balanceWh,
      sparedWh: warmWh + battery.selfWhPerDay - (sunWh + drivenWh * driving.countsShare - needWh - heater.wh),
      selfWh: battery.selfWhPerDay,
      lockedWh: warmWh - balanceWh,
      controllersWh: controllersLoseWh(sources),
      directWh: directWh(busW, brings.sunW),
    },
    kit: kitMass(system, store.kg, panelKg(solar.arrays), inverters, day.leads?.kg ?? 0),
  };
}

const remembered = remembering<Job, Settled>();

/**
 * `settle`, remembered for as long as the job is the same: what is asked beside the figures is asked of the same sizes.
 * @param effort what the searches may cost
 */
export const settledWithin = (job: Job, optionId: string, effort: number): Settled =>
  remembered(job, [optionId, effort], () => settle(job, optionId, new Effort(effort)));

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
