import { type RefObject, useEffect, useRef, useState } from 'react';

/** The width of an element in px, so that a drawing's words stay as large as the page's; `first` until it is measured. */
export function useWidth<T extends Element>(first: number): readonly [RefObject<T | null>, number] {
  const holder = useRef<T>(null);
  const [width, setWidth] = useState(first);
  useEffect(() => {
    if (!holder.current) return;
    const observer = new ResizeObserver(([entry]) => setWidth(Math.round(entry?.contentRect.width ?? first)));
    observer.observe(holder.current);
    return () => observer.disconnect();
  }, [first]);
  return [holder, width];
}
