import type { Load } from '@joulemetric/core';
import { setNeverTogether } from '../../commands/together.ts';
import { useJob } from '../../shell/JobContext.tsx';

/** Loads of which only one runs at a time: they bring the worst moment down. */
export function NeverTogether({ load }: { load: Load }) {
  const { job, edit } = useJob();
  const partners = job.together.atMost
    .filter(({ loads, most }) => most === 1 && loads.includes(load.id))
    .flatMap(({ loads }) => loads.filter((id) => id !== load.id));
  const others = job.loads.filter(({ id }) => id !== load.id && !partners.includes(id));
  const nameOf = (id: string) => job.loads.find((other) => other.id === id)?.name ?? id;
  return (
    <div>
      <p className="text-note text-ink-2">Never runs together with</p>
      <ul>
        {partners.map((id) => (
          <li key={id} className="flex justify-between border-b border-line-2 py-1">
            {nameOf(id)}
            <button
              type="button"
              aria-label={`May run together with ${nameOf(id)}`}
              onClick={() => edit(setNeverTogether(load.id, id, false))}
              className="text-note text-ink-2 hover:text-ink phone:min-h-11"
            >
              may after all
            </button>
          </li>
        ))}
      </ul>
      <select
        aria-label="Add a load that never runs together with it"
        value=""
        onChange={(event) => edit(setNeverTogether(load.id, event.target.value, true))}
        className="min-h-8 w-full border-b border-line bg-transparent text-ink-2 phone:min-h-11"
      >
        <option value="">{partners.length > 0 ? 'and with…' : 'nothing set: choose…'}</option>
        {others.map((other) => (
          <option key={other.id} value={other.id}>
            {other.name}
          </option>
        ))}
      </select>
    </div>
  );
}
