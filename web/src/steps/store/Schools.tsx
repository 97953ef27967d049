import { CHEMISTRY, type DepthSchool, formatNumber, showText } from '@joulemetric/core';
import { changeStore } from '../../commands/design.ts';
import { useEditing, useOption } from '../../shell/JobContext.tsx';

const GRID =
  'grid grid-cols-[22px_110px_110px_130px_minmax(0,1fr)] items-baseline gap-x-4 @max-[620px]:grid-cols-[22px_70px_90px_minmax(0,1fr)]';

/** How deep it is used: what each depth asks for and what it costs in life. */
export function Schools({ schools }: { schools: readonly DepthSchool[] | null }) {
  const { edit, optionId } = useEditing();
  const { usableDepth, chemistry } = useOption().system.store;
  const chosen = usableDepth ?? CHEMISTRY[chemistry].usableDepth;
  return (
    <fieldset className="painted-in-view border-t border-line py-3">
      <legend className="float-left w-full pb-1 text-body font-semibold">
        How deep it is used{' '}
        <span className="num font-normal text-note text-ink-2">less to buy, or longer until it is bought again</span>
      </legend>
      <div className={`${GRID} num clear-both text-note text-ink-2`} aria-hidden="true">
        <span />
        <span>Depth</span>
        <span>Asks for</span>
        <span className="@max-[620px]:hidden">Cycles, from memory</span>
        <span>Lasts, reached every time it is sized for</span>
      </div>
      {(schools ?? []).map(({ depth, requiredAh, cycles, years }) => (
        <label
          key={depth}
          className={`${GRID} num border-line-2 py-1.5 phone:min-h-11 ${depth === chosen ? 'border-y border-y-ink font-semibold' : 'border-b'}`}
        >
          <input
            type="radio"
            name="depth"
            aria-label={`${formatNumber(depth * 100)} % deep`}
            checked={depth === chosen}
            onChange={() => edit(changeStore(optionId, { usableDepth: depth }), 'store-depth')}
            className="size-4 translate-y-0.5 accent-[var(--ink)]"
          />
          <span>{formatNumber(depth * 100)} %</span>
          <span>{showText(requiredAh, 'Ah')}</span>
          <span className="@max-[620px]:hidden">{formatNumber(Math.round(cycles / 50) * 50)}</span>
          <span>{formatNumber(years, 1)} years</span>
        </label>
      ))}
    </fieldset>
  );
}
