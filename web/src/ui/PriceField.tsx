import { useShown } from '../shell/JobContext.tsx';
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
  const currency = useShown(({ view }) => view.job.brief.region.currency);
  return (
    <QuantityField label={label} unit={currency} value={value} auto="not known" min={0} max={max} onChange={onChange} />
  );
}
