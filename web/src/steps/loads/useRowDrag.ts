import { type MouseEvent, type PointerEvent, useMemo, useRef, useState } from 'react';

/** Where a dragged row would drop: before this load, or at the end of the list (null). */
export interface Drop {
  readonly id: string;
  readonly beforeId: string | null;
}

/** px the pointer must travel before a press becomes a drag, so that a tick stays a tick. */
const SLOP_PX = 5;

export interface Handle {
  readonly down: (event: PointerEvent<HTMLElement>, id: string) => void;
  readonly move: (event: PointerEvent<HTMLElement>) => void;
  readonly up: () => void;
  /** Swallows the click with which a drag ends, so that it does not tick. */
  readonly click: (event: MouseEvent<HTMLElement>) => void;
}

/** Rows dragged by their handle, with mouse or touch; `drop` says where the row would land while it is dragged. */
export function useRowDrag(onDrop: (drop: Drop) => void): { readonly drop: Drop | null; readonly handle: Handle } {
  const press = useRef<{ id: string; y: number; drop: Drop | null } | null>(null);
  const dragged = useRef(false);
  const [drop, setDrop] = useState<Drop | null>(null);
  const handle = useMemo<Handle>(
    () => ({
      down: (event, id) => {
        press.current = { id, y: event.clientY, drop: null };
        event.currentTarget.setPointerCapture(event.pointerId);
      },
      move: (event) => {
        const from = press.current;
        if (!from || (from.drop === null && Math.abs(event.clientY - from.y) < SLOP_PX)) return;
        from.drop = { id: from.id, beforeId: rowAt(event.clientX, event.clientY) };
        setDrop(from.drop);
      },
      up: () => {
        const landed = press.current?.drop ?? null;
        dragged.current = landed !== null;
        if (landed) onDrop(landed);
        press.current = null;
        setDrop(null);
      },
      click: (event) => {
        if (dragged.current) event.preventDefault();
        dragged.current = false;
      },
    }),
    [onDrop],
  );
  return { drop, handle };
}

/** The load whose row the pointer is above the middle of; null below the last. */
function rowAt(x: number, y: number): string | null {
  const row = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-load]');
  if (!row) return null;
  const { top, height } = row.getBoundingClientRect();
  if (y < top + height / 2) return row.dataset.load ?? null;
  const next = row.closest('li')?.nextElementSibling?.querySelector<HTMLElement>('[data-load]');
  return next?.dataset.load ?? null;
}
