import { showText } from '@joulemetric/core';
import { useCallback } from 'react';
import { useUnits } from '../shell/JobContext.tsx';

/** Values with their units as the job's region writes them. */
export function useText(): (value: number, unit: string) => string {
  const units = useUnits();
  return useCallback((value, unit) => showText(value, unit, units), [units]);
}
