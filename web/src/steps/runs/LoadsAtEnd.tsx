import type { Run, RunLine } from '@joulemetric/core';
import { useFed } from '../../shell/JobContext.tsx';

/** Which loads hang on a run; one that hangs on another is taken over from there only once it is free. */
export function LoadsAtEnd({
  run,
  lines,
  onChange,
}: {
  run: Run;
  lines: readonly RunLine[];
  onChange: (loads: string[]) => void;
}) {
  const job = useFed();
  const elsewhere = new Map(
    lines.flatMap(({ run: other }) => (other.id === run.id ? [] : other.loads.map((id) => [id, other.name] as const))),
  );
  const direct = job.loads.filter(
    ({ id, path }) =>
      run.loads.includes(id) || path === 'direct' || path === 'dc-dc' || path === 'fuel' || path === 'station',
  );
  return (
    <fieldset className="pt-2">
      <legend className="text-note text-ink-2">Loads at its end</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {direct.map(({ id, name }) => (
          <label
            key={id}
            className={`flex items-center gap-2 phone:min-h-11 ${elsewhere.has(id) ? 'text-ink-2' : ''}`}
            title={elsewhere.has(id) ? `hangs on ${elsewhere.get(id)}` : undefined}
          >
            <input
              type="checkbox"
              disabled={elsewhere.has(id)}
              checked={run.loads.includes(id)}
              onChange={(event) =>
                onChange(event.target.checked ? [...run.loads, id] : run.loads.filter((one) => one !== id))
              }
              className="size-4 accent-ink phone:size-6"
            />
            {name}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
