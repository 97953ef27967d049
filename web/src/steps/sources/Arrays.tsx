import { blankArray, freeId, type SolarArray, type SourcesDetail } from '@joulemetric/core';
import { memo } from 'react';
import { changeArray, changeSources } from '../../commands/design.ts';
import { useEditing, useOption, useShown } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { useText } from '../../ui/useText.ts';
import { ArrayFields } from './ArrayFields.tsx';
import { LedgerSteps } from './LedgerSteps.tsx';
import { UnlikeChart } from './UnlikeChart.tsx';
import { WindowChecks } from './WindowChecks.tsx';

const MOST_ARRAYS = 8;

/** The arrays: what each is made of, what its controller bears, and where its laboratory watts go. */
export function Arrays({ detail }: { detail: SourcesDetail | null }) {
  const { edit, optionId } = useEditing();
  const { arrays, allInOnes } = useOption().system;
  const suggestedW = useShown(({ assessment }) => assessment.figures['array.rating'].value);
  const replace = (next: SolarArray[] | null, key: string) =>
    edit(changeSources(optionId, 'arrays', next), `array-${key}`);
  const add = () => {
    const list = arrays ?? [];
    const number = list.length + 1;
    const id = freeId(
      `array-${number}`,
      list.map((one) => one.id),
    );
    const like = list.at(-1);
    const blank = blankArray(id, `Array ${number}`, arrays === null ? suggestedW : 200);
    replace([...list, like ? { ...like, id, name: `Array ${number}` } : blank], 'more');
  };
  return (
    <section aria-label="Solar arrays" className="border-t border-line py-3">
      <h2 className="text-body font-semibold">
        Solar arrays{' '}
        <span className="num font-normal text-note text-ink-2">
          <Fig id="array.rating" /> in all; <Fig id="array.required" /> needed in the darkest month of use
        </span>
      </h2>
      {arrays === null && (
        <p className="pt-1 text-ink-2">
          No panels are chosen yet: everything is reckoned with an array of just the size needed, flat on the roof.
        </p>
      )}
      {arrays?.length === 0 && <p className="pt-1 text-ink-2">None is fitted.</p>}
      {arrays === null && detail?.ledgers[0] && (
        <div className="pt-2">
          <LedgerSteps ledger={detail.ledgers[0]} />
        </div>
      )}
      {arrays?.map((array) => {
        const isThis = ({ arrayId }: { readonly arrayId: string }) => arrayId === array.id;
        return (
          <OneArray
            key={array.id}
            array={array}
            isBoxed={allInOnes.some((unit) => unit.arrays.includes(array.id))}
            ledger={detail?.ledgers.find(isThis)}
            window={detail?.windows.find(isThis)}
            unlike={detail?.unlike.find(isThis)}
            sums={detail?.panels.find(isThis)}
          />
        );
      })}
      {(arrays?.length ?? 0) < MOST_ARRAYS && (
        <p className="mt-2 flex flex-wrap gap-3">
          <Button onClick={add}>{arrays === null ? 'Choose the array' : 'Another array'}</Button>
          {arrays === null && <Button onClick={() => replace([], 'none')}>None is fitted</Button>}
          {arrays?.length === 0 && <Button onClick={() => replace(null, 'auto')}>Size it as required</Button>}
        </p>
      )}
    </section>
  );
}

/** One array; another is not drawn anew when this one is changed. */
const OneArray = memo(function OneArray({
  array,
  isBoxed,
  ledger,
  window,
  unlike,
  sums,
}: {
  array: SolarArray;
  /** Whether its controller is that of an all-in-one unit. */
  isBoxed: boolean;
  /** What is reckoned of it, once it is. */
  ledger: SourcesDetail['ledgers'][number] | undefined;
  window: SourcesDetail['windows'][number] | undefined;
  unlike: SourcesDetail['unlike'][number] | undefined;
  sums: SourcesDetail['panels'][number] | undefined;
}) {
  const { edit, optionId } = useEditing();
  const text = useText();
  const { id } = array;
  return (
    <article aria-label={array.name} className="painted-in-view border-t border-line-2 pb-3 pt-2 first-of-type:mt-2">
      <ArrayFields
        array={array}
        isBoxed={isBoxed}
        windowOf={window}
        onChange={(part, key) => edit(changeArray(optionId, id, part), `array-${id}-${key}`)}
        onRemove={() => edit(changeArray(optionId, id, null), 'array-less')}
      />
      {sums?.kg != null && (
        <p className="num pt-1 text-note text-ink-2">
          {sums.panels} {sums.panels === 1 ? 'panel' : 'panels'}, {text(sums.areaM2 ?? 0, 'm²')}, {text(sums.kg, 'kg')}
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,3fr)_minmax(280px,2fr)] gap-x-10 gap-y-3 pt-3 @max-[860px]:grid-cols-1">
        <div>{ledger && <LedgerSteps ledger={ledger} />}</div>
        <div>{window && <WindowChecks window={window} />}</div>
      </div>
      {unlike && <UnlikeChart unlike={unlike} />}
    </article>
  );
});
