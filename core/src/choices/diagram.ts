import { asFed } from '../job/feeds.ts';
import type { Job } from '../job/schema.ts';
import { chainOf } from '../paths/chain.ts';
import { formatNumber, showText } from '../quantity/format.ts';
import { PROTECTION } from '../reference/protection.ts';
import type { RunLine, RunsDetail } from './runsDetail.ts';

/** What a symbol stands for; drawn by the page after IEC 60617. */
export type SymbolKind =
  | 'battery'
  | 'busbar'
  | 'inverter'
  | 'converter'
  | 'port'
  | 'load'
  | 'lamp'
  | 'motor'
  | 'controller'
  | 'panels'
  | 'charger'
  | 'alternator'
  | 'mains';

export interface DiagramNode {
  readonly id: string;
  readonly kind: SymbolKind;
  readonly name: string;
  /** Beneath its name: V, W, what it gives. */
  readonly note: string;
  /** The run whose row it opens; null for the bank and what is mains. */
  readonly runId: string | null;
  /** What belongs to the mains side is only a block: it is no instruction. */
  readonly isMains: boolean;
}

export interface DiagramEdge {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly runId: string | null;
  /** Length and size; fuse; volts at its end. */
  readonly lines: readonly string[];
  readonly fuse: string | null;
  readonly hasIsolator: boolean;
}

/** A single-line diagram of an option: what is joined with what, in the order of the tree, ready to be laid out. */
export interface Diagram {
  readonly nodes: readonly DiagramNode[];
  readonly edges: readonly DiagramEdge[];
}

const BANK = 'bank';

/** @param detail of that very job and option */
export function diagramOf(detail: RunsDetail, asStored: Job, optionId: string): Diagram {
  const option = asStored.options.find(({ id }) => id === optionId);
  if (!option || detail.lines.length === 0) return { nodes: [], edges: [] };
  const job = asFed(asStored, option);
  const { system } = option;
  const voltsAt = endVolts(detail);
  const ah = (system.store.strings ?? []).reduce((sum, { capacityAh, parallel }) => sum + capacityAh * parallel, 0);
  const bank: DiagramNode = {
    id: BANK,
    kind: 'battery',
    name: 'Bank',
    note: `${system.busVoltageV} V${ah > 0 ? `, ${formatNumber(ah)} Ah` : ''}`,
    runId: null,
    isMains: false,
  };
  const nodes = detail.lines.map(
    (line): DiagramNode => ({
      id: line.run.id,
      kind: symbolOf(line, job, optionId),
      name: nameOf(line),
      note: noteOf(line),
      runId: line.run.id,
      isMains: false,
    }),
  );
  const edges = detail.lines.map(
    ({ run, lengthM, size, fuse }): DiagramEdge => ({
      id: `to ${run.id}`,
      from: run.from ?? BANK,
      to: run.id,
      runId: run.id,
      lines: [`${showText(lengthM, 'm', job.brief.region.units)}, ${size}`, ...voltsAt(run.id)],
      fuse:
        fuse.kind === null || fuse.ratingA === null
          ? null
          : `${fuse.ways > 1 ? `${fuse.ways} × ` : ''}${formatNumber(fuse.ratingA / fuse.ways, 1)} A`,
      hasIsolator: run.isolator,
    }),
  );
  const mains = mainsSide(detail, job, optionId);
  return { nodes: [bank, ...nodes, ...mains.nodes], edges: [...edges, ...mains.edges] };
}

/** V at the end of a run on a low store, hot: what the first of its loads gets. */
function endVolts({ appliances, lines }: RunsDetail): (runId: string) => string[] {
  return (runId) => {
    const line = lines.find(({ run }) => run.id === runId);
    if (line?.outputV != null) return [`${formatNumber(line.outputV, 1)} V`];
    const one = appliances.find((appliance) => appliance.runId === runId);
    const volts = one?.volts.low.hot;
    return volts == null ? [] : [`${formatNumber(volts, 1)} V low`];
  };
}

const nameOf = ({ run, leadsTo, isUnit }: RunLine): string =>
  run.end === 'device' || isUnit || (run.end === 'loads' && run.loads.length <= 2) ? leadsTo : run.name;

function noteOf({ run, carriesA, fuse, isUnit }: RunLine): string {
  if (run.loads.length > 2) return `${run.loads.length} loads`;
  const amps = `${formatNumber(carriesA, carriesA < 10 ? 1 : 0)} A`;
  return run.end === 'busbar' && !isUnit && fuse.kind ? `${amps}, ${PROTECTION[fuse.kind].name}` : amps;
}

function symbolOf({ run, isUnit }: RunLine, job: Job, optionId: string): SymbolKind {
  const system = job.options.find(({ id }) => id === optionId)?.system;
  switch (run.end) {
    case 'busbar':
      return isUnit ? 'inverter' : 'busbar';
    case 'device': {
      const kind = system?.devices.find(({ id }) => id === run.part)?.kind;
      return kind ?? 'converter';
    }
    case 'array':
      return 'controller';
    case 'panels':
      return 'panels';
    case 'driving':
      return 'converter';
    case 'alternator':
      return 'alternator';
    case 'charger':
      return 'charger';
    case 'loads': {
      const types = run.loads.map((id) => job.loads.find((load) => load.id === id));
      if (types.every((load) => load !== undefined && /lamp|light|led/i.test(`${load.type} ${load.name}`)))
        return 'lamp';
      return types.length > 0 && types.every((load) => load !== undefined && load.startRatio >= 2) ? 'motor' : 'load';
    }
  }
}

/** The mains side as blocks: where it comes in, what protects it, what changes over, what it feeds. Never as instructions. */
function mainsSide({ lines }: RunsDetail, job: Job, optionId: string): Diagram {
  const option = job.options.find(({ id }) => id === optionId);
  const devices = option?.system.devices ?? [];
  const nodes: DiagramNode[] = [];
  const edges: DiagramEdge[] = [];
  const block = (id: string, name: string, note: string): void => {
    nodes.push({ id, kind: 'mains', name, note, runId: null, isMains: true });
  };
  const join = (from: string, to: string): void => {
    edges.push({ id: `${from} ${to}`, from, to, runId: null, lines: [], fuse: null, hasIsolator: false });
  };
  const hasInlet = job.brief.supplies.length > 0;
  if (hasInlet) {
    block('mains-inlet', 'Inlet', job.brief.supplies.map(({ name }) => name).join(', '));
    block('mains-rcd', 'Residual-current device', 'and breakers');
    join('mains-inlet', 'mains-rcd');
    for (const { run } of lines) if (run.end === 'charger') join('mains-rcd', run.id);
  }
  for (const { run } of lines) {
    const device = devices.find(({ id }) => id === run.part);
    if (run.end !== 'device' || device?.kind !== 'inverter') continue;
    const fed = job.loads.filter((load) => chainOf(load, devices).device?.id === device.id);
    if (fed.length === 0) continue;
    const names = fed.slice(0, 3).map(({ name }) => name);
    const circuits = `mains-of-${device.id}`;
    const changes = hasInlet && device.form !== 'stand-alone';
    if (changes) {
      block(`change-${device.id}`, 'Changeover', 'never both at once');
      join(run.id, `change-${device.id}`);
      join('mains-rcd', `change-${device.id}`);
    }
    block(circuits, 'Mains circuits', `${names.join(', ')}${fed.length > 3 ? ` and ${fed.length - 3} more` : ''}`);
    join(changes ? `change-${device.id}` : run.id, circuits);
  }
  return { nodes, edges };
}

/** What stands beside every diagram that has a mains side. */
export const MAINS_CAUTION =
  'Mains side in blocks only: inlet, residual-current protection, changeover, earthing and neutral are for licensed people under local rules.';
