import { dayBattery, fullAt, type TracedDay, traceDay } from '../battery/day.ts';
import { withHeater } from '../battery/warmDay.ts';
import { onItsDay, shareOfDays } from '../job/day.ts';
import { type LoadProfile, rememberedProfile } from '../loads/profile.ts';
import { busDay } from '../paths/ledger.ts';
import type { Settled } from '../settle/settle.ts';
import type { Source } from '../sources/source.ts';

export interface StaySimulation {
  /** The day after arriving with a full store, and the last day of the stay. */
  readonly first: TracedDay;
  readonly last: TracedDay;
  /** The day on which most goes unserved, and which of the stay it is, 1 first; the first when all is served. */
  readonly worst: TracedDay;
  readonly worstDay: number;
  /** The first day on which something goes unserved; null when all is served. */
  readonly shortFromDay: number | null;
  readonly days: number;
  readonly floorSoc: number;
  /** In the order they are drawn on. */
  readonly sources: readonly Pick<Source, 'id' | 'kind' | 'name'>[];
}

/**
 * Simulates the stay off-grid, minute by minute from midnight, beginning with a full store, in the darkest month of
 * use: the battery old, as it is sized; what runs on some days of the week on those days and all of it
 * on the first. Asserts that the books balance to 1e-6 of the energy moved.
 */
export function simulateStay(settled: Settled): StaySimulation {
  const { job, sources } = settled;
  const battery = dayBattery(settled, settled.heater);
  const busOn = busOfDay(settled);
  const days = job.brief.nightsOffGrid;
  let storedWh = fullAt(battery);
  const income = settled.brings;
  let today = traceDay(battery, storedWh, busOn(0), income);
  const first = today;
  let [worst, worstDay] = [first, 1];
  let shortFromDay: number | null = null;
  for (let day = 0; day < days; day++) {
    // A day that begins as the one before did, with the same loads, is the same day.
    const same = day === 0 || (busOn(day) === busOn(day - 1) && storedWh === today.startWh);
    if (!same) today = traceDay(battery, storedWh, busOn(day), income);
    if (shortFromDay === null && today.books.unservedWh > 1e-9) shortFromDay = day + 1;
    if (today.books.unservedWh > worst.books.unservedWh + 1e-9) [worst, worstDay] = [today, day + 1];
    storedWh = today.endWh;
  }
  return {
    first,
    last: today,
    worst,
    worstDay,
    shortFromDay,
    days,
    floorSoc: battery.model.fullWh > 0 ? battery.floorSoc : 0,
    sources: sources.map(({ id, kind, name }) => ({ id, kind, name })),
  };
}

/** W on the bus on each day of the stay: what is of some days runs on the first, and then as often as it is said to. */
function busOfDay({
  job,
  bus,
  profiles,
  option,
  feeds,
  leads,
  brief,
  ambientC,
  sun,
  heater,
}: Settled): (day: number) => Float64Array {
  const around = { ambientC, irradianceWm2: sun.irradianceWm2, day: brief.day };
  const shares = job.loads.map((load) => shareOfDays(load, brief.day));
  const usual = withHeater(bus.busW, heater);
  if (shares.every((share) => share >= 1)) return () => usual;
  // The first day counts: what is below a whole turn before it is none.
  const runsOnDay = (share: number, day: number) => Math.floor(day * share) > Math.floor((day - 1) * share);
  const made = new Map<string, Float64Array>();
  return (day) => {
    const on = shares.map((share) => share >= 1 || runsOnDay(share, day));
    const key = on.map(Number).join('');
    const known = made.get(key);
    if (known) return known;
    const those = job.loads.map((load, i) =>
      (shares[i] as number) >= 1
        ? (profiles[i] as LoadProfile)
        : rememberedProfile(onItsDay(load, on[i] as boolean), around),
    );
    const busW = withHeater(busDay(those, option.system, feeds, leads).busW, heater);
    made.set(key, busW);
    return busW;
  };
}
