import {
  CHEMISTRY,
  fieldsOfKind,
  formatNumber,
  PART_FIELDS,
  PART_KINDS,
  type Part,
  type PartField,
  readMeasure,
} from '@joulemetric/core';
import type { PartChange } from '../../edges/useParts.ts';
import { useDraft } from '../../ui/Field.tsx';

type Values = Readonly<Record<string, number | string | null>>;

/** One part: the firm's own to be written in, a generic one to be copied. */
export function PartRow({
  part,
  onChange,
  onCopy,
  onRemove,
}: {
  part: Part;
  onChange?: (change: PartChange) => void;
  onCopy?: () => void;
  onRemove?: () => void;
}) {
  const values = part as unknown as Values;
  const must: readonly PartField[] = PART_KINDS[part.kind].must;
  const change = (key: string, value: number | string | null) => onChange?.({ [key]: value });
  return (
    <tr className="border-b border-line-2" data-part={part.name}>
      <th scope="row" className="py-1 text-left font-medium">
        {onChange ? <NameCell name={part.name} onChange={(name) => change('name', name)} /> : part.name}
      </th>
      {part.kind === 'battery' && (
        <td className="pl-3">
          {onChange ? (
            <select
              aria-label={`Chemistry of ${part.name}`}
              value={part.chemistry}
              onChange={(event) => change('chemistry', event.target.value)}
              className="min-h-8 bg-transparent phone:min-h-11"
            >
              {Object.entries(CHEMISTRY).map(([key, { name }]) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </select>
          ) : (
            CHEMISTRY[part.chemistry].name
          )}
        </td>
      )}
      {part.kind === 'controller' && (
        <td className="pl-3">
          {onChange ? (
            <select
              aria-label={`Type of ${part.name}`}
              value={part.type}
              onChange={(event) => change('type', event.target.value)}
              className="min-h-8 bg-transparent phone:min-h-11"
            >
              <option value="mppt">MPPT</option>
              <option value="pwm">PWM</option>
            </select>
          ) : (
            part.type.toUpperCase()
          )}
        </td>
      )}
      {fieldsOfKind(part.kind).map((key) => {
        const value = values[key] as number | null;
        return (
          <td key={key} className="pl-3 text-right">
            {onChange ? (
              <NumberCell
                label={`${PART_FIELDS[key].label} of ${part.name}, ${PART_FIELDS[key].unit}`}
                field={key}
                value={value}
                isNeeded={must.includes(key)}
                onChange={(next) => change(key, next)}
              />
            ) : value === null ? (
              ''
            ) : (
              formatNumber(value / factorOf(key), 2)
            )}
          </td>
        );
      })}
      <td className="whitespace-nowrap pl-3 text-right">
        {onCopy && (
          <button
            type="button"
            onClick={onCopy}
            aria-label={`Copy ${part.name} to your own`}
            className="py-1 text-note text-ink-2 underline phone:min-h-11"
          >
            Copy
          </button>
        )}
        {onRemove && (
          <button
            type="button"
            onClick={onRemove}
            aria-label={`Take out ${part.name}`}
            className="py-1 text-note text-ink-2 underline phone:min-h-11"
          >
            Take out
          </button>
        )}
      </td>
    </tr>
  );
}

const factorOf = (key: PartField): number => (PART_FIELDS[key] as { readonly factor?: number }).factor ?? 1;

const CELL =
  'num min-h-8 border-b border-line bg-transparent py-1 focus:border-ink focus:outline-none aria-[invalid]:border-copper aria-[invalid]:text-copper phone:min-h-11';

function NameCell({ name, onChange }: { name: string; onChange: (name: string) => void }) {
  const { draft, problem, type, leave } = useDraft(name, (text) => {
    if (text.trim() === '') return 'It needs a name';
    onChange(text.trim());
    return null;
  });
  return (
    <input
      aria-label={`Name of ${name}`}
      value={draft}
      maxLength={60}
      aria-invalid={problem ? true : undefined}
      title={problem ?? undefined}
      onChange={(event) => type(event.target.value)}
      onBlur={leave}
      className={`${CELL} w-full min-w-40`}
    />
  );
}

function NumberCell({
  label,
  field,
  value,
  isNeeded,
  onChange,
}: {
  label: string;
  field: PartField;
  value: number | null;
  isNeeded: boolean;
  onChange: (value: number | null) => void;
}) {
  const { min, max, unit } = PART_FIELDS[field];
  const factor = factorOf(field);
  const shown = value === null ? '' : String(Math.round((value / factor) * 1000) / 1000);
  const { draft, problem, type, leave } = useDraft(shown, (text) => {
    if (text.trim() === '') {
      if (isNeeded) return 'It must be known';
      onChange(null);
      return null;
    }
    const read = readMeasure(text, unit);
    if ('problem' in read) return read.problem;
    const stored = read.value * factor;
    if (stored < min || stored > max) return `Between ${min / factor} and ${max / factor} ${unit}`.trim();
    onChange(stored);
    return null;
  });
  return (
    <>
      <input
        aria-label={label}
        inputMode="decimal"
        value={draft}
        aria-invalid={problem ? true : undefined}
        onChange={(event) => type(event.target.value)}
        onBlur={leave}
        className={`${CELL} w-16 text-right`}
      />
      {problem && <span className="block text-note text-copper">{problem}</span>}
    </>
  );
}
