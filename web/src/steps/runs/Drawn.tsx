import { memo, type Ref } from 'react';
import type { PlacedDiagram, PlacedEdge, PlacedNode, Point } from '../../edges/layoutWith.ts';
import { CircuitSymbol, FuseMark, IsolatorMark } from './symbols.tsx';

/** Pixels for each unit of the layout at 1 : 1. */
const UNIT = 1;
const SYMBOL = 28;
const FUSE_AT = 22;
const ISOLATOR_AT = 46;

/** The drawing itself, in the page's own colours. */
export const Drawn = memo(function Drawn({
  placed,
  zoom,
  openId,
  onRun,
  ref,
}: {
  placed: PlacedDiagram;
  /** Null = as wide as there is room. */
  zoom: number | null;
  openId: string | null;
  onRun: (id: string) => void;
  ref: Ref<SVGSVGElement>;
}) {
  const size =
    zoom === null
      ? { style: { width: '100%', maxWidth: placed.width * 1.15, height: 'auto' } }
      : { width: placed.width * zoom * UNIT, height: placed.height * zoom * UNIT };
  return (
    <svg ref={ref} viewBox={`0 0 ${placed.width} ${placed.height}`} className="num block text-ink" {...size}>
      <title>Single-line diagram</title>
      {placed.edges.map((edge) => (
        <EdgeLine key={edge.edge.id} placed={edge} isOpen={edge.edge.runId !== null && edge.edge.runId === openId} />
      ))}
      {placed.nodes.map((node) => (
        <Forks key={node.node.id} node={node} edges={placed.edges} />
      ))}
      {placed.nodes.map((node) => (
        <Part
          key={node.node.id}
          placed={node}
          isOpen={node.node.runId !== null && node.node.runId === openId}
          onRun={onRun}
        />
      ))}
    </svg>
  );
});

/** What leaves a part in several lines is joined there. */
function Forks({ node: { node, x, width }, edges }: { node: PlacedNode; edges: readonly PlacedEdge[] }) {
  const levels = edges.flatMap(({ edge, points }) => (edge.from === node.id && points[0] ? [points[0].y] : []));
  if (levels.length < 2) return null;
  return (
    <path
      d={`M${x + width} ${Math.min(...levels)}V${Math.max(...levels)}`}
      stroke="currentColor"
      strokeWidth="1.3"
      className={node.isMains ? 'text-ink-2' : ''}
    />
  );
}

function EdgeLine({ placed: { edge, points, label }, isOpen }: { placed: PlacedEdge; isOpen: boolean }) {
  const [start] = points;
  if (!start) return null;
  const isMains = edge.runId === null;
  return (
    <g className={isMains ? 'text-ink-2' : ''}>
      <path
        d={points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('')}
        fill="none"
        stroke={isOpen ? 'var(--copper)' : 'currentColor'}
        strokeWidth={isOpen ? 2.5 : 1.3}
        strokeDasharray={isMains ? '4 3' : undefined}
      />
      {edge.fuse !== null && <FuseAndWords edge={edge} at={alongLongest(points, FUSE_AT)} />}
      {edge.hasIsolator && <IsolatorMark {...alongLongest(points, ISOLATOR_AT)} />}
      {label && (
        <text x={label.x} y={label.y + 10} fontSize="10.500" fill="currentColor">
          {edge.lines.map((line, i) => (
            <tspan key={line} x={label.x} dy={i === 0 ? 0 : 12} fill={i === 0 ? 'currentColor' : 'var(--ink-2)'}>
              {line}
            </tspan>
          ))}
        </text>
      )}
    </g>
  );
}

/** A point some way along the longest level stretch, which belongs to this run alone. */
function alongLongest(points: readonly Point[], along: number): Point {
  let best: readonly [Point, Point] | null = null;
  const lengthOf = ([from, to]: readonly [Point, Point]): number => Math.abs(to.x - from.x);
  for (const [i, to] of points.entries()) {
    const from = points[i - 1];
    if (from && (!best || lengthOf([from, to]) > lengthOf(best))) best = [from, to];
  }
  if (!best) return { x: 0, y: 0 };
  return { x: best[0].x + Math.min(along, lengthOf(best) / 2), y: best[0].y };
}

function FuseAndWords({ edge, at }: { edge: PlacedEdge['edge']; at: Point }) {
  return (
    <>
      <FuseMark {...at} />
      <text x={at.x} y={at.y - 6} fontSize="10.500" fontWeight="600" textAnchor="middle" fill="currentColor">
        {edge.fuse}
      </text>
    </>
  );
}

function Part({
  placed: { node, isThrough, x, y, width, height },
  isOpen,
  onRun,
}: {
  placed: PlacedNode;
  isOpen: boolean;
  onRun: (id: string) => void;
}) {
  const mid = height / 2;
  const words = (
    <>
      <g transform={`translate(0 ${mid - SYMBOL / 2})`} className={node.isMains ? 'text-ink-2' : ''}>
        <CircuitSymbol kind={node.kind} />
      </g>
      {isThrough && (
        <path
          d={`M${node.kind === 'busbar' ? SYMBOL / 2 : SYMBOL - 2} ${mid}H${width}`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.3"
          strokeDasharray={node.isMains ? '4 3' : undefined}
        />
      )}
      <text
        x={isThrough ? 0 : SYMBOL + 7}
        y={isThrough ? mid + SYMBOL / 2 + 12 : mid - 2}
        fontSize="12"
        fontWeight="600"
        fill="currentColor"
      >
        {cut(node.name, isThrough ? width : width - SYMBOL - 8)}
      </text>
      <text
        x={isThrough ? 0 : SYMBOL + 7}
        y={isThrough ? mid + SYMBOL / 2 + 25 : mid + 13}
        fontSize="10.5"
        fill="var(--ink-2)"
      >
        {cut(node.note, isThrough ? width + 10 : width - SYMBOL - 8)}
      </text>
    </>
  );
  const { runId } = node;
  if (runId === null) return <g transform={`translate(${x} ${y})`}>{words}</g>;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button of HTML cannot stand in a drawing.
    <g
      transform={`translate(${x} ${y})`}
      role="button"
      tabIndex={0}
      aria-label={`${node.name}, ${node.note}: open its row`}
      aria-pressed={isOpen}
      className="cursor-pointer [&:focus-visible>rect]:stroke-copper [&:hover>rect]:fill-sheet"
      onClick={() => onRun(runId)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onRun(runId);
      }}
    >
      <rect
        x="-4"
        y="0"
        width={width + 4}
        height={height}
        fill={isOpen ? 'var(--wash)' : 'transparent'}
        stroke="transparent"
        strokeWidth="1.500"
      />
      {words}
    </g>
  );
}

/** Letters that fit into a width, at about 6.2 units each. */
function cut(text: string, width: number): string {
  const most = Math.floor(width / 6.2);
  return text.length > most ? `${text.slice(0, most - 1)}…` : text;
}
