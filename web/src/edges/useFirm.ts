import {
  type Appliance,
  entryOf,
  type FirmAppliance,
  isSame,
  type Load,
  type MeasuredUnit,
  measuredValue,
  SCHEMA_VERSION,
  withoutUnit,
  withUnit,
} from '@joulemetric/core';
import { useState } from 'react';
import { isStoredAppliance, type StoredAppliance } from './answers.ts';
import { api } from './api.ts';
import { MakerIds } from './makerIds.ts';
import { useFirmAppliances } from './useFirmAppliances.ts';
import { type Versioned, VersionedEdits } from './versionedList.ts';

const asEntry = ({ id, version, appliance }: StoredAppliance): Versioned<FirmAppliance> => ({
  id,
  version,
  document: appliance,
});

const newEdits = () =>
  new VersionedEdits<FirmAppliance>({
    replace: (id, version, appliance) => api.replaceAppliance(id, version, appliance).then(asEntry),
    current: (current) => (isStoredAppliance(current) ? asEntry(current) : null),
  });

/** The firm's own catalogue: what is in it, how to put in, measure one more unit, and remove. */
export function useFirm(): {
  readonly appliances: readonly Appliance[];
  /** Undefined until they are fetched. */
  readonly entries: readonly StoredAppliance[] | undefined;
  readonly problem: string | null;
  /** A new entry, or of one that is there one unit more. @param of which unit it was; @param on the day, YYYY-MM-DD */
  readonly add: (load: Load, of: string, on: string) => Promise<void>;
  /** An entry with further units: where there is one of that name already they are put to its own. */
  readonly put: (entry: FirmAppliance) => Promise<void>;
  readonly removeUnit: (id: string, unit: MeasuredUnit) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
} {
  const [edits] = useState(newEdits);
  const [ids] = useState(() => new MakerIds());
  const { data, error, mutate, appliances } = useFirmAppliances();
  /** Asked again: another tab, or the row before this one, may have put it there. */
  const named = async (name: string): Promise<StoredAppliance | undefined> => {
    const all = await api.listAppliances();
    edits.seen(all.map(asEntry));
    return all.find(({ appliance }) => appliance.name === name);
  };
  const make = async (entry: FirmAppliance): Promise<void> => {
    await api.addAppliance(ids.idOf(entry), entry);
    ids.made(entry);
  };
  return {
    appliances,
    entries: data,
    problem: error ? (error as Error).message : null,
    put: async (entry) => {
      const there = await named(entry.name);
      if (there)
        await edits.change(there.id, (now) => entry.measured.reduce(withUnit, { ...entry, measured: now.measured }));
      else await make(entry);
      await mutate();
    },
    add: async (load, of, on) => {
      const unit = measuredUnit(load, of, on);
      const there = await named(load.name);
      if (there && unit) await edits.change(there.id, (now) => withUnit(now, unit));
      else if (!there) await make(unit ? withUnit(entryOf(load, SCHEMA_VERSION), unit) : entryOf(load, SCHEMA_VERSION));
      await mutate();
    },
    removeUnit: async (id, unit) => {
      edits.seen((data ?? []).map(asEntry));
      await edits.change(id, (now) =>
        withoutUnit(
          now,
          now.measured.findIndex((one) => isSame(one, unit)),
        ),
      );
      await mutate();
    },
    remove: async (id) => {
      edits.seen((data ?? []).map(asEntry));
      try {
        await api.removeAppliance(id, edits.version(id));
      } finally {
        await mutate();
      }
    },
  };
}

/** What a load says of one unit; null where it was not measured. */
function measuredUnit({ draw, evidence }: Load, of: string, on: string): MeasuredUnit | null {
  const measured = evidence === 'measured' ? measuredValue(draw) : null;
  return measured && measured.value > 0 ? { ...measured, on, of: of.slice(0, 80) } : null;
}
