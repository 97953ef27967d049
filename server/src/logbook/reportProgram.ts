import {
  type Log,
  type LogReading,
  type LogReport,
  mergeSeries,
  readingsOf,
  reportOf,
  type Series,
  zoneOf,
} from '@joulemetric/core';

/** The process that reckons what a log says. */
export interface ReportAsk {
  readonly log: Log;
  readonly entries: readonly LogReading[];
  readonly series: Series;
}
export type ReportAnswer = { readonly report: LogReport } | { readonly failed: string };

process.on('message', (ask: ReportAsk) => {
  process.send?.(answer(ask));
});
process.on('disconnect', () => process.exit(0));
process.send?.('ready');

function answer({ log, entries, series }: ReportAsk): ReportAnswer {
  const zone = zoneOf(log.zone ?? 'UTC');
  if (zone === null) return { failed: `There is no time zone “${log.zone}”.` };
  const typed = readingsOf(entries, zone);
  const read = { ...typed, rows: typed.rows + series.t.length, series: mergeSeries(typed.series, series) };
  return { report: reportOf(log, read, zone) };
}
