import { type FlowLink, type FlowNode, flowOf, formatNumber } from '@joulemetric/core';
import { sankey, sankeyLinkHorizontal } from 'd3-sankey';
import { memo, useMemo } from 'react';
import type { View } from '../../edges/view.ts';

const WIDTH = 1060;
/** Height of a name on the right, px. */
const LINE = 16;
/** Room for the names of the loads on the right. */
const NAMES = 230;
/** Loads below this share of the day are drawn as one. */
const SMALL = 0.012;

const LOSS_FILL = {
  conversion: 'url(#ledger-conversion)',
  idle: 'url(#ledger-idle)',
  storage: 'url(#ledger-storage)',
  cable: 'url(#ledger-cable)',
} as const;

/** Columns from left to right: store, devices, loads; each loss one column on from where it leaves. */
const COLUMN = { store: 0, device: 1, load: 2, loss: 2 } as const;

/** Where the day's watt-hours go: widths in Wh, losses leaving to the side. */
export const Flow = memo(function Flow({ view }: { view: View }) {
  const { nodes, links, height } = useMemo(() => {
    const { job, option, bus } = view;
    const loads = job.loads.map((load, i) => ({ load, energyWh: view.drawn[i]?.energyWh ?? 0 }));
    const all = flowOf(loads, option.system.devices, bus.devices, view.assessment.ledger);
    return drawn(gathered(all.nodes, all.links));
  }, [view]);
  if (links.length === 0) return null;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      width="100%"
      preserveAspectRatio="xMinYMid meet"
      role="img"
      aria-label="Flow of the day’s energy; the table below says the same"
      className="my-2 block max-h-[360px]"
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
});

function NodeName({ node, x, y, top, wh }: { node: FlowNode; x: number; y: number; top: number; wh: number }) {
  const figure = formatNumber(wh);
  if (node.kind === 'store' || node.kind === 'device') {
    const first = node.kind === 'store';
    return (
      <text
        x={first ? x : x - 8}
        y={first ? Math.max(10, top - 5) : y + 4}
        textAnchor={first ? 'start' : 'end'}
        fill={node.id === 'device direct' ? 'var(--paper)' : 'var(--ink)'}
        className="num text-[12px]"
      >
        <tspan fontWeight="600">{node.name}</tspan> {figure}
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

/** Small loads of one device become one, and what loads lose in their own converters becomes one per device. */
function gathered(nodes: readonly FlowNode[], links: readonly FlowLink[]): Graph {
  const totalWh = links.reduce((sum, { from, wh }) => (from === 'store' ? sum + wh : sum), 0);
  const byId = new Map(nodes.map((node) => [node.id, node]));
  const ownLossWh = (id: string) => links.reduce((sum, { from, wh }) => (from === id ? sum + wh : sum), 0);
  const made = new Map<string, FlowNode>();
  const sums = new Map<string, FlowLink>();
  const add = (from: string, node: FlowNode, wh: number): void => {
    if (wh <= 0) return;
    made.set(node.id, node);
    const key = `${from}>${node.id}`;
    sums.set(key, { from, to: node.id, wh: (sums.get(key)?.wh ?? 0) + wh });
  };
  const isSmall = ({ to, wh }: FlowLink) => byId.get(to)?.kind === 'load' && wh - ownLossWh(to) < SMALL * totalWh;
  for (const link of links) {
    const node = byId.get(link.to);
    if (!node || link.from.startsWith('load ')) continue;
    if (node.kind !== 'load') {
      add(link.from, node, link.wh);
      continue;
    }
    const lostWh = ownLossWh(node.id);
    const few = links.filter((other) => other.from === link.from && isSmall(other)).length;
    const gathers = isSmall(link) && few > 1;
    const small = { id: `small ${link.from}`, kind: 'load' as const, name: `${few} small ones` };
    add(link.from, gathers ? small : node, link.wh - lostWh);
    add(link.from, { id: 'adapters', kind: 'loss', name: 'in adapters, converters', loss: 'conversion' }, lostWh);
  }
  const store = byId.get('store');
  return { nodes: [...(store ? [store] : []), ...made.values()], links: [...sums.values()] };
}

function drawn({ nodes, links }: Graph) {
  if (links.length === 0) return { nodes: [], links: [], height: 0 };
  const ends = nodes.filter(
    ({ kind, loss }) => kind === 'load' || (kind === 'loss' && loss !== 'storage' && loss !== 'cable'),
  ).length;
  const height = Math.max(220, ends * LINE + 30);
  const order = orderOf(nodes, links);
  const place = (id: string): number => order.get(id) ?? 0;
  const layout = sankey<{ id: string; node: FlowNode }, { from: string; to: string }>()
    .nodeId(({ id }) => id)
    .nodeWidth(6)
    .nodePadding(9)
    .iterations(3)
    .nodeAlign(({ node }) => (node.loss === 'storage' || node.loss === 'cable' ? 1 : COLUMN[node.kind]))
    .nodeSort((a, b) => place(a.id) - place(b.id))
    .linkSort((a, b) => place(a.to) - place(b.to) || place(a.from) - place(b.from))
    .extent([
      [0, 16],
      [WIDTH - NAMES, height - 6],
    ]);
  const graph = layout({
    nodes: nodes.map((node) => ({ id: node.id, node })),
    links: links.map(({ from, to, wh }) => ({ source: from, target: to, value: wh, from, to })),
  });
  const line = sankeyLinkHorizontal();
  const byId = new Map(nodes.map((node) => [node.id, node]));
  return {
    height,
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

/** From top to bottom: storage loss, that of cables, then device by device its loads, the largest first; what is lost at the foot. */
function orderOf(nodes: readonly FlowNode[], links: readonly FlowLink[]): Map<string, number> {
  const devices = nodes.filter(({ kind }) => kind === 'device').map(({ id }) => id);
  const ordered = devices.sort((a, b) => Number(b.endsWith('direct')) - Number(a.endsWith('direct')));
  const place = (node: FlowNode): number => {
    if (node.loss === 'storage') return -2;
    if (node.loss === 'cable') return -1;
    if (node.kind === 'device') return ordered.indexOf(node.id);
    if (node.kind === 'loss') return 2e9;
    const into = links.find(({ to }) => to === node.id);
    const size = node.id.startsWith('small ') ? 0 : (into?.wh ?? 0);
    return (ordered.indexOf(into?.from ?? '') + 1) * 1e8 - size;
  };
  return new Map(nodes.map((node) => [node.id, place(node)]));
}
