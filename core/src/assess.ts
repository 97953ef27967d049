import type { Assessment } from './assessment.ts';
import { findAll } from './findings/rules.ts';
import { briefOn } from './job/day.ts';
import type { DesignOption, Job } from './job/schema.ts';
import { ambientByMinuteC } from './loads/ambient.ts';
import { evidenceSummary } from './loads/evidence.ts';
import { type LoadProfile, rememberedProfile } from './loads/profile.ts';
import { recordRange } from './loads/rangeFigures.ts';
import { recordPeakCurrent } from './moment/currentFigure.ts';
import { recordMoments, type SizedInverter } from './moment/momentFigures.ts';
import { ledgerOf, recordDemand, recordNight } from './paths/demandFigures.ts';
import { type Feed, feedOf, givenRatingW } from './paths/feed.ts';
import { type BusDay, busDay } from './paths/ledger.ts';
import { FigureBook } from './quantity/figure.ts';
import { CHEMISTRY, nominalVoltageV } from './reference/chemistries.ts';
import { type ArrayDay, arrayDay } from './sources/array.ts';
import { recordAlternator, recordSun } from './sources/sourceFigures.ts';
import { recordMass } from './store/massFigures.ts';
import { chargeWeightedMeanA } from './store/peukert.ts';
import { recordStore } from './store/storeFigures.ts';
import { designMonth, sunDay } from './sun/day.ts';

/** What `assess` computes on the way that the simulation and the demand curve go on from. */
export interface Evaluation {
  readonly assessment: Assessment;
  readonly option: DesignOption;
  readonly profiles: readonly LoadProfile[];
  readonly inverters: readonly SizedInverter[];
  readonly feeds: readonly Feed[];
  readonly bus: BusDay;
  readonly array: ArrayDay;
}

/** Everything said about one option of a job, in the order of the trade's work. Pure. */
export function assess(job: Job, optionId?: string): Assessment {
  return evaluate(job, optionId).assessment;
}

/** @param optionId the job's first option when left out; a RangeError when the job has no such option */
export function evaluate(job: Job, optionId?: string): Evaluation {
  const option = optionId === undefined ? job.options[0] : job.options.find(({ id }) => id === optionId);
  if (!option) {
    const known = job.options.map(({ id }) => id).join(', ');
    throw new RangeError(`this job has no option "${optionId}"; it has ${known}`);
  }
  const brief = briefOn(job.brief);
  const { rules } = job;
  const { system } = option;
  const { devices } = system;
  const book = new FigureBook();

  const ambientC = ambientByMinuteC(brief.place);
  const sun = sunDay(brief.place, designMonth(brief));
  const around = { ambientC, irradianceWm2: sun.irradianceWm2, day: brief.day };
  const profiles = job.loads.map((load) => rememberedProfile(load, around));

  const inverters = recordMoments(book, profiles, devices, job);
  const feeds = feedsOf(job, option, inverters);
  const bus = busDay(profiles, devices, feeds);
  const roundTrip = system.store.roundTripEfficiency ?? CHEMISTRY[system.store.chemistry].roundTripEfficiency;
  const ledger = ledgerOf(bus, roundTrip);
  const idleFigure = (id: string) => inverters.find(({ device }) => device.id === id)?.ids.idle;
  recordDemand(book, profiles, ledger, bus.devices, idleFigure, roundTrip);

  recordNight(book, bus.busW, sun.irradianceWm2, roundTrip);

  const nominalV = nominalVoltageV(system.store.chemistry, system.busVoltageV);
  recordPeakCurrent(book, profiles, devices, feeds, job.neverTogether, nominalV);
  recordStore(book, brief, system, chargeWeightedMeanA(bus.busW, nominalV));

  recordAlternator(book, brief, system, nominalV);
  const array = arrayDay(sun, ambientC, rules.arrayFactor);
  recordSun(book, { ...job, brief }, system, sun, array);
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
  const findings = findAll({ job, option, profiles, figures, ledger, evidence, inverters, bus });
  return {
    assessment: { optionId: option.id, figures, ledger, evidence, findings },
    option,
    profiles,
    inverters,
    feeds,
    bus,
    array,
  };
}

/** Every device with its size settled: inverters as their loads ask, the others as given. */
function feedsOf(job: Job, { system }: DesignOption, inverters: readonly SizedInverter[]): Feed[] {
  return system.devices.flatMap((device): Feed[] => {
    if (device.kind === 'inverter') {
      const feed = inverters.find((sized) => sized.device.id === device.id)?.feed;
      return feed ? [feed] : [];
    }
    const ratingW = givenRatingW(device);
    return ratingW === null ? [] : [feedOf(device, ratingW, job.rules.inverterCurve)];
  });
}
