import { fieldsOfKind, PART_FIELDS, PART_KINDS, PARTS, type PartKind } from '@joulemetric/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { useParts } from '../../edges/useParts.ts';
import { Button } from '../../ui/Button.tsx';
import { PartRow } from './PartRow.tsx';
import { PartsFiles } from './PartsFiles.tsx';

const KINDS = Object.keys(PART_KINDS) as PartKind[];

/** The parts list: the firm's own in a sheet, and the generic ones that ship below. */
export function PartsPage() {
  const { own, problem, isSaving, add, replace, remove } = useParts();
  const [kind, setKind] = useState<PartKind>('battery');
  const [failed, setFailed] = useState<string | null>(null);
  const mine = (own ?? []).filter(({ part }) => part.kind === kind);
  const shipped = PARTS.filter((part) => part.kind === kind);
  const fields = fieldsOfKind(kind);
  const asked = (work: Promise<void>) =>
    work.then(
      () => setFailed(null),
      (error: Error) => setFailed(error.message),
    );
  return (
    <div className="mx-auto max-w-[1180px] px-6 py-6 phone:px-4">
      <header className="flex items-center justify-between">
        <Link to="/" className="text-[18px] font-semibold phone:min-h-11">
          Joule<span className="text-copper">metric</span>
        </Link>
        {own && <p className="text-note text-ink-2">{isSaving ? 'Saving…' : 'Saved'}</p>}
      </header>
      <main>
        <div className="mt-10 border-b border-line pb-3 phone:mt-5">
          <h1 className="text-question font-semibold">What do you fit?</h1>
          <p className="text-number text-ink-2">
            Your own parts and prices, beside generic ones. A part that is chosen is copied into the job.
          </p>
        </div>
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
        {(failed ?? problem) && (
          <p role="alert" className="pt-3 font-medium text-copper">
            {failed ?? problem}
          </p>
        )}
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
                  onChange={(next) => void asked(replace(id, next))}
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
        <p className="pt-6">
          <Link to="/">
            <Button>Back to the jobs</Button>
          </Link>
        </p>
      </main>
    </div>
  );
}
