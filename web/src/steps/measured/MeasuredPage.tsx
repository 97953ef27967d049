import { formatNumber, type MeasuredUnit, spreadOf } from '@joulemetric/core';
import { useState } from 'react';
import type { StoredAppliance } from '../../edges/answers.ts';
import { downloadMeasured, readMeasured } from '../../edges/listFiles.ts';
import { useFirm } from '../../edges/useFirm.ts';
import { SidePage } from '../../ui/SidePage.tsx';
import { TableFiles, type TableTold } from '../../ui/TableFiles.tsx';

/** The firm's measured library: each appliance with the units that were measured, and how far they differ. */
export function MeasuredPage() {
  const { entries, problem, put, removeUnit, remove } = useFirm();
  const [openId, setOpenId] = useState<string | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const asked = (work: Promise<void>) =>
    work.then(
      () => setFailed(null),
      (error: Error) => setFailed(error.message),
    );
  const read = async (file: File): Promise<TableTold> => {
    const { entries: whole, faults } = await readMeasured(
      file,
      (entries ?? []).map(({ appliance }) => appliance),
    );
    for (const entry of whole) await put(entry);
    return {
      sentence: `${whole.length} ${whole.length === 1 ? 'appliance was' : 'appliances were'} put in from ${file.name}.`,
      faults: faults.map(({ line, problem: why }) => `Line ${line}: ${why}`),
    };
  };
  return (
    <SidePage
      question="What do they really draw?"
      about="Appliances of your own list, with every unit that was measured. They are offered first in every job, at the mean of their units."
      problem={failed ?? problem}
    >
      <table className="num mt-3 w-full text-right text-number" aria-label="Measured appliances">
        <thead>
          <tr className="border-b border-ink text-note text-ink-2">
            <th scope="col" className="py-1 text-left font-medium">
              Appliance
            </th>
            <th scope="col" className="pl-3 font-medium">
              Units
            </th>
            <th scope="col" className="pl-3 font-medium">
              Mean
            </th>
            <th scope="col" className="pl-3 font-medium">
              From – to
            </th>
            <th scope="col" className="pl-3 font-medium phone:hidden">
              Deviation
            </th>
            <th scope="col" className="pl-3 font-medium phone:hidden">
              Last
            </th>
          </tr>
        </thead>
        <tbody>
          {(entries ?? []).map((stored) => (
            <Rows
              key={stored.id}
              stored={stored}
              isOpen={openId === stored.id}
              onOpen={() => setOpenId(openId === stored.id ? null : stored.id)}
              onRemoveUnit={(unit) => void asked(removeUnit(stored.id, unit))}
              onRemove={() => void asked(remove(stored.id))}
            />
          ))}
          {entries?.length === 0 && (
            <tr>
              <td colSpan={6} className="py-2 text-left text-ink-2">
                None yet: measure a load in a job’s Logbook and keep it for the firm, or read a table with the columns
                name, on, value, unit, of.
              </td>
            </tr>
          )}
        </tbody>
      </table>
      <TableFiles
        saveAs="Save as CSV"
        onSave={() => void downloadMeasured((entries ?? []).map(({ appliance }) => appliance))}
        onRead={read}
      />
    </SidePage>
  );
}

function Rows({
  stored: { appliance },
  isOpen,
  onOpen,
  onRemoveUnit,
  onRemove,
}: {
  stored: StoredAppliance;
  isOpen: boolean;
  onOpen: () => void;
  onRemoveUnit: (unit: MeasuredUnit) => void;
  onRemove: () => void;
}) {
  const { name, measured } = appliance;
  const spread = spreadOf(measured);
  const digits = spread && spread.mean < 10 ? 2 : 1;
  const shown = (value: number): string => formatNumber(value, digits);
  return (
    <>
      <tr className="border-b border-line-2">
        <th scope="row" className="py-1 text-left font-normal">
          <button
            type="button"
            aria-expanded={isOpen}
            onClick={onOpen}
            className="text-left hover:underline phone:min-h-11"
          >
            {name}
          </button>
        </th>
        <td className="pl-3">{spread ? spread.units : <span className="text-ink-2">not measured</span>}</td>
        <td className="whitespace-nowrap pl-3 font-semibold">
          {spread && (
            <>
              {shown(spread.mean)} <span className="text-note font-normal text-ink-2">{spread.unit}</span>
            </>
          )}
        </td>
        <td className="whitespace-nowrap pl-3">
          {spread && spread.units > 1 ? `${shown(spread.least)} – ${shown(spread.most)}` : '–'}
        </td>
        <td className="pl-3 phone:hidden">{spread?.deviation != null ? `± ${shown(spread.deviation)}` : '–'}</td>
        <td className="whitespace-nowrap pl-3 phone:hidden">{measured.at(-1)?.on ?? '–'}</td>
      </tr>
      {isOpen && (
        <tr className="border-b border-line bg-sheet">
          <td colSpan={6} className="px-3 py-2 text-left">
            <ul>
              {measured.map((one) => (
                <li key={`${one.on} ${one.of}`} className="flex flex-wrap items-baseline gap-x-4 py-0.5">
                  <span className="w-24">{one.on}</span>
                  <span className="font-semibold">
                    {shown(one.value)} <span className="text-note font-normal text-ink-2">{one.unit}</span>
                  </span>
                  <span className="min-w-0 grow truncate text-ink-2">{one.of || 'no unit named'}</span>
                  <button
                    type="button"
                    onClick={() => onRemoveUnit(one)}
                    className="text-note text-ink-2 underline phone:min-h-11"
                  >
                    Leave it out
                  </button>
                </li>
              ))}
            </ul>
            <button type="button" onClick={onRemove} className="pt-1 text-note text-ink-2 underline phone:min-h-11">
              Take {name} out of the list
            </button>
          </td>
        </tr>
      )}
    </>
  );
}
