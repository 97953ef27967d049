import { type AllInOne, formatNumber, showText } from '@joulemetric/core';
import { useState } from 'react';
import { changeAllInOne, changeSystem } from '../../commands/design.ts';
import { useBoxChoice } from '../../edges/useBoxChoice.ts';
import { useParts } from '../../edges/useParts.ts';
import type { SaidBoxChoice, SaidBoxColumn } from '../../edges/view.ts';
import { useEditing, useJob, useOption } from '../../shell/JobContext.tsx';
import { BoughtFields } from '../../ui/BoughtFields.tsx';
import { Button } from '../../ui/Button.tsx';
import { QuantityField, TextField } from '../../ui/Field.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { useSettled } from '../../ui/useSettled.ts';
import { useText } from '../../ui/useText.ts';

/** ms without an edit after which the columns are reckoned: several systems are, for one edit. */
const AFTER_MS = 400;

/** Inverter, solar controllers and mains charger in one box, beside the same as separate units. */
export function OneBox() {
  const { job, edit, optionId } = useJob();
  const { allInOnes } = useOption().system;
  const [isOpen, setOpen] = useState(allInOnes.length > 0);
  const { all } = useParts();
  const settled = useSettled(job, AFTER_MS);
  const { value: choice, problem } = useBoxChoice(isOpen ? settled : null, optionId, all);
  return (
    <section aria-label="One box or separate" className="painted-in-view border-t border-line py-3">
      <h2 className="text-body font-semibold">
        One box, or separate{' '}
        <span className="num font-normal text-note text-ink-2">
          inverter, solar controllers and mains charger in one unit: shared limits, one idle
        </span>
      </h2>
      {allInOnes.map((unit) => (
        <Unit key={unit.id} unit={unit} />
      ))}
      {!isOpen && (
        <p className="pt-2">
          <Button onClick={() => setOpen(true)}>Set them beside each other for this job</Button>
        </p>
      )}
      {problem && (
        <p role="alert" className="pt-2 text-copper">
          {problem}
        </p>
      )}
      {isOpen && !choice && !problem && <p className="pt-2 text-ink-2">Working through the parts list…</p>}
      {isOpen && choice && (
        <Columns
          choice={choice}
          onTake={(system) => edit(changeSystem(optionId, system))}
          currency={job.brief.region.currency}
        />
      )}
    </section>
  );
}

/** A unit that is fitted: what it shares, and what it is. */
function Unit({ unit }: { unit: AllInOne }) {
  const { edit, optionId } = useEditing();
  const { devices, chargers, allInOnes, arrays: all } = useOption().system;
  // What is in another unit cannot be in this one too.
  const arrays = (all ?? []).filter(({ id }) => !allInOnes.some((one) => one !== unit && one.arrays.includes(id)));
  const change = (part: Partial<AllInOne>, key: string): void =>
    edit(changeAllInOne(optionId, unit.id, part), `${unit.id}.${key}`);
  const names = [
    devices.find(({ id }) => id === unit.inverter)?.name,
    ...arrays.filter(({ id }) => unit.arrays.includes(id)).map(({ name }) => `the controller of ${name}`),
    chargers.find(({ id }) => id === unit.charger)?.name,
  ].filter((name) => name !== undefined);
  return (
    <div data-all-in-one={unit.id} className="border-b border-line py-2.5">
      <div className="grid grid-cols-5 gap-x-5 gap-y-2.5 @max-[860px]:grid-cols-3 @max-[560px]:grid-cols-2">
        <TextField
          label="Called"
          required
          maxLength={60}
          value={unit.name}
          onChange={(name) => change({ name }, 'name')}
        />
        <QuantityField
          label="Charges with at most"
          unit="A, sun and mains together"
          value={unit.chargeA}
          auto="no limit of its own"
          min={1}
          max={2000}
          onChange={(chargeA) => change({ chargeA }, 'charge')}
        />
        <BoughtFields bought={unit} onChange={change} usualKg="the usual for its W" />
        <p className="self-end">
          <button
            type="button"
            onClick={() => edit(changeAllInOne(optionId, unit.id, null))}
            className="py-1 text-left text-note text-ink-2 underline phone:min-h-11"
          >
            Take it apart
          </button>
        </p>
      </div>
      <fieldset className="flex flex-wrap items-baseline gap-x-5 gap-y-1 pt-2">
        <legend className="text-note text-ink-2">In it: {names.join(', ')}. Solar inputs for</legend>
        {arrays.map(({ id, name }) => (
          <label key={id} className="flex items-baseline gap-2 phone:min-h-11">
            <input
              type="checkbox"
              className="size-4 self-center accent-ink phone:size-6"
              checked={unit.arrays.includes(id)}
              onChange={(event) =>
                change(
                  { arrays: event.target.checked ? [...unit.arrays, id] : unit.arrays.filter((one) => one !== id) },
                  'arrays',
                )
              }
            />
            {name}
          </label>
        ))}
        {arrays.length === 0 && <span className="text-ink-2">no array yet</span>}
      </fieldset>
    </div>
  );
}

const HEADS = { 'as it is': 'As it is', separate: 'Separate, of the list', 'one box': 'One box' } as const;

type Line = readonly [
  what: string,
  value: (column: SaidBoxColumn, currency: string, text: ReturnType<typeof useText>) => string,
];

const LINES: readonly Line[] = [
  ['Made of', ({ names }) => names.join(', ') || '–'],
  ['Lost in all, a day', ({ lostWh }) => showText(lostWh, 'Wh')],
  ['of it idle', ({ idleWh, idleW }) => `${showText(idleWh, 'Wh')}, ${showText(idleW, 'W')} while on`],
  ['Need of the store, a day', ({ needWh }) => showText(needWh, 'Wh')],
  ['Worst moment, of its rating', ({ loadShare }) => showText(loadShare, 'share')],
  ['Solar input', ({ solarShare }) => inputWords(solarShare)],
  ['Sun held back, a day', ({ clippedWh }) => (clippedWh < 0.5 ? '–' : showText(clippedWh, 'Wh'))],
  ['Mass', ({ kg }, _currency, text) => (kg === null ? 'not all known' : text(kg, 'kg'))],
  ['Price', ({ money }, currency) => (money === null ? 'not all known' : `${formatNumber(money)} ${currency}`)],
];

function inputWords(share: number | null): string {
  if (share === null) return 'no limit known';
  const used = `${formatNumber(share * 100)} % used`;
  return share > 1 ? `${used}: more than it takes` : used;
}

function Columns({
  choice: { columns, none },
  onTake,
  currency,
}: {
  choice: SaidBoxChoice;
  onTake: (system: NonNullable<SaidBoxColumn['system']>) => void;
  currency: string;
}) {
  const text = useText();
  return (
    <>
      <table
        className="num mt-1 w-full max-w-[860px] table-fixed text-right"
        aria-label="One box beside separate units"
      >
        <thead>
          <tr className="border-b border-ink">
            <td className="w-[22%]" />
            {columns.map(({ what, system }) => (
              <th
                key={what}
                scope="col"
                className={`py-1 pl-4 text-right ${system === null ? 'font-semibold' : 'font-medium text-ink-2'}`}
              >
                {HEADS[what]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {LINES.map(([what, value]) => (
            <tr key={what} className="border-b border-line-2 align-baseline">
              <th scope="row" className="py-1 text-left font-normal text-ink-2">
                {what}
              </th>
              {columns.map((column) => (
                <td key={column.what} className={`pl-4 ${column.system === null ? 'bg-sheet font-semibold' : ''}`}>
                  {value(column, currency, text)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {columns.map(
        ({ what, findings, cablesToCheck }) =>
          (findings.length > 0 || cablesToCheck) && (
            <div key={what} className="pt-2">
              <p className="text-note text-ink-2">With {HEADS[what].toLowerCase()} there is more to check:</p>
              {findings.map((finding) => (
                <FindingLine key={finding.code} finding={finding} />
              ))}
              {cablesToCheck && (
                <p className="num text-[13px] text-ink-2">Cables and fuses that are laid want other sizes.</p>
              )}
            </div>
          ),
      )}
      <p className="mt-2 flex flex-wrap items-baseline gap-x-5 gap-y-1 text-ink-2">
        {columns.map(
          ({ what, system }) =>
            system && (
              <Button key={what} onClick={() => onTake(system)}>
                {what === 'one box' ? 'Take the one box' : 'Take separate units'}
              </Button>
            ),
        )}
        {none && <span>All-in-one: {none}, of those in the parts list.</span>}
      </p>
    </>
  );
}
