import {
  cycleLength,
  formatClock,
  formatDuration,
  type Load,
  moveUse,
  resizeUse,
  runningPowerW,
  type Use,
} from '@joulemetric/core';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { LANE_SLOTS } from '../../edges/view.ts';

const WIDTH = 1440;
const HEIGHT = 14;
const SLOT_MIN = WIDTH / LANE_SLOTS;
/** Dragging goes by whole steps of this, minutes. */
const SNAP_MIN = 5;
/** Within so many pixels of its end a block is resized rather than moved. */
const EDGE_PX = 6;

export interface LaneProps {
  readonly load: Load;
  /** W of the strongest minute in each ten. */
  readonly skylineW: Float32Array;
  readonly scaleW: number;
  /** Gets the uses as they are dragged; `drag` is one and the same through one drag. */
  readonly onChange: (uses: Use[], drag: string) => void;
  /** The blocks can be reached and moved by keys. */
  readonly keys?: boolean;
}

/** The least a use may last: its phases, or one step. */
function leastMinutes(load: Load): number {
  return load.draw.kind === 'cycle' ? Math.max(SNAP_MIN, cycleLength(load.draw.phases).fixedMin) : SNAP_MIN;
}

function isResizable(load: Load): boolean {
  return load.draw.kind !== 'cycle' || cycleLength(load.draw.phases).stretches;
}

/**
 * A load's 24 hours as a small skyline on a baseline (height grows with the root of its power). Its blocks are
 * dragged, their ends resized; a block with the focus moves by the arrow keys and is resized with Shift.
 */
export function Lane({ load, skylineW, scaleW, onChange, keys = false }: LaneProps) {
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ index: number; resizes: boolean; fromX: number; uses: readonly Use[]; id: string } | null>(
    null,
  );
  const drags = useRef(0);
  const editable = load.draw.kind !== 'standby';
  const perPixel = () => WIDTH / (svg.current?.getBoundingClientRect().width || 1);

  const down = (index: number) => (event: PointerEvent<SVGRectElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const atEnd = box.right - event.clientX < EDGE_PX && box.width > 2 * EDGE_PX;
    event.currentTarget.setPointerCapture(event.pointerId);
    drags.current += 1;
    const id = `${load.id}.drag${drags.current}`;
    drag.current = { index, resizes: atEnd && isResizable(load), fromX: event.clientX, uses: load.uses, id };
  };
  const move = (event: PointerEvent) => {
    const current = drag.current;
    if (!current) return;
    const by = Math.round(((event.clientX - current.fromX) * perPixel()) / SNAP_MIN) * SNAP_MIN;
    const { uses, index, resizes, id } = current;
    onChange(resizes ? resizeUse(uses, index, by, leastMinutes(load)) : moveUse(uses, index, by), id);
  };
  const up = () => {
    drag.current = null;
  };
  const key = (index: number) => (event: KeyboardEvent) => {
    const step = event.key === 'ArrowRight' ? SNAP_MIN * 3 : event.key === 'ArrowLeft' ? -SNAP_MIN * 3 : 0;
    if (step === 0) return;
    event.preventDefault();
    const resizes = event.shiftKey && isResizable(load);
    onChange(
      resizes ? resizeUse(load.uses, index, step, leastMinutes(load)) : moveUse(load.uses, index, step),
      `${load.id}.keys`,
    );
  };

  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 2}`}
      width="100%"
      height={keys ? 44 : HEIGHT + 2}
      preserveAspectRatio="none"
      role={keys ? 'group' : 'img'}
      aria-label={whenWords(load)}
      className="block overflow-visible"
    >
      <rect y={HEIGHT} width={WIDTH} height="1" fill="var(--line)" />
      {[6, 12, 18].map((hour) => (
        <rect key={hour} x={(hour / 24) * WIDTH} y={HEIGHT - 2} width="7" height="2" fill="var(--mark)" />
      ))}
      <path d={skyline(skylineW, scaleW)} fill="var(--ink-2)" />
      {editable &&
        load.uses.map((use, index) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a use is known by its place in the list while it is dragged.
            key={index}
            x={use.startMin}
            width={Math.max(12, Math.min(use.minutes, WIDTH - use.startMin))}
            height={HEIGHT}
            fill="transparent"
            className="cursor-grab touch-none focus:stroke-copper focus:outline-none active:cursor-grabbing"
            style={{ vectorEffect: 'non-scaling-stroke', strokeWidth: 2 }}
            onPointerDown={down(index)}
            onPointerMove={move}
            onPointerUp={up}
            onPointerCancel={up}
            {...(keys
              ? {
                  role: 'slider',
                  tabIndex: 0,
                  'aria-label': `Use ${index + 1} of ${load.name}`,
                  'aria-valuemin': 0,
                  'aria-valuemax': 1439,
                  'aria-valuenow': Math.round(use.startMin),
                  'aria-valuetext': `${formatClock(use.startMin)}, ${formatDuration(use.minutes)}`,
                  onKeyDown: key(index),
                }
              : {})}
          />
        ))}
    </svg>
  );
}

function skyline(skylineW: Float32Array, scaleW: number): string {
  let path = '';
  skylineW.forEach((peak, slot) => {
    if (peak === 0) return;
    const height = Math.max(2, HEIGHT * Math.sqrt(peak / scaleW)).toFixed(1);
    path += `M${slot * SLOT_MIN} ${HEIGHT}v-${height}h${SLOT_MIN + 0.5}v${height}z`;
  });
  return path;
}

export function whenWords(load: Load): string {
  const draws = `${load.name}, ${runningPowerW(load.draw)} W`;
  if (load.draw.kind === 'standby') return `${draws}, all day`;
  const uses = load.uses.map((use) => `${formatClock(use.startMin)} to ${formatClock(use.startMin + use.minutes)}`);
  return `${draws}, on from ${uses.join(', ') || 'never'}`;
}
