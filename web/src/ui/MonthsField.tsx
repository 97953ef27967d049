import { LineField } from './Field.tsx';
import { readMonths } from './readMonths.ts';

/** Twelve figures in one line, January first, as they are pasted from a table; empty = not known month by month. */
export function MonthsField({
  label,
  unit,
  value,
  min,
  max,
  shown = (one) => one,
  stored = (one) => one,
  onChange,
}: {
  label: string;
  unit: string;
  value: readonly number[] | null;
  /** In the unit that is shown. */
  min: number;
  max: number;
  /** From the core's unit into the one that is shown, and back. */
  shown?: (value: number) => number;
  stored?: (value: number) => number;
  onChange: (value: readonly number[] | null) => void;
}) {
  return (
    <LineField
      label={label}
      value={value?.map((one) => Math.round(shown(one) * 100) / 100).join('  ') ?? ''}
      placeholder="not known month by month"
      unit={unit}
      read={(text) => {
        if (text.trim() === '') {
          onChange(null);
          return null;
        }
        const read = readMonths(text, min, max);
        if ('problem' in read) return read.problem;
        onChange(read.months.map(stored));
        return null;
      }}
    />
  );
}
