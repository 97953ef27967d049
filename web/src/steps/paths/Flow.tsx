import { type FlowLink, type FlowNode, flowOf, formatNumber, showText } from '@joulemetric/core';
import { sankey, sankeyLinkHorizontal } from 'd3-sankey';
import { useMemo } from 'react';
import { useJob } from '../../shell/JobContext.tsx';

const WIDTH = 760;
const HEIGHT = 300;
/** Room for the names of the loads on the right. */
const NAMES = 190;
/** Loads below this share of the day are drawn as one. */
const SMALL = 0.012;

const LOSS_FILL = {
  conversion: 'url(#ledger-conversion)',
  idle: 'url(#ledger-idle)',
  storage: 'url(#ledger-storage)',
} as const;

/** Columns from left to right: store, devices, loads; each loss one column on from where it leaves. */
const COLUMN = { store: 0, device: 1, load: 2, loss: 2 } as const;

/** Where the day's watt-hours go: widths in Wh, losses leaving to the side. */
export function Flow() {
  const { evaluation, assessment } = useJob();
  const { nodes, links } = useMemo(() => {
    const { profiles, option, bus } = evaluation;
    const all = flowOf(profiles, option.system.devices, bus.devices, assessment.ledger);
    return drawn(gathered(all.nodes, all.links));
  }, [evaluation, assessment]);
  if (links.length === 0) return null;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      role="img"
      aria-label="Flow of the day’s energy; the table below says the same"
      className="my-2 block max-h-[330px]"
    >
      {links.map((link) => (
        <path
          key={`${link.from} ${link.to}`}
          d={link.path}
          fill="none"
          stroke={link.stroke}
          strokeOpacity={link.opacity}
          strokeWidth={Math.max(1, link.width)}
        />
      ))}
      {nodes.map(({ node, x, y0, y1, wh }) => (
        <g key={node.id}>
          {node.kind !== 'loss' && (
            <rect
              x={x}
              y={y0}
              width="6"
              height={Math.max(1, y1 - y0)}
              fill={node.kind === 'load' ? 'var(--useful)' : 'var(--ink)'}
            />
          )}
          <NodeName node={node} x={x} y={(y0 + y1) / 2} top={y0} wh={wh} />
        </g>
      ))}
    </svg>
  );
}

function NodeName({ node, x, y, top, wh }: { node: FlowNode; x: number; y: number; top: number; wh: number }) {
  const figure = formatNumber(wh);
  if (node.kind === 'store' || node.kind === 'device') {
    return (
      <text x={x} y={Math.max(10, top - 5)} fill="var(--ink)" className="num text-[12px]">
        <tspan fontWeight="600">{node.name}</tspan> <tspan fill="var(--ink-2)">{figure}</tspan>
      </text>
    );
  }
  return (
    <text x={x + 12} y={y + 4} fill="var(--ink-2)" className="num text-[12px]">
      <tspan fill={node.kind === 'load' ? 'var(--ink)' : 'var(--ink-2)'}>{node.name}</tspan> {figure}
    </text>
  );
}

interface Graph {
  readonly nodes: readonly FlowNode[];
  readonly links: readonly FlowLink[];
}

/** Small loads of one device become one, and a load's own conversion loss joins its device's column as one per device. */
function gathered(nodes: readonly FlowNode[], links: readonly FlowLink[]): Graph {
  const totalWh = links.reduce((sum, { from, wh }) => (from === 'store' ? sum + wh : sum), 0);
  const byId = new Map(nodes.map((node) => [node.id, node]));
  const sums = new Map<string, FlowLink>();
  const names = new Map<string, number>();
  const add = (from: string, node: FlowNode, wh: number): void => {
    byId.set(node.id, node);
    const key = `${from}>${node.id}`;
    sums.set(key, { from, to: node.id, wh: (sums.get(key)?.wh ?? 0) + wh });
  };
  for (const link of links) {
    const node = byId.get(link.to);
    if (!node || link.from.startsWith('load ')) continue;
    if (node.kind !== 'load') {
      add(link.from, node, link.wh);
      continue;
    }
    const ownLossWh = links.reduce((sum, { from, wh }) => (from === node.id ? sum + wh : sum), 0);
    if (ownLossWh > 0) {
      const id = `adapters ${link.from}`;
      add(link.from, { id, kind: 'loss', name: 'adapters, converters', loss: 'conversion' }, ownLossWh);
    }
    const usefulWh = link.wh - ownLossWh;
    if (usefulWh >= SMALL * totalWh) add(link.from, node, usefulWh);
    else {
      const id = `small ${link.from}`;
      names.set(id, (names.get(id) ?? 0) + 1);
      add(link.from, { id, kind: 'load', name: `${names.get(id)} small ones` }, usefulWh);
    }
  }
  const used = new Set([...sums.values()].flatMap(({ from, to }) => [from, to]));
  return { nodes: [...byId.values()].filter(({ id }) => used.has(id)), links: [...sums.values()] };
}

function drawn({ nodes, links }: Graph) {
  if (links.length === 0) return { nodes: [], links: [] };
  const layout = sankey<{ id: string; node: FlowNode }, { from: string; to: string }>()
    .nodeId(({ id }) => id)
    .nodeWidth(6)
    .nodePadding(9)
    .nodeAlign((node) => (node.node.loss === 'storage' ? 1 : COLUMN[node.node.kind]))
    .nodeSort((a, b) => order(a.node) - order(b.node) || (b.value ?? 0) - (a.value ?? 0))
    .extent([
      [0, 16],
      [WIDTH - NAMES, HEIGHT - 4],
    ]);
  const graph = layout({
    nodes: nodes.map((node) => ({ id: node.id, node })),
    links: links.map(({ from, to, wh }) => ({ source: from, target: to, value: wh, from, to })),
  });
  const line = sankeyLinkHorizontal();
  const byId = new Map(nodes.map((node) => [node.id, node]));
  return {
    nodes: graph.nodes.map((at) => ({
      node: at.node,
      x: at.x0 ?? 0,
      y0: at.y0 ?? 0,
      y1: at.y1 ?? 0,
      wh: at.value ?? 0,
    })),
    links: graph.links.map((link) => {
      const target = byId.get(link.to);
      const loss = target?.kind === 'loss' ? target.loss : undefined;
      const through = target?.kind === 'device' && link.to !== 'device direct';
      return {
        from: link.from,
        to: link.to,
        width: link.width ?? 0,
        path: line(link as never) ?? '',
        stroke: loss ? LOSS_FILL[loss] : through ? 'var(--mark)' : 'var(--useful)',
        opacity: loss ? 1 : through ? 0.5 : 0.85,
      };
    }),
  };
}

/** What is useful stands above, the losses below. */
const order = (node: FlowNode): number =>
  node.loss === 'storage' ? 3 : node.kind === 'loss' ? 2 : node.id.endsWith('direct') ? 0 : 1;

/** The same as the picture, in words and numbers. */
export function FlowTable() {
  const { job, assessment, evaluation } = useJob();
  const { ledger } = assessment;
  const cell = 'py-1 pl-3 text-right';
  const rows = [
    ...job.loads.map((load, i) => ({ name: load.name, entry: ledger.loads[i] })),
    ...(ledger.unattended.batteryWh > 0 ? [{ name: 'On, nothing running', entry: ledger.unattended }] : []),
    { name: 'The day', entry: ledger.total },
  ];
  return (
    <details className="border-b border-line py-1.5">
      <summary className="text-ink-2 phone:min-h-11">The same as a table</summary>
      <div className="overflow-x-auto">
        <table className="num mt-1 w-full text-left">
          <thead>
            <tr className="text-note text-ink-2">
              <th className="font-normal">Device</th>
              {['gives, Wh', 'lost converting', 'lost idling', 'on for', 'gives ÷ takes'].map((head) => (
                <th key={head} className={`${cell} font-normal`}>
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {evaluation.bus.devices.map((day) => {
              const outWh = day.outputW.reduce((sum, w) => sum + w, 0) / 60;
              const idleWh = day.heldIdleWh + day.unattendedIdleWh;
              return (
                <tr key={day.feed.device.id} className="border-t border-line-2">
                  <td className="py-1">{day.feed.device.name}</td>
                  <td className={cell}>{formatNumber(outWh)}</td>
                  <td className={cell}>{formatNumber(day.conversionWh)}</td>
                  <td className={cell}>{formatNumber(idleWh)}</td>
                  <td className={cell}>{showText(day.onMin / 60, 'h')}</td>
                  <td className={cell}>
                    {outWh > 0 ? showText(outWh / (outWh + day.conversionWh + idleWh), 'share') : '–'}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <table className="num mt-3 w-full text-left">
          <thead>
            <tr className="text-note text-ink-2">
              <th className="font-normal">Load</th>
              {['useful, Wh', 'conversion', 'idle', 'storage', 'from the store'].map((head) => (
                <th key={head} className={`${cell} font-normal`}>
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ name, entry }, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the rows stand in the list's own order.
              <tr key={i} className="border-t border-line-2">
                <td className="py-1">{name}</td>
                {(['usefulWh', 'conversionWh', 'idleWh', 'storageWh', 'batteryWh'] as const).map((key) => (
                  <td key={key} className={cell}>
                    {formatNumber(entry?.[key] ?? 0)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}
