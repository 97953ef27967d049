import { IMPERIAL, show, type Units } from '@joulemetric/core';
import type { ComponentProps } from 'react';
import { useJob } from '../shell/JobContext.tsx';
import { QuantityField } from './Field.tsx';

/** A temperature, a weight or a length in the units of the job's region; values in °C, kg and m. */
export function RegionField(props: Omit<ComponentProps<typeof UnitsField>, 'units'>) {
  const { job } = useJob();
  return <UnitsField {...props} units={job.brief.region.units} />;
}

/** The same in units that are told. */
export function UnitsField({
  units,
  quantity,
  label,
  value,
  min,
  max,
  auto,
  usual,
  note,
  onChange,
}: {
  units: Units;
  quantity: keyof typeof IMPERIAL;
  label: string;
  value: number | null;
  min: number;
  max: number;
  auto?: string;
  /** What is taken when nothing is given, in the core's unit. */
  usual?: number;
  note?: string | undefined;
  onChange: (value: number | null) => void;
}) {
  const stands = usual === undefined ? auto : `${show(usual, quantity, units).number}, usual`;
  const common = { label, note, ...(stands === undefined ? {} : { auto: stands }) };
  if (units === 'metric') {
    return <QuantityField {...common} unit={quantity} value={value} min={min} max={max} onChange={onChange} />;
  }
  const { unit, to, from } = IMPERIAL[quantity];
  const factor = quantity === 'm' || quantity === 'm²' ? 100 : 10;
  return (
    <QuantityField
      {...common}
      unit={unit}
      value={value === null ? null : Math.round(to(value) * factor) / factor}
      min={Math.ceil(to(min) * factor) / factor}
      max={Math.floor(to(max) * factor) / factor}
      onChange={(shown) => onChange(shown === null ? null : from(shown))}
    />
  );
}
