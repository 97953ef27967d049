import { usesOn } from '../job/day.ts';
import type { Job } from '../job/schema.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { thickerThan } from '../runs/sized.ts';
import type { SettledDay } from '../settle/day.ts';
import { keepWarmPhases, type Move, onInverter, SECOND_INVERTER } from './move.ts';
import { ON_FUEL, SWAPS } from './swaps.ts';

/** Everything that could be done in this option, whether it pays or not. */
export function movesOf(settled: SettledDay): Move[] {
  const { job } = settled;
  return [
    ...inverterMoves(settled),
    ...cableMoves(settled),
    ...job.loads.flatMap((load, i) => loadMoves(job, load, settled, i)),
  ];
}

/** Wh a day lost in a run from which a thicker one is looked at. */
const LOST_ENOUGH_WH = 2;

/** The next thicker for each run that is laid and loses something of the day. */
function cableMoves({ bus, option }: SettledDay): Move[] {
  const { cables } = bus;
  if (!cables) return [];
  return (option.system.runs ?? []).flatMap((run): Move[] => {
    const lostWh = cables.lostWh[cables.leads.ids.indexOf(run.id)] ?? 0;
    if (run.areaMm2 === null || lostWh < LOST_ENOUGH_WH) return [];
    const next = thickerThan(run.conductor, { areaMm2: run.areaMm2, parallel: run.parallel });
    return next ? [{ id: `thicker ${run.id}`, kind: 'thicker', runId: run.id, ...next }] : [];
  });
}

function loadMoves(job: Job, load: Job['loads'][number], settled: SettledDay, index: number): Move[] {
  const moves: Move[] = [];
  const loadId = load.id;
  if (load.path === 'inverter-adapter') moves.push({ id: `dc-converter ${loadId}`, kind: 'dc-converter', loadId });
  for (const typeId of SWAPS[load.type] ?? [])
    moves.push({ id: `swap ${loadId} ${typeId}`, kind: 'swap', loadId, typeId });
  if (keepWarmPhases(load.draw) > 0) moves.push({ id: `jug ${loadId}`, kind: 'jug', loadId });
  const residueW = ON_FUEL[load.type];
  if (residueW !== undefined && onInverter(load)) {
    moves.push({ id: `fuel ${loadId}`, kind: 'fuel', loadId, residueW });
  }
  const used = (settled.profiles[index]?.energyWh ?? 0) > 0;
  if (load.movable && used && load.draw.kind !== 'standby' && usesOn(load, job.brief.day).length > 0) {
    moves.push({ id: `into-sun ${loadId}`, kind: 'into-sun', loadId });
  }
  if (onInverter(load)) {
    const inverters = settled.inverters.filter(({ device }) => device.id !== feederOf(load, settled));
    for (const { device } of inverters) {
      moves.push({ id: `other-inverter ${loadId} ${device.id}`, kind: 'other-inverter', loadId, deviceId: device.id });
    }
  }
  return moves;
}

/** The inverter that feeds a load now. */
function feederOf(load: Job['loads'][number], { option }: SettledDay): string | undefined {
  const inverters = option.system.devices.filter(({ kind }) => kind === 'inverter');
  return (inverters.find(({ id }) => id === load.device) ?? inverters[0])?.id;
}

function inverterMoves(settled: SettledDay): Move[] {
  const { inverters, bus, option } = settled;
  const moves = inverters.flatMap(({ device, ratingW, feed }): Move[] => {
    const day = bus.devices.find((one) => one.feed.device.id === device.id);
    if (!day || !feed) return [];
    const found: Move[] = [];
    if (device.ratingW !== null && device.points.length === 0 && device.idleW === null) {
      found.push({ id: `smaller ${device.id}`, kind: 'smaller-inverter', deviceId: device.id });
    }
    if (device.policy !== 'with-loads' && day.unattendedIdleWh > 0) {
      found.push({ id: `with-loads ${device.id}`, kind: 'with-loads', deviceId: device.id });
      const idleW = Math.round(feed.curve.c0 * ratingW * DEFAULT.searchIdleShare.value * 10) / 10;
      if (device.search === null)
        found.push({ id: `search ${device.id}`, kind: 'search-mode', deviceId: device.id, idleW });
    }
    return found;
  });
  const [main] = inverters;
  if (!main || option.system.devices.some(({ id }) => id === SECOND_INVERTER)) return moves;
  return [...moves, ...secondInverters(main.moment.acLoads)];
}

/** A small inverter for the lightest loads, once for every place where the list of loads can be cut. */
function secondInverters(acLoads: readonly { readonly id: string; readonly runningW: number }[]): Move[] {
  const byWeight = [...acLoads].sort((a, b) => a.runningW - b.runningW);
  return byWeight.slice(1).flatMap((heavier, i): Move[] => {
    const lighter = byWeight[i];
    // Only a clear step in power makes two sizes worth having.
    if (!lighter || heavier.runningW < 1.5 * lighter.runningW) return [];
    const loadIds = byWeight.slice(0, i + 1).map(({ id }) => id);
    return [{ id: `second-inverter ${loadIds.length}`, kind: 'second-inverter', loadIds }];
  });
}
