/**
 * `npm run -s logbook -- FILE.json` or `FILE.csv --zone … --map … --capacity-ah … --chemistry … --reserve … --target-h … --timer-h …`:
 * prints what a log says as JSON. See docs/cli.md.
 */
import { createReadStream } from 'node:fs';
import { open, readFile } from 'node:fs/promises';
import { dirname, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import {
  headOfTable,
  LOG_VERSION,
  type Log,
  type Recognised,
  readingsOf,
  recognise,
  reportOf,
  type SaidColumns,
  type TableRead,
  TableReader,
  tableFault,
  type Zone,
  zoneOf,
} from '@joulemetric/core';
import { validateLog } from '@joulemetric/core/validate-log';
import Papa from 'papaparse';
import { asJson, oneFile, parsed, refuse } from './command.ts';

/** Of a table, from which its columns are told. */
const HEAD_BYTES = 262_144;
const USAGE =
  'usage: npm run -s logbook -- FILE.json | FILE.csv [--zone Europe/Paris] [--map soc=Battery,w=Power:kW] [--dates dmy|mdy] [--capacity-ah 100 | --capacity-wh 1280] [--chemistry lfp] [--reserve 20] [--target-h 48] [--timer-h 12] [--good-rows]';

export async function run(args: readonly string[]): Promise<string> {
  const { values: flags, positionals } = flagsOf(args);
  const file = oneFile(positionals, USAGE);
  const log = /\.csv$|\.tsv$|\.txt$/i.test(file) ? logOfFlags(file, flags) : await logOfFile(file);
  const zone = zoneNamed(log.csv?.zone ?? log.zone ?? 'UTC');
  const read = log.csv
    ? await readTable(resolve(dirname(file), log.csv.file), log)
    : readingsOf(log.readings ?? [], zone);
  if (read.faultCount > 0 && !flags['good-rows']) {
    refuse(
      ...read.faults.map(
        ({ line, column, problem, found }) =>
          `${log.csv ? log.csv.file : file}:${line}: ${column === '' ? '' : `${column}: `}${problem}${found === '' ? '' : `, found “${found}”`}`,
      ),
      ...(read.faultCount > read.faults.length ? [`and ${read.faultCount - read.faults.length} more`] : []),
      `${read.series.t.length} of ${read.rows} rows are good; --good-rows takes those alone.`,
    );
  }
  return asJson(reportOf(log, read, zone));
}

const flagsOf = (args: readonly string[]) =>
  parsed(
    () =>
      parseArgs({
        args: [...args],
        allowPositionals: true,
        options: {
          zone: { type: 'string' },
          map: { type: 'string' },
          dates: { type: 'string' },
          'capacity-ah': { type: 'string' },
          'capacity-wh': { type: 'string' },
          'nominal-v': { type: 'string' },
          chemistry: { type: 'string' },
          reserve: { type: 'string' },
          'target-h': { type: 'string' },
          'timer-h': { type: 'string' },
          'good-rows': { type: 'boolean', default: false },
        },
      }),
    USAGE,
  );

type Flags = ReturnType<typeof flagsOf>['values'];

function numberFlag(
  flags: Flags,
  name: 'capacity-ah' | 'capacity-wh' | 'nominal-v' | 'reserve' | 'target-h' | 'timer-h',
): number | null {
  const text = flags[name];
  if (text === undefined) return null;
  const value = Number(text);
  return text.trim() !== '' && Number.isFinite(value) ? value : refuse(`--${name} must be a number, not “${text}”`);
}

/** What the flags say of a table, as the log file would say it; checked by the same door. */
function logOfFlags(file: string, flags: Flags): Log {
  const [ah, wh, reserve, targetH, timerH] = (
    ['capacity-ah', 'capacity-wh', 'reserve', 'target-h', 'timer-h'] as const
  ).map((name) => numberFlag(flags, name));
  const map = Object.fromEntries(
    (flags.map ?? '')
      .split(/,(?=[A-Za-z]+=)/)
      .filter((part) => part !== '')
      .map((part) => {
        const at = part.indexOf('=');
        return at < 0
          ? refuse(`--map needs what=column, not “${part}”`)
          : [part.slice(0, at).trim(), part.slice(at + 1).trim()];
      }),
  );
  const nominalV = numberFlag(flags, 'nominal-v');
  const capacity = {
    ...(ah === null ? {} : { ah }),
    ...(wh === null ? {} : { wh }),
    ...(flags.chemistry === undefined ? {} : { chemistry: flags.chemistry }),
    ...(nominalV === null ? {} : { nominalV }),
  };
  return checked(file, {
    format: 'joulemetric-log',
    version: LOG_VERSION,
    csv: { file: resolve(file), map, ...(flags.dates === undefined ? {} : { dates: flags.dates }) },
    ...(flags.zone === undefined ? {} : { zone: flags.zone }),
    ...(ah === null && wh === null ? {} : { capacity }),
    ...(reserve === null ? {} : { reserve }),
    ...(targetH === null ? {} : { targetH }),
    ...(timerH === null ? {} : { timers: [{ everyH: timerH }] }),
  });
}

async function logOfFile(file: string): Promise<Log> {
  const text = await readFile(file, 'utf8').catch((error: Error) => refuse(`${file}: ${error.message}`));
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    return refuse(`${file}: not JSON: ${(error as Error).message}`);
  }
  return checked(file, document);
}

function checked(file: string, document: unknown): Log {
  const answer = validateLog(document);
  if (answer.ok) return answer.log;
  return refuse(
    ...answer.faults.map(
      ({ path, expected, found }) =>
        `${file}: ${path}: expected ${expected}${found === undefined ? '' : `, found ${found}`}`,
    ),
  );
}

function zoneNamed(name: string): Zone {
  return zoneOf(name) ?? refuse(`there is no time zone “${name}”; write it as Europe/Paris, UTC or +02:00`);
}

/** The head and some first rows tell what the columns are; then every row is read once. */
async function readTable(path: string, { csv, zone: logZone }: Log): Promise<TableRead> {
  const head = await firstBytes(path);
  const bad = tableFault(head);
  if (bad !== null) refuse(`${path}: ${bad}`);
  const text = head.toString('utf8');
  // The last line of the first bytes may be cut.
  const whole = head.length < HEAD_BYTES ? text : text.slice(0, text.lastIndexOf('\n'));
  const sample = Papa.parse<string[]>(whole, {});
  const { heads, before } = headOfTable(sample.data) ?? refuse(`${path}: no line names the columns`);
  const rows = sample.data.slice(before);
  if (!rows.some((row) => row.some((cell) => cell.trim() !== '')))
    refuse(`${path}: it needs at least one row below the names of its columns`);
  const found: Recognised = recognise(
    heads,
    rows,
    sample.meta.delimiter,
    (csv?.map ?? {}) as SaidColumns,
    csv?.dates ?? null,
  );
  if (found.unclear.length > 0) refuse(...found.unclear.map((question) => `${path}:${before}: ${question}`));
  for (const { head, as } of found.columns)
    if (as?.startsWith('left out')) process.stderr.write(`${path}: column “${head}” ${as}\n`);
  const reader = new TableReader(found.mapping, heads, zoneNamed(csv?.zone ?? logZone ?? 'UTC'));
  let line = 0;
  await new Promise<void>((done, fail) => {
    Papa.parse<string[]>(createReadStream(path, 'utf8') as never, {
      delimiter: sample.meta.delimiter,
      step: ({ data }) => {
        line += 1;
        if (line > before) reader.add(data, line);
      },
      complete: () => done(),
      error: fail,
    });
  });
  return reader.done();
}

async function firstBytes(path: string): Promise<Buffer> {
  const handle = await open(path).catch((error: Error) => refuse(`${path}: ${error.message}`));
  const { buffer, bytesRead } = await handle.read(Buffer.alloc(HEAD_BYTES), 0, HEAD_BYTES, 0);
  await handle.close();
  return buffer.subarray(0, bytesRead);
}
