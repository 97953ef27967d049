import { type EChartsType, init } from 'echarts/core';
import { type RefCallback, useEffect, useRef, useState } from 'react';
import { themeColour } from './themeColour.ts';
import { useTheme } from './useTheme.ts';

/** ms by which a chart lets the figures of an edit go first; to draw one anew takes as long as to draw all of them. */
const AFTER_FIGURES_MS = 60;

/**
 * A chart in a holder of its own: made once, sized with the holder, drawn anew when `data` or the theme changes, in
 * a task of its own after the figures, and only while the holder is in view. The module that uses it registers the parts of ECharts it
 * needs.
 */
export function useChart<T>(
  data: T | null,
  optionsOf: (data: T, colour: (name: string) => string) => Record<string, unknown>,
): RefCallback<HTMLDivElement> {
  const theme = useTheme();
  // A holder that comes later, as with the first readings of a log, is taken when it comes.
  const [holder, setHolder] = useState<HTMLDivElement | null>(null);
  const chart = useRef<EChartsType | null>(null);
  /** The chart that has been drawn already. */
  const drawn = useRef<EChartsType | null>(null);
  const [isInView, setInView] = useState(false);
  useEffect(() => {
    if (!holder) return;
    const made = init(holder, null, { renderer: 'canvas' });
    chart.current = made;
    const size = new ResizeObserver(() => made.resize());
    size.observe(holder);
    const view = new IntersectionObserver(([entry]) => setInView(entry?.isIntersecting ?? false), {
      rootMargin: '200px',
    });
    view.observe(holder);
    return () => {
      size.disconnect();
      view.disconnect();
      made.dispose();
      chart.current = null;
    };
  }, [holder]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the theme's colours are read from the page.
  useEffect(() => {
    if (data === null || !isInView) return;
    const draw = () => {
      drawn.current = chart.current;
      chart.current?.setOption(optionsOf(data, themeColour()), { notMerge: true });
    };
    const later = setTimeout(draw, drawn.current === chart.current ? AFTER_FIGURES_MS : 0);
    return () => clearTimeout(later);
  }, [data, theme, isInView]);
  return setHolder;
}
