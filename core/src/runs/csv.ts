import type { Run } from '../job/schema.ts';
import { CONDUCTOR_KINDS, ID_PATTERN, PROTECTIONS, RUN_ENDS } from '../job/values.ts';
import { blankRun } from './propose.ts';
import { readCableSize, sizeTyped } from './typedSize.ts';

/** Runs as rows of a table and back: docs/runs-csv.md explains the columns. */
export const RUN_COLUMNS = [
  'id',
  'name',
  'from',
  'end',
  'part',
  'loads',
  'length_m',
  'size',
  'conductor',
  'insulation_c',
  'ambient_c',
  'bundled',
  'engine',
  'return',
  'chassis_mohm',
  'joints',
  'joint_mohm',
  'protection',
  'rating_a',
  'interrupt_a',
  'fuse_at_m',
  'sheathed',
  'isolator',
  'socket_a',
  'unkeyed',
] as const;

type Column = (typeof RUN_COLUMNS)[number];
export type RunCsvRow = Readonly<Partial<Record<string, string>>>;

export interface RunCsvFault {
  readonly line: number;
  readonly column: Column;
  readonly expected: string;
  readonly found: string;
}

export function runToCsv(run: Run): Record<Column, string> {
  const said = (value: number | string | boolean | null): string => (value === null ? '' : String(value));
  return {
    id: run.id,
    name: run.name,
    from: said(run.from),
    end: run.end,
    part: said(run.part),
    loads: run.loads.join(' '),
    length_m: said(run.lengthM),
    size: run.areaMm2 === null ? '' : sizeTyped({ ...run, areaMm2: run.areaMm2 }),
    conductor: run.conductor,
    insulation_c: said(run.insulationC),
    ambient_c: said(run.ambientC),
    bundled: said(run.bundled),
    engine: said(run.engine),
    return: run.return,
    chassis_mohm: said(run.chassisMohm),
    joints: said(run.joints),
    joint_mohm: said(run.jointMohm),
    protection: run.protection,
    rating_a: said(run.ratingA),
    interrupt_a: said(run.interruptA),
    fuse_at_m: said(run.fuseAtM),
    sheathed: said(run.sheathed),
    isolator: said(run.isolator),
    socket_a: said(run.socketA),
    unkeyed: said(run.unkeyed),
  };
}

/** Of each number what a job file takes, from and to, and whether it is whole. */
const RANGES: Readonly<Partial<Record<Column, readonly [from: number, to: number, whole?: true]>>> = {
  length_m: [0.05, 100],
  insulation_c: [60, 250],
  ambient_c: [-40, 100],
  bundled: [1, 24, true],
  chassis_mohm: [0, 500],
  joints: [0, 60, true],
  joint_mohm: [0, 100],
  rating_a: [0.5, 1000],
  interrupt_a: [50, 200_000],
  fuse_at_m: [0, 50],
  socket_a: [0.5, 400],
};

const ID = new RegExp(ID_PATTERN);

/** Rows made into runs, with every fault of every row; where they begin and end is left to whoever checks the job. */
export function runsFromCsv(rows: readonly RunCsvRow[]): { readonly runs: Run[]; readonly faults: RunCsvFault[] } {
  const faults: RunCsvFault[] = [];
  const runs = rows.map((row, i): Run => {
    const cell = (column: Column): string => (row[column] ?? '').trim();
    const bad = (column: Column, expected: string): void => {
      faults.push({ line: i + 2, column, expected, found: cell(column) });
    };
    const number = (column: Column, fallback: number | null): number | null => {
      if (cell(column) === '') return fallback;
      const value = Number(cell(column).replace(',', '.'));
      const [from, to, whole] = RANGES[column] ?? [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
      if (value >= from && value <= to && (!whole || Number.isInteger(value))) return value;
      bad(column, `a ${whole ? 'whole ' : ''}number from ${from} to ${to}, or nothing for the usual`);
      return fallback;
    };
    const oneOf = <const T extends readonly string[]>(column: Column, values: T, fallback: T[number]): T[number] => {
      const found = cell(column).toLowerCase();
      if (found === '') return fallback;
      if (values.includes(found)) return found;
      bad(column, `one of ${values.join(', ')}`);
      return fallback;
    };
    const yes = (column: Column): boolean =>
      oneOf(column, ['true', 'false', 'yes', 'no'] as const, 'false').match(/true|yes/) !== null;
    const blank = blankRun(cell('id'), cell('name'), cell('from') || null, oneOf('end', RUN_ENDS, 'busbar'));
    if (!ID.test(blank.id)) bad('id', 'an id of small letters, digits and hyphens');
    if (blank.name === '' || blank.name.length > 60) bad('name', 'what the run is called, in at most 60 letters');
    const size = cell('size') === '' ? null : readCableSize(cell('size'));
    if (size?.kind === 'problem') bad('size', size.problem);
    if (size?.kind === 'ask') bad('size', `its unit: ${size.choices.map(({ label }) => label).join(', or ')}`);
    const known = size?.kind === 'size' ? size.size : null;
    return {
      ...blank,
      part: cell('part') || null,
      loads: cell('loads')
        .split(/[\s;]+/)
        .filter(Boolean),
      lengthM: number('length_m', null),
      areaMm2: known?.areaMm2 ?? null,
      parallel: known?.parallel ?? 1,
      conductor: oneOf('conductor', CONDUCTOR_KINDS, known?.conductor ?? 'flexible'),
      insulationC: number('insulation_c', blank.insulationC) ?? blank.insulationC,
      ambientC: number('ambient_c', null),
      bundled: number('bundled', blank.bundled) ?? blank.bundled,
      engine: yes('engine'),
      return: oneOf('return', ['conductor', 'chassis'] as const, 'conductor'),
      chassisMohm: number('chassis_mohm', null),
      joints: number('joints', blank.joints) ?? blank.joints,
      jointMohm: number('joint_mohm', null),
      protection: oneOf('protection', PROTECTIONS, 'as-needed'),
      ratingA: number('rating_a', null),
      interruptA: number('interrupt_a', null),
      fuseAtM: number('fuse_at_m', null),
      sheathed: yes('sheathed'),
      isolator: yes('isolator'),
      socketA: number('socket_a', null),
      unkeyed: yes('unkeyed'),
    };
  });
  return { runs, faults };
}
