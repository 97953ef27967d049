import { type Appliance, fromFirm, type Load, SCHEMA_VERSION } from '@joulemetric/core';
import { useMemo } from 'react';
import useSWR from 'swr';
import { api } from './api.ts';

/** The firm's own catalogue: what is in it, and how to put in and take out. */
export function useFirm(): {
  readonly appliances: readonly Appliance[];
  readonly add: (load: Load) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
} {
  const { data, mutate } = useSWR('catalogue', api.listAppliances, { revalidateOnFocus: false });
  const appliances = useMemo(() => (data ?? []).map(({ id, appliance }) => fromFirm(id, appliance)), [data]);
  return {
    appliances,
    add: async (load) => {
      const kept = { ...load, device: null, photos: [], room: '', circuit: '' };
      await api.addAppliance({
        schemaVersion: SCHEMA_VERSION,
        name: load.name,
        words: load.type.replaceAll('-', ' '),
        load: kept,
      });
      await mutate();
    },
    remove: async (id) => {
      await api.removeAppliance(id);
      await mutate();
    },
  };
}
