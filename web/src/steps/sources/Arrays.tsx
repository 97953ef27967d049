import { blankArray, freeId, type SolarArray, type SourcesDetail } from '@joulemetric/core';
import { changeSources } from '../../commands/design.ts';
import { useJob, useOption, useShown } from '../../shell/JobContext.tsx';
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
  const { edit, optionId } = useJob();
  const { arrays } = useOption().system;
  const suggestedW = useShown(({ assessment }) => assessment.figures['array.rating'].value);
  const neededW = useShown(({ assessment }) => assessment.figures['array.required'].value);
  const text = useText();
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
        const ledger = detail?.ledgers.find(({ arrayId }) => arrayId === array.id);
        const window = detail?.windows.find(({ arrayId }) => arrayId === array.id);
        const unlike = detail?.unlike.find(({ arrayId }) => arrayId === array.id);
        const sums = detail?.panels.find(({ arrayId }) => arrayId === array.id);
        return (
          <article
            key={array.id}
            aria-label={array.name}
            className="border-t border-line-2 pb-3 pt-2 first-of-type:mt-2"
          >
            <ArrayFields
              array={array}
              windowOf={window}
              neededW={neededW}
              onChange={(part, key) =>
                replace(
                  arrays.map((one) => (one === array ? { ...array, ...part } : one)),
                  `${array.id}-${key}`,
                )
              }
              onRemove={() => replace(arrays.length === 1 ? null : arrays.filter((one) => one !== array), 'less')}
            />
            {sums?.kg != null && (
              <p className="num pt-1 text-note text-ink-2">
                {sums.panels} {sums.panels === 1 ? 'panel' : 'panels'}, {text(sums.areaM2 ?? 0, 'm²')},{' '}
                {text(sums.kg, 'kg')}
              </p>
            )}
            <div className="grid grid-cols-[minmax(0,3fr)_minmax(280px,2fr)] gap-x-10 gap-y-3 pt-3 @max-[860px]:grid-cols-1">
              <div>{ledger && <LedgerSteps ledger={ledger} />}</div>
              <div>{window && <WindowChecks window={window} />}</div>
            </div>
            {unlike && <UnlikeChart unlike={unlike} />}
          </article>
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
