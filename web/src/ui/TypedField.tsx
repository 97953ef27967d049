import type { useDraft } from './Field.tsx';

/** A line of its own reading: times, pairs and the like. */
export function TypedField({
  label,
  placeholder,
  field,
}: {
  label: string;
  placeholder: string;
  field: ReturnType<typeof useDraft>;
}) {
  return (
    <label className="block">
      <span className="block text-note text-ink-2">{label}</span>
      <input
        value={field.draft}
        placeholder={placeholder}
        aria-invalid={field.problem ? true : undefined}
        onChange={(event) => field.type(event.target.value)}
        onBlur={field.leave}
        className="num min-h-8 w-full border-b border-line bg-transparent py-1 text-number font-medium placeholder:font-normal focus:border-ink focus:outline-none phone:min-h-11"
      />
      {field.problem && <span className="mt-1 block text-note text-copper">{field.problem}</span>}
    </label>
  );
}
