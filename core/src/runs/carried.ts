import { levelsOf } from '../battery/levels.ts';
import { restVoltageV } from '../battery/rest.ts';
import type { Load, Run } from '../job/schema.ts';
import { LOW_12V } from '../moment/inverterCable.ts';
import { startExtraW, startOf } from '../moment/starts.ts';
import { Weighed } from '../moment/weighed.ts';
import { chainOf } from '../paths/chain.ts';
import { leastVoltsOf, startsHard } from '../paths/leastVolts.ts';
import { remembering } from '../quantity/remember.ts';
import { DROP_LIMIT } from '../reference/conductors.ts';
import { DEFAULT } from '../reference/defaults.ts';
import type { Fitted } from './fitted.ts';
import { selectiveA } from './suited.ts';
import { type Branch, zoneVolts } from './tree.ts';

/** What a run carries. */
export interface Carried {
  /** A for hours at most: at the zone's nominal volts, and at a low battery, by which cable and fuse are chosen. */
  readonly nominalA: number;
  readonly lowA: number;
  /** Of it what comes in from sources, A. */
  readonly chargeA: number;
  /** A for a moment at a low battery, and the s it lasts; the same as `lowA` and 0 where nothing starts. */
  readonly startA: number;
  readonly startSeconds: number;
  /** A of the largest fuse that a run behind it needs: its own should be larger, so that the branch opens first. */
  readonly branchFuseA: number;
  /** Of what hangs behind it the largest A ÷ the share of the volts that it may lose on its way. */
  readonly perShareA: number;
  /** Ω that the whole way to something behind it may have, so that it still starts on a store at its reserve; Infinity where no cable decides that. */
  readonly leastWayOhm: number;
  /** Whether a charger or something critical hangs on it, for which less may be lost. */
  readonly isCritical: boolean;
  /** Whether a motor at its very end must turn something from rest. */
  readonly startsHard: boolean;
  /** Loads that draw through it, straight or through devices, by their ids. */
  readonly loads: readonly string[];
}

/** Sized for the day and again for the store, so of two. */
const remembered = remembering<Run, Carried>(2);

/** What a run carried before, where that is still the same. */
const asBefore = (run: Run, carried: Carried): Carried =>
  remembered(run, [...Object.values({ ...carried, loads: carried.loads.join('\n') })], () => carried);

/** What hangs on one run and what is behind it, as its own zone sees it. */
interface Hanging {
  readonly loads: string[];
  /** Loads that draw at these very volts, each with W at the run for each W of its own. */
  readonly own: Map<string, number>;
  /** W of devices at full rating, with what they lose. */
  deviceW: number;
  chargeA: number;
  branchFuseA: number;
  perShareA: number;
  leastWayOhm: number;
  /** W on top of what runs, of the largest start, and its s. */
  extraW: number;
  seconds: number;
  isCritical: boolean;
  startsHard: boolean;
}

/**
 * What each run carries, in the order of the tree. An inverter or converter counts with its full rating, since anything
 * may be plugged into it; loads with the heaviest set of them that may coincide; sources with what they give at most.
 */
export function carriedBy(branches: readonly Branch[], fitted: Fitted): Carried[] {
  const byId = new Map(fitted.profiles.map((profile) => [profile.load.id, profile]));
  const hanging = branches.map(
    (): Hanging => ({
      loads: [],
      own: new Map(),
      deviceW: 0,
      chargeA: 0,
      branchFuseA: 0,
      perShareA: 0,
      leastWayOhm: Number.POSITIVE_INFINITY,
      extraW: 0,
      seconds: 0,
      isCritical: false,
      startsHard: false,
    }),
  );
  const carried: Carried[] = [];
  for (let i = branches.length - 1; i >= 0; i--) {
    const branch = branches[i] as Branch;
    const own = hanging[i] as Hanging;
    atEnd(branch, own, fitted);
    const through = asBefore(branch.run, flows(branch, own, byId, fitted));
    carried[i] = through;
    const parent = branches[branch.parent];
    if (!parent) continue;
    const above = hanging[branch.parent] as Hanging;
    passOn(branch, parent, own, above);
    if (parent.zone.kind !== branch.zone.kind) continue;
    above.perShareA = Math.max(above.perShareA, through.perShareA);
    above.leastWayOhm = Math.min(above.leastWayOhm, through.leastWayOhm);
    if (branch.run.protection !== 'none')
      above.branchFuseA = Math.max(above.branchFuseA, selectiveA(branch.run, through));
  }
  return carried;
}

function flows(
  { zone, run }: Branch,
  {
    own,
    deviceW,
    chargeA,
    branchFuseA,
    perShareA,
    leastWayOhm,
    extraW,
    seconds,
    isCritical,
    startsHard,
    loads,
  }: Hanging,
  byId: ReadonlyMap<string, { readonly runningW: number }>,
  fitted: Fitted,
): Carried {
  const busV = fitted.option.system.busVoltageV;
  const volts = zoneVolts(zone, busV);
  if (zone.kind === 'panels' || zone.kind === 'alternator') {
    const amps = zone.lead.far?.amps ?? 0;
    const lowA = zone.kind === 'panels' ? amps * DEFAULT.panelCurrentFactor.value : amps;
    const shared = { nominalA: amps, lowA, chargeA: amps, startA: lowA, startSeconds: 0 };
    return {
      ...shared,
      branchFuseA: 0,
      perShareA: 0,
      leastWayOhm: Number.POSITIVE_INFINITY,
      isCritical: true,
      startsHard: false,
      loads,
    };
  }
  const lowV = zone.kind === 'bus' ? (LOW_12V * busV) / 12 : volts;
  const drawnW = deviceW + (own.size === 1 ? aloneW(own, byId) : heaviestW(own, fitted));
  const lowA = Math.max(drawnW / lowV, chargeA);
  const nominalA = Math.max(drawnW / volts, chargeA);
  const limits = DROP_LIMIT[fitted.job.rules.cables.limits];
  const ownShareA = run.end === 'busbar' ? 0 : nominalA / (isCritical || startsHard ? limits.critical : limits.general);
  const startA = Math.max(lowA, (drawnW + extraW) / lowV);
  const ownWayOhm = zone.kind === 'bus' ? wayOhmToStart(run, startA, fitted) : Number.POSITIVE_INFINITY;
  return {
    nominalA,
    lowA,
    chargeA,
    startA,
    startSeconds: seconds,
    branchFuseA,
    perShareA: Math.max(perShareA, ownShareA),
    leastWayOhm: Math.min(leastWayOhm, ownWayOhm),
    isCritical,
    startsHard,
    loads,
  };
}

/** Share of the volts between a low store and a cut-off that a way may take at its start; the rest is for what runs beside it. From memory. */
const OWN_ROOM = 0.5;

/**
 * Ω that the way to what hangs on a run may have before it cuts out at its start on a store at its reserve, inside which
 * volts are lost as well; Infinity where no cut-off is known or no cable could help.
 */
function wayOhmToStart(run: Run, startA: number, { job, option, bank }: Fitted): number {
  const { store, busVoltageV, devices } = option.system;
  const device = run.end === 'device' ? devices.find(({ id }) => id === run.part) : undefined;
  const cutOffs =
    device && device.kind !== 'port'
      ? [device.cutOffV ?? (DEFAULT.cutOff12V.value * busVoltageV) / 12]
      : job.loads.filter(({ id }) => run.loads.includes(id)).flatMap((load) => leastVoltsOf(load, busVoltageV) ?? []);
  if (cutOffs.length === 0 || startA <= 0) return Number.POSITIVE_INFINITY;
  const reserve = levelsOf(store).cutOffSoc;
  const roomOhm = (restVoltageV(store.chemistry, busVoltageV, reserve) - Math.max(...cutOffs)) / startA;
  const wayOhm = Math.min(OWN_ROOM * roomOhm, roomOhm - (bank?.resistanceOhm ?? 0));
  return wayOhm > 0 ? wayOhm : Number.POSITIVE_INFINITY;
}

/** What lies at the very end of a run. */
function atEnd({ run, zone }: Branch, own: Hanging, fitted: Fitted): void {
  const { job, option, feeds, inverters, sources } = fitted;
  const { devices } = option.system;
  if (run.end === 'loads') {
    const outputOf = zone.kind === 'output' ? zone.device.id : null;
    for (const load of job.loads) {
      if (!run.loads.includes(load.id)) continue;
      const chain = chainOf(load, devices);
      if (!chain.fromBus || (chain.device?.id ?? null) !== outputOf) continue;
      own.loads.push(load.id);
      own.own.set(load.id, 1 / chain.efficiency);
      own.isCritical ||= load.critical;
      own.startsHard ||= startsHard(load);
      started(own, load, fitted, 1 / chain.efficiency);
    }
    return;
  }
  if (run.end === 'device') {
    const feed = feeds.find(({ device }) => device.id === run.part);
    if (!feed) return;
    const { ratingW, curve } = feed;
    own.deviceW += ratingW * (1 + curve.c0 + curve.c1 + curve.c2);
    const sized = inverters.find(({ device }) => device.id === run.part);
    const surge = sized?.moment.surge;
    if (surge && surge.weight > ratingW) {
      const factor = 1 + curve.c1 + curve.c2;
      own.extraW = (surge.weight - ratingW) * factor;
      own.seconds = surge.seconds;
    }
    for (const load of job.loads) {
      if (chainOf(load, devices).device?.id !== run.part) continue;
      own.loads.push(load.id);
      own.isCritical ||= load.critical;
    }
    return;
  }
  const source = sources.find(({ kind, id }) => kind === run.end && id === run.part);
  if (!source) return;
  own.chargeA += source.amps;
  own.isCritical = true;
}

function started(own: Hanging, load: Load, { profiles }: Fitted, perW: number): void {
  const profile = profiles.find((one) => one.load.id === load.id);
  const extraW = profile ? startExtraW(profile) * perW : 0;
  if (extraW <= own.extraW) return;
  own.extraW = extraW;
  own.seconds = startOf(load).seconds;
}

/** What a run carries, its parent carries too; behind a converter only the converter counts. */
function passOn(branch: Branch, parent: Branch, own: Hanging, above: Hanging): void {
  if (parent.run.end === 'array' || parent.run.end === 'driving') return;
  above.isCritical ||= own.isCritical && own.chargeA === 0;
  if (parent.zone.kind !== branch.zone.kind) return;
  above.loads.push(...own.loads);
  for (const [id, perW] of own.own) above.own.set(id, perW);
  above.deviceW += own.deviceW;
  above.chargeA += own.chargeA;
  if (own.extraW > above.extraW) {
    above.extraW = own.extraW;
    above.seconds = own.seconds;
  }
}

const aloneW = (own: ReadonlyMap<string, number>, byId: ReadonlyMap<string, { readonly runningW: number }>): number => {
  const [[id, perW]] = [...own] as [[string, number]];
  return (byId.get(id)?.runningW ?? 0) * perW;
};

const heaviestW = (own: ReadonlyMap<string, number>, { slices, coincidence }: Fitted): number =>
  own.size === 0 ? 0 : new Weighed(slices, coincidence, (id) => own.get(id)).heaviest().weight;
