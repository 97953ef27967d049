import { type HourlyYear, hoursBelong, type Job } from '@joulemetric/core';
import useSWR, { mutate } from 'swr';
import { ApiError, api } from './api.ts';

const keyOf = (jobId: string) => ['weather', jobId] as const;

/** Null where the job keeps none. */
const fetchHours = ([, jobId]: ReturnType<typeof keyOf>): Promise<HourlyYear | null> =>
  api.readWeather(jobId).catch((error: Error) => {
    if (error instanceof ApiError && error.problem.code === 'unknown-weather') return null;
    throw error;
  });

/** The hours of the job's weather file; null until they are there, and where none belong to its days. */
export function useHours(jobId: string, { monthly }: Job['brief']['place']): HourlyYear | null {
  const { data } = useSWR(monthly.days ? keyOf(jobId) : null, fetchHours, {
    revalidateOnFocus: false,
    revalidateIfStale: false,
  });
  return data && hoursBelong(monthly.days, data) ? data : null;
}

/** Keeps the hours of a weather file with its job. */
export async function keepHours(jobId: string, year: HourlyYear): Promise<void> {
  // They are there at once for whoever plays days, kept or not.
  await mutate(keyOf(jobId), year, { revalidate: false });
  await api.keepWeather(jobId, year);
}
