import {
  type Appliance,
  entryOf,
  type FirmAppliance,
  fromFirm,
  type Load,
  type MeasuredUnit,
  measuredValue,
  SCHEMA_VERSION,
  withUnit,
} from '@joulemetric/core';
import { useMemo } from 'react';
import useSWR from 'swr';
import { api, type StoredAppliance } from './api.ts';

/** The firm's own catalogue: what is in it, how to put in, measure one more unit, and take out. */
export function useFirm(): {
  readonly appliances: readonly Appliance[];
  /** Undefined until they are fetched. */
  readonly entries: readonly StoredAppliance[] | undefined;
  readonly problem: string | null;
  /** A new entry, or of one that is there one unit more. @param of which unit it was; @param on the day, YYYY-MM-DD */
  readonly add: (load: Load, of: string, on: string) => Promise<void>;
  /** An entry as it is now: that of the same name is replaced. */
  readonly put: (entry: FirmAppliance) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
} {
  const { data, error, mutate } = useSWR('catalogue', api.listAppliances, { revalidateOnFocus: false });
  const appliances = useMemo(() => (data ?? []).map(({ id, appliance }) => fromFirm(id, appliance)), [data]);
  const put = async (entry: FirmAppliance): Promise<void> => {
    // Asked anew: another tab, or the row before this one, may have put it there.
    const there = (await api.listAppliances()).find(({ appliance }) => appliance.name === entry.name);
    await (there ? api.replaceAppliance(there.id, entry) : api.addAppliance(entry));
    await mutate();
  };
  return {
    appliances,
    entries: data,
    problem: error ? (error as Error).message : null,
    put,
    add: async (load, of, on) => {
      const entry =
        data?.find(({ appliance }) => appliance.name === load.name)?.appliance ?? entryOf(load, SCHEMA_VERSION);
      const unit = measuredUnit(load, of, on);
      await put(unit ? withUnit(entry, unit) : entry);
    },
    remove: async (id) => {
      await api.removeAppliance(id);
      await mutate();
    },
  };
}

/** What a load says of one unit; null where it was not measured. */
function measuredUnit({ draw, evidence }: Load, of: string, on: string): MeasuredUnit | null {
  const measured = evidence === 'measured' ? measuredValue(draw) : null;
  return measured && measured.value > 0 ? { ...measured, on, of: of.slice(0, 80) } : null;
}
