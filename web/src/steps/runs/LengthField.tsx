import { formatNumber, IMPERIAL, readLengthM, show, type Units } from '@joulemetric/core';
import { useUnits } from '../../shell/JobContext.tsx';
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
  const units = useUnits();
  return (
    <LineField
      label={label}
      unit={show(0, 'm', units).unit}
      hideLabel={hideLabel}
      value={value === null ? '' : exact(value, units)}
      placeholder={show(auto, 'm', units).number}
      read={(text) => {
        if (text.trim() === '') {
          onChange(null);
          return null;
        }
        const read = readLengthM(text, units);
        if ('problem' in read) return read.problem;
        onChange(read.value);
        return null;
      }}
    />
  );
}

/** To the centimetre, as it was typed. */
const exact = (lengthM: number, units: Units): string =>
  formatNumber(units === 'imperial' ? IMPERIAL.m.to(lengthM) : lengthM, 2);
