import type { Inverter, Job } from '../job/schema.ts';
import { FORMS } from '../job/values.ts';
import type { Weights } from '../moment/coincidence.ts';
import { type Combinations, combinationsWithin } from '../moment/combinations.ts';
import type { Effort } from '../moment/effort.ts';
import { heaviestFirst } from '../moment/nextSets.ts';
import type { SizedInverter } from '../moment/sizeInverters.ts';
import { type SupplyMoment, supplyMoment } from '../moment/supplyMoment.ts';
import { type Trip, tripsOf } from '../moment/trips.ts';
import type { TimedSet } from '../moment/weighed.ts';
import { acWeights, isIn, startsOf } from '../moment/worstMoment.ts';
import { MOTOR_FROM } from '../reference/starts.ts';
import { type Settled, settle } from '../settle/settle.ts';
import { type AssistDay, assistDay } from './assistDay.ts';
import { type Habits, habitsOf } from './habits.ts';
import { type SchoolChoice, type SizeChoice, schoolChoices, sizeChoices } from './inverterChoice.ts';

/** One of the heaviest sets of an inverter, the largest member first, with its own worst start and what trips. */
export interface RankedSet extends TimedSet {
  readonly members: readonly { readonly id: string; readonly name: string; readonly watts: number }[];
  readonly apparentVa: number;
  readonly startW: number;
  readonly starters: readonly string[];
  readonly startSeconds: number;
  readonly trips: readonly Trip[];
}

export interface InverterDetail {
  readonly deviceId: string;
  readonly sets: readonly RankedSet[];
  readonly sizes: readonly SizeChoice[];
  readonly schools: readonly SchoolChoice[];
  readonly combinations: Combinations;
  /** Loads that a stepped wave would harm: motors, and medical or precision devices. */
  readonly sineFor: readonly string[];
  readonly forms: readonly FormChoice[];
  /** What would shrink it; null when fewer than two loads hang on it. */
  readonly habits: Habits | null;
}

/** What a kind of inverter makes possible on each supply of the brief. */
export interface FormChoice {
  readonly form: Inverter['form'];
  /** Wh a day more on a supply, because what could run straight from it goes through the store. */
  readonly detourWh: number;
  readonly on: readonly {
    readonly supplyId: string;
    readonly unit: 'A' | 'W';
    /** The heaviest set on it, and what is used of it. */
    readonly worstSize: number;
    readonly limitSize: number;
    readonly fits: boolean;
    /** Assisted: what the inverter adds is enough. */
    readonly helped: boolean;
    readonly assistW: number;
  }[];
}

export interface SupplyDetail {
  readonly supplyId: string;
  readonly combinations: Combinations;
  readonly assistDay: AssistDay | null;
}

export interface MomentDetail {
  readonly inverters: readonly InverterDetail[];
  readonly supplies: readonly SupplyDetail[];
}

/** How many sets are listed. */
const SETS = 4;

/**
 * All that the Worst moment step says beyond the figures; reckoned in a worker.
 * @param effort what its searches may cost; without a limit when left out
 */
export function momentDetail(asStored: Job, optionId: string, effort?: Effort): MomentDetail {
  const settled = settle(asStored, optionId, effort);
  const { job } = settled;
  return {
    inverters: settled.inverters
      .filter(({ ratingW }) => ratingW > 0)
      .map((inverter) => inverterDetail(job, settled, inverter)),
    supplies: settled.supplies.map((moment) => supplyDetail(job, settled, moment)),
  };
}

function inverterDetail(job: Job, settled: Settled, inverter: SizedInverter): InverterDetail {
  const { moment, bears, device } = inverter;
  const starters = moment.acLoads.map(({ id, runningW, startExtraW }) => ({
    id,
    size: runningW,
    startExtra: startExtraW,
  }));
  const ids = new Set(moment.acLoads.map(({ id }) => id));
  return {
    deviceId: device.id,
    sets: rankedSets(job, settled, inverter),
    sizes: sizeChoices(job, settled.option.id, inverter),
    schools: schoolChoices(inverter),
    combinations: combinationsWithin(
      starters,
      { running: bears.hotW, alone: bears.hotW, starting: bears.surgeW },
      settled.coincidence,
      job.together,
    ),
    sineFor: job.loads
      .filter(({ id, sensitive, startRatio }) => ids.has(id) && (sensitive || startRatio >= MOTOR_FROM))
      .map(({ name }) => name),
    forms: formChoices(job, settled, inverter),
    habits: habitsOf(job, settled, inverter),
  };
}

/** The heaviest sets, each with what starts worst in it. */
function rankedSets(job: Job, { slices, coincidence }: Settled, { moment, bears }: SizedInverter): RankedSet[] {
  const byId = new Map(moment.acLoads.map((load) => [load.id, load]));
  const onSlice = slices
    .map(({ startMin, powerW }) => {
      const weights = acWeights(moment.acLoads, { startMin, powerW });
      return { startMin, weights, atMost: coincidence.bound(weights) };
    })
    .sort((a, b) => b.atMost - a.atMost);
  let apart: (TimedSet & { readonly weights: Weights })[] = [];
  for (const { startMin, weights, atMost } of onSlice) {
    // No slice from here on has a set that would be listed.
    if (atMost <= (apart[SETS - 1]?.weight ?? -1)) break;
    const found = heaviestFirst(coincidence, weights, SETS).map((set) => ({ ...set, startMin, weights }));
    const all = [...apart, ...found].filter(({ ids }) => ids.length > 0).sort((a, b) => b.weight - a.weight);
    apart = all.filter(({ ids }, i) => !all.slice(0, i).some((heavier) => ids.every((id) => heavier.ids.includes(id))));
  }
  return apart.slice(0, SETS).map(({ ids, weight, startMin, weights, isProved }) => {
    const members = ids
      .map((id) => ({ id, name: byId.get(id)?.name ?? id, watts: weights.get(id) ?? 0 }))
      .sort((a, b) => b.watts - a.watts);
    const apparentVa = members.reduce((sum, { id, watts }) => sum + watts * (byId.get(id)?.vaPerW ?? 1), 0);
    const loads = moment.acLoads.filter(({ id }) => ids.includes(id));
    const ownW = new Map(loads.map(({ id, perLoadW }) => [id, (weights.get(id) ?? 0) / perLoadW]));
    const starts = startsOf(loads, coincidence, job.rules.twoMayStart)
      .filter((starting) => isIn(starting, ownW))
      .map(({ ids: starters, extraW, seconds }) => ({ starters, weight: weight + extraW, seconds }));
    const worst = starts[0] ?? { starters: [], weight, seconds: 0 };
    return {
      ids,
      weight,
      startMin,
      isProved,
      members,
      apparentVa,
      startW: worst.weight,
      starters: worst.starters,
      startSeconds: worst.seconds,
      trips: tripsOf(bears, { runningW: weight, apparentVa, starts }),
    };
  });
}

/** Each kind of inverter, tried on every supply. */
function formChoices(job: Job, settled: Settled, inverter: SizedInverter): FormChoice[] {
  const { profiles, slices, option, inverters, bus, roundTripEfficiency, coincidence } = settled;
  const day = bus.devices.find(({ feed }) => feed.device.id === inverter.device.id);
  const outWh = day ? day.outputW.reduce((sum, w) => sum + w, 0) / 60 : 0;
  const inWh = outWh + (day ? day.conversionWh + day.heldIdleWh + day.unattendedIdleWh : 0);
  return FORMS.map((form) => {
    const asForm = inverters.map((other) =>
      other === inverter ? { ...other, device: { ...other.device, form } } : other,
    );
    return {
      form,
      detourWh: form === 'stand-alone' ? inWh / roundTripEfficiency - outWh : 0,
      on: job.brief.supplies.map((supply) => {
        const moment = supplyMoment(supply, profiles, option.system, asForm, slices, coincidence);
        const { limit, worst, fits, assisting, assistSize, shortSize } = moment;
        return {
          supplyId: supply.id,
          unit: limit.unit,
          worstSize: worst.weight,
          limitSize: limit.runningSize,
          fits,
          helped: assisting !== null && shortSize === 0,
          assistW: assistSize * limit.wattsPerUnit,
        };
      }),
    };
  });
}

function supplyDetail(job: Job, settled: Settled, moment: SupplyMoment): SupplyDetail {
  const { limit, loads, assisting } = moment;
  const fixed = loads
    .filter(({ leastSize }) => leastSize === null)
    .map((load) => ({ ...load, isHelped: load.deviceId !== null && load.deviceId === assisting?.device.id }));
  // What an assisting inverter adds goes to what hangs on it.
  const help = assisting ? assisting.bears.hotW / limit.wattsPerUnit : 0;
  return {
    supplyId: limit.supply.id,
    combinations: combinationsWithin(
      fixed,
      {
        running: limit.runningSize + help,
        alone: limit.runningSize,
        starting: moment.startingSize,
      },
      settled.coincidence,
      job.together,
    ),
    assistDay: assistDay(settled, moment),
  };
}
