import type { LogReport } from '@joulemetric/core';
import { QUANTITY, type Quantity } from '@joulemetric/core';
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useMemo, useState } from 'react';
import type { ChartPoint, OpenLog } from '../../edges/answers.ts';
import { useLogChart } from '../../edges/useLogs.ts';
import { useChart } from '../../ui/useChart.ts';
import { useReadIn } from './logUnits.ts';
import { type Design, usePredicted } from './usePredicted.ts';

register([LineChart, GridComponent, TooltipComponent, MarkLineComponent, MarkAreaComponent, CanvasRenderer]);

const POINTS = 800;
/** More readings than these are a line without dots. */
const MOST_DOTS = 60;
const SHOWN = ['soc', 'w', 'a', 'v', 'wh', 'ah', 'c'] as const satisfies readonly Quantity[];

interface Drawn {
  readonly of: Quantity;
  readonly unit: string;
  readonly points: readonly ChartPoint[];
  /** What was put down by hand. */
  readonly typed: readonly (readonly [number, number])[];
  readonly reserve: number | null;
  readonly off: readonly (readonly [number, number])[];
  readonly line: readonly (readonly [number, number])[];
  /** What the job's simulation would have had there. */
  readonly predicted: readonly (readonly [number, number])[];
  readonly dated: boolean;
  readonly from: number;
}

/** Where a log has been: the readings, between least and greatest where there are many, with off times and the forecast. */
export function LogChart({
  log,
  report,
  design,
}: {
  log: OpenLog;
  report: LogReport | undefined;
  design: Design | null;
}) {
  const there = SHOWN.filter((one) => log.entries.some(({ entry }) => entry[one] != null));
  const first = Math.min(log.fromT ?? Number.POSITIVE_INFINITY, log.entries[0]?.t ?? Number.POSITIVE_INFINITY);
  const last = Math.max(log.toT ?? Number.NEGATIVE_INFINITY, log.entries.at(-1)?.t ?? Number.NEGATIVE_INFINITY);
  const [chosen, setOf] = useState<Quantity | null>(null);
  const [zoom, setZoom] = useState<readonly [number, number] | null>(null);
  const usual = there[0] ?? (report?.energy.power ? 'w' : report?.rate ? 'soc' : 'w');
  const of = chosen ?? usual;
  const { days, day, setDay, predicted } = usePredicted(log, design, of, first, last);
  const span = zoom ?? ([first, last] as const);
  const points = useLogChart(log, of, span, POINTS);
  const readIn = useReadIn();
  const { unit, to } = readIn(of);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the way to a unit is the unit's.
  const drawn = useMemo((): Drawn | null => {
    if (!Number.isFinite(first) || last <= first) return null;
    const dated = report ? report.start !== null : first > 1e11;
    const typed = log.entries.flatMap(({ t, entry }) => (entry[of] == null ? [] : [[t, entry[of]] as const]));
    const off = (report?.outages ?? []).map(({ fromH, toH }) => [first + fromH * 3.6e6, first + toH * 3.6e6] as const);
    const toReserve = report?.forecast?.toReserveH?.value;
    const soc = report?.forecast?.soc;
    const isWhole = zoom === null;
    const line =
      of === 'soc' && isWhole && toReserve && soc != null
        ? ([
            [last, soc],
            [last + toReserve * 3.6e6, report.reserve],
          ] as const)
        : [];
    return {
      of,
      unit,
      points: (points ?? []).map(({ t, least, most, mean }) => ({
        t,
        least: to(least),
        most: to(most),
        mean: to(mean),
      })),
      typed: typed.filter(([t]) => t >= span[0] && t <= span[1]).map(([t, value]) => [t, to(value)] as const),
      reserve: of === 'soc' ? (report?.reserve ?? null) : null,
      off,
      line,
      predicted: predicted.map(([t, value]) => [t, to(value)] as const),
      dated,
      from: first,
    };
  }, [of, points, log.entries, report, first, last, zoom, span[0], span[1], predicted, unit]);
  const holder = useChart(drawn, optionsOf);
  if (!drawn) return null;
  const middle = (span[0] + span[1]) / 2;
  const by = (factor: number) => {
    const half = ((span[1] - span[0]) / 2) * factor;
    setZoom(half * 2 >= last - first ? null : [Math.max(first, middle - half), Math.min(last, middle + half)]);
  };
  const move = (share: number) => {
    const d = (span[1] - span[0]) * share;
    const d2 = Math.max(first - span[0], Math.min(last - span[1], d));
    setZoom([span[0] + d2, span[1] + d2]);
  };
  return (
    <section aria-label="Over time" className="pt-3">
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <fieldset className="flex flex-wrap gap-x-4">
          <legend className="sr-only">What is drawn</legend>
          {(log.rows > 0 ? SHOWN : there).map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={one === of}
              onClick={() => setOf(one)}
              className={`num min-w-7 border-b-2 py-1 phone:min-h-11 phone:min-w-11 ${one === of ? 'border-ink font-semibold' : 'border-transparent text-ink-2'}`}
            >
              {readIn(one).unit}
            </button>
          ))}
        </fieldset>
        <div className="num flex gap-x-3 text-ink-2">
          <button type="button" onClick={() => by(0.5)} className="px-1 phone:min-h-11">
            closer
          </button>
          {zoom && (
            <>
              <button type="button" aria-label="Earlier" onClick={() => move(-0.5)} className="px-1 phone:min-h-11">
                ‹
              </button>
              <button type="button" aria-label="Later" onClick={() => move(0.5)} className="px-1 phone:min-h-11">
                ›
              </button>
              <button type="button" onClick={() => setZoom(null)} className="px-1 phone:min-h-11">
                all
              </button>
            </>
          )}
        </div>
      </div>
      <div ref={holder} role="img" aria-label={`${QUANTITY[of].word} over time`} className="h-[230px] w-full" />
      {days > 0 && (
        <label className="num flex items-baseline gap-2 text-note text-ink-2">
          Beside it, as simulated from
          <select
            value={day ?? ''}
            onChange={(event) => setDay(event.target.value === '' ? null : Number(event.target.value))}
            className="border-b border-line bg-transparent text-number phone:min-h-11"
          >
            <option value="">nothing</option>
            {Array.from({ length: days }, (_, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: days are told apart by their number.
              <option key={i} value={i}>
                day {i + 1} of the trip
              </option>
            ))}
          </select>
        </label>
      )}
    </section>
  );
}

function optionsOf(
  { of, unit, points, typed, reserve, off, line, predicted, dated, from }: Drawn,
  colour: (name: string) => string,
): Record<string, unknown> {
  const rest = { type: 'line', symbol: 'none', animation: false, silent: true };
  const many = points.some(({ least, most }) => most > least);
  const words = { color: colour('--ink-2'), fontFamily: 'Barlow Semi Condensed', fontSize: 12 };
  return {
    animation: false,
    grid: { left: 56, right: 16, top: 12, bottom: 26 },
    xAxis: {
      type: dated ? 'time' : 'value',
      ...(dated ? {} : { min: from }),
      axisLabel: {
        ...words,
        hideOverlap: true,
        ...(dated ? {} : { formatter: (t: number) => `${Math.round((t - from) / 3.6e6)} h` }),
      },
      axisLine: { lineStyle: { color: colour('--ink') } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      scale: of !== 'soc',
      ...(of === 'soc' ? { min: 0, max: 100 } : {}),
      axisLabel: { ...words, formatter: (value: number) => `${value} ${unit}` },
      splitLine: { lineStyle: { color: colour('--line-2') } },
    },
    tooltip: {
      trigger: 'axis',
      valueFormatter: (value: number) => (value == null ? '–' : `${Math.round(value * 100) / 100} ${unit}`),
    },
    series: [
      ...(many
        ? [
            {
              ...rest,
              data: points.map(({ t, least }) => [t, least]),
              lineStyle: { width: 0 },
              stack: 'band',
              stackStrategy: 'all',
              tooltip: { show: false },
            },
            {
              ...rest,
              data: points.map(({ t, least, most }) => [t, most - least]),
              lineStyle: { width: 0 },
              areaStyle: { color: colour('--mark'), opacity: 0.35 },
              stack: 'band',
              stackStrategy: 'all',
              tooltip: { show: false },
            },
          ]
        : []),
      {
        ...rest,
        name: 'meter',
        silent: false,
        data: points.map(({ t, mean }) => [t, mean]),
        lineStyle: { color: colour('--ink'), width: 1.4 },
      },
      {
        ...rest,
        name: 'by hand',
        silent: false,
        symbol: typed.length > MOST_DOTS ? 'none' : 'circle',
        symbolSize: 6,
        data: typed,
        itemStyle: { color: colour('--ink') },
        lineStyle: { color: colour('--ink'), width: 1.2 },
      },
      {
        ...rest,
        name: 'simulated',
        silent: false,
        data: predicted,
        lineStyle: { color: colour('--copper'), width: 1.4 },
      },
      {
        ...rest,
        name: 'at this rate',
        data: line,
        lineStyle: { color: colour('--copper'), width: 1.4, type: 'dashed' },
        ...(reserve === null
          ? {}
          : {
              markLine: {
                symbol: 'none',
                silent: true,
                data: [{ yAxis: reserve }],
                lineStyle: { color: colour('--stop'), type: 'solid', width: 1 },
                label: {
                  formatter: `reserve ${reserve} %`,
                  position: 'insideStartTop',
                  color: colour('--stop'),
                  fontFamily: 'Barlow Semi Condensed',
                },
              },
            }),
        markArea: {
          silent: true,
          itemStyle: { color: colour('--line'), opacity: 0.5 },
          label: { color: colour('--ink-2'), fontFamily: 'Barlow Semi Condensed' },
          data: off.map(([a, b]) => [{ xAxis: a, name: 'off' }, { xAxis: b }]),
        },
      },
    ],
  };
}
