import { runningPowerW } from '../job/draw.ts';
import { freeId } from '../job/ids.ts';
import { overlappingUse } from '../job/overlap.ts';
import { plainLoad } from '../job/plainLoad.ts';
import type { Draw, Load, Use } from '../job/schema.ts';
import { DAY_KINDS, EVIDENCE, INSULATION, PATHS } from '../job/values.ts';
import { readNumber } from '../reading/numeral.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { spreadUses } from './uses.ts';

/**
 * Loads as rows of a table and back: docs/loads-csv.md explains the columns. A row needs a name and watts; what
 * it leaves out is as usual. Every fault of every row is reported, with its row and column.
 */

export const CSV_COLUMNS = [
  'name',
  'type',
  'room',
  'circuit',
  'quantity',
  'kind',
  'power_w',
  'hours',
  'days_per_week',
  'uses',
  'other_days',
  'movable',
  'phases',
  'duty_percent',
  'duty_at_c',
  'set_c',
  'details',
  'path',
  'converter_percent',
  'residue_w',
  'min_v',
  'max_v',
  'evidence',
  'start_ratio',
  'start_seconds',
  'soft_start',
  'power_factor',
  'critical',
  'sensitive',
  'charges_store',
] as const;

export type CsvColumn = (typeof CSV_COLUMNS)[number];
export type CsvRow = Readonly<Partial<Record<CsvColumn, string>>>;

export interface CsvFault {
  /** Line of the file, the head being 1. */
  readonly line: number;
  readonly column: string;
  readonly expected: string;
  readonly found: string;
}

/** Of a duty that is the same in any weather. */
const AS_IT_IS = 'any';
const KINDS = ['steady', 'cycle', 'thermostatic', 'standby', 'water-heating', 'room'] as const;
/** Figures of hot water and rooms, each with its range; they share one column as name=value. */
const DETAILS = {
  'water-heating': { litres: [0, 1000], riseK: [0, 95], efficiency: [0.2, 1], standingW: [0, 500] },
  room: {
    capacityW: [50, 30_000],
    cop: [0.5, 8],
    setC: [-5, 40],
    volumeM3: [0.5, 200],
    glazingM2: [0, 30],
    internalW: [0, 5000],
  },
} as const satisfies Record<string, Record<string, readonly [number, number]>>;
const two = (n: number): string => String(n).padStart(2, '0');
const trim = (n: number): string => String(Math.round(n * 1e6) / 1e6);

/** "06:40+4": from 06:40 for 4 minutes; seconds of a start are kept as a decimal minute. */
const writeUse = ({ startMin, minutes }: Use): string => {
  const whole = Math.floor(startMin);
  const part = trim(startMin - whole).slice(1);
  return `${two(Math.floor(whole / 60))}:${two(whole % 60)}${part}+${trim(minutes)}`;
};

export function loadToRow(load: Load): Record<CsvColumn, string> {
  const { draw } = load;
  const thermostatic = draw.kind === 'thermostatic' ? draw : null;
  return {
    name: load.name,
    type: load.type,
    room: load.room,
    circuit: load.circuit,
    quantity: String(load.quantity),
    kind: draw.kind,
    power_w: draw.kind === 'cycle' ? '' : trim(runningPowerW(draw)),
    hours: trim(load.uses.reduce((sum, use) => sum + use.minutes, 0) / 60),
    days_per_week: trim(load.daysPerWeek),
    uses: load.uses.map(writeUse).join('; '),
    other_days: load.variants.map(({ on, uses }) => `${on} ${uses.map(writeUse).join(' ') || 'off'}`).join('; '),
    movable: yesNo(load.movable),
    phases: draw.kind === 'cycle' ? draw.phases.map(writePhase).join('; ') : '',
    duty_percent: thermostatic ? trim(thermostatic.duty * 100) : '',
    duty_at_c: thermostatic ? (thermostatic.dutyAtC === null ? AS_IT_IS : trim(thermostatic.dutyAtC)) : '',
    set_c: thermostatic ? trim(thermostatic.setC) : '',
    details: writeDetails(draw),
    path: load.path,
    converter_percent: load.converterEfficiency === null ? '' : trim(load.converterEfficiency * 100),
    residue_w: trim(load.residueW),
    min_v: load.minV === null ? '' : trim(load.minV),
    max_v: load.maxV === null ? '' : trim(load.maxV),
    evidence: load.evidence,
    start_ratio: trim(load.startRatio),
    start_seconds: load.startSeconds === null ? '' : trim(load.startSeconds),
    soft_start: yesNo(load.softStart),
    power_factor: trim(load.powerFactor),
    critical: yesNo(load.critical),
    sensitive: yesNo(load.sensitive),
    charges_store: yesNo(load.chargesStore),
  };
}

type Phase = Extract<Draw, { kind: 'cycle' }>['phases'][number];

const yesNo = (value: boolean): string => (value ? 'yes' : 'no');

const writePhase = ({ label, powerW, minutes, startRatio }: Phase): string =>
  [
    label,
    trim(powerW),
    minutes === null ? '*' : trim(minutes),
    ...(startRatio === null ? [] : [trim(startRatio)]),
  ].join('|');

function writeDetails(draw: Draw): string {
  if (draw.kind !== 'water-heating' && draw.kind !== 'room') return '';
  const rest = Object.entries(draw).filter(([key]) => key !== 'kind' && key !== 'powerW');
  return rest.map(([key, value]) => `${key}=${typeof value === 'number' ? trim(value) : value}`).join('; ');
}

/** Reads one row at a time and collects what is wrong with it. */
class RowReader {
  readonly faults: CsvFault[] = [];
  readonly #row: CsvRow;
  readonly #line: number;

  constructor(row: CsvRow, line: number) {
    this.#row = row;
    this.#line = line;
  }

  text(column: CsvColumn): string {
    return (this.#row[column] ?? '').trim();
  }

  yes(column: CsvColumn): boolean {
    return this.oneOf(column, ['yes', 'no'], 'no') === 'yes';
  }

  /** Text of a bounded length without control characters. */
  words(column: CsvColumn, maxLength: number): string {
    const text = this.text(column);
    if (text.length > maxLength || /[\p{Cc}\p{Cs}]/u.test(text)) this.fault(column, `at most ${maxLength} characters`);
    return text.slice(0, maxLength);
  }

  fault(column: CsvColumn, expected: string): void {
    this.faults.push({ line: this.#line, column, expected, found: this.text(column) });
  }

  /** A number within its range, or `usual` when the cell is empty; `usual` null means it must be there. */
  number(column: CsvColumn, min: number, max: number, usual: number | null): number {
    const text = this.text(column);
    if (text === '' && usual !== null) return usual;
    const value = /^-?\d/.test(text) ? readNumber(text.replace('-', '')) * (text.startsWith('-') ? -1 : 1) : Number.NaN;
    if (value >= min && value <= max) return value;
    this.fault(column, `a number from ${min} to ${max}`);
    return usual ?? min;
  }

  oneOf<T extends string>(column: CsvColumn, values: readonly T[], usual: T): T {
    const text = this.text(column).toLowerCase();
    if (text === '') return usual;
    const found = values.find((value) => value === text);
    if (!found) this.fault(column, `one of ${values.join(', ')}`);
    return found ?? usual;
  }
}

/** Rows of a table that are read; a job holds fewer loads, and whoever has more chooses among them. */
export const MOST_ROWS = 5000;

export interface CsvLoads {
  readonly loads: readonly Load[];
  readonly faults: readonly CsvFault[];
}

/** Every good row as a load, and every fault of the others; ids are made from the names. */
export function loadsFromRows(rows: readonly CsvRow[], taken: Iterable<string>): CsvLoads {
  const ids = new Set(taken);
  const loads: Load[] = [];
  const faults: CsvFault[] = [];
  rows.forEach((row, i) => {
    const reader = new RowReader(asNamedNow(row), i + 2);
    const load = readRow(reader, ids);
    if (reader.faults.length > 0) faults.push(...reader.faults);
    else {
      ids.add(load.id);
      loads.push(load);
    }
  });
  return { loads, faults };
}

/** Columns that had another name, so that older files are read too. */
export const FORMER_COLUMNS: Readonly<Partial<Record<CsvColumn, string>>> = { uses: 'runs' };

function asNamedNow(row: CsvRow): CsvRow {
  const named: Record<string, string | undefined> = { ...row };
  for (const [column, former] of Object.entries(FORMER_COLUMNS)) named[column] ??= named[former];
  return named;
}

function readRow(reader: RowReader, ids: ReadonlySet<string>): Load {
  const name = reader.text('name');
  if (name === '' || name.length > 120 || /[\p{Cc}\p{Cs}]/u.test(name))
    reader.fault('name', 'a name of 1 to 120 characters');
  const quantity = reader.number('quantity', 1, 99, 1);
  if (!Number.isInteger(quantity)) reader.fault('quantity', 'a whole number');
  const draw = readDraw(reader);
  const converter = reader.number('converter_percent', 30, 100, 0);
  const volts = (column: 'min_v' | 'max_v') => reader.number(column, 1, 500, 0) || null;
  return {
    ...plainLoad(freeId(name, ids)),
    name,
    type: reader.words('type', 40),
    room: reader.words('room', 40),
    circuit: reader.words('circuit', 40),
    quantity,
    draw,
    uses: readUses(reader, draw),
    variants: readVariants(reader, draw),
    daysPerWeek: reader.number('days_per_week', 0.1, 7, 7),
    movable: reader.yes('movable'),
    path: reader.oneOf('path', PATHS, 'direct'),
    converterEfficiency: converter === 0 ? null : converter / 100,
    residueW: reader.number('residue_w', 0, 2000, 0),
    minV: volts('min_v'),
    maxV: volts('max_v'),
    evidence: reader.oneOf('evidence', EVIDENCE, 'guess'),
    startRatio: reader.number('start_ratio', 1, 12, 1),
    startSeconds: reader.text('start_seconds') === '' ? null : reader.number('start_seconds', 0.01, 600, 1),
    softStart: reader.yes('soft_start'),
    powerFactor: reader.number('power_factor', 0.1, 1, 1),
    critical: reader.yes('critical'),
    sensitive: reader.yes('sensitive'),
    chargesStore: reader.yes('charges_store'),
  };
}

function readDraw(reader: RowReader): Draw {
  const kind = reader.oneOf('kind', KINDS, reader.text('phases') ? 'cycle' : 'steady');
  if (kind === 'cycle') return { kind, phases: readPhases(reader) };
  if (kind === 'room') {
    const mode = readWord(reader, 'mode', ['cooling', 'heating']);
    return { kind, mode, insulation: readWord(reader, 'insulation', INSULATION), ...readDetails(reader, DETAILS.room) };
  }
  const powerW = reader.number('power_w', 0, 20_000, null);
  if (kind === 'water-heating') return { kind, powerW, ...readDetails(reader, DETAILS[kind]) };
  if (kind !== 'thermostatic') return { kind, powerW };
  const duty = reader.number('duty_percent', 0, 100, null) / 100;
  const setC = reader.number('set_c', -40, 20, 4);
  const isAsItIs = reader.text('duty_at_c') === AS_IT_IS;
  const dutyAtC = isAsItIs ? null : reader.number('duty_at_c', -20, 60, DEFAULT.fridgeReferenceAmbientC.value);
  if (dutyAtC !== null && dutyAtC < setC + 1) reader.fault('duty_at_c', `at least 1 more than set_c, or ${AS_IT_IS}`);
  return { kind, runningW: powerW, duty, dutyAtC, setC };
}

const detail = (reader: RowReader, key: string): string =>
  new RegExp(`(?:^|;)\\s*${key}\\s*=\\s*([^;]*)`).exec(reader.text('details'))?.[1]?.trim() ?? '';

function readDetails<K extends string>(
  reader: RowReader,
  ranges: Readonly<Record<K, readonly [number, number]>>,
): Record<K, number> {
  const read = Object.entries<readonly [number, number]>(ranges).map(([key, [min, max]]) => {
    const text = detail(reader, key);
    const value = text === '' ? Number.NaN : Number(text);
    if (!(value >= min && value <= max)) reader.fault('details', `${key}=… from ${min} to ${max}`);
    return [key, value];
  });
  return Object.fromEntries(read);
}

function readWord<const T extends string>(reader: RowReader, key: string, values: readonly [T, ...T[]]): T {
  const text = detail(reader, key);
  const found = values.find((value) => value === text);
  if (!found) reader.fault('details', `${key}=… one of ${values.join(', ')}`);
  return found ?? values[0];
}

function readPhases(reader: RowReader): Phase[] {
  const parts = reader
    .text('phases')
    .split(';')
    .map((part) => part.trim())
    .filter(Boolean);
  const phases = parts.map((part) => {
    const [label = '', watts = '', minutes = '', start = ''] = part.split('|').map((piece) => piece.trim());
    return {
      label: label.slice(0, 40),
      powerW: readNumber(watts),
      minutes: minutes === '*' ? null : readNumber(minutes),
      startRatio: start === '' ? null : readNumber(start),
    };
  });
  const good = phases.every(
    ({ powerW, minutes, startRatio }) =>
      powerW >= 0 &&
      powerW <= 20_000 &&
      (minutes === null || (minutes >= 0.01 && minutes <= 1440)) &&
      (startRatio === null || (startRatio >= 1 && startRatio <= 12)),
  );
  const fillers = phases.filter(({ minutes }) => minutes === null).length;
  if (phases.length === 0 || phases.length > 12 || !good || fillers > 1) {
    reader.fault(
      'phases',
      'phases such as "heat|2000|15|1; spin|400|8", each with its W, its min or one * for the rest, and if it has one its own start',
    );
    return [{ label: '', powerW: 0, minutes: null, startRatio: null }];
  }
  return phases;
}

function readUses(reader: RowReader, draw: Draw): Use[] {
  if (draw.kind === 'standby' || draw.kind === 'thermostatic') return [{ startMin: 0, minutes: 1440 }];
  const fixedMin = draw.kind === 'cycle' ? draw.phases.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0) : 0;
  const stretches = draw.kind !== 'cycle' || draw.phases.some(({ minutes }) => minutes === null);
  const text = reader.text('uses');
  if (text === '') {
    const minutes = stretches ? reader.number('hours', 0, 24, 1) * 60 : fixedMin;
    if (minutes === 0) return [];
    return spreadUses(1, Math.max(minutes, fixedMin));
  }
  return readUseList(reader, 'uses', text.split(';'), draw);
}

/** Runs of one day, which must fit the phases and not overlap. */
function readUseList(reader: RowReader, column: CsvColumn, parts: readonly string[], draw: Draw): Use[] {
  const fixedMin = draw.kind === 'cycle' ? draw.phases.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0) : 0;
  const stretches = draw.kind !== 'cycle' || draw.phases.some(({ minutes }) => minutes === null);
  const uses = parts.map((part): Use | null => {
    const match = /^(\d{1,2}):(\d{2})(\.\d+)?\s*\+\s*(\d+(?:\.\d+)?)$/.exec(part.trim());
    if (!match) return null;
    const startMin = Number(match[1]) * 60 + Number(match[2]) + Number(match[3] ?? 0);
    return { startMin, minutes: Number(match[4]) };
  });
  const good = uses.filter(
    (use): use is Use => use !== null && use.startMin < 1440 && use.minutes > 0 && use.minutes <= 1440,
  );
  if (good.length < uses.length) reader.fault(column, 'uses such as "06:40+4; 18:50+4": start + minutes');
  else if (overlappingUse(good)) reader.fault(column, 'uses that do not overlap');
  else if (good.some(({ minutes }) => (stretches ? minutes < fixedMin - 1e-6 : Math.abs(minutes - fixedMin) > 1e-6))) {
    reader.fault(column, `uses ${stretches ? 'of at least' : 'of'} ${trim(fixedMin)} min, the length of its phases`);
  }
  return good;
}

/** "weekend 09:00+60 20:00+30; winter off": the kind of day, then its uses. */
function readVariants(reader: RowReader, draw: Draw): Load['variants'] {
  const parts = reader
    .text('other_days')
    .split(';')
    .map((part) => part.trim().split(/\s+/))
    .filter(([on]) => on !== '');
  const variants = parts.map(([word = '', ...uses]) => {
    const on = DAY_KINDS.find((kind) => kind === word.toLowerCase());
    if (!on || uses.length === 0) reader.fault('other_days', `a kind of day (${DAY_KINDS.join(', ')}) and its uses`);
    const off = uses.length === 1 && uses[0]?.toLowerCase() === 'off';
    return { on: on ?? 'weekend', uses: off ? [] : readUseList(reader, 'other_days', uses, draw) };
  });
  if (new Set(variants.map(({ on }) => on)).size < variants.length)
    reader.fault('other_days', 'each kind of day only once');
  return variants;
}
