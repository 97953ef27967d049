import {
  type FirmAppliance,
  type HourlyYear,
  type InstrumentFault,
  type InstrumentKind,
  type Job,
  type Log,
  type LogReading,
  type Part,
  type Quantity,
  SCHEMA_VERSION,
  type Truth,
} from '@joulemetric/core';
import {
  type Check,
  entriesWith,
  isChartPoint,
  isHourlyYear,
  isInstrument,
  isListing,
  isOpenLog,
  isPhoto,
  isPlace,
  isReport,
  isSaved,
  isStoredAppliance,
  isStoredJob,
  isStoredLog,
  isStoredPart,
  listOf,
  ofId,
  type SavedJob,
  type StoredJob,
  type StoredLog,
} from './answers.ts';

/** The one place that talks to the server. */

interface ProblemBody {
  readonly code: string;
  readonly title: string;
  readonly detail: string;
  readonly status?: number;
  readonly faults?: readonly { readonly path: string; readonly expected: string; readonly found?: string }[];
  /** What is there now, where somebody else has changed it. */
  readonly current?: unknown;
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

/** Somebody else has changed the same thing since it was seen. */
export const isConflict = (error: unknown): boolean =>
  error instanceof ApiError && error.problem.code === 'version-conflict';

const UNREACHABLE: ProblemBody = {
  code: 'unreachable',
  title: 'No connection',
  detail: 'The server does not answer. Check that it runs and that there is a signal.',
};
/** ms after which no answer is waited for; photos take longer on a weak signal. */
const ANSWER_MS = 20_000;
const PHOTO_MS = 120_000;

/** An answer without words says whose it is by this. */
const OURS = 'X-Joulemetric';

interface Asked {
  readonly body?: unknown;
  readonly headers?: Record<string, string>;
}

/**
 * One request, and its answer as it came. Whatever is not this server's own JSON counts as no answer: the sign-in page
 * of a guest network, a redirect to elsewhere, an answer that breaks off.
 */
async function ask(method: string, path: string, { body, headers = {} }: Asked): Promise<unknown> {
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
    if (response.status === 204 && response.headers.has(OURS)) return NOTHING;
    if (!/\bjson\b/.test(response.headers.get('Content-Type') ?? '')) throw new ApiError(UNREACHABLE);
    const answer = await response.json();
    if (response.ok) return answer;
    throw new ApiError(isProblem(answer) ? { ...answer, status: response.status } : UNREACHABLE);
  } catch (error) {
    throw error instanceof ApiError ? error : new ApiError(UNREACHABLE);
  }
}

const NOTHING = Symbol('an answer of ours without words');

/** A request whose answer has a shape; one of another shape was not the server's, and the same is sent again. */
async function call<T>(check: Check<T>, method: string, path: string, asked: Asked = {}): Promise<T> {
  const answer = await ask(method, path, asked);
  if (!check(answer)) throw new ApiError(UNREACHABLE);
  return answer;
}

/** A request that is answered without words. */
async function tell(method: string, path: string, asked: Asked = {}): Promise<void> {
  if ((await ask(method, path, asked)) !== NOTHING) throw new ApiError(UNREACHABLE);
}

const isProblem = (answer: unknown): answer is ProblemBody =>
  typeof answer === 'object' && answer !== null && typeof (answer as { code?: unknown }).code === 'string';

/** A stored job that this program can show; one of a newer program says so instead of being misread. */
function readable(stored: StoredJob): StoredJob {
  if (stored.job.schemaVersion <= SCHEMA_VERSION) return stored;
  throw new ApiError({
    code: 'newer-job',
    title: 'Written by a newer Joulemetric',
    detail:
      'This job was saved by a newer Joulemetric. Load the page again; if that does not help, update the program.',
  });
}

const MAKE = { 'If-None-Match': '*' };
const seen = (version: number): Record<string, string> => ({ 'If-Match': `"${version}"` });

const encode = encodeURIComponent;

export const api = {
  listJobs: () => call(listOf(isListing), 'GET', '/jobs'),
  readJob: (id: string) => call(ofId(id, isStoredJob), 'GET', `/jobs/${encode(id)}`).then(readable),
  /** The stored document as it is, also one that cannot be read. */
  jobFileUrl: (id: string) => `/api/jobs/${encode(id)}/file`,
  /** Makes the job once: sent again under the same id, it answers the job that was made. */
  createJob: (id: string, job: unknown) =>
    call(ofId(id, isStoredJob), 'PUT', `/jobs/${encode(id)}`, { body: job, headers: MAKE }).then(readable),
  saveJob: (id: string, version: number, job: Job) =>
    call(
      (answer): answer is SavedJob => ofId(id, isSaved)(answer) && answer.version > version,
      'PUT',
      `/jobs/${encode(id)}`,
      { body: job, headers: seen(version) },
    ),
  deleteJob: (id: string) => tell('DELETE', `/jobs/${encode(id)}`),
  /** Keeps a photo under an id that the page made: sent twice, it is there once. */
  keepPhoto: (jobId: string, id: string, photo: Blob) =>
    call(ofId(id, isPhoto), 'PUT', `/jobs/${encode(jobId)}/photos/${encode(id)}`, { body: photo }),
  photoUrl: (jobId: string, id: string) => `/api/jobs/${encode(jobId)}/photos/${encode(id)}`,
  listAppliances: () => call(listOf(isStoredAppliance), 'GET', '/catalogue'),
  addAppliance: (id: string, appliance: FirmAppliance) =>
    call(ofId(id, isStoredAppliance), 'PUT', `/catalogue/${encode(id)}`, { body: appliance, headers: MAKE }),
  replaceAppliance: (id: string, version: number, appliance: FirmAppliance) =>
    call(ofId(id, isStoredAppliance), 'PUT', `/catalogue/${encode(id)}`, { body: appliance, headers: seen(version) }),
  removeAppliance: (id: string, version: number) =>
    tell('DELETE', `/catalogue/${encode(id)}`, { headers: seen(version) }),
  listParts: () => call(listOf(isStoredPart), 'GET', '/parts'),
  addPart: (id: string, part: Part) =>
    call(ofId(id, isStoredPart), 'PUT', `/parts/${encode(id)}`, { body: part, headers: MAKE }),
  replacePart: (id: string, version: number, part: Part) =>
    call(ofId(id, isStoredPart), 'PUT', `/parts/${encode(id)}`, { body: part, headers: seen(version) }),
  removePart: (id: string, version: number) => tell('DELETE', `/parts/${encode(id)}`, { headers: seen(version) }),
  findPlaces: (text: string) => call(listOf(isPlace), 'GET', `/places?q=${encode(text)}`),
  listLogs: (jobId: string | null) => call(listOf(isStoredLog), 'GET', `/logs?job=${encode(jobId ?? 'none')}`),
  readLog: (id: string) => call(ofId(id, isOpenLog), 'GET', `/logs/${encode(id)}`),
  addLog: (id: string, jobId: string | null, log: Log) =>
    call(ofId(id, isStoredLog), 'POST', '/logs', { body: { id, jobId, log } }),
  saveLog: ({ id, version, jobId }: StoredLog, log: Log) =>
    call(
      (answer): answer is StoredLog => ofId(id, isStoredLog)(answer) && answer.version > version,
      'PUT',
      `/logs/${encode(id)}`,
      { body: { jobId, log }, headers: seen(version) },
    ),
  removeLog: (id: string) => tell('DELETE', `/logs/${encode(id)}`),
  addReadings: (logId: string, readings: readonly (LogReading & { id: string })[]) =>
    call(entriesWith(readings.map(({ id }) => id)), 'POST', `/logs/${encode(logId)}/entries`, { body: readings }),
  removeReading: (logId: string, id: string) => tell('DELETE', `/logs/${encode(logId)}/entries/${encode(id)}`),
  readReport: (id: string) => call(isReport, 'GET', `/logs/${encode(id)}/report`),
  readChart: (id: string, of: Quantity, from: number, to: number, points: number) =>
    call(listOf(isChartPoint), 'GET', `/logs/${encode(id)}/chart?of=${of}&from=${from}&to=${to}&points=${points}`),
  listInstruments: (id: string) => call(listOf(isInstrument), 'GET', `/logs/${encode(id)}/instruments`),
  addInstrument: (
    logId: string,
    id: string,
    instrument: { kind: InstrumentKind; everyS: number; speed: number; seed: number; truth: Truth },
  ) =>
    call(ofId(id, isInstrument), 'PUT', `/logs/${encode(logId)}/instruments/${encode(id)}`, {
      body: instrument,
      headers: MAKE,
    }),
  changeInstrument: (
    logId: string,
    id: string,
    version: number,
    change: { faults?: readonly InstrumentFault[]; zeroed?: boolean; stopped?: boolean },
  ) =>
    call(ofId(id, isInstrument), 'PATCH', `/logs/${encode(logId)}/instruments/${encode(id)}`, {
      body: change,
      headers: seen(version),
    }),
  logUrl: (id: string, what: 'file' | 'readings.csv') => `/api/logs/${encode(id)}/${what}`,
  readWeather: (jobId: string) => call(isHourlyYear, 'GET', `/jobs/${encode(jobId)}/weather`),
  keepWeather: (jobId: string, year: HourlyYear) => tell('PUT', `/jobs/${encode(jobId)}/weather`, { body: year }),
};
