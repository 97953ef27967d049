import { formatNumber, type TripDetail } from '@joulemetric/core';
import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useMemo } from 'react';
import { useChart } from '../../ui/useChart.ts';
import { whenText } from './when.ts';

register([
  LineChart,
  ScatterChart,
  GridComponent,
  TooltipComponent,
  MarkAreaComponent,
  MarkLineComponent,
  CanvasRenderer,
]);

/** More points than these are no finer than a pixel. */
const MOST_POINTS = 1500;
/** px of the chart's sides, so that a click can be told in hours. */
const LEFT = 46;
const RIGHT = 16;

interface Drawn {
  readonly trip: TripDetail;
  readonly other: TripDetail | null;
  readonly otherName: string;
  readonly atH: number | null;
}

/** How full it is through the trip, with what comes and what is drawn under it; a click asks about that moment. */
export function TripChart({
  trip,
  other,
  otherName,
  atH,
  onPoint,
}: Drawn & { readonly onPoint: (atH: number) => void }) {
  const drawn = useMemo(() => ({ trip, other, otherName, atH }), [trip, other, otherName, atH]);
  const holder = useChart(drawn, optionsOf);
  const hours = trip.run.days * 24;
  const step = trip.run.stepMin / 60;
  const now = atH ?? 0;
  const keys = (event: React.KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1, PageUp: -24, PageDown: 24 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onPoint(Math.max(0, Math.min(hours - step, now + by)));
  };
  return (
    <div
      ref={holder}
      role="slider"
      tabIndex={0}
      aria-label="How full the store is through the trip; arrow keys ask about a moment"
      aria-valuemin={0}
      aria-valuemax={hours}
      aria-valuenow={Math.round(now * 4) / 4}
      aria-valuetext={atH === null ? 'no moment chosen' : whenText(atH)}
      onKeyDown={keys}
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const share = (event.clientX - box.left - LEFT) / (box.width - LEFT - RIGHT);
        if (share >= 0 && share < 1) onPoint(Math.floor((share * hours) / step) * step);
      }}
      className="h-[330px] w-full cursor-crosshair"
    />
  );
}

function optionsOf({ trip, other, otherName, atH }: Drawn, colour: (name: string) => string): Record<string, unknown> {
  const { run, cutOffSoc, reconnectSoc, marks } = trip;
  const { trace, days, stepMin } = run;
  if (!trace) return {};
  const [ink, ink2, copper, line, stop] = ['--ink', '--ink-2', '--copper', '--line', '--stop'].map(colour);
  const text = { color: ink2, fontFamily: 'Barlow Semi Condensed', fontSize: 12 };
  const stride = Math.max(1, Math.ceil(trace.soc.length / MOST_POINTS));
  const hours = stepMin / 60;
  const points = (row: Float32Array, factor: number) => {
    const out: [number, number][] = [];
    for (let k = 0; k < row.length; k += stride) {
      let sum = 0;
      const end = Math.min(row.length, k + stride);
      for (let i = k; i < end; i++) sum += row[i] as number;
      out.push([k * hours, (sum / (end - k)) * factor]);
    }
    return out;
  };
  const socPoints = (row: Float32Array) => points(row, 100).map(([h, soc]) => [h + stride * hours, soc]);
  const any = (row: Float32Array) => row.some((w) => w > 0);
  const watts = (name: string, row: Float32Array, style: object) => ({
    name,
    type: 'line',
    xAxisIndex: 1,
    yAxisIndex: 1,
    step: 'end',
    showSymbol: false,
    data: points(row, 1),
    ...style,
  });
  const many = Math.max(1, Math.ceil(days / 14));
  const axis = (gridIndex: number, label: boolean) => ({
    gridIndex,
    type: 'value',
    min: 0,
    max: days * 24,
    interval: 24 * many,
    axisLabel: {
      ...text,
      show: label,
      formatter: (h: number) => (h < days * 24 ? `day ${Math.round(h / 24) + 1}` : ''),
      align: 'left',
    },
    axisLine: { onZero: false, lineStyle: { color: ink } },
    axisTick: { lineStyle: { color: ink } },
    splitLine: { show: true, lineStyle: { color: line } },
    axisPointer: { show: true, type: 'line', lineStyle: { color: ink2, type: 'dashed' }, label: { show: false } },
  });
  const full = marks.filter(({ kind }) => kind === 'full');
  const locked = marks.filter(({ kind }) => kind === 'locked' || kind === 'outlet');
  const spills = trace.sunOfferedW.some((w, k) => w - (trace.sunW[k] as number) > 1);
  const cuts = marks.filter(({ kind }) => kind === 'cut-off');
  return {
    animation: false,
    textStyle: text,
    axisPointer: { link: [{ xAxisIndex: 'all' }] },
    grid: [
      { left: LEFT, right: RIGHT, top: 26, height: 148 },
      { left: LEFT, right: RIGHT, top: 212, height: 88 },
    ],
    tooltip: {
      trigger: 'axis',
      backgroundColor: colour('--sheet'),
      borderColor: ink,
      borderRadius: 0,
      textStyle: { ...text, color: ink },
      formatter: (items: unknown) => {
        const told = (items as { seriesName: string; value: [number, number] }[]).filter(
          ({ seriesName }) => seriesName !== '',
        );
        const [first] = told;
        if (!first) return '';
        const rows = told.map(
          ({ seriesName, value }) =>
            `${seriesName} ${formatNumber(value[1])} ${seriesName.startsWith('charge') ? '%' : 'W'}`,
        );
        return [whenText(first.value[0]), ...rows].join('<br>');
      },
    },
    xAxis: [axis(0, false), axis(1, true)],
    yAxis: [
      {
        gridIndex: 0,
        type: 'value',
        min: 0,
        max: 100,
        interval: 25,
        name: 'charge %',
        nameGap: 12,
        nameTextStyle: { ...text, align: 'left', padding: [0, 0, 0, -LEFT + 8] },
        axisLabel: text,
        splitLine: { lineStyle: { color: line } },
      },
      {
        gridIndex: 1,
        type: 'value',
        min: 0,
        splitNumber: 3,
        name: 'W',
        nameGap: 12,
        nameTextStyle: { ...text, align: 'left', padding: [0, 0, 0, -LEFT + 8] },
        axisLabel: { ...text, formatter: (w: number) => formatNumber(w) },
        splitLine: { lineStyle: { color: line } },
      },
    ],
    series: [
      {
        name: 'charge',
        type: 'line',
        showSymbol: false,
        data: [[0, 100], ...socPoints(trace.soc)],
        lineStyle: { color: ink, width: 2 },
        itemStyle: { color: ink },
        markArea: {
          silent: true,
          itemStyle: { color: line, opacity: 0.55 },
          label: { ...text, position: 'insideTopLeft' },
          data: [[{ name: 'kept back', yAxis: 0 }, { yAxis: cutOffSoc * 100 }]],
        },
        markLine: {
          silent: true,
          symbol: 'none',
          label: { show: false },
          data: [
            ...(cuts.length > 0
              ? [{ yAxis: reconnectSoc * 100, lineStyle: { color: ink2, type: 'dotted', width: 1 } }]
              : []),
            ...cuts.map(({ atH: at }) => ({ xAxis: at, lineStyle: { color: stop, type: 'solid', width: 1.5 } })),
            ...locked.map(({ atH: at }) => ({ xAxis: at, lineStyle: { color: ink2, type: 'dashed', width: 1 } })),
            ...(atH === null ? [] : [{ xAxis: atH, lineStyle: { color: ink, type: 'solid', width: 1 } }]),
          ],
        },
      },
      ...(other?.run.trace
        ? [
            {
              name: `charge, ${otherName}`,
              type: 'line',
              showSymbol: false,
              data: [[0, 100], ...socPoints(other.run.trace.soc)],
              lineStyle: { color: copper, width: 1.5, type: 'dashed' },
              itemStyle: { color: copper },
            },
          ]
        : []),
      {
        name: '',
        type: 'scatter',
        silent: true,
        symbolSize: 6,
        data: full.map(({ atH: at }) => [at, 100]),
        itemStyle: { color: colour('--sheet'), borderColor: ink, borderWidth: 1.5 },
      },
      ...(spills
        ? [
            watts('sun offered', trace.sunOfferedW, {
              lineStyle: { color: copper, width: 1, opacity: 0.55 },
              itemStyle: { color: copper },
            }),
          ]
        : []),
      watts('sun', trace.sunW, {
        lineStyle: { color: copper, width: 1 },
        itemStyle: { color: copper },
        areaStyle: { color: copper, opacity: 0.3 },
      }),
      ...(any(trace.drivingW)
        ? [
            watts('driving', trace.drivingW, {
              lineStyle: { color: copper, width: 1.5, type: 'dashed' },
              itemStyle: { color: copper },
            }),
          ]
        : []),
      ...(any(trace.supplyW)
        ? [
            watts('supply', trace.supplyW, {
              lineStyle: { color: copper, width: 1.5, type: 'dotted' },
              itemStyle: { color: copper },
            }),
          ]
        : []),
      watts('drawn', trace.needW, { lineStyle: { color: ink2, width: 1.2 }, itemStyle: { color: ink2 } }),
      ...(any(trace.unservedW)
        ? [
            watts('not served', trace.unservedW, {
              lineStyle: { color: stop, width: 1.2 },
              itemStyle: { color: stop },
              areaStyle: { color: stop, opacity: 0.25 },
            }),
          ]
        : []),
    ],
  };
}
