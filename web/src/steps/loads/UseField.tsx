import { formatUse, type Load, readUse, type Use } from '@joulemetric/core';
import { useId } from 'react';
import { useDraft } from '../../ui/Field.tsx';

/** How long a load runs, as it is written on a pad. */
export function UseField({
  label = 'On for, a day',
  load,
  onChange,
}: {
  label?: string;
  load: Load;
  onChange: (uses: Use[]) => void;
}) {
  const id = useId();
  const field = useDraft(formatUse(load), (text) => {
    const read = readUse(text, load);
    if ('problem' in read) return read.problem;
    onChange(read.uses);
    return null;
  });
  return (
    <div>
      <label htmlFor={id} className="block text-note text-ink-2">
        {label}
      </label>
      <input
        id={id}
        value={field.draft}
        disabled={load.draw.kind === 'standby'}
        aria-invalid={field.problem ? true : undefined}
        aria-describedby={field.problem ? `${id}-note` : undefined}
        onChange={(event) => field.type(event.target.value)}
        onBlur={field.leave}
        className="num min-h-8 w-full border-b border-line bg-transparent py-1 text-number font-medium focus:border-ink focus:outline-none phone:min-h-11"
      />
      {field.problem && (
        <p id={`${id}-note`} className="mt-1 text-note text-copper">
          {field.problem}
        </p>
      )}
    </div>
  );
}
