import {
  type Announcements,
  closestCenter,
  DndContext,
  type DragMoveEvent,
  getClientRect,
  MeasuringStrategy,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { createContext, useContext, useMemo, useState } from 'react';

/** Where a dragged row would drop: before this load, or at the end of the list (null). */
export interface Drop {
  readonly id: string;
  readonly beforeId: string | null;
}

/** px the mouse must travel, and ms a finger must rest, before a press becomes a drag, so that a tick stays a tick. */
const SLOP_PX = 5;
const REST_MS = 200;
// The same objects always: with new ones every row would be drawn anew with every edit.
const BY_MOUSE = { activationConstraint: { distance: SLOP_PX } };
const BY_TOUCH = { activationConstraint: { delay: REST_MS, tolerance: SLOP_PX } };

/** Rows come and go as the page scrolls, and stand where a transform puts them. */
const MEASURING = { droppable: { strategy: MeasuringStrategy.Always, measure: getClientRect } };

const DropContext = createContext<Drop | null>(null);

/** What a screen reader is told; rows are moved without a mouse by Alt and the arrow keys. */
const instructions = { draggable: 'Space ticks the load. Alt with the up or down arrow moves it.' };

/**
 * Rows dragged by their handle with mouse or touch; the page scrolls at its edges, and it is said where a row goes.
 * @param ids of the loads in the order they stand in
 */
export function RowDrag({
  ids,
  nameOf,
  onDrop,
  children,
}: {
  ids: readonly string[];
  nameOf: (id: string) => string;
  onDrop: (drop: Drop) => void;
  children: React.ReactNode;
}) {
  const sensors = useSensors(useSensor(MouseSensor, BY_MOUSE), useSensor(TouchSensor, BY_TOUCH));
  const [drop, setDrop] = useState<Drop | null>(null);
  const announcements = useMemo<Announcements>(() => {
    const landing = (at: Drop | null) =>
      !at ? 'where it was' : at.beforeId === null ? 'the end' : `the place before ${nameOf(at.beforeId)}`;
    return {
      onDragStart: ({ active }) => `${nameOf(String(active.id))} is being moved.`,
      onDragOver: () => undefined,
      onDragEnd: ({ active }) => `${nameOf(String(active.id))} was moved to ${landing(drop)}.`,
      onDragCancel: ({ active }) => `${nameOf(String(active.id))} stays where it was.`,
    };
  }, [nameOf, drop]);
  const follow = (event: DragMoveEvent) => setDrop(landingOf(event, ids));
  const end = () => {
    if (drop) onDrop(drop);
    setDrop(null);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      measuring={MEASURING}
      accessibility={{ announcements, screenReaderInstructions: instructions }}
      onDragMove={follow}
      onDragOver={follow}
      onDragEnd={end}
      onDragCancel={() => setDrop(null)}
    >
      <DropContext value={drop}>{children}</DropContext>
    </DndContext>
  );
}

/** Before the row whose upper half the handle is over, or before the one after it. */
function landingOf({ active, over }: DragMoveEvent, ids: readonly string[]): Drop | null {
  const at = active.rect.current.translated;
  if (!over || !at) return null;
  const middle = at.top + at.height / 2;
  const isAbove = middle < over.rect.top + over.rect.height / 2;
  const index = ids.indexOf(String(over.id));
  return { id: String(active.id), beforeId: ids[isAbove ? index : index + 1] ?? null };
}

/** The row that the dragged one would stand before. */
export const useDropBefore = (): string | null | undefined => useContext(DropContext)?.beforeId;

export const useHandle = (id: string) => useDraggable({ id });
export const useTarget = (id: string) => useDroppable({ id });
