import { HOUR_MS } from './band.ts';
import { capacityOf, type LogCapacity, nominalOf } from './capacity.ts';
import { type Caveat, conditionCaveats, degreesCaveat } from './caveats.ts';
import type { Level } from './changePoints.ts';
import type { Compared } from './compare.ts';
import { type Limit, limitOf, type Stated, statedOf, stopReserve } from './cycle.ts';
import { byPower, bySoc } from './energy.ts';
import { type Forecast, forecastOf, rateIn, type Target, targetOf } from './forecast.ts';
import { type Interval, intervalsOf } from './intervals.ts';
import type { Log } from './logSchema.ts';
import { type Loss, lossOf } from './lossPairs.ts';
import { gapsOf, hoursOutside, joined } from './offTime.ts';
import { type Meter, meterOf, type Stretch } from './open.ts';
import { isByTimer, type Off, offOf, saidOutages, switchedOffCaveat, timerCaveats, zerosOf } from './outages.ts';
import type { Rate } from './rate.ts';
import { phasesOf, type RunPhases } from './runPhases.ts';
import { type Spot, spotOf, strandedOf, type ToGo, timeToGoOf } from './shown.ts';
import { counterOf, socOf, wattsOf } from './signals.ts';
import type { Zone } from './stamp.ts';
import type { Contradiction } from './stated.ts';
import type { RowFault, TableRead } from './table.ts';
import { type Energy, energyOf } from './ways.ts';
import { compareOf } from './windows.ts';

/** What a log says. Hours count from its first reading; energy is positive out of the store. */
export interface LogReport {
  readonly name: string;
  readonly purpose: string;
  /** Of the first reading, UTC; null where the log has no dates. */
  readonly start: string | null;
  readonly readings: number;
  readonly lengthH: number;
  /** In which the output was on. */
  readonly poweredH: number;
  readonly faults: readonly RowFault[];
  readonly faultCount: number;
  readonly notes: readonly string[];
  readonly capacity: LogCapacity | null;
  readonly reserve: number;
  readonly ceiling: number;
  readonly outages: readonly (Off & { readonly by: 'said' | 'timer' })[];
  readonly gaps: readonly (Off & { readonly of: string })[];
  readonly energy: Energy;
  readonly intervals: readonly Interval[];
  readonly rate: Rate | null;
  readonly forecast: Forecast | null;
  readonly timeToGo: readonly ToGo[];
  readonly spot: Spot | null;
  /** Stretches of about one power, where it was read often enough. */
  readonly phases: RunPhases['phases'];
  readonly levels: readonly Level[];
  readonly stated: Stated | null;
  readonly limit: Limit | null;
  readonly strandedAh: number | null;
  readonly stopReserveWh: number | null;
  readonly compare: Compared | null;
  readonly loss: Loss | null;
  readonly contradictions: readonly Contradiction[];
  readonly caveats: readonly Caveat[];
  /** As they were put down: they stay with the figures. */
  readonly conditions: Log['conditions'] | null;
  readonly target: Target | null;
}

const DEFAULT_RESERVE = 20;

/** @param read the readings, of the file itself or of a table; `zone` of times that have none */
export function reportOf(log: Log, read: TableRead, zone: Zone): LogReport {
  const { series } = read;
  const { t, values } = series;
  const n = t.length;
  const notes = [...read.notes];
  const caveats: Caveat[] = [];
  const contradictions: Contradiction[] = [];
  const nominalV = nominalOf(log);
  const capacity = capacityOf(log, nominalV);
  const reserve = log.reserve ?? DEFAULT_RESERVE;
  const ceiling = log.ceiling ?? 100;
  const [first, last] = [t[0] ?? 0, t[n - 1] ?? 0];

  const said = saidOutages(log, series, zone, notes);
  const meters = Object.fromEntries(
    (['soc', 'v', 'a', 'w', 'wh', 'ah'] as const).map((quantity) => [
      quantity,
      meterOf(log, quantity, values[quantity]),
    ]),
  ) as Record<'soc' | 'v' | 'a' | 'w' | 'wh' | 'ah', Meter>;
  const soc = socOf(values, meters, capacity?.ah ?? null, notes);
  const watts = wattsOf(values, meters, nominalV);
  const counter = counterOf(t, values, meters, nominalV);
  const timers = (log.timers ?? []).map(({ everyH }) => everyH);
  const saidOff = joined(said);
  const powerWith = (stretches: readonly Stretch[]) => (watts ? byPower(t, watts.values, watts.step, stretches) : null);
  const silent = [
    ...(powerWith(saidOff)?.gaps ?? []),
    ...(counter?.gaps ?? []),
    ...(soc ? gapsOf(timesOf(t, soc.values)) : []),
    ...(watts ? zerosOf(t, watts.values) : []),
  ];
  // Where everything falls silent as a timer ends, the timer has switched off.
  const off = joined([...saidOff, ...silent.filter((gap) => isByTimer(series, saidOff, gap, timers))]);
  const power = powerWith(off);
  const outages = off.map((stretch) => ({
    ...offOf(series, stretch),
    by: isByTimer(series, off, stretch, timers) ? ('timer' as const) : ('said' as const),
  }));
  const poweredH = n > 0 ? hoursOutside(first, last, off) : 0;
  timerCaveats(series, off, timers, caveats);
  const socEnergy = soc && capacity ? bySoc(t, soc.values, soc.meter, capacity.wh, capacity.doubt) : null;
  for (const quantity of ['a', 'w'] as const)
    if (values[quantity] && !meters[quantity].isSignSaid)
      caveats.push({
        code: 'sign',
        says: `Readings of ${quantity === 'a' ? 'amps' : 'watts'} have both signs and nobody said which is out of the store: positive was taken for out.`,
      });
  notes.push(...(counter?.notes ?? []));
  if (n > 0 && off.length > 0 && soc) switchedOffCaveat(series, soc.values, off, caveats);

  const gaps = [
    ...(power?.gaps ?? []).map((gap) => ({ ...offOf(series, gap), of: watts?.of ?? 'power' })),
    ...(counter?.gaps ?? []).map((gap) => ({ ...offOf(series, gap), of: 'counter' })),
  ].filter(({ fromH, toH }) => !outages.some((outage) => outage.fromH <= fromH && outage.toH >= toH));
  for (const { of, hours, fromH } of gaps)
    if (of === 'counter')
      caveats.push({
        code: 'counter-gap',
        says: `The counter was not read for ${hours.toFixed(2)} h from ${fromH.toFixed(2)} h on; it counted on, so its energy is in the sum.`,
      });
    else
      caveats.push({
        code: 'gap',
        says: `No ${of} was read for ${hours.toFixed(2)} h from ${fromH.toFixed(2)} h on: that time is in neither the energy nor the mean.${soc ? ' If the output was off then, put it down as off: the time to the reserve counts it as run.' : ''}`,
      });

  const energy = energyOf(log, t, { soc: socEnergy, counter, power }, off, poweredH, capacity, contradictions);
  const rate = soc ? rateIn(series, soc, off, caveats) : null;
  const meanW = energy.counts === null ? null : (energy[energy.counts]?.meanW ?? null);
  const stated = statedOf(log, nominalV, capacity?.ah ?? null, contradictions);
  const stopReserveWh = stopReserve(log, nominalV);
  const stopPercent = stopReserveWh === null || capacity === null ? 0 : (stopReserveWh / capacity.wh) * 100;
  const forecast = forecastOf({
    rate,
    soc,
    reserve: reserve + stopPercent,
    ceiling,
    capacity,
    nominalV,
    meanW,
    stopReserveWh,
  });
  const { phases, levels } =
    watts && n > 0
      ? phasesOf(series, watts.values, watts.step, joined([...(power?.gaps ?? []), ...off]))
      : { phases: [], levels: [] };
  if (levels.length > 1 && rate)
    caveats.push({
      code: 'cycles',
      says: 'The load switches on and off: the forecast is by its mean, and no moment’s reading stands for it.',
    });
  conditionCaveats(log, caveats);
  degreesCaveat(series, caveats);
  if (soc && capacity === null)
    caveats.push({ code: 'no-capacity', says: 'No capacity was given: the log stays in % an hour, no Wh are said.' });
  if (rate && !rate.startUp.found && rate.startUp.p !== null)
    notes.push('Its beginning does not run at another rate than the rest, as far as these readings can tell.');

  const loss = lossOf(log, contradictions);
  const compare = compareOf(log, series, watts?.values ?? null, nominalV, zone, notes, contradictions);
  return {
    name: log.name ?? '',
    purpose: log.purpose ?? 'watch',
    start: series.dated && n > 0 ? new Date(first).toISOString() : null,
    readings: n,
    lengthH: (last - first) / HOUR_MS,
    poweredH,
    faults: read.faults,
    faultCount: read.faultCount,
    notes,
    capacity,
    reserve,
    ceiling,
    outages,
    gaps,
    energy,
    intervals: intervalsOf(series, soc, capacity?.wh ?? null, { counter, power }, off),
    rate,
    forecast,
    timeToGo: timeToGoOf(log, series, soc, rate, reserve, contradictions),
    spot: spotOf(series, watts?.values ?? null, values.a, meters.a, meanW, soc, capacity, reserve, nominalV),
    phases,
    levels,
    stated,
    limit: limitOf(log, values.a, meters.a, poweredH, meanW, nominalV),
    strandedAh: strandedOf(series, soc, capacity),
    stopReserveWh,
    compare,
    loss,
    contradictions,
    caveats,
    conditions: log.conditions ?? null,
    target: targetOf(log, forecast, rate, reserve, ceiling),
  };
}

/** ms of the readings that have a value. */
const timesOf = (t: Float64Array, values: Float64Array): Float64Array =>
  t.filter((_, i) => !Number.isNaN(values[i] as number));
