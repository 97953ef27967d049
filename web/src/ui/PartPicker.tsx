import { type PartKind, type PartOf, partsOf, type readSheet } from '@joulemetric/core';
import { useId, useState } from 'react';
import { useParts } from '../edges/useParts.ts';
import { PastePlate } from './PastePlate.tsx';

const SMALLEST = 'smallest';

/** Takes a part from the list: what is said of it is copied into the job. */
export function PartPicker<K extends Exclude<PartKind, 'all-in-one'>>({
  kind,
  label = 'From the parts list',
  onPick,
  onSmallest,
  onPlate,
}: {
  kind: K;
  label?: string;
  onPick: (part: PartOf<K>) => void;
  /** Takes the smallest that will do, and says whether the list has one; left out where that is not known. */
  onSmallest?: (() => boolean) | undefined;
  /** Takes what stands on the plate of such a part. */
  onPlate: (fields: ReturnType<typeof readSheet>['fields']) => void;
}) {
  const id = useId();
  const parts = partsOf(useParts().all, kind);
  const [hasNone, setNone] = useState(false);
  return (
    <div>
      <label htmlFor={id} className="block text-note text-ink-2">
        {label}
      </label>
      <select
        id={id}
        value=""
        onChange={(event) => {
          const { value } = event.target;
          setNone(value === SMALLEST && onSmallest?.() === false);
          const part = parts[Number(value)];
          if (part) onPick(part);
        }}
        className="chosen-from min-h-8 py-1 text-number text-ink-2 phone:min-h-11"
      >
        <option value="">choose…</option>
        {onSmallest && <option value={SMALLEST}>the smallest that will do</option>}
        {parts.map((part, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two parts of a firm may have the same name.
          <option key={i} value={i}>
            {part.name}
          </option>
        ))}
      </select>
      {hasNone && (
        <p role="status" className="mt-1 text-note text-copper">
          None in the list will do
        </p>
      )}
      <PastePlate kind={kind} onRead={onPlate} />
    </div>
  );
}
