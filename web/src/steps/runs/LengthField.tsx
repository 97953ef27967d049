import { formatNumber, readLengthM } from '@joulemetric/core';
import { LineField } from '../../ui/Field.tsx';

/** A length one way, as it is typed: m, cm, feet. */
export function LengthField({
  label,
  value,
  auto,
  onChange,
  hideLabel = false,
}: {
  label: string;
  value: number | null;
  auto: number;
  onChange: (lengthM: number | null) => void;
  hideLabel?: boolean;
}) {
  return (
    <LineField
      label={label}
      unit="m"
      hideLabel={hideLabel}
      value={value === null ? '' : formatNumber(value, 2)}
      placeholder={formatNumber(auto, 1)}
      read={(text) => {
        if (text.trim() === '') {
          onChange(null);
          return null;
        }
        const read = readLengthM(text);
        if ('problem' in read) return read.problem;
        onChange(read.value);
        return null;
      }}
    />
  );
}
