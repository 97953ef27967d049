import { useJob } from '../shell/JobContext.tsx';
import { QuantityField } from './Field.tsx';

/** What something costs, in the currency of the job's region; nothing is reckoned with one that is not known. */
export function PriceField({
  label,
  value,
  max = 1_000_000,
  onChange,
}: {
  label: string;
  value: number | null;
  max?: number;
  onChange: (price: number | null) => void;
}) {
  const { job } = useJob();
  return (
    <QuantityField
      label={label}
      unit={job.brief.region.currency}
      value={value}
      auto="not known"
      min={0}
      max={max}
      onChange={onChange}
    />
  );
}
