import type { FirmAppliance, Job } from '@joulemetric/core';

/** The one place that talks to the server. */

export interface JobListing {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly title: string;
  readonly client: string;
  readonly vehicle: string;
  readonly loads: number;
}

export interface StoredJob {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly job: Job;
}

/** An appliance of the firm's own catalogue. */
export interface StoredAppliance {
  readonly id: string;
  readonly appliance: FirmAppliance;
}

interface ProblemBody {
  readonly code: string;
  readonly title: string;
  readonly detail: string;
  readonly faults?: readonly { readonly path: string; readonly expected: string; readonly found?: string }[];
  readonly current?: StoredJob;
}

/** The server's refusal, or no answer at all (`unreachable`). */
export class ApiError extends Error {
  readonly problem: ProblemBody;

  constructor(problem: ProblemBody) {
    super(problem.detail || problem.title);
    this.problem = problem;
  }

  /** No signal, no server or no database: the same edit may be sent again later. */
  get isTemporary(): boolean {
    return this.problem.code === 'unreachable' || this.problem.code === 'database-unreachable';
  }
}

const UNREACHABLE: ProblemBody = {
  code: 'unreachable',
  title: 'No connection',
  detail: 'The server does not answer. Check that it runs and that there is a signal.',
};

async function call<T>(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<T> {
  const isBlob = body instanceof Blob;
  const type: Record<string, string> =
    body === undefined ? {} : { 'Content-Type': isBlob ? body.type : 'application/json' };
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: { ...type, ...headers },
      body: body === undefined || isBlob ? body : JSON.stringify(body),
    });
  } catch {
    throw new ApiError(UNREACHABLE);
  }
  if (response.ok) return (response.status === 204 ? undefined : await response.json()) as T;
  const problem = await response.json().catch(() => UNREACHABLE);
  throw new ApiError(problem);
}

const encode = encodeURIComponent;

export const api = {
  listJobs: () => call<JobListing[]>('GET', '/jobs'),
  readJob: (id: string) => call<StoredJob>('GET', `/jobs/${encode(id)}`),
  createJob: (job: unknown) => call<StoredJob>('POST', '/jobs', job),
  saveJob: (id: string, seenVersion: number, job: Job) =>
    call<StoredJob>('PUT', `/jobs/${encode(id)}`, job, { 'If-Match': `"${seenVersion}"` }),
  addPhoto: (jobId: string, photo: Blob) => call<{ id: string }>('POST', `/jobs/${encode(jobId)}/photos`, photo),
  photoUrl: (jobId: string, id: string) => `/api/jobs/${encode(jobId)}/photos/${encode(id)}`,
  listAppliances: () => call<StoredAppliance[]>('GET', '/catalogue'),
  addAppliance: (appliance: FirmAppliance) => call<StoredAppliance>('POST', '/catalogue', appliance),
  removeAppliance: (id: string) => call<void>('DELETE', `/catalogue/${encode(id)}`),
  deleteJob: (id: string) => call<void>('DELETE', `/jobs/${encode(id)}`),
};
