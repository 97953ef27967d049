import type { SaidColumns } from '@joulemetric/core';

export interface TableAnswer {
  readonly taken: number;
  readonly rows: number;
  readonly good: number;
  readonly faultCount: number;
  readonly faults: readonly {
    readonly line: number;
    readonly column: string;
    readonly problem: string;
    readonly found: string;
  }[];
  readonly notes: readonly string[];
  readonly columns: readonly { readonly head: string; readonly as: string | null }[];
}

export interface TableAsk {
  readonly zone: string;
  readonly map: SaidColumns;
  readonly dates: 'dmy' | 'mdy' | null;
  readonly goodRows: boolean;
  readonly replace: boolean;
}

export type TableStage =
  | { readonly stage: 'sending'; readonly share: number }
  | { readonly stage: 'reading' | 'storing'; readonly rows: number };

/** What this server says at the end; whoever else answers says something else. */
const isTaken = (done: unknown): done is TableAnswer =>
  typeof (done as TableAnswer | null)?.taken === 'number' && Array.isArray((done as TableAnswer).faults);

/**
 * Sends a meter's table into a log. What it cannot take is thrown in one sentence.
 * @returns what came of it, and how to call it off: then nothing of it is stored
 */
export function sendTable(
  logId: string,
  file: File,
  ask: TableAsk,
  onStage: (stage: TableStage) => void,
): { readonly done: Promise<TableAnswer>; readonly cancel: () => void } {
  const query = new URLSearchParams({
    zone: ask.zone,
    map: JSON.stringify(ask.map),
    ...(ask.dates ? { dates: ask.dates } : {}),
    ...(ask.goodRows ? { goodRows: 'yes' } : {}),
    ...(ask.replace ? { replace: 'yes' } : {}),
  });
  const request = new XMLHttpRequest();
  const done = new Promise<TableAnswer>((resolve, reject) => {
    let seen = 0;
    request.upload.onprogress = ({ loaded, total }) =>
      onStage({ stage: 'sending', share: total > 0 ? loaded / total : 0 });
    request.onprogress = () => {
      const lines = request.responseText.slice(seen).split('\n');
      seen = request.responseText.length - (lines.pop() ?? '').length;
      for (const line of lines) {
        const said = line === '' ? {} : JSON.parse(line);
        if (said.stage === 'reading' || said.stage === 'storing') onStage(said);
      }
    };
    request.onload = () => {
      const last = request.responseText.trim().split('\n').at(-1) ?? '';
      try {
        const said = JSON.parse(last);
        if (isTaken(said.done)) resolve(said.done);
        else reject(new Error((said.problem ?? said).detail ?? 'The server does not answer as it should.'));
      } catch {
        reject(new Error('The server does not answer as it should.'));
      }
    };
    request.onerror = () => reject(new Error('The signal was lost; nothing of it was stored. Send it again.'));
    request.onabort = () => reject(new Error('Called off; nothing of it was stored.'));
  });
  request.open('POST', `/api/logs/${encodeURIComponent(logId)}/import?${query}`);
  request.setRequestHeader('Content-Type', 'text/csv');
  request.send(file);
  return { done, cancel: () => request.abort() };
}
