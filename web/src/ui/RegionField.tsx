import { IMPERIAL, show } from '@joulemetric/core';
import { useJob } from '../shell/JobContext.tsx';
import { QuantityField } from './Field.tsx';

/** A temperature, a weight or a length in the units of the job's region; values in °C, kg and m. */
export function RegionField({
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
  const { job } = useJob();
  const { units } = job.brief.region;
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
