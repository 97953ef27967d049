import type { Inverter } from '@joulemetric/core';
import { QuantityField } from './Field.tsx';

/** The rating of an inverter, asked where its losses are looked at and where its size is chosen. */
export function InverterRating({
  label,
  device,
  onChange,
}: {
  label: string;
  device: Inverter;
  onChange: (ratingW: number | null) => void;
}) {
  return (
    <QuantityField
      label={label}
      unit="W"
      value={device.ratingW}
      auto="as required"
      min={50}
      max={40_000}
      onChange={onChange}
    />
  );
}
