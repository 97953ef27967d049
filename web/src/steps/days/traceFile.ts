import type { Job, TripDetail } from '@joulemetric/core';
import { download } from '../../edges/files.ts';

/** The hours of a trip as CSV, a line a step. */
export function traceCsv({ run: { trace, stepMin } }: Pick<TripDetail, 'run'>): string {
  const head = 'hour,charge_percent,drawn_w,sun_offered_w,sun_w,driving_w,supply_w,lost_w,not_served_w,air_c,store_c';
  if (!trace) return `${head}\n`;
  const { soc, needW, sunOfferedW, sunW, drivingW, supplyW, lostW, unservedW, airC, storeC } = trace;
  const rows = [needW, sunOfferedW, sunW, drivingW, supplyW, lostW, unservedW, airC, storeC];
  const lines = Array.from(soc, (charge, k) =>
    [((k + 1) * stepMin) / 60, charge * 100, ...rows.map((row) => row[k] as number)]
      .map((value) => String(Math.round(value * 100) / 100))
      .join(','),
  );
  return `${[head, ...lines].join('\n')}\n`;
}

export const saveTrace = (trip: TripDetail, job: Pick<Job, 'title'>): void =>
  download(job, traceCsv(trip), 'text/csv', '-days.csv');
