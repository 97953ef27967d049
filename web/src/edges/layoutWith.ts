import type { Diagram, DiagramEdge, DiagramNode } from '@joulemetric/core';
import type { ELK, ElkExtendedEdge, ElkNode } from 'elkjs/lib/elk-api.js';

export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface PlacedNode extends Point {
  readonly node: DiagramNode;
  /** Something goes on from it: its words stand beneath, so that the line runs through. */
  readonly isThrough: boolean;
  readonly width: number;
  readonly height: number;
}

export interface PlacedEdge {
  readonly edge: DiagramEdge;
  readonly points: readonly Point[];
  /** Where its words stand; null when it has none. */
  readonly label: Point | null;
}

export interface PlacedDiagram {
  readonly width: number;
  readonly height: number;
  readonly nodes: readonly PlacedNode[];
  readonly edges: readonly PlacedEdge[];
}

const NODE_WIDTH = 172;
const NODE_HEIGHT = 44;
const THROUGH_WIDTH = 140;
const THROUGH_HEIGHT = 82;
const LABEL_WIDTH = 124;
const LABEL_LINE = 13;

/**
 * Layered from the bank outward. The order of the list is kept, so that a change of one run moves no other from its
 * place: what is drawn does not jump about.
 */
const OPTIONS = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.layered.crossingMinimization.forceNodeModelOrder': 'true',
  'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
  'elk.layered.edgeLabels.sideSelection': 'ALWAYS_DOWN',
  'elk.layered.spacing.nodeNodeBetweenLayers': '26',
  'elk.spacing.nodeNode': '10',
  'elk.spacing.edgeNode': '12',
  'elk.spacing.edgeEdge': '8',
  'elk.spacing.edgeLabel': '2',
  'elk.padding': '[top=8,left=8,bottom=8,right=8]',
} as const;

/** What a layout hangs on: which parts there are, what joins them, and how many lines of words stand there. */
export const shapeOf = ({ nodes, edges }: Diagram): string =>
  JSON.stringify([nodes.map(({ id }) => id), edges.map(({ from, to, lines }) => [from, to, lines.length])]);

/** The places of one diagram for another of the same shape: other words, and nothing moves. */
export const inPlacesOf = (placed: PlacedDiagram, { nodes, edges }: Diagram): PlacedDiagram => ({
  ...placed,
  nodes: placed.nodes.map((at, i) => ({ ...at, node: nodes[i] ?? at.node })),
  edges: placed.edges.map((at, i) => ({ ...at, edge: edges[i] ?? at.edge })),
});

/** Lays a diagram out with any ELK: one in a worker on the page, one of its own in a test. */
export async function layoutWith(elk: ELK, { nodes, edges }: Diagram): Promise<PlacedDiagram> {
  const goesOn = new Set(edges.map(({ from }) => from));
  const graph: ElkNode = {
    id: 'root',
    layoutOptions: OPTIONS,
    children: nodes.map(({ id }) => ({
      id,
      width: goesOn.has(id) ? THROUGH_WIDTH : NODE_WIDTH,
      height: goesOn.has(id) ? THROUGH_HEIGHT : NODE_HEIGHT,
    })),
    edges: edges.map(({ id, from, to, lines }) => ({
      id,
      sources: [from],
      targets: [to],
      labels:
        lines.length === 0 ? [] : [{ text: lines.join('\n'), width: LABEL_WIDTH, height: lines.length * LABEL_LINE }],
    })),
  };
  const laid = await elk.layout(graph);
  const children = new Map((laid.children ?? []).map((child) => [child.id, child]));
  const routes = new Map<string, ElkExtendedEdge>((laid.edges ?? []).map((edge) => [edge.id, edge]));
  return {
    width: laid.width ?? 0,
    height: laid.height ?? 0,
    nodes: nodes.map((node): PlacedNode => {
      const at = children.get(node.id) as ElkNode;
      return {
        node,
        isThrough: goesOn.has(node.id),
        x: at.x ?? 0,
        y: at.y ?? 0,
        width: at.width ?? NODE_WIDTH,
        height: at.height ?? NODE_HEIGHT,
      };
    }),
    edges: edges.map((edge): PlacedEdge => {
      const route = routes.get(edge.id);
      const [section] = route?.sections ?? [];
      const [label] = route?.labels ?? [];
      return {
        edge,
        points: section ? [section.startPoint, ...(section.bendPoints ?? []), section.endPoint] : [],
        label: label ? { x: label.x ?? 0, y: label.y ?? 0 } : null,
      };
    }),
  };
}
