import type {
  FirmAppliance,
  HourlyYear,
  InstrumentFault,
  InstrumentKind,
  Job,
  JobSummary,
  Log,
  LogReading,
  LogReport,
  Part,
} from '@joulemetric/core';

/**
 * What the server answers, and how it is told from what anybody else answers: a guest network says 200 to everything.
 * Nothing that waits is let go before the answer to it has passed its check here.
 */

export interface JobListing {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly title: string;
  readonly client: string;
  readonly vehicle: string;
  readonly loads: number;
  /** Null while it is being calculated; empty when it could not be. */
  readonly summary: Partial<JobSummary> | null;
}

/** What a save comes to. */
export interface SavedJob {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
}

export interface StoredJob extends SavedJob {
  readonly job: Job;
}

/** An appliance of the firm's own catalogue. */
export interface StoredAppliance {
  readonly id: string;
  readonly version: number;
  readonly appliance: FirmAppliance;
}

/** A part of the firm's own list. */
export interface StoredPart {
  readonly id: string;
  readonly version: number;
  readonly part: Part;
}

/** A log as a list has it. */
export interface StoredLog {
  readonly id: string;
  readonly jobId: string | null;
  readonly version: number;
  /** Grows with every change of the readings. */
  readonly readings: number;
  readonly log: Log;
  readonly updatedAt: string;
}

/** A reading that was entered by hand; `t` in ms since 1970, or since the log's beginning. */
export interface StoredEntry {
  readonly id: string;
  readonly t: number;
  readonly entry: LogReading;
}

export interface OpenLog extends StoredLog {
  readonly entries: readonly StoredEntry[];
  /** Readings of meters, and between when. */
  readonly rows: number;
  readonly fromT: number | null;
  readonly toT: number | null;
}

export interface ChartPoint {
  readonly t: number;
  readonly least: number;
  readonly most: number;
  readonly mean: number;
}

export interface LogInstrument {
  readonly id: string;
  readonly version: number;
  readonly kind: InstrumentKind;
  readonly everyS: number;
  readonly speed: number;
  readonly faults: readonly InstrumentFault[];
  readonly zeroed: boolean;
  readonly startedMs: number;
  readonly stored: number;
  readonly stopped: boolean;
}

/** A place of the gazetteer. */
export interface FoundPlace {
  readonly id: number;
  readonly name: string;
  readonly country: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

export interface StoredPhoto {
  readonly id: string;
}

/** Whether an answer has the shape of one. */
export type Check<T> = (answer: unknown) => answer is T;

type Field = (value: unknown) => boolean;

const isText: Field = (value) => typeof value === 'string';
const isNumber: Field = (value) => typeof value === 'number' && Number.isFinite(value);
const isYesOrNo: Field = (value) => typeof value === 'boolean';
const isObject: Field = (value) => typeof value === 'object' && value !== null && !Array.isArray(value);
const isList: Field = Array.isArray;
const orNull =
  (field: Field): Field =>
  (value) =>
    value === null || field(value);

const shape =
  <T>(fields: Readonly<Record<string, Field>>): Check<T> =>
  (answer): answer is T =>
    isObject(answer) && Object.entries(fields).every(([key, field]) => field((answer as Record<string, unknown>)[key]));

export const listOf =
  <T>(check: Check<T>): Check<T[]> =>
  (answer): answer is T[] =>
    Array.isArray(answer) && answer.every(check);

/** The same check of an answer that must be about a certain thing. */
export const ofId =
  <T extends { readonly id: unknown }>(id: string, check: Check<T>): Check<T> =>
  (answer): answer is T =>
    check(answer) && String(answer.id).toLowerCase() === id.toLowerCase();

/** The entries of a log, among them all that were sent. */
export const entriesWith =
  (ids: readonly string[]): Check<StoredEntry[]> =>
  (answer): answer is StoredEntry[] => {
    if (!listOf(isEntry)(answer)) return false;
    const there = new Set(answer.map(({ id }) => id.toLowerCase()));
    return ids.every((id) => there.has(id.toLowerCase()));
  };

const VERSIONED = { id: isText, version: isNumber };
const LOG = { ...VERSIONED, jobId: orNull(isText), readings: isNumber, log: isObject, updatedAt: isText };

export const isListing = shape<JobListing>({ ...VERSIONED, updatedAt: isText, title: isText, loads: isNumber });
export const isSaved = shape<SavedJob>({ ...VERSIONED, updatedAt: isText });
export const isStoredJob = shape<StoredJob>({
  ...VERSIONED,
  updatedAt: isText,
  job: (job) => isObject(job) && isNumber((job as Record<string, unknown>).schemaVersion),
});
export const isStoredAppliance = shape<StoredAppliance>({ ...VERSIONED, appliance: isObject });
export const isStoredPart = shape<StoredPart>({ ...VERSIONED, part: isObject });
export const isStoredLog = shape<StoredLog>(LOG);
export const isOpenLog = shape<OpenLog>({ ...LOG, entries: isList, rows: isNumber });
const isEntry = shape<StoredEntry>({ id: isText, t: isNumber, entry: isObject });
export const isPhoto = shape<StoredPhoto>({ id: isText });
export const isPlace = shape<FoundPlace>({ id: isNumber, name: isText, latitudeDeg: isNumber, longitudeDeg: isNumber });
export const isReport = shape<LogReport>({ energy: isObject, caveats: isList, notes: isList, contradictions: isList });
export const isChartPoint = shape<ChartPoint>({ t: isNumber, least: isNumber, most: isNumber, mean: isNumber });
export const isInstrument = shape<LogInstrument>({ ...VERSIONED, kind: isText, faults: isList, stopped: isYesOrNo });
export const isHourlyYear = shape<HourlyYear>({ latitudeDeg: isNumber, ghiWh: isList, tempC: isList });
