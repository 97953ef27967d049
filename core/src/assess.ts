import type { Assessment } from './assessment.ts';
import { findAll } from './findings/rules.ts';
import type { Job } from './job/schema.ts';
import { evidenceSummary } from './loads/evidence.ts';
import { recordRange } from './loads/rangeFigures.ts';
import { recordBus, recordCRate } from './moment/busFigures.ts';
import { type BusMoment, busMoment } from './moment/busMoment.ts';
import type { Effort } from './moment/effort.ts';
import { recordInverters } from './moment/momentFigures.ts';
import { recordSupplies } from './moment/supplyFigures.ts';
import { type SupplyMoment, supplyMoment } from './moment/supplyMoment.ts';
import { ledgerOf, recordDemand, recordNight } from './paths/demandFigures.ts';
import { ledgerRows } from './paths/ledger.ts';
import { FigureBook } from './quantity/figure.ts';
import { nominalVoltageV } from './reference/chemistries.ts';
import { type Settled, settle } from './settle.ts';
import { type ArrayDay, arrayDay, arrayOutput } from './sources/array.ts';
import { storeDriftWh } from './sources/drift.ts';
import { driveProfile } from './sources/driving.ts';
import { recordAlternator, recordSun } from './sources/sourceFigures.ts';
import { recordSpared } from './sources/spared.ts';
import { recordMass } from './store/massFigures.ts';
import { chargeWeightedMeanA } from './store/peukert.ts';
import { type StoreFactors, storeFactors } from './store/requirement.ts';
import { recordStore } from './store/storeFigures.ts';

/** What `assess` computes on the way that the simulation, the curves and the moves go on from. */
export interface Evaluation extends Settled {
  readonly assessment: Assessment;
  readonly array: ArrayDay;
  readonly busPeak: BusMoment;
  /** In the order of the brief. */
  readonly supplies: readonly SupplyMoment[];
  /** W that the option's array gives in each minute of the day. */
  readonly arrayW: Float64Array;
  /** W that the charger on the alternator gives in each minute. */
  readonly alternatorW: Float64Array;
  readonly factors: StoreFactors;
}

/** Everything said about one option of a job, in the order of the trade's work. Pure. */
export function assess(job: Job, optionId?: string): Assessment {
  return evaluate(job, optionId).assessment;
}

/**
 * @param optionId the job's first option when left out; a RangeError when the job has no such option
 * @param effort what the searches may cost before they say "at most"; without a limit when left out
 */
export function evaluate(asStored: Job, optionId?: string, effort?: Effort): Evaluation {
  const settled = settle(asStored, optionId, effort);
  const {
    job,
    coincidence,
    brief,
    option,
    ambientC,
    sun,
    profiles,
    slices,
    inverters,
    feeds,
    bus,
    roundTripEfficiency,
  } = settled;
  const { rules } = job;
  const { system } = option;
  const book = new FigureBook();

  const nominalV = nominalVoltageV(system.store.chemistry, system.busVoltageV);
  recordInverters(book, inverters, rules, nominalV);
  const rows = ledgerRows(profiles, system.devices, bus.devices);
  const ledger = ledgerOf(rows, bus.unattendedIdleWh, roundTripEfficiency);
  const idleFigure = (id: string) => inverters.find(({ device }) => device.id === id)?.ids.idle;
  recordDemand(book, profiles, ledger, bus.devices, idleFigure, roundTripEfficiency);
  recordNight(book, bus.busW, sun.irradianceWm2, roundTripEfficiency);

  const busPeak = busMoment(profiles, system.devices, feeds, slices, coincidence);
  recordBus(book, busPeak, nominalV);
  const factors = storeFactors(system, chargeWeightedMeanA(bus.busW, nominalV));
  recordStore(book, brief, system, settled.demand, factors);
  recordCRate(book);
  const supplies = brief.supplies.map((supply) =>
    supplyMoment(supply, profiles, system, inverters, slices, coincidence),
  );
  recordSupplies(book, supplies, nominalV);

  recordAlternator(book, brief, system, nominalV);
  const array = arrayDay(sun, ambientC, rules.arrayFactor);
  recordSun(book, { ...job, brief }, system, sun, array);
  const ratedW = book.value('array.rating');
  const { watts: arrayW } = arrayOutput(system.arrays, ratedW, array, system.busVoltageV);
  recordSpared(book, bus.busW, arrayW, roundTripEfficiency);
  recordMass(
    book,
    brief,
    system,
    inverters.reduce((sum, { ratingW }) => sum + ratingW, 0),
  );

  const evidence = evidenceSummary(
    job.loads.map((load, i) => ({
      loadId: load.id,
      evidence: load.evidence,
      batteryWh: ledger.loads[i]?.batteryWh ?? 0,
    })),
    ledger.unattended.batteryWh,
  );
  recordRange(book, job.loads, evidence);

  const figures = book.all();
  const alternatorW = driveProfile(brief.driveHoursPerDay, book.value('alternator.yield'));
  const driftWh = storeDriftWh(bus.busW, arrayW, alternatorW, roundTripEfficiency);
  const findings = findAll({
    job,
    option,
    profiles,
    figures,
    ledger,
    evidence,
    inverters,
    bus,
    supplies,
    busPeak,
    coincidence,
    driftWh,
  });
  return {
    ...settled,
    busPeak,
    supplies,
    assessment: { optionId: option.id, figures, ledger, evidence, findings },
    array,
    arrayW,
    alternatorW,
    factors,
  };
}
