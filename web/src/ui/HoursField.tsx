import {
  formatShading,
  formatStretches,
  readShading,
  readStretches,
  type SolarArray,
  type Use,
} from '@joulemetric/core';
import { useDraft } from './Field.tsx';
import { TypedField } from './TypedField.tsx';

/** Hours as "07:00-09:00, 17:30-22:00". */
export function HoursField({
  label,
  hours,
  most,
  placeholder = '07:00-09:00, 17:30-22:00',
  onChange,
}: {
  label: string;
  hours: readonly Use[];
  most: number;
  placeholder?: string;
  onChange: (hours: Use[]) => void;
}) {
  const field = useDraft(formatStretches(hours), (text) => {
    const read = readStretches(text, most);
    if ('problem' in read) return read.problem;
    onChange(read.uses);
    return null;
  });
  return <TypedField label={label} placeholder={placeholder} field={field} />;
}

/** Shade as "15:00-18:00 80 %". */
export function ShadeField({
  label,
  shaded,
  onChange,
}: {
  label: string;
  shaded: SolarArray['shaded'];
  onChange: (shaded: SolarArray['shaded']) => void;
}) {
  const field = useDraft(formatShading(shaded), (text) => {
    const read = readShading(text, 12);
    if ('problem' in read) return read.problem;
    onChange(read.shaded);
    return null;
  });
  return <TypedField label={label} placeholder="15:00-18:00 80 %" field={field} />;
}
