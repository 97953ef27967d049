import { headOfTable, recognise, type SaidColumns, tableFault } from '@joulemetric/core';
import Papa from 'papaparse';
import { useEffect, useRef, useState } from 'react';
import type { OpenLog } from '../../edges/answers.ts';
import { sendTable, type TableAnswer, type TableStage } from '../../edges/sendTable.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice, TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

const HEAD_BYTES = 65_536;
const SAMPLE_ROWS = 500;
const FAULTS_SHOWN = 100;
const ORDERS = [
  { value: '', label: 'as it shows itself' },
  { value: 'dmy', label: 'day/month/year' },
  { value: 'mdy', label: 'month/day/year' },
] as const;

/** What a column may be said to be, with its unit where its head may have none; others keep the unit of their head. */
const CHOICES: readonly (readonly [role: string, words: string])[] = [
  ['time', 'time'],
  ['date', 'date, the time beside it'],
  ['time:h', 'hours since the beginning'],
  ['time:min', 'minutes since the beginning'],
  ['time:s', 'seconds since the beginning'],
  ['soc:%', 'state of charge, %'],
  ['soc:share', 'state of charge, 0 to 1'],
  ['v', 'volts'],
  ['a', 'amps'],
  ['w', 'watts'],
  ['w:kW', 'kilowatts'],
  ['va', 'volt-amps'],
  ['wh:Wh', 'counter, Wh'],
  ['wh:kWh', 'counter, kWh'],
  ['ah:Ah', 'counter, Ah'],
  ['ah:mAh', 'counter, mAh'],
  ['c', 'temperature'],
  ['toGo', 'the display’s time to go'],
  ['note', 'note'],
];
const keyOf = (role: string): keyof SaidColumns => role.split(':')[0] as keyof SaidColumns;
const saidAs = (head: string, role: string): string => (role.includes(':') ? `${head}:${role.split(':')[1]}` : head);

interface Sample {
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly delimiter: string;
}

/** A meter's file: what its columns were taken for and in which zone its times are, shown before anything is stored. */
export function TakeTable({
  log,
  file,
  onClose,
  onTaken,
}: {
  log: OpenLog;
  file: File;
  onClose: () => void;
  onTaken: () => void;
}) {
  const [sample, setSample] = useState<Sample | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState<SaidColumns>({});
  const [dates, setDates] = useState<'' | 'dmy' | 'mdy'>('');
  const [zone, setZone] = useState(log.log.zone ?? 'UTC');
  const [stage, setStage] = useState<TableStage | null>(null);
  const [answer, setAnswer] = useState<TableAnswer | null>(null);
  const cancel = useRef<() => void>(() => {});
  useEffect(() => {
    void headOf(file).then(setSample, (error: Error) => setProblem(error.message));
  }, [file]);
  const found = sample && recognise(sample.heads, sample.rows, sample.delimiter, said, dates || null);
  const isBusy = stage !== null && answer === null && problem === null;
  const take = (more: { goodRows?: boolean; replace?: boolean } = {}) => {
    setProblem(null);
    setAnswer(null);
    const sent = sendTable(
      log.id,
      file,
      { zone, map: said, dates: dates || null, goodRows: false, replace: false, ...more },
      setStage,
    );
    cancel.current = sent.cancel;
    sent.done.then(
      (said_) => {
        setAnswer(said_);
        setStage(null);
        if (said_.taken > 0) {
          onTaken();
          if (said_.faultCount === 0) onClose();
        }
      },
      (error: Error) => {
        setStage(null);
        setProblem(error.message);
      },
    );
  };
  const isOf = (head: string, column: string | undefined): boolean =>
    column === head || column?.startsWith(`${head}:`) === true;
  const roleOf = (head: string): string =>
    CHOICES.find(([role]) => said[keyOf(role)] === saidAs(head, role))?.[0] ?? '';
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && !isBusy && onClose()}
      title={`Read ${file.name}`}
      description="Nothing is stored before you say so."
    >
      {found && sample && (
        <table className="num mt-3 w-full text-number">
          <thead>
            <tr className="border-b border-ink text-left text-note text-ink-2">
              <th scope="col" className="py-1 font-medium">
                Column
              </th>
              <th scope="col" className="font-medium">
                First values
              </th>
              <th scope="col" className="font-medium">
                Taken as
              </th>
            </tr>
          </thead>
          <tbody>
            {found.columns.map(({ head, as }, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: two columns may have one head.
              <tr key={i} className="border-b border-line-2">
                <td className="max-w-[150px] truncate py-1 pr-2" title={head}>
                  {head || `column ${i + 1}`}
                </td>
                <td className="max-w-[130px] truncate pr-2 text-ink-2">
                  {sample.rows
                    .slice(0, 2)
                    .map((row) => row[i])
                    .join(', ')}
                </td>
                <td>
                  <select
                    aria-label={`What ${head} is`}
                    value={roleOf(head)}
                    onChange={(event) => {
                      const role = event.target.value;
                      const rest = Object.fromEntries(Object.entries(said).filter(([, column]) => !isOf(head, column)));
                      setSaid(role === '' ? rest : { ...rest, [keyOf(role)]: saidAs(head, role) });
                    }}
                    className="w-full border-b border-line bg-transparent phone:min-h-11"
                  >
                    <option value="">{as ?? 'not taken'}</option>
                    {CHOICES.map(([role, words]) => (
                      <option key={role} value={role}>
                        {words}
                      </option>
                    ))}
                  </select>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {found?.unclear.map((question) => (
        <p key={question} className="pt-2 text-copper">
          {question.replace(/ Say [^?]*$/, ' Choose it here.')}
        </p>
      ))}
      <div className="grid grid-cols-2 gap-x-5 pt-3">
        <TextField label="Its times are those of" value={zone} onChange={setZone} note="Europe/Paris, UTC, +02:00" />
        <Choice label="Dates with slashes" value={dates} options={ORDERS} onChange={setDates} />
      </div>
      {answer && answer.faultCount > 0 && (
        <div className="mt-3">
          <p className="font-medium text-copper">
            {answer.faultCount} of {answer.rows} rows cannot be taken
            {answer.taken > 0 ? `; the ${answer.taken} good ones are in the log.` : '; nothing is stored yet.'}
          </p>
          <ul className="num max-h-[180px] overflow-y-auto text-note">
            {answer.faults.slice(0, FAULTS_SHOWN).map(({ line, column, problem: what, found: stood }) => (
              <li key={`${line} ${column}`}>
                line {line}
                {column && `, ${column}`}: {what}
                {stood && `, “${stood}”`}
              </li>
            ))}
          </ul>
        </div>
      )}
      {problem && (
        <p role="alert" className="pt-3 text-copper">
          {problem}
        </p>
      )}
      {isBusy && stage && (
        <p role="status" className="num pt-3 text-ink-2">
          {stage.stage === 'sending'
            ? `Sending, ${Math.round(stage.share * 100)} %`
            : `${stage.stage === 'reading' ? 'Reading' : 'Storing'}, ${stage.rows} rows`}
        </p>
      )}
      <div className="flex flex-wrap gap-3 pt-4">
        {isBusy ? (
          <Button onClick={() => cancel.current()}>Call it off</Button>
        ) : (
          <>
            {answer && answer.taken === 0 && answer.good > 0 ? (
              <Button strong onClick={() => take({ goodRows: true })}>
                Take the {answer.good} good rows
              </Button>
            ) : (
              <Button
                strong
                disabled={!found || found.unclear.length > 0 || (answer?.taken ?? 0) > 0}
                onClick={() => take()}
              >
                Take it
              </Button>
            )}
            {problem && /already/.test(problem) && (
              <Button onClick={() => take({ replace: true })}>Let these take their place</Button>
            )}
            <Button onClick={onClose}>{answer && answer.taken > 0 ? 'Close' : 'Take nothing'}</Button>
          </>
        )}
      </div>
    </Sheet>
  );
}

/** The head of a table and its first rows, without reading the rest. */
async function headOf(file: File): Promise<Sample> {
  const bytes = new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer());
  const fault = tableFault(bytes);
  if (fault !== null) throw new Error(`${file.name}: ${fault}.`);
  const text = new TextDecoder().decode(bytes);
  const whole = file.size > HEAD_BYTES ? text.slice(0, text.lastIndexOf('\n')) : text;
  const { data, meta } = Papa.parse<string[]>(whole);
  const head = headOfTable(data);
  const rows = data.slice(head?.before ?? 0).filter((row) => row.some((cell) => cell.trim() !== ''));
  if (!head || rows.length === 0)
    throw new Error(`${file.name} needs a line that names the columns and at least one row.`);
  return { heads: head.heads, rows: rows.slice(0, SAMPLE_ROWS), delimiter: meta.delimiter };
}
