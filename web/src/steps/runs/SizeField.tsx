import { type CableChoice, type CableSize, readCableSize, sizeTyped } from '@joulemetric/core';
import { useId, useState } from 'react';
import { useDraft } from '../../ui/Field.tsx';

/** A size of cable as it is typed: mm², AWG, so many beside one another; what may mean several things is asked about. */
export function SizeField({
  label,
  value,
  auto,
  onChange,
  hideLabel = false,
}: {
  label: string;
  /** As it is written; empty = as it needs. */
  value: string;
  /** What stands there while nothing is chosen. */
  auto: string;
  onChange: (size: CableSize | null) => void;
  hideLabel?: boolean;
}) {
  const id = useId();
  const [choices, setChoices] = useState<readonly CableChoice[]>([]);
  const { draft, problem, type, leave } = useDraft(value, (text) => {
    setChoices([]);
    if (text.trim() === '') {
      onChange(null);
      return null;
    }
    const read = readCableSize(text);
    if (read.kind === 'size') {
      onChange(read.size);
      return null;
    }
    if (read.kind === 'ask') setChoices(read.choices);
    return read.kind === 'ask' ? read.question : read.problem;
  });
  return (
    <div>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'block text-note text-ink-2'}>
        {label}
      </label>
      <input
        id={id}
        value={draft}
        placeholder={auto}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-note` : undefined}
        onChange={(event) => type(event.target.value)}
        onBlur={leave}
        className="num min-h-8 w-full border-b border-line bg-transparent py-1 text-number font-medium placeholder:font-normal focus:border-ink focus:outline-none phone:min-h-11"
      />
      {problem && (
        <p id={`${id}-note`} className="mt-1 text-note text-copper">
          {problem}
        </p>
      )}
      {choices.map((choice) => (
        <button
          key={choice.label}
          type="button"
          onClick={() => {
            onChange(choice.size);
            setChoices([]);
            type(sizeTyped(choice.size));
          }}
          className="mt-1 block min-h-7 text-left text-note font-medium underline decoration-mark underline-offset-4 hover:decoration-ink phone:min-h-11"
        >
          {choice.label}
        </button>
      ))}
    </div>
  );
}
