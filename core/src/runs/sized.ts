import type { Run } from '../job/schema.ts';
import { remembering } from '../quantity/remember.ts';
import { bankVoltageV, highestChargingV } from '../reference/chemistries.ts';
import { AREAS_MM2, ampacityA, CONDUCTORS, DROP_LIMIT, ohmPerM } from '../reference/conductors.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { type Carried, carriedBy } from './carried.ts';
import type { Fitted } from './fitted.ts';
import { type Fuse, fuseOf, shortCircuitA } from './fuse.ts';
import { runKg } from './mass.ts';
import { usualLengthM } from './propose.ts';
import { breaks, choices, firstLasting, fusesAsked, isBeyondAll, isFuseBetween, shareOf, wantedA } from './suited.ts';
import { type Branch, partsOfZone, treeOf, type Zone, zoneVolts } from './tree.ts';

/** What decided a size. */
export type DecidedBy = 'given' | 'drop' | 'cut-off' | 'ampacity' | 'fuse' | 'start' | 'smallest';

/** A run with everything settled. */
export interface SizedRun {
  readonly run: Run;
  readonly zone: Zone;
  readonly parent: number;
  readonly depth: number;
  readonly carried: Carried;
  readonly lengthM: number;
  readonly isUsualLength: boolean;
  readonly areaMm2: number;
  readonly parallel: number;
  readonly decidedBy: DecidedBy;
  /** Ω of the whole way there and back, cold and hot. */
  readonly coldOhm: number;
  readonly hotOhm: number;
  /** A that its conductors carry for hours as they lie. */
  readonly ampacityA: number;
  /** Nominal V where it lies. */
  readonly volts: number;
  /** V lost on it at what it carries, hot; the hot Ω from the store to its end, and the share of the volts that its own current loses on them. */
  readonly dropV: number;
  readonly wayOhm: number;
  readonly wayShare: number;
  readonly limitShare: number;
  readonly fuse: Fuse;
  /** A that flow when it is short-circuited at its fuse, cold; null where no bank stands behind it. */
  readonly shortA: number | null;
  /** Whether a fuse or breaker stands between the store and it. */
  readonly isProtectedAbove: boolean;
  /** A of the nearest fuse before it on its own volts; null without one. */
  readonly fusedAboveA: number | null;
  /** Cold Ω from the terminals of the store to its far end, joints not counted. */
  readonly fromBankOhm: number;
  /** kg of metal. */
  readonly kg: number;
}

/** A size is looked for no further than this many conductors beside one another. From memory. */
const MOST_PARALLEL = 4;
/** Share of the limit that a lead is sized to where what comes before it has used it up. From memory. */
const HALF = 0.5;
/** Share of an appliance's limit that a run it shares with others may take. From memory. */
const TRUNK_SHARE = 1 / 3;

/**
 * The runs with lengths, sizes and fuses settled, in the order of the tree: as given, or the smallest of the sizes sold
 * that loses no more than it may, carries the current as it lies, and leaves room for a fuse between current and cable
 * that outlasts the start. Limits: ABYC E-11 (recalled) or the school chosen.
 */
export function sizedRuns(runs: readonly Run[], fitted: Fitted): SizedRun[] {
  const branches = treeOf(runs, fitted);
  const carried = carriedBy(branches, fitted);
  const sized: SizedRun[] = [];
  for (const [i, branch] of branches.entries())
    sized.push(settledAsBefore(branch, carried[i] as Carried, sized[branch.parent], fitted));
  return sized;
}

/** Sized for the day and again for the store, so of two. */
const remembered = remembering<Run, SizedRun>(2);

/** A run of which all that decides it is what it was, is what it was. */
function settledAsBefore(branch: Branch, carried: Carried, above: SizedRun | undefined, fitted: Fitted): SizedRun {
  const { job, option, bank } = fitted;
  const { busVoltageV, store, devices, driving } = option.system;
  const place = [branch.parent, branch.depth, ...partsOfZone(branch.zone), carried, above];
  const around = [job.rules.cables, job.loads, busVoltageV, store, devices, driving];
  const behind = [bank && bank.ah > 0, bank?.resistanceOhm];
  return remembered(branch.run, [...place, ...around, ...behind], () => settled(branch, carried, above, fitted));
}

function settled(branch: Branch, carried: Carried, above: SizedRun | undefined, fitted: Fitted): SizedRun {
  const { run, zone } = branch;
  const { job, option } = fitted;
  const { busVoltageV, store } = option.system;
  const volts = zone.kind === 'bus' ? dropVolts(fitted) : zoneVolts(zone, busVoltageV);
  const limits = DROP_LIMIT[job.rules.cables.limits];
  const limitShare = carried.isCritical || carried.startsHard ? limits.critical : limits.general;
  const beforeOhm = above && sameVolts(above.zone, zone) ? above.wayOhm : 0;
  const before = (carried.nominalA * beforeOhm) / volts;
  const link = run.end === 'alternator' ? alternatorLead(run, fitted) : null;
  const isMain = branch.depth === 0 && run.end === 'busbar';
  const lengthM = (link ? link.cableM : run.lengthM) ?? usualLengthM(run, isMain, store.leadM, zone.kind === 'output');
  const leastOhm = ohmOf({ run, lengthM }, ENDLESS, job.rules.cables.hotC);
  // Of some limits the first that a cable can keep.
  const kept = (...ohms: number[]): number => ohms.find((ohm) => ohm > leastOhm) ?? Number.POSITIVE_INFINITY;
  const perShareOhm = volts / carried.nominalA;
  const ownOhm = kept((limitShare - before) * perShareOhm, limitShare * HALF * perShareOhm);
  // What others share may take only so much of what its joints leave of what each of them is allowed.
  const trunkOhm = (wayOhm: number) =>
    wayOhm > leastOhm ? leastOhm + TRUNK_SHARE * (wayOhm - leastOhm) : Number.POSITIVE_INFINITY;
  const isTrunk = run.end === 'busbar';
  const dropOhm = isTrunk ? Math.min(ownOhm, trunkOhm(volts / carried.perShareA)) : ownOhm;
  const startOhm = isTrunk ? trunkOhm(carried.leastWayOhm) : kept(carried.leastWayOhm - beforeOhm);
  const fusedAboveA = above && sameVolts(above.zone, zone) ? (above.fuse.ratingA ?? above.fusedAboveA) : null;
  const isProtectedAbove = above !== undefined && (above.isProtectedAbove || above.fuse.kind !== null);
  const onBank = zone.kind === 'bus' ? fitted.bank : null;
  const { coldC, hotC } = job.rules.cables;
  const shortOf = (size: Size): number | null => {
    const toFuse = bareOhm({ run, lengthM }, size, coldC) * Math.min(1, (run.fuseAtM ?? 0) / lengthM);
    return onBank && shortCircuitA(onBank, fitted.option.system, (above?.fromBankOhm ?? 0) + toFuse);
  };
  const isFeeder = isTrunk && !isMain;
  const mustInterrupt = isProtectedAbove ? () => null : shortOf;
  const laid: Laid = { run, lengthM, carried, dropOhm, startOhm, fusedAboveA, isFeeder, mustInterrupt, fitted };
  const size =
    link?.areaMm2 != null
      ? { areaMm2: link.areaMm2, parallel: run.parallel, decidedBy: 'given' as const }
      : run.areaMm2 === null
        ? suggestedSize(laid)
        : { areaMm2: run.areaMm2, parallel: run.parallel, decidedBy: 'given' as const };
  const hotOhm = ohmOf(laid, size, hotC);
  const ampacity = bearsA(laid, size);
  const dropV = carried.nominalA * hotOhm;
  const shortA = shortOf(size);
  return {
    run,
    zone,
    parent: branch.parent,
    depth: branch.depth,
    carried,
    lengthM,
    isUsualLength: (link ? link.cableM : run.lengthM) === null,
    ...size,
    coldOhm: ohmOf(laid, size, coldC),
    hotOhm,
    ampacityA: ampacity,
    volts,
    dropV,
    wayOhm: beforeOhm + hotOhm,
    wayShare: before + dropV / volts,
    limitShare,
    fuse: fuseOf(run, carried, ampacity, isProtectedAbove ? null : shortA, mostVolts(zone, busVoltageV), size.parallel),
    shortA,
    isProtectedAbove,
    fusedAboveA,
    fromBankOhm: (above?.fromBankOhm ?? 0) + bareOhm(laid, size, coldC),
    kg: runKg(run, { ...size, lengthM }),
  };
}

/** V that the share lost is of: 12.0 and 24.0, or what the chemistry calls nominal. */
const dropVolts = ({ job, option }: Fitted): number =>
  job.rules.cables.dropOf === 'chemistry'
    ? bankVoltageV(option.system.store, option.system.busVoltageV)
    : option.system.busVoltageV;

/** V that a fuse there may have: a bus while it is charged. */
const mostVolts = (zone: Zone, busV: number): number =>
  zone.kind === 'bus' ? highestChargingV(busV) : zoneVolts(zone, busV);

const sameVolts = (a: Zone, b: Zone): boolean =>
  a.kind === b.kind && (a.kind !== 'output' || b.kind !== 'output' || a.device.id === b.device.id);

/** Length and size of the lead from the alternator, as its link says them. */
function alternatorLead(run: Run, { option }: Fitted) {
  const link = option.system.driving?.find(({ id }) => id === run.part);
  return { cableM: link?.cableM ?? null, areaMm2: link?.cableMm2 ?? null };
}

interface Laid {
  readonly run: Run;
  readonly lengthM: number;
  readonly carried: Carried;
  /** Ω that it may have, hot. */
  readonly dropOhm: number;
  /** Ω at which a start still leaves the volts that it needs. */
  readonly startOhm: number;
  readonly fusedAboveA: number | null;
  /** A that its fuse must interrupt alone at a size; null where another stands before it. */
  readonly mustInterrupt: (size: Size) => number | null;
  /** Whether it feeds a fuse block. */
  readonly isFeeder: boolean;
  readonly fitted: Fitted;
}

interface Size {
  readonly areaMm2: number;
  readonly parallel: number;
}

/** What joints and chassis lose no cable can win back. */
const ENDLESS: Size = { areaMm2: 1e6, parallel: 1 };

type OfLength = Pick<Laid, 'run' | 'lengthM'>;

/** Ω there and back, joints not counted. */
function bareOhm({ run, lengthM }: OfLength, { areaMm2, parallel }: Size, atC: number): number {
  const oneWay = (ohmPerM(areaMm2, run.conductor, atC) * lengthM) / parallel;
  return oneWay + (run.return === 'chassis' ? (run.chassisMohm ?? DEFAULT.chassisMohm.value) / 1000 : oneWay);
}

/** Ω there and back, with its joints. */
const ohmOf = (laid: OfLength, size: Size, atC: number): number =>
  bareOhm(laid, size, atC) + (laid.run.joints * (laid.run.jointMohm ?? DEFAULT.jointMohm.value)) / 1000;

const bearsA = ({ run, fitted }: Laid, { areaMm2, parallel }: Size): number =>
  parallel * ampacityA({ ...run, areaMm2, bundled: lyingTogether(run, parallel) }, fitted.job.rules.cables.bundling);

/** Conductors that lie together where each of its own is laid so many times. */
function lyingTogether({ bundled, return: way }: Run, parallel: number): number {
  const own = Math.min(bundled, way === 'chassis' ? 1 : 2);
  return bundled + own * (parallel - 1);
}

/** Sizes that are sold for a conductor, the thinnest first. */
const sizesOf = (conductor: Run['conductor']): readonly number[] =>
  conductor === 'awg' ? CONDUCTORS.map(({ areaMm2 }) => areaMm2) : AREAS_MM2;

/**
 * mm² below which nobody lays a lead, whatever little it carries: a branch breaks in a vehicle, and a fuse block gets more
 * to feed later. 16 and 10 AWG are that. Common practice.
 */
const LEAST_BRANCH_MM2 = 1.3;
const LEAST_FEEDER_MM2 = 5.2;

function practicalLeastMm2({ run, isFeeder, fitted }: Laid): number {
  const { leastBranchMm2, leastFeederMm2 } = fitted.job.rules.cables;
  if (isFeeder) return leastFeederMm2 ?? LEAST_FEEDER_MM2;
  return run.end === 'panels' || run.end === 'busbar' ? 0 : (leastBranchMm2 ?? LEAST_BRANCH_MM2);
}

function suggestedSize(laid: Laid): Size & { readonly decidedBy: DecidedBy } {
  const { run, carried, fitted } = laid;
  const leastMm2 = practicalLeastMm2(laid);
  const sizes = sizesOf(run.conductor).filter((areaMm2) => areaMm2 >= leastMm2 * (1 - 1e-9));
  const { hotC } = fitted.job.rules.cables;
  const fails = (size: Size): DecidedBy | null => {
    if (ohmOf(laid, size, hotC) > laid.dropOhm) return 'drop';
    if (ohmOf(laid, size, hotC) > laid.startOhm) return 'cut-off';
    const bears = bearsA(laid, size);
    if (bears < carried.lowA) return 'ampacity';
    // What has no fuse of its own must bear the one before it.
    if (run.protection === 'none') return bears < (laid.fusedAboveA ?? 0) ? 'fuse' : null;
    if (run.ratingA !== null) return bears < run.ratingA ? 'fuse' : null;
    const ways = fusesAsked(run, carried, size.parallel);
    const each = ways > 1 ? shareOf(carried, ways) : carried;
    if (!isFuseBetween(wantedA(each), bears / ways)) return 'fuse';
    const all = [...choices(run, wantedA(each), bears / ways)];
    const breaking = all.filter(breaks(run, laid.mustInterrupt(size)));
    // Of a bank that gives more than any breaks the finding says it.
    if (all.length > 0 && breaking.length === 0 && !isBeyondAll(laid.mustInterrupt(size))) return 'fuse';
    return firstLasting(breaking.length > 0 ? breaking : all, each) ? null : 'start';
  };
  let decidedBy: DecidedBy = 'smallest';
  let enough: Size | null = null;
  for (let parallel = run.parallel; parallel <= Math.max(run.parallel, MOST_PARALLEL); parallel++) {
    for (const areaMm2 of sizes) {
      const size = { areaMm2, parallel };
      const failed = fails(size);
      if (failed === null) return { ...size, decidedBy };
      // A start that no fuse outlasts is no reason to lay four cables: the finding says it.
      if (failed === 'start') enough ??= size;
      decidedBy = failed;
    }
    if (enough) return { ...enough, decidedBy };
  }
  return { areaMm2: sizes.at(-1) as number, parallel: Math.max(run.parallel, MOST_PARALLEL), decidedBy };
}

/** The next thicker that is sold, or one more beside it; null where there is none. */
export function thickerThan(conductor: Run['conductor'], { areaMm2, parallel }: Size): Size | null {
  const next = sizesOf(conductor).find((size) => size > areaMm2 * (1 + 1e-9));
  if (next !== undefined) return { areaMm2: next, parallel };
  return parallel < MOST_PARALLEL ? { areaMm2, parallel: parallel + 1 } : null;
}

/** Ω there and back that a run would have at another size. */
export const ohmAt = ({ run, lengthM }: SizedRun, size: Size, atC: number): number =>
  ohmOf({ run, lengthM }, size, atC);
