import {
  type DayBalance,
  type DayCell,
  formatClock,
  formatNumber,
  type Job,
  type KindOfDay,
  monthName,
  showText,
} from '@joulemetric/core';
import { LineChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useDayBalance } from '../../edges/useSourcesDetail.ts';
import { useChart } from '../../ui/useChart.ts';

register([LineChart, GridComponent, TooltipComponent, CanvasRenderer]);

/** The chosen day hour by hour: what comes, what is drawn, and how full the store is. */
export function CellDay({
  job,
  optionId,
  month,
  kind,
  cell,
}: {
  job: Job;
  optionId: string;
  month: number;
  kind: KindOfDay;
  cell: DayCell | undefined;
}) {
  const { value: balance } = useDayBalance(job, optionId, month, kind);
  const holder = useChart(balance, optionsOf);
  return (
    <div data-day={balance ? 'ready' : 'waiting'}>
      <h2 className="text-body font-semibold">
        {kind.name}, {monthName(month)}{' '}
        {cell && (
          <span className="num font-normal text-note text-ink-2">{showText(cell.sunHours, 'h')} of full sun</span>
        )}
      </h2>
      {cell && <p className="num text-ink-2">{cellWords(cell)}</p>}
      <div
        ref={holder}
        role="img"
        aria-label="Watts through the day, and the store’s charge"
        className="h-[230px] w-full"
      />
      {balance && <p className="num text-ink-2">{balanceWords(balance)}</p>}
    </div>
  );
}

const SHORT_OF = {
  sun: 'The sun',
  driving: 'Sun and driving together',
  supply: 'The supply and its charger',
} as const;

function cellWords(cell: DayCell): string {
  const { needWh, sunWh, drivingWh, supplyWh, sparedWh, netWh, spilledWh, shortWh, shortOf } = cell;
  const comes = [
    `${showText(sunWh, 'Wh')} of sun`,
    ...(drivingWh > 0 ? [`${showText(drivingWh, 'Wh')} of driving`] : []),
    ...(supplyWh > 0 ? [`${showText(supplyWh, 'Wh')} that the chargers could give`] : []),
  ].join(', ');
  const ends =
    shortOf !== null
      ? `${SHORT_OF[shortOf]} ${shortOf === 'sun' ? 'is' : 'are'} short: ${showText(shortWh, 'Wh')} go unserved.`
      : spilledWh > 1
        ? `${showText(spilledWh, 'Wh')} of sun find no room.`
        : 'Nothing is spilled.';
  const spared =
    Math.abs(sparedWh) < 1
      ? ''
      : sparedWh > 0
        ? `; ${showText(sparedWh, 'Wh')} spared, since what runs meanwhile does not pass through the battery`
        : `; ${showText(-sparedWh, 'Wh')} lost on the way into the battery or in it, or not taken for cold`;
  return `${showText(needWh, 'Wh')} needed; ${comes}${spared}: ${netWh < 0 ? '−' : '+'}${showText(Math.abs(netWh), 'Wh')} a day. ${ends}`;
}

function balanceWords({ directWh, storeWh, darkWh, coolingH }: DayBalance): string {
  const cooling = coolingH ? ` ${coolingH.name} would run ${showText(coolingH.hours, 'h')} after dark.` : '';
  return `The sun carries ${showText(directWh, 'Wh')} straight, the store ${showText(storeWh, 'Wh')}; ${showText(darkWh, 'Wh')} are drawn in the dark.${cooling}`;
}

function optionsOf(
  { stepMin, demandW, sunW, drivingW, supplyW, soc }: DayBalance,
  colour: (name: string) => string,
): Record<string, unknown> {
  const [ink, ink2, copper, line] = [colour('--ink'), colour('--ink-2'), colour('--copper'), colour('--line')];
  const text = { color: ink2, fontFamily: 'Barlow Semi Condensed', fontSize: 12 };
  const points = (values: readonly number[], factor = 1) =>
    values.map((value, i) => [i * stepMin, Math.round(value * factor * 10) / 10]);
  const any = (values: readonly number[]) => values.some((w) => w > 0);
  const watts = (name: string, values: readonly number[], style: object) => ({
    name,
    type: 'line',
    step: 'end',
    showSymbol: false,
    data: points(values),
    ...style,
  });
  return {
    animation: false,
    textStyle: text,
    grid: { left: 46, right: 46, top: 26, bottom: 24, outerBoundsMode: 'none' },
    legend: { show: false },
    tooltip: {
      trigger: 'axis',
      backgroundColor: colour('--sheet'),
      borderColor: ink,
      borderRadius: 0,
      textStyle: { ...text, color: ink },
      formatter: (items: unknown) =>
        (items as { seriesName: string; value: [number, number] }[])
          .map(
            ({ seriesName, value }, i) =>
              `${i === 0 ? `${formatClock(value[0])}<br>` : ''}${seriesName} ${Math.round(value[1])} ${seriesName === 'charge' ? '%' : 'W'}`,
          )
          .join('<br>'),
    },
    xAxis: {
      type: 'value',
      min: 0,
      max: 1440,
      interval: 240,
      axisLabel: { ...text, formatter: (minute: number) => (minute === 1440 ? '24:00' : formatClock(minute)) },
      axisLine: { lineStyle: { color: ink } },
      axisTick: { lineStyle: { color: ink } },
      splitLine: { show: false },
    },
    yAxis: [
      {
        type: 'value',
        name: 'W',
        min: 0,
        nameTextStyle: text,
        axisLabel: { ...text, formatter: (value: number) => formatNumber(value) },
        splitLine: { lineStyle: { color: line } },
      },
      {
        type: 'value',
        name: 'charge %',
        min: 0,
        max: 100,
        interval: 25,
        nameTextStyle: text,
        axisLabel: text,
        splitLine: { show: false },
      },
    ],
    series: [
      watts('sun', sunW, { lineStyle: { color: copper, width: 1.5 }, areaStyle: { color: copper, opacity: 0.28 } }),
      ...(any(drivingW)
        ? [
            watts('driving', drivingW, {
              lineStyle: { color: copper, width: 1.5, type: 'dashed' },
              itemStyle: { color: copper },
            }),
          ]
        : []),
      ...(any(supplyW)
        ? [
            watts('supply', supplyW, {
              lineStyle: { color: copper, width: 1.5, type: 'dotted' },
              itemStyle: { color: copper },
            }),
          ]
        : []),
      watts('drawn', demandW, { lineStyle: { color: ink2, width: 1.5 }, itemStyle: { color: ink2 } }),
      {
        name: 'charge',
        type: 'line',
        yAxisIndex: 1,
        showSymbol: false,
        data: points(soc, 100),
        lineStyle: { color: ink, width: 2 },
        itemStyle: { color: ink },
        endLabel: { show: true, formatter: 'charge', ...text, offset: [-46, -12] },
      },
    ],
  };
}
