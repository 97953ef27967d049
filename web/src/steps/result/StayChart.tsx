import { formatClock, type StaySimulation, showText } from '@joulemetric/core';
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useChart } from '../../ui/useChart.ts';

register([LineChart, GridComponent, TooltipComponent, MarkAreaComponent, CanvasRenderer]);

/** A point every five minutes is finer than a pixel. */
const STEP_MIN = 5;

/** The state of charge through the first day away and, dashed, through the last. */
export default function StayChart({ stay }: { stay: StaySimulation }) {
  const holder = useChart(stay, optionsOf);

  return (
    <>
      <h2 className="text-body font-semibold">How full it is, hour by hour</h2>
      <p className="num text-ink-2" data-stay="ready">
        {summary(stay)}
      </p>
      <div ref={holder} role="img" aria-label={summary(stay)} className="h-[210px] w-full" />
    </>
  );
}

/** The day's end is 24:00, not the next day's beginning. */
const clock = (minute: number): string => (minute === 1440 ? '24:00' : formatClock(minute));

function summary({ first, last, days }: StaySimulation): string {
  const when = (soc: Float64Array, wanted: number) => clock(soc.indexOf(wanted));
  const lowest = `Lowest on the first day: ${showText(first.lowestSoc, 'share')} at ${when(first.soc, first.lowestSoc)}.`;
  const spilledWh = first.books.sunOfferedWh - first.books.sunWh;
  const spilled = spilledWh > 1 ? ` ${showText(spilledWh, 'Wh')} of sun finds no room.` : '';
  if (days === 1) return lowest + spilled;
  const after =
    last.unservedFromMin === null
      ? `On day ${days} it gets down to ${showText(last.lowestSoc, 'share')}.`
      : `On day ${days} it is cut off at ${formatClock(last.unservedFromMin)}; ${showText(last.books.unservedWh, 'Wh')} are not served.`;
  return `${lowest} ${after}${spilled}`;
}

function optionsOf({ first, last, days, floorSoc }: StaySimulation, colour: (name: string) => string) {
  const ink = colour('--ink');
  const line = colour('--line');
  const text = { color: colour('--ink-2'), fontFamily: 'Barlow Semi Condensed', fontSize: 12 };
  const points = (soc: Float64Array) =>
    Array.from({ length: 1440 / STEP_MIN + 1 }, (_, i) => [
      i * STEP_MIN,
      Math.round((soc[i * STEP_MIN] ?? 0) * 1000) / 10,
    ]);
  const series = [
    { name: 'first day', soc: first.soc, type: 'solid' as const, width: 2 },
    ...(days > 1 ? [{ name: `day ${days}`, soc: last.soc, type: 'dashed' as const, width: 1.5 }] : []),
  ];
  return {
    animation: false,
    textStyle: text,
    grid: { left: 40, right: 74, top: 14, bottom: 24 },
    tooltip: {
      trigger: 'axis' as const,
      backgroundColor: colour('--sheet'),
      borderColor: ink,
      borderRadius: 0,
      textStyle: { ...text, color: ink },
      formatter: (items: unknown) =>
        (items as { seriesName: string; value: [number, number] }[])
          .map(
            ({ seriesName, value }, i) =>
              `${i === 0 ? `${formatClock(value[0])}<br>` : ''}${seriesName} ${value[1].toFixed(0)} %`,
          )
          .join('<br>'),
    },
    xAxis: {
      type: 'value' as const,
      min: 0,
      max: 1440,
      interval: 180,
      axisLabel: { ...text, formatter: clock },
      axisLine: { lineStyle: { color: ink } },
      axisTick: { lineStyle: { color: ink } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value' as const,
      min: 0,
      max: 100,
      interval: 25,
      axisLabel: { ...text, formatter: '{value} %' },
      splitLine: { lineStyle: { color: line } },
    },
    series: series.map(({ name, soc, type, width }, i) => ({
      name,
      type: 'line' as const,
      data: points(soc),
      showSymbol: false,
      lineStyle: { color: i === 0 ? ink : colour('--copper'), width, type },
      itemStyle: { color: i === 0 ? ink : colour('--copper') },
      endLabel: { show: true, formatter: name, ...text, offset: [2, i === 0 ? -7 : 7] },
      ...(i === 0 && floorSoc > 0
        ? {
            markArea: {
              silent: true,
              itemStyle: { color: line, opacity: 0.55 },
              label: { ...text, position: 'insideLeft' as const },
              data: [[{ name: 'reserve', yAxis: 0 }, { yAxis: Math.round(floorSoc * 1000) / 10 }]],
            },
          }
        : {}),
    })),
  };
}
