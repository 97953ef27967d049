import type { StoreModel } from '../battery/fill.ts';
import { type Age, storeModelOf } from '../battery/fittedModel.ts';
import type { CutOff } from '../battery/player.ts';
import { type Battery, batteryOf } from '../battery/warmth.ts';
import { onItsDay } from '../job/day.ts';
import { runningPowerW } from '../job/draw.ts';
import type { Day, DesignOption, Job } from '../job/schema.ts';
import { loadProfile } from '../loads/profile.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import type { Settled } from '../settle/settle.ts';
import { driveProfile } from '../sources/driving.ts';
import { hourlyYield, type MeasuredHours } from '../sources/hourlyYield.ts';
import { type Sharing, sharingOf } from '../sources/shared.ts';
import type { Flow } from '../sources/source.ts';
import { chargersOf, supplyDay } from '../sources/supplyDay.ts';
import { seasonOf } from '../sun/season.ts';
import { type DemandTable, demandTable, stepMeans } from './demand.ts';
import { type MonthSky, monthSky } from './income.ts';
import { type OutletDay, outletDay } from './outlet.ts';
import { dayKind, daysOfPlan, type PlanDay, runsOn, WEEK } from './plan.ts';
import { portTrips, type Tripped } from './portTrips.ts';
import { type Climate, climateOf } from './weather.ts';

/** Everything that is settled before days are played: all that depends on the job, made when it is first needed. */
export interface DaysSetup {
  readonly settled: Settled;
  readonly stepMin: number;
  readonly steps: number;
  readonly climate: Climate;
  readonly latitudeDeg: number;
  readonly model: StoreModel;
  readonly cutOff: CutOff;
  readonly battery: Battery;
  readonly plan: readonly PlanDay[];
  readonly sharing: Sharing;
  readonly arrayIds: readonly string[];
  readonly loadNames: readonly { readonly id: string; readonly name: string; readonly critical: boolean }[];
  readonly skyIn: (month: number) => MonthSky;
  /** Wh that each array gives in each hour that was measured. */
  readonly yieldsIn: (hours: MeasuredHours) => readonly Float64Array[];
  /** @param index of the day by the calendar, 0 a Monday; `at` in the plan; without its supply where that gives no more */
  readonly dayOn: (index: number, at: number, month: number, hasSupply?: boolean) => DayTables;
}

/** What one kind of day asks for and gets, besides the sun. */
export interface DayTables {
  readonly demand: DemandTable;
  /** One for each link to the alternator: W in each step. */
  readonly driving: readonly Flow[];
  /** Of all links, of the day's supply, and of both. */
  readonly drivingW: Float64Array;
  readonly supplyW: Float64Array;
  readonly otherW: Float64Array;
  readonly isDriving: boolean;
  /** What the day takes of an outlet's battery; null = of none that runs down. */
  readonly outlet: OutletDay | null;
  /** Whether it is spent at home, where what ran down is charged again. */
  readonly isHome: boolean;
  /** What goes without since its port has shut off; null = nothing does. */
  readonly tripped: Tripped | null;
}

/** State of charge that loads must gain above the cut-off before they come back. Common practice. */
export const RECONNECT_SHARE = 0.1;

/** @param settled of the job with its sizes fitted; `stepMin` a divisor of the day; `plan` the job's own when left out */
export function setUpDays(
  settled: Settled,
  stepMin: number,
  age: Age = 'now',
  plan: readonly PlanDay[] = daysOfPlan(settled.job.brief),
): DaysSetup {
  const { job, option } = settled;
  const steps = MINUTES_PER_DAY / stepMin;
  const climate = climateOf(job.brief.place);
  const days = new Map<string, DayTables>();
  // Of a weekday in a month at a place of the plan, with its supply or without.
  const known = new Map<number, DayTables>();
  const skies = new Map<number, MonthSky>();
  const sometimes = job.loads.flatMap(({ daysPerWeek }, i) => (daysPerWeek < 7 ? [i] : []));
  const { latitudeDeg } = job.brief.place;
  const arraysUnder = {
    busV: option.system.busVoltageV,
    chargingV: chargingVoltageV(option.system),
    flatFactor: job.rules.arrayFactor,
    leads: settled.leads,
  };
  const dayOn = (index: number, at: number, month: number, hasSupply = true): DayTables => {
    const place = at % plan.length;
    const which = ((place * 2 + Number(hasSupply)) * 13 + month) * WEEK + (index % WEEK);
    const found = known.get(which) ?? dayLike(index, place, month, hasSupply);
    known.set(which, found);
    return found;
  };
  const dayLike = (index: number, place: number, month: number, hasSupply: boolean): DayTables => {
    const planned = plan[place] as PlanDay;
    const planDay = hasSupply ? planned : { ...planned, supply: null };
    const kind = dayKind(planDay, seasonOf(month, latitudeDeg), index);
    const pattern = sometimes.map((i) => Number(runsOn(job.loads[i] as Job['loads'][number], planDay, kind, index)));
    const key = [plan.indexOf(planned), Number(hasSupply), kind.season, kind.week, ...pattern].join(' ');
    const found = days.get(key) ?? tablesOf(settled, planDay, kind, index, steps, meanOfDesignC(settled));
    days.set(key, found);
    return found;
  };
  return {
    settled,
    stepMin,
    steps,
    climate,
    latitudeDeg,
    model: storeModelOf(settled, age),
    cutOff: cutOffOf(job, option, settled),
    battery: batteryOf(option.system, settled.store.kg),
    plan,
    sharing: sharingOf(option.system),
    arrayIds: (option.system.arrays ?? []).map(({ id }) => id),
    loadNames: job.loads.map(({ id, name, critical }) => ({ id, name, critical })),
    skyIn: (month) => {
      const sky = skies.get(month) ?? monthSky(job, option, climate, month, steps, settled.leads);
      skies.set(month, sky);
      return sky;
    },
    yieldsIn: (hours) => (option.system.arrays ?? []).map((array) => hourlyYield(array, hours, arraysUnder)),
    dayOn,
  };
}

/** °C, mean of the month designed for: what the rise of hot water is said for. */
const meanOfDesignC = ({ ambientC }: Settled): number => ambientC.reduce((sum, c) => sum + c, 0) / ambientC.length;

/** Loads in the order in which they go: critical ones last, else the largest first or what stands lowest in the list. */
function cutOffOf({ loads, rules }: Job, { system }: DesignOption, { store }: Settled): CutOff {
  const { reconnect, keepForCritical } = system.store;
  const largestFirst = rules.dropOrder === 'largest-first';
  const ranked = loads
    .map(({ critical, draw, quantity }, i) => ({ i, critical, w: quantity * runningPowerW(draw) }))
    .sort((a, b) => Number(a.critical) - Number(b.critical) || (largestFirst ? b.w - a.w : 0) || b.i - a.i);
  return {
    soc: store.factors.levels.cutOffSoc,
    keep: keepForCritical,
    reconnect: reconnect ?? RECONNECT_SHARE,
    together: rules.dropOrder === 'together',
    order: ranked.map(({ i }) => i),
    critical: loads.map(({ critical }) => critical),
  };
}

function tablesOf(settled: Settled, plan: PlanDay, kind: Day, index: number, steps: number, meanC: number): DayTables {
  const { job, option, feeds, leads, inverters, ambientC, sun, driving } = settled;
  const { system } = option;
  const around = { ambientC, irradianceWm2: sun.irradianceWm2, day: kind };
  const loads = job.loads.map((load) => onItsDay(load, runsOn(load, plan, kind, index)));
  const profiles = loads.map((load) => loadProfile(load, around));
  const supplied = plan.supply && supplyDay(plan.supply, { profiles, system, inverters, feeds, leads, busW: zeroes() });
  const tripped = portTrips(profiles, system.devices, kind, steps);
  const mayRun = profiles.map((_, i) => both(supplied?.onBus[i] ?? null, tripped?.given[i] ?? null));
  const links = driving.links.map(({ link: { id }, outputW }): Flow => {
    return { id, kind: 'driving', watts: stepMeans(driveProfile(plan.drives, outputW), steps) };
  });
  const home = plan.kind === 'home' ? zeroes().fill(homeW(settled)) : null;
  const drivingW = links.map(({ watts }) => watts).reduce(sum, new Float64Array(steps));
  const supplyW = stepMeans(home ?? supplied?.source.watts ?? zeroes(), steps);
  return {
    demand: demandTable(
      profiles,
      mayRun,
      { system, feeds, leads, keepToStop: job.rules.keepToStop },
      kind,
      meanC,
      steps,
    ),
    driving: links,
    drivingW,
    otherW: sum(drivingW, supplyW),
    supplyW,
    isDriving: plan.drives.length > 0,
    outlet: outletDay(plan, supplied, steps),
    isHome: plan.kind === 'home',
    tripped,
  };
}

/** Shares of each minute of which both must be there. */
const both = (a: Float64Array | null, b: Float64Array | null): Float64Array | null =>
  a && b ? a.map((share, m) => share * (b[m] as number)) : (a ?? b);

const sum = (a: Float64Array, b: Float64Array): Float64Array => a.map((w, s) => w + (b[s] as number));

const zeroes = (): Float64Array => new Float64Array(MINUTES_PER_DAY);

/** W at home: what its chargers give, or as much as the store takes. */
function homeW({ option, store, leads }: Settled): number {
  const { acW, storeW } = chargersOf(option.system, leads);
  return acW > 0 ? storeW(acW) : store.chargeLimitA * chargingVoltageV(option.system);
}
