import { fieldsOfKind, PART_FIELDS, PART_KINDS, PARTS, type Part, type PartKind } from '@joulemetric/core';
import { useState } from 'react';
import { type PartChange, useParts } from '../../edges/useParts.ts';
import { ChangedElsewhere } from '../../edges/versionedList.ts';
import { ThreeColumns } from '../../shell/ClashTable.tsx';
import { clashWords } from '../../shell/clashWords.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SidePage } from '../../ui/SidePage.tsx';
import { PartRow } from './PartRow.tsx';
import { PartsFiles } from './PartsFiles.tsx';

interface Asking {
  readonly id: string;
  readonly change: PartChange;
  readonly theirs: Part;
}

const KINDS = Object.keys(PART_KINDS) as PartKind[];

/** The parts list: the firm's own in a sheet, and the generic ones that ship below. */
export function PartsPage() {
  const { own, problem, isSaving, add, replace, remove } = useParts();
  const [kind, setKind] = useState<PartKind>('battery');
  const [failed, setFailed] = useState<string | null>(null);
  const [asking, setAsking] = useState<Asking | null>(null);
  const mine = (own ?? []).filter(({ part }) => part.kind === kind);
  const shipped = PARTS.filter((part) => part.kind === kind);
  const fields = fieldsOfKind(kind);
  const asked = (work: Promise<void>) =>
    work.then(
      () => setFailed(null),
      (error: Error) => setFailed(error.message),
    );
  /** Where somebody else has changed the same field since, it is asked which counts. */
  const change = (id: string, part: PartChange): Promise<void> =>
    replace(id, part).then(
      () => setFailed(null),
      (error: Error) =>
        error instanceof ChangedElsewhere
          ? setAsking({ id, change: part, theirs: error.theirs.document as Part })
          : setFailed(error.message),
    );
  return (
    <SidePage
      isWide
      question="What do you fit?"
      about="Your own parts and prices, beside generic ones. A part that is chosen is copied into the job."
      problem={failed ?? problem}
      aside={own && <p className="text-note text-ink-2">{isSaving ? 'Saving…' : 'Saved'}</p>}
    >
      {asking && (
        <WhichCounts
          asking={asking}
          onMine={() => {
            setAsking(null);
            void change(asking.id, asking.change);
          }}
          onTheirs={() => setAsking(null)}
        />
      )}
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1 pt-3">
        <legend className="sr-only">Kind of part</legend>
        {KINDS.map((one) => (
          <label key={one} className="cursor-pointer py-1 phone:py-3">
            <input
              type="radio"
              name="kind"
              checked={one === kind}
              onChange={() => setKind(one)}
              className="peer sr-only"
            />
            <span className="border-b-2 border-transparent text-ink-2 peer-checked:border-ink peer-checked:font-semibold peer-checked:text-ink peer-focus-visible:outline-2 peer-focus-visible:outline-offset-2 peer-focus-visible:outline-copper">
              {PART_KINDS[one].name}
            </span>
          </label>
        ))}
      </fieldset>
      <div className="overflow-x-auto pt-3">
        <table className="num w-full text-number">
          <thead>
            <tr className="border-b border-ink text-note text-ink-2">
              <th scope="col" className="min-w-44 py-1 text-left font-medium">
                Name
              </th>
              {kind === 'battery' && (
                <th scope="col" className="pl-3 text-left font-medium">
                  Chemistry
                </th>
              )}
              {kind === 'controller' && (
                <th scope="col" className="pl-3 text-left font-medium">
                  Type
                </th>
              )}
              {fields.map((key) => (
                <th key={key} scope="col" className="whitespace-nowrap pl-3 text-right font-medium">
                  {PART_FIELDS[key].label}
                  {PART_FIELDS[key].unit && `, ${PART_FIELDS[key].unit}`}
                </th>
              ))}
              <td />
            </tr>
          </thead>
          <tbody>
            {mine.map(({ id, part }) => (
              <PartRow
                key={id}
                part={part}
                onChange={(part) => void change(id, part)}
                onRemove={() => void asked(remove(id))}
              />
            ))}
            {mine.length === 0 && own && (
              <tr>
                <td colSpan={fields.length + 3} className="py-2 text-ink-2">
                  None of your own yet: copy one of those below, or read a table.
                </td>
              </tr>
            )}
            <tr className="border-y border-line">
              <th
                colSpan={fields.length + 3}
                scope="colgroup"
                className="py-1 text-left text-note font-medium text-ink-2"
              >
                Generic, with invented prices
              </th>
            </tr>
            {shipped.map((part) => (
              <PartRow key={part.name} part={part} onCopy={() => void asked(add(part))} />
            ))}
          </tbody>
        </table>
      </div>
      <PartsFiles own={own ?? []} onRead={add} />
    </SidePage>
  );
}

/** Two people have changed the same field of a part: nothing is overwritten until somebody says which counts. */
function WhichCounts({
  asking: { change, theirs },
  onMine,
  onTheirs,
}: {
  asking: Asking;
  onMine: () => void;
  onTheirs: () => void;
}) {
  const of = (key: string) => (theirs as unknown as Record<string, unknown>)[key];
  const rows = Object.entries(change).map(([key, mine]) =>
    clashWords({ path: [key], base: null, mine, theirs: of(key) }, []),
  );
  return (
    <Sheet
      open
      onOpenChange={(open) => open || onTheirs()}
      title={`${theirs.name} was changed elsewhere`}
      description="Somebody has saved the same field since you opened the list. Nothing was overwritten."
    >
      <ThreeColumns heads={['Yours', 'Theirs']} rows={rows} />
      <div className="mt-5 flex flex-wrap gap-3">
        <Button strong onClick={onMine}>
          Keep mine
        </Button>
        <Button onClick={onTheirs}>Take theirs</Button>
      </div>
    </Sheet>
  );
}
