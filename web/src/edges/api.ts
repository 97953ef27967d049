import {
  type FirmAppliance,
  type HourlyYear,
  type InstrumentFault,
  type InstrumentKind,
  type Job,
  type JobSummary,
  type Log,
  type LogReading,
  type LogReport,
  type Part,
  type Quantity,
  SCHEMA_VERSION,
  type Truth,
} from '@joulemetric/core';

/** The one place that talks to the server. */

export interface JobListing {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly title: string;
  readonly client: string;
  readonly vehicle: string;
  readonly loads: number;
  /** Null while it is being reckoned; empty when it could not be. */
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
  readonly appliance: FirmAppliance;
}

/** A part of the firm's own list. */
export interface StoredPart {
  readonly id: string;
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

/** A reading that was put down by hand; `t` in ms since 1970, or since the log's beginning. */
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

interface ProblemBody {
  readonly code: string;
  readonly title: string;
  readonly detail: string;
  readonly status?: number;
  readonly faults?: readonly { readonly path: string; readonly expected: string; readonly found?: string }[];
  readonly current?: StoredJob;
}

/** Answers after which the same request may be sent again: too slow, too many, or a fault of the server's. */
const AGAIN = new Set([408, 429]);

/** The server's refusal, or no answer at all (`unreachable`). */
export class ApiError extends Error {
  readonly problem: ProblemBody;

  constructor(problem: ProblemBody) {
    super(problem.detail || problem.title);
    this.problem = problem;
  }

  /** No signal, no server, no database, or a fault that may pass: the same edit is sent again later. */
  get isTemporary(): boolean {
    const { code, status = 0 } = this.problem;
    return code === 'unreachable' || status >= 500 || AGAIN.has(status);
  }
}

const UNREACHABLE: ProblemBody = {
  code: 'unreachable',
  title: 'No connection',
  detail: 'The server does not answer. Check that it runs and that there is a signal.',
};
/** ms after which no answer is waited for; photos take longer on a weak signal. */
const ANSWER_MS = 20_000;
const PHOTO_MS = 120_000;

/**
 * One request. Whatever is not this server's own JSON counts as no answer: the sign-in page of a guest network, a
 * redirect to elsewhere, an answer that breaks off.
 */
async function call<T>(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<T> {
  const isBlob = body instanceof Blob;
  const type: Record<string, string> =
    body === undefined ? {} : { 'Content-Type': isBlob ? body.type : 'application/json' };
  try {
    const response = await fetch(`/api${path}`, {
      method,
      headers: { ...type, ...headers },
      body: body === undefined || isBlob ? body : JSON.stringify(body),
      redirect: 'error',
      signal: AbortSignal.timeout(isBlob ? PHOTO_MS : ANSWER_MS),
    });
    if (response.status === 204) return undefined as T;
    if (!/\bjson\b/.test(response.headers.get('Content-Type') ?? '')) throw new ApiError(UNREACHABLE);
    const answer = await response.json();
    if (response.ok) return answer as T;
    throw new ApiError(isProblem(answer) ? { ...answer, status: response.status } : UNREACHABLE);
  } catch (error) {
    throw error instanceof ApiError ? error : new ApiError(UNREACHABLE);
  }
}

const isProblem = (answer: unknown): answer is ProblemBody =>
  typeof answer === 'object' && answer !== null && typeof (answer as { code?: unknown }).code === 'string';

/** What a save comes to; anything else that says it is JSON was not the server's. */
function counted(saved: SavedJob): SavedJob {
  if (typeof saved?.version !== 'number') throw new ApiError(UNREACHABLE);
  return saved;
}

/** A stored job that this program can show; one of a newer program says so instead of being misread. */
function readable(stored: StoredJob): StoredJob {
  if (typeof stored?.version !== 'number' || typeof stored.job !== 'object') throw new ApiError(UNREACHABLE);
  if (stored.job.schemaVersion <= SCHEMA_VERSION) return stored;
  throw new ApiError({
    code: 'newer-job',
    title: 'Written by a newer Joulemetric',
    detail:
      'This job was saved by a newer Joulemetric. Load the page again; if that does not help, update the program.',
  });
}

const encode = encodeURIComponent;

export const api = {
  listJobs: () => call<JobListing[]>('GET', '/jobs'),
  readJob: (id: string) => call<StoredJob>('GET', `/jobs/${encode(id)}`).then(readable),
  /** Makes the job once: sent again under the same id, it answers the job that was made. */
  createJob: (id: string, job: unknown) =>
    call<StoredJob>('PUT', `/jobs/${encode(id)}`, job, { 'If-None-Match': '*' }).then(readable),
  saveJob: (id: string, seenVersion: number, job: Job) =>
    call<SavedJob>('PUT', `/jobs/${encode(id)}`, job, { 'If-Match': `"${seenVersion}"` }).then(counted),
  addPhoto: (jobId: string, photo: Blob) => call<{ id: string }>('POST', `/jobs/${encode(jobId)}/photos`, photo),
  photoUrl: (jobId: string, id: string) => `/api/jobs/${encode(jobId)}/photos/${encode(id)}`,
  listAppliances: () => call<StoredAppliance[]>('GET', '/catalogue'),
  addAppliance: (appliance: FirmAppliance) => call<StoredAppliance>('POST', '/catalogue', appliance),
  replaceAppliance: (id: string, appliance: FirmAppliance) =>
    call<StoredAppliance>('PUT', `/catalogue/${encode(id)}`, appliance),
  removeAppliance: (id: string) => call<void>('DELETE', `/catalogue/${encode(id)}`),
  listParts: () => call<StoredPart[]>('GET', '/parts'),
  addPart: (part: Part) => call<StoredPart>('POST', '/parts', part),
  replacePart: (id: string, part: Part) => call<StoredPart>('PUT', `/parts/${encode(id)}`, part),
  removePart: (id: string) => call<void>('DELETE', `/parts/${encode(id)}`),
  findPlaces: (text: string) => call<FoundPlace[]>('GET', `/places?q=${encode(text)}`),
  listLogs: (jobId: string | null) => call<StoredLog[]>('GET', `/logs?job=${encode(jobId ?? 'none')}`),
  readLog: (id: string) => call<OpenLog>('GET', `/logs/${encode(id)}`),
  addLog: (id: string, jobId: string | null, log: Log) => call<StoredLog>('POST', '/logs', { id, jobId, log }),
  saveLog: ({ id, version, jobId }: StoredLog, log: Log) =>
    call<StoredLog>('PUT', `/logs/${encode(id)}`, { jobId, log }, { 'If-Match': `"${version}"` }),
  removeLog: (id: string) => call<void>('DELETE', `/logs/${encode(id)}`),
  addReadings: (logId: string, readings: readonly (LogReading & { id: string })[]) =>
    call<StoredEntry[]>('POST', `/logs/${encode(logId)}/entries`, readings),
  removeReading: (logId: string, id: string) => call<void>('DELETE', `/logs/${encode(logId)}/entries/${encode(id)}`),
  readReport: (id: string) => call<LogReport>('GET', `/logs/${encode(id)}/report`),
  readChart: (id: string, of: Quantity, from: number, to: number, points: number) =>
    call<ChartPoint[]>('GET', `/logs/${encode(id)}/chart?of=${of}&from=${from}&to=${to}&points=${points}`),
  listInstruments: (id: string) => call<LogInstrument[]>('GET', `/logs/${encode(id)}/instruments`),
  addInstrument: (
    id: string,
    instrument: { kind: InstrumentKind; everyS: number; speed: number; seed: number; truth: Truth },
  ) => call<LogInstrument>('POST', `/logs/${encode(id)}/instruments`, instrument),
  changeInstrument: (
    id: string,
    instrument: string,
    change: { faults?: readonly InstrumentFault[]; zeroed?: boolean; stopped?: boolean },
  ) => call<LogInstrument>('PATCH', `/logs/${encode(id)}/instruments/${encode(instrument)}`, change),
  logUrl: (id: string, what: 'live' | 'file' | 'readings.csv') => `/api/logs/${encode(id)}/${what}`,
  readWeather: (jobId: string) => call<HourlyYear>('GET', `/jobs/${encode(jobId)}/weather`),
  keepWeather: (jobId: string, year: HourlyYear) => call<void>('PUT', `/jobs/${encode(jobId)}/weather`, year),
  deleteJob: (id: string) => call<void>('DELETE', `/jobs/${encode(id)}`),
};
