import { cecEfficiency, efficiencyAt, europeanEfficiency, formatDuration, showText } from '@joulemetric/core';
import { BarChart, LineChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { memo } from 'react';
import type { View } from '../../edges/view.ts';
import { useChart } from '../../ui/useChart.ts';

register([BarChart, LineChart, GridComponent, TooltipComponent, CanvasRenderer]);

type DeviceDay = View['bus']['devices'][number];

/** Bars of 5 % of the rating each. */
const BINS = 20;

/** How well each device works at each load, and for how long it is asked for that much. */
export default memo(function EfficiencyCharts({ view }: { view: View }) {
  const { devices } = view.bus;
  if (devices.length === 0) return null;
  return (
    <section aria-label="Efficiency" className="pt-5">
      <h2 className="text-body font-semibold">How well they work, and where they are used</h2>
      <p className="num text-note text-ink-2">
        The line is the efficiency at each load, the bars the hours of this day spent there.
      </p>
      <div className="grid grid-cols-2 gap-x-8 @max-[720px]:grid-cols-1">
        {devices.map((day) => (
          <EfficiencyChart key={day.feed.device.id} day={day} />
        ))}
      </div>
    </section>
  );
});

function EfficiencyChart({ day }: { day: DeviceDay }) {
  const holder = useChart(day, optionsOf);
  const { feed } = day;
  return (
    <figure className="pt-2">
      <figcaption className="num text-ink-2">
        <span className="font-medium text-ink">
          {feed.device.name}, {showText(feed.ratingW, 'W')}
        </span>
        : {told(day)}
      </figcaption>
      <div ref={holder} role="img" aria-label={`${feed.device.name}: ${told(day)}`} className="h-[170px] w-full" />
      {feed.device.kind === 'inverter' && (
        <p className="num text-note text-ink-2">
          Weighted: CEC {showText(cecEfficiency(feed.curve), 'share')}, European{' '}
          {showText(europeanEfficiency(feed.curve), 'share')}
        </p>
      )}
    </figure>
  );
}

/** Minutes a day at each load, from 0 to the rating; above it counts into the last. */
function minutesByLoad({ feed, outputW, onShare }: DeviceDay): number[] {
  const bins = new Array<number>(BINS).fill(0);
  outputW.forEach((w, m) => {
    const bin = Math.min(BINS - 1, Math.floor((w / feed.ratingW) * BINS));
    bins[bin] = (bins[bin] ?? 0) + (onShare[m] ?? 0);
  });
  return bins;
}

/** The answer in one line: how much of its time it works where it is poor. */
function told(day: DeviceDay): string {
  const bins = minutesByLoad(day);
  const outWh = day.outputW.reduce((sum, w) => sum + w, 0) / 60;
  const lostWh = day.conversionWh + day.heldIdleWh + day.unattendedIdleWh;
  const lowMin = bins.slice(0, 2).reduce((sum, minutes) => sum + minutes, 0);
  const mean = outWh > 0 ? `${showText(outWh / (outWh + lostWh), 'share')} over the day` : 'gives nothing';
  return `${mean}; on for ${formatDuration(day.onMin)}, of that ${formatDuration(lowMin)} below a tenth of its rating`;
}

function optionsOf(day: DeviceDay, colour: (name: string) => string) {
  const font = { fontFamily: 'Barlow Semi Condensed', fontSize: 12, color: colour('--ink-2') };
  const curve = Array.from({ length: 101 }, (_, i) => [i, 100 * efficiencyAt(day.feed.curve, i / 100)]);
  const bars = minutesByLoad(day).map((minutes, i) => [(i + 0.5) * (100 / BINS), minutes / 60]);
  const longest = Math.max(...bars.map(([, hours]) => hours ?? 0));
  return {
    animation: false,
    grid: { left: 40, right: 40, top: 22, bottom: 24 },
    tooltip: {
      trigger: 'axis',
      backgroundColor: colour('--sheet'),
      borderColor: colour('--ink'),
      textStyle: { ...font, color: colour('--ink') },
      valueFormatter: (value: number) => String(Math.round(value * 100) / 100),
    },
    xAxis: {
      type: 'value',
      min: 0,
      max: 100,
      interval: 25,
      axisLabel: { ...font, formatter: (x: number) => (x === 0 ? '0 % load' : `${x} %`) },
      splitLine: { show: false },
      axisLine: { lineStyle: { color: colour('--mark') } },
    },
    yAxis: [
      {
        type: 'value',
        min: 0,
        max: 100,
        interval: 50,
        axisLabel: { ...font, formatter: '{value} %' },
        splitLine: { lineStyle: { color: colour('--line') } },
      },
      {
        type: 'value',
        min: 0,
        max: Math.max(1, Math.ceil(longest)),
        interval: Math.max(1, Math.ceil(longest)),
        axisLabel: { ...font, formatter: '{value} h' },
        splitLine: { show: false },
      },
    ],
    series: [
      {
        name: 'hours a day',
        type: 'bar',
        yAxisIndex: 1,
        data: bars,
        barWidth: 12,
        itemStyle: { color: colour('--idle') },
      },
      {
        name: 'efficiency, %',
        type: 'line',
        data: curve,
        symbol: 'none',
        lineStyle: { color: colour('--ink'), width: 1.8 },
        itemStyle: { color: colour('--ink') },
      },
    ],
  };
}
