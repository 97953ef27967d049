import { useJob } from '../shell/JobContext.tsx';
import { QuantityField } from './Field.tsx';

const KG_PER_LB = 0.45359237;

/** How a quantity is written in a region, and back into the core's unit. */
const IMPERIAL = {
  '°C': { unit: '°F', to: (c: number) => c * 1.8 + 32, from: (f: number) => (f - 32) / 1.8 },
  kg: { unit: 'lb', to: (kg: number) => kg / KG_PER_LB, from: (lb: number) => lb * KG_PER_LB },
} as const;

/** A temperature or a weight in the units of the job's region; values in °C and kg. */
export function RegionField({
  quantity,
  label,
  value,
  min,
  max,
  auto,
  onChange,
}: {
  quantity: keyof typeof IMPERIAL;
  label: string;
  value: number | null;
  min: number;
  max: number;
  auto?: string;
  onChange: (value: number | null) => void;
}) {
  const { job } = useJob();
  const common = { label, ...(auto === undefined ? {} : { auto }) };
  if (job.brief.region.units === 'metric') {
    return <QuantityField {...common} unit={quantity} value={value} min={min} max={max} onChange={onChange} />;
  }
  const { unit, to, from } = IMPERIAL[quantity];
  return (
    <QuantityField
      {...common}
      unit={unit}
      value={value === null ? null : Math.round(to(value) * 10) / 10}
      min={Math.ceil(to(min))}
      max={Math.floor(to(max))}
      onChange={(shown) => onChange(shown === null ? null : from(shown))}
    />
  );
}
