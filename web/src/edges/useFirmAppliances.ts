import { fromFirm } from '@joulemetric/core';
import { useMemo } from 'react';
import useSWR from 'swr';
import { api } from './api.ts';

/** The firm's own catalogue, as it was fetched, and as appliances to choose from. */
export function useFirmAppliances() {
  const { data, error, mutate } = useSWR('catalogue', api.listAppliances, { revalidateOnFocus: false });
  const appliances = useMemo(() => (data ?? []).map(({ id, appliance }) => fromFirm(id, appliance)), [data]);
  return { data, error, mutate, appliances };
}
