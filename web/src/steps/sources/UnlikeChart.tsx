import { formatNumber, showText, type UnlikeDetail } from '@joulemetric/core';
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkPointComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { memo } from 'react';
import { useChart } from '../../ui/useChart.ts';

register([LineChart, GridComponent, MarkPointComponent, CanvasRenderer]);

/** Unlike panels on one controller: each one's curve, that of all together, and where it works best. */
export const UnlikeChart = memo(function UnlikeChart({ unlike }: { unlike: UnlikeDetail }) {
  const holder = useChart(unlike, optionsOf);
  const { atLabel, atWork, wiring } = unlike;
  const { together, apart, apartW, lostShare } = atLabel;
  const words = `Together ${showText(together.watts, 'W')} at ${showText(together.volts, 'V')}; each on its own ${apart
    .map(({ watts }) => showText(watts, 'W'))
    .join(' + ')} = ${showText(apartW, 'W')}. ${formatNumber(lostShare * 100, 1)} % is lost by joining them ${
    wiring === 'parallel' ? 'side by side' : 'one after the other'
  }, ${formatNumber(atWork.lostShare * 100, 1)} % when warm.`;
  return (
    <figure className="grid grid-cols-[minmax(0,3fr)_minmax(280px,2fr)] items-center gap-x-10 pt-3 @max-[860px]:grid-cols-1">
      <div ref={holder} role="img" aria-label={words} className="h-[190px] w-full" />
      <figcaption className="num text-ink-2">
        <span className="block font-semibold text-ink">Unlike panels on one controller</span>
        {words}
      </figcaption>
    </figure>
  );
});

function optionsOf(
  { curve, curves, atLabel }: UnlikeDetail,
  colour: (name: string) => string,
): Record<string, unknown> {
  const [ink, ink2, copper, line] = [colour('--ink'), colour('--ink-2'), colour('--copper'), colour('--line')];
  const text = { color: ink2, fontFamily: 'Barlow Semi Condensed', fontSize: 12 };
  const axis = (name: string) => ({
    type: 'value',
    name,
    nameTextStyle: text,
    min: 0,
    axisLabel: text,
    axisLine: { show: true, lineStyle: { color: ink } },
    splitLine: { lineStyle: { color: line } },
  });
  const drawn = (name: string, points: UnlikeDetail['curve'], style: object, end: object = {}) => ({
    name,
    type: 'line',
    showSymbol: false,
    data: points.map(({ volts, amps }) => [Math.round(volts * 100) / 100, Math.round(amps * 1000) / 1000]),
    ...style,
    ...end,
  });
  const dashes = ['dashed', 'dotted'] as const;
  return {
    animation: false,
    textStyle: text,
    grid: { left: 36, right: 30, top: 26, bottom: 24 },
    xAxis: axis('V'),
    yAxis: axis('A'),
    series: [
      ...curves.map(({ name, points }, i) =>
        drawn(name, points, {
          lineStyle: { color: ink2, width: 1.2, type: dashes[i % 2] },
          itemStyle: { color: ink2 },
        }),
      ),
      drawn(
        'together',
        curve,
        { lineStyle: { color: ink, width: 2 }, itemStyle: { color: ink } },
        {
          markPoint: {
            symbol: 'circle',
            symbolSize: 9,
            itemStyle: { color: copper },
            label: { ...text, color: copper, position: 'top', formatter: showText(atLabel.together.watts, 'W') },
            data: [{ coord: [atLabel.together.volts, atLabel.together.amps] }],
          },
        },
      ),
    ],
  };
}
