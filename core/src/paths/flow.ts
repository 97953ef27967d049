import type { Device } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { chainOf } from './chain.ts';
import type { DeviceDay } from './device.ts';
import type { Ledger } from './shares.ts';

/** A place that the day's energy passes, or where it leaves. */
export interface FlowNode {
  readonly id: string;
  readonly kind: 'store' | 'device' | 'load' | 'loss';
  readonly name: string;
  readonly loadId?: string;
  readonly loss?: 'conversion' | 'idle' | 'cable' | 'storage';
}

/** Energy from one place to another, Wh/day, above 0. */
export interface FlowLink {
  readonly from: string;
  readonly to: string;
  readonly wh: number;
}

/** Where nothing stands between bus and loads. */
const DIRECT = 'direct';

/**
 * The day's energy as a flow: from the store through each device to the loads, each loss leaving where it
 * occurs. What flows into a place flows out of it; the whole is the day's need.
 */
export function flowOf(
  profiles: readonly Pick<LoadProfile, 'load' | 'energyWh'>[],
  devices: readonly Device[],
  days: readonly DeviceDay[],
  ledger: Ledger,
): { readonly nodes: readonly FlowNode[]; readonly links: readonly FlowLink[] } {
  const nodes = new Map<string, FlowNode>([['store', { id: 'store', kind: 'store', name: 'Store' }]]);
  const links: FlowLink[] = [];
  const link = (from: string, to: FlowNode, wh: number): void => {
    if (wh <= 0) return;
    nodes.set(to.id, to);
    links.push({ from, to: to.id, wh });
  };
  const lost = (at: string, loss: 'conversion' | 'idle' | 'cable' | 'storage', wh: number): void =>
    link(at, { id: `${loss} ${at}`, kind: 'loss', name: loss, loss }, wh);

  lost('store', 'storage', ledger.total.storageWh);
  lost('store', 'cable', ledger.total.cableWh);
  const groups = new Map<string, { index: number; ownWh: number }[]>();
  profiles.forEach(({ load, energyWh }, index) => {
    const chain = chainOf(load, devices);
    if (!chain.fromBus || energyWh === 0) return;
    const group = chain.device?.id ?? DIRECT;
    groups.set(group, [...(groups.get(group) ?? []), { index, ownWh: energyWh / chain.efficiency }]);
  });
  for (const [group, members] of groups) {
    const day = days.find(({ feed }) => feed.device.id === group);
    const id = `device ${group}`;
    const outWh = members.reduce((sum, { ownWh }) => sum + ownWh, 0);
    const lostWh = day ? day.conversionWh + day.heldIdleWh + day.unattendedIdleWh : 0;
    const name = day ? day.feed.device.name : 'Straight from the bus';
    link('store', { id, kind: 'device', name }, outWh + lostWh);
    for (const { index, ownWh } of members) {
      const { load, energyWh } = profiles[index] as LoadProfile;
      const at = { id: `load ${load.id}`, kind: 'load' as const, name: load.name, loadId: load.id };
      link(id, at, ownWh);
      lost(at.id, 'conversion', ownWh - energyWh);
    }
    if (!day) continue;
    lost(id, 'conversion', day.conversionWh);
    lost(id, 'idle', day.heldIdleWh + day.unattendedIdleWh);
  }
  return { nodes: [...nodes.values()], links };
}
