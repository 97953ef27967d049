import { show } from '@joulemetric/core';

/** A number with its unit small beside it, in the region's units. */
export function Num({
  value,
  unit,
  units,
  signed = false,
}: {
  value: number;
  unit: string;
  units?: 'metric' | 'imperial';
  signed?: boolean;
}) {
  const shown = show(value, unit, units);
  return (
    <span className="num whitespace-nowrap">
      {signed && value > 0 ? '+' : ''}
      {shown.number}
      {shown.unit && <span className="ml-[0.22em] text-[0.72em] font-medium text-ink-2">{shown.unit}</span>}
    </span>
  );
}
