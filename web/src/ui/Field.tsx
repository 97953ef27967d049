import { readMeasure } from '@joulemetric/core';
import { useEffect, useId, useRef, useState } from 'react';

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly note?: string;
  readonly maxLength?: number;
  readonly required?: boolean;
  /** Stands ready to be typed over when the page opens. */
  readonly ready?: boolean;
}

const LINE = 'border-b border-line focus-within:border-ink focus-within:shadow-[0_1px_0_var(--ink)]';

/** What stands under a field: a problem in copper, otherwise a note. */
function Told({ id, problem, note }: { id: string; problem: string | null; note: string | undefined }) {
  const text = problem ?? note;
  if (!text) return null;
  return (
    <p id={`${id}-note`} className={`mt-1 text-note ${problem ? 'text-copper' : 'text-ink-2'}`}>
      {text}
    </p>
  );
}

function Label({ id, hidden, children }: { id: string; hidden: boolean; children: string }) {
  return (
    <label htmlFor={id} className={hidden ? 'sr-only' : 'block text-note text-ink-2'}>
      {children}
    </label>
  );
}

/** A line of text under its label; every keystroke counts. */
export function TextField({
  label,
  value,
  onChange,
  note,
  maxLength = 120,
  required = false,
  ready = false,
}: TextFieldProps) {
  const id = useId();
  const { draft, problem, type, leave } = useDraft(value, (text) => {
    if (required && text.trim() === '') return 'It needs a name; the last one stays until you give another';
    onChange(text);
    return null;
  });
  return (
    <div>
      <Label id={id} hidden={false}>
        {label}
      </Label>
      <div className={LINE}>
        <input
          id={id}
          value={draft}
          maxLength={maxLength}
          aria-invalid={problem ? true : undefined}
          aria-describedby={problem || note ? `${id}-note` : undefined}
          // biome-ignore lint/a11y/noAutofocus: only where the page was opened to fill in this very field.
          autoFocus={ready}
          onFocus={(event) => ready && event.target.select()}
          onChange={(event) => type(event.target.value)}
          onBlur={leave}
          className="min-h-8 w-full bg-transparent py-1 text-number focus:outline-none phone:min-h-11"
        />
      </div>
      <Told id={id} problem={problem} note={note} />
    </div>
  );
}

interface QuantityFieldProps {
  readonly label: string;
  /** In the core's units; null shows the placeholder. */
  readonly value: number | null;
  readonly onChange: (value: number | null) => void;
  readonly unit: string;
  /** What reads it, of a quantity that is written in ways of its own or is of one thing only. */
  readonly read?: (text: string) => ReturnType<typeof readMeasure>;
  /** V at which watts may be typed for amps, and watt-hours for amp-hours. */
  readonly atV?: number;
  /** What one of the shown unit is in the core's unit. */
  readonly factor?: number;
  readonly min: number;
  readonly max: number;
  readonly whole?: boolean;
  /** What stands there when nothing is chosen; its presence makes the field clearable. */
  readonly auto?: string;
  readonly note?: string;
  readonly hideLabel?: boolean;
}

/** Units that are often typed in other ways, such as 12 V 3.5 A: a keypad of figures has no letters. */
const SPELT: ReadonlySet<string> = new Set(['W', 'VA', 'V', 'A', 'Ah', 'Wh']);

/**
 * A number with its unit, typed with it, without it, or in another unit of the same quantity. What is typed stays until
 * it can be read; a reading out of range or of another quantity is asked about at the field and the job keeps its last
 * good value.
 */
export function QuantityField(props: QuantityFieldProps) {
  const { value, onChange, factor = 1, auto } = props;
  return (
    <LineField
      label={props.label}
      unit={props.unit}
      value={value === null ? '' : plain(value / factor)}
      placeholder={auto}
      note={props.note}
      hideLabel={props.hideLabel}
      inputMode={SPELT.has(props.unit) || props.read || props.min < 0 ? 'text' : 'decimal'}
      read={(text) => {
        if (text.trim() === '' && auto !== undefined) {
          onChange(null);
          return null;
        }
        const read = readQuantity(text, props);
        if ('problem' in read) return read.problem;
        onChange(read.value);
        return null;
      }}
    />
  );
}

/** A line that is read as it is typed: `read` takes what it can use and returns a problem, or null. */
export function LineField({
  label,
  value,
  unit,
  read,
  placeholder,
  note,
  hideLabel = false,
  inputMode = 'text',
}: {
  label: string;
  value: string;
  unit: string;
  read: (text: string) => string | null;
  placeholder?: string | undefined;
  note?: string | undefined;
  hideLabel?: boolean | undefined;
  inputMode?: 'text' | 'decimal';
}) {
  const id = useId();
  const { draft, problem, type, leave } = useDraft(value, read);
  return (
    <div>
      <Label id={id} hidden={hideLabel}>
        {label}
      </Label>
      <div className={`flex items-baseline gap-1 ${LINE}`}>
        <input
          id={id}
          inputMode={inputMode}
          value={draft}
          placeholder={placeholder}
          aria-invalid={problem ? true : undefined}
          aria-describedby={problem || note ? `${id}-note` : undefined}
          onChange={(event) => type(event.target.value)}
          onBlur={leave}
          className="num min-h-8 w-full min-w-0 bg-transparent py-1 text-number font-medium placeholder:font-normal focus:outline-none phone:min-h-11"
        />
        <span className="num whitespace-nowrap text-note text-ink-2">{unit}</span>
      </div>
      <Told id={id} problem={problem} note={note} />
    </div>
  );
}

function readQuantity(
  text: string,
  { unit, read: own, atV, factor = 1, min, max, whole }: QuantityFieldProps,
): { value: number } | { problem: string } {
  const read = own ? own(text) : readMeasure(text, unit, atV);
  if ('problem' in read) return read;
  const { value } = read;
  if (value < min || value > max) {
    // 0.8 of one for 80 %, and a loss that a data sheet has below zero.
    const others = [
      ...(unit.startsWith('%') && value > 0 && value <= 1 ? [value * 100] : []),
      ...(max <= 0 ? [-value] : []),
    ];
    const meant = others.find((one) => one >= min && one <= max);
    const ask = meant === undefined ? '' : `: did you mean ${plain(meant)}?`;
    return { problem: `Between ${min} and ${max} ${unit}`.trim() + ask };
  }
  if (whole && !Number.isInteger(value)) return { problem: 'A whole number' };
  return { value: value * factor };
}

const plain = (value: number): string => String(Math.round(value * 1000) / 1000);

/** ms within which a stored value may follow what was typed. */
const ECHO_MS = 700;

/**
 * Text being typed over a stored value: `commit` gets each keystroke and returns a problem or null. The
 * draft gives way to the stored value when the field is left, or when the value changes from elsewhere.
 */
export function useDraft(stored: string, commit: (text: string) => string | null) {
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const lastStored = useRef(stored);
  const typedAt = useRef(Number.NEGATIVE_INFINITY);
  useEffect(() => {
    // What comes back shortly after a key is the answer to it, however many keys later: it is not typed over.
    if (lastStored.current !== stored && performance.now() - typedAt.current > ECHO_MS) setDraft(null);
    lastStored.current = stored;
  }, [stored]);
  return {
    draft: draft ?? stored,
    problem,
    type: (text: string) => {
      setDraft(text);
      typedAt.current = performance.now();
      setProblem(commit(text));
    },
    /** Leaving keeps what cannot be read, with its question, so that nothing typed is lost. */
    leave: () => {
      if (problem === null) setDraft(null);
    },
  };
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly onChange: (value: T) => void;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly note?: string;
  readonly hideLabel?: boolean;
}

export function Choice<T extends string>({ label, value, onChange, options, note, hideLabel = false }: ChoiceProps<T>) {
  const id = useId();
  return (
    <div>
      <Label id={id} hidden={hideLabel}>
        {label}
      </Label>
      <select
        id={id}
        value={value}
        aria-describedby={note ? `${id}-note` : undefined}
        onChange={(event) => onChange(event.target.value as T)}
        className="chosen-from min-h-8 py-1 text-number phone:min-h-11"
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
      <Told id={id} problem={null} note={note} />
    </div>
  );
}
