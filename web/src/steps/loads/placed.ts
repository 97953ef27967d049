import { useCallback } from 'react';
import { useDropBefore, useTarget } from './RowDrag.tsx';

/** Where a row stands on the long sheet, of which only what is near the window is in the page. */
export interface Placement {
  /** Among all rows, 0 first. */
  readonly index: number;
  /** px below the first. */
  readonly top: number;
  /** Stable; measures the row's height. */
  readonly measure: (element: HTMLElement | null) => void;
}

/** What the element of a row is given: its place; others may be dropped before it. @param id of its load or group */
export function usePlaced(id: string, { index, top, measure }: Placement) {
  const { setNodeRef } = useTarget(id);
  const ref = useCallback(
    (element: HTMLElement | null) => {
      setNodeRef(element);
      measure(element);
    },
    [setNodeRef, measure],
  );
  const isTarget = useDropBefore() === id;
  return {
    isTarget,
    ref,
    'data-index': index,
    'data-drop': isTarget ? 'before' : undefined,
    style: { transform: `translateY(${top}px)` },
  };
}
