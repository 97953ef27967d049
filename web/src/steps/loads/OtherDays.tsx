import { DAY_KINDS, type DayKind, type Load } from '@joulemetric/core';
import { setVariant } from '../../commands/loads.ts';
import { useEditing } from '../../shell/JobContext.tsx';
import { DAY_KIND_WORDS, dayOf, dayWords } from './dayWords.ts';
import { UseField } from './UseField.tsx';

/** The kinds of day on which a load runs otherwise, each with its own length. */
export function OtherDays({ load }: { load: Load }) {
  const { edit } = useEditing();
  if (load.draw.kind === 'standby') return null;
  const left = DAY_KINDS.filter((kind) => !load.variants.some(({ on }) => on === kind));
  return (
    <div>
      <p className="text-note text-ink-2">On other kinds of day</p>
      <ul>
        {load.variants.map(({ on, uses }) => (
          <li key={on} className="flex items-end justify-between gap-3 border-b border-line-2 py-1">
            <UseField
              label={`On ${dayWords(dayOf(on))}`}
              load={{ ...load, uses }}
              onChange={(next) => edit(setVariant(load.id, on, next), `${load.id}.${on}`)}
            />
            <button
              type="button"
              aria-label={`On ${dayWords(dayOf(on))} as usual`}
              onClick={() => edit(setVariant(load.id, on, null))}
              className="text-note text-ink-2 hover:text-ink phone:min-h-11"
            >
              as usual
            </button>
          </li>
        ))}
      </ul>
      {left.length > 0 && (
        <select
          aria-label="Add a kind of day on which it runs otherwise"
          value=""
          onChange={(event) => edit(setVariant(load.id, event.target.value as DayKind, load.uses))}
          className="min-h-8 w-full border-b border-line bg-transparent text-ink-2 phone:min-h-11"
        >
          <option value="">{load.variants.length > 0 ? 'and otherwise on…' : 'the same on every day: choose…'}</option>
          {left.map((kind) => (
            <option key={kind} value={kind}>
              {DAY_KIND_WORDS[kind]}
            </option>
          ))}
        </select>
      )}
    </div>
  );
}
