import { dayBattery, traceDay } from '../battery/day.ts';
import { steadyDay } from '../battery/steadyDay.ts';
import { withHeater } from '../battery/warmDay.ts';
import type { Job } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { usualDay } from '../settle/fit.ts';
import { asFitted } from '../settle/fitted.ts';
import { settledWithin } from '../settle/settle.ts';
import { takenOf } from '../sources/dayIncome.ts';
import type { LinkFlow } from '../sources/link.ts';
import { yieldOf } from '../sources/source.ts';
import type { Window } from '../sources/window.ts';
import { type ArrayLedger, arrayLedgers, panelsSum, type UnlikeDetail, unlikeDetails } from './arrayLedger.ts';
import { cellOf, type DayCell, type KindOfDay, kindsOf, type PlayedDay, playDay } from './kindsOfDay.ts';
import { type MetBy, metBy } from './metBy.ts';
import { type SupplyUse, supplyUses } from './supplyUse.ts';

/** One link to the alternator, for a usual day. */
export interface LinkDetail {
  readonly id: string;
  readonly name: string;
  readonly kind: LinkFlow['link']['kind'];
  /** A from the alternator and the share of its label that this is; V at the far end; A and Wh a day at the store. */
  readonly inputA: number;
  readonly alternatorShare: number;
  readonly farV: number;
  readonly areaMm2: number;
  readonly cableM: number;
  readonly outputW: number;
  readonly wh: number;
}

export interface SourcesDetail {
  readonly kinds: readonly KindOfDay[];
  /** Twelve months × the kinds of day, month by month. */
  readonly cells: readonly DayCell[];
  /** The month that is designed for. */
  readonly designMonth: number;
  readonly ledgers: readonly ArrayLedger[];
  readonly windows: readonly Window[];
  readonly unlike: readonly UnlikeDetail[];
  readonly panels: readonly ({ readonly arrayId: string } & ReturnType<typeof panelsSum>)[];
  readonly links: readonly LinkDetail[];
  readonly supplies: readonly SupplyUse[];
  /** How the uses of the day sized for are met. */
  readonly met: readonly MetBy[];
}

/** All that the Sources step says beyond the figures. @param effort what the searches of each day may cost */
export function sourcesDetail(job: Job, optionId: string, effort = Number.POSITIVE_INFINITY): SourcesDetail {
  const settled = settledWithin(job, optionId, effort);
  const fitted = asFitted(settled, job);
  const kinds = kindsOf(job);
  const cells = Array.from({ length: 12 }, (_, i) => i + 1).flatMap((month) =>
    kinds.map((kind) => cellOf(playDay(fitted, optionId, month, kind, effort, settled.leads), month, kind)),
  );
  const { sources, bus, solar, driving, windows } = settled;
  const taken = takenOf(sources, usualDay(settled, bus.busW).spareW);
  const used = new Map(
    sources.flatMap(({ id, kind }, i) => (kind === 'sun' ? [[id, taken[i] as number] as const] : [])),
  );
  const ratingA = job.brief.alternator.ratingA;
  return {
    kinds,
    cells,
    designMonth: settled.sun.month,
    ledgers: arrayLedgers(settled, used),
    windows,
    unlike: unlikeDetails(solar.arrays),
    panels: solar.arrays.map((array) => ({ arrayId: array.id, ...panelsSum(array) })),
    links: driving.links.map(({ link, inputA, farV, areaMm2, cableM, outputW }) => ({
      id: link.id,
      name: link.name,
      kind: link.kind,
      inputA,
      alternatorShare: ratingA > 0 ? inputA / ratingA : 0,
      farV,
      areaMm2,
      cableM,
      outputW,
      wh: yieldOf(
        sources.filter(({ id }) => id === link.id),
        'driving',
      ),
    })),
    supplies: supplyUses(settled),
    met: metBy(settled),
  };
}

/** One cell of the table hour by hour, W at the bus and state of charge, in steps of some minutes. */
export interface DayBalance {
  readonly stepMin: number;
  readonly demandW: readonly number[];
  readonly sunW: readonly number[];
  readonly drivingW: readonly number[];
  readonly supplyW: readonly number[];
  /** Share 0…1 at the start of each step. */
  readonly soc: readonly number[];
  /** Wh a day: what the sun carries straight, what the store gives, and what is drawn while it is dark. */
  readonly directWh: number;
  readonly storeWh: number;
  readonly darkWh: number;
  /** h after sunset that the hardest cooling load would run on the store down to its reserve; null without one. */
  readonly coolingH: { readonly name: string; readonly hours: number } | null;
}

const STEP_MIN = 10;

/** @param supplyId of a day on a supply, which */
export function dayBalance(
  job: Job,
  optionId: string,
  month: number,
  kind: KindOfDay,
  effort = Number.POSITIVE_INFINITY,
): DayBalance {
  const settled = settledWithin(job, optionId, effort);
  const { leads } = settled;
  const fitted = asFitted(settled, job);
  const played = playDay(fitted, optionId, month, kind, effort, leads);
  const { heater, brings } = played;
  const busW = withHeater(played.busW, heater);
  const battery = dayBattery(played, heater);
  const trace = traceDay(battery, steadyDay(battery, busW, brings).startWh, busW, brings);
  let [direct, fromStore, dark] = [0, 0, 0];
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const [need, sun] = [busW[m] as number, brings.sunW[m] as number];
    const income = sun + (brings.otherW[m] as number);
    direct += Math.min(need, sun);
    fromStore += Math.max(0, need - income);
    if ((played.sun.irradianceWm2[m] as number) === 0) dark += need;
  }
  return {
    stepMin: STEP_MIN,
    demandW: meansOf(busW),
    sunW: meansOf(brings.sunW),
    drivingW: meansOf(brings.drivingW),
    supplyW: meansOf(brings.supplyW),
    soc: Array.from({ length: MINUTES_PER_DAY / STEP_MIN }, (_, i) => trace.soc[i * STEP_MIN] as number),
    directWh: direct / 60,
    storeWh: fromStore / 60,
    darkWh: dark / 60,
    coolingH: coolingAfterDark(played, trace.soc),
  };
}

const meansOf = (watts: Float64Array): number[] =>
  Array.from({ length: MINUTES_PER_DAY / STEP_MIN }, (_, i) => {
    let sum = 0;
    for (let m = 0; m < STEP_MIN; m++) sum += watts[i * STEP_MIN + m] as number;
    return sum / STEP_MIN;
  });

/** How long the hardest load that cools a room runs from sunset on, on what the store then holds above its reserve. */
function coolingAfterDark({ cooler, sun, store }: PlayedDay, soc: Float64Array): DayBalance['coolingH'] {
  const sunset = sun.irradianceWm2.findLastIndex((w) => w > 0);
  if (!cooler || sunset < 0) return null;
  const { usableDepth } = store.factors;
  const aboveWh = Math.max(0, (soc[sunset] as number) - (1 - usableDepth)) * store.capacityWh * store.ageing;
  return { name: cooler.name, hours: aboveWh / cooler.storeW };
}
