import { showText } from '@joulemetric/core';
import { useCallback } from 'react';
import { useShown } from '../shell/JobContext.tsx';

/** Values with their units as the job's region writes them. */
export function useText(): (value: number, unit: string) => string {
  const units = useShown(({ view }) => view.job.brief.region.units);
  return useCallback((value, unit) => showText(value, unit, units), [units]);
}
