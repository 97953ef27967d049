import type { Log, LogReport, Quantity } from '@joulemetric/core';
import { useEffect, useRef, useState } from 'react';
import useSWR, { useSWRConfig } from 'swr';
import type { ChartPoint, LogInstrument, OpenLog, StoredLog } from './answers.ts';
import { ApiError, api } from './api.ts';
import { watchLog } from './liveLogs.ts';
import { MakerIds } from './makerIds.ts';

const ONCE = { revalidateOnFocus: false } as const;

/** The logs of a job; null = those of no job yet. */
export function useLogs(jobId: string | null): {
  readonly logs: readonly StoredLog[] | undefined;
  readonly problem: string | null;
  readonly add: (log: Log) => Promise<string>;
  readonly remove: (id: string) => Promise<void>;
} {
  const [ids] = useState(() => new MakerIds());
  const { data, error, mutate } = useSWR(['logs', jobId], () => api.listLogs(jobId), ONCE);
  return {
    logs: data,
    problem: error ? (error as Error).message : null,
    add: async (log) => {
      const { id } = await api.addLog(ids.idOf(log), jobId, log);
      ids.made(log);
      await mutate();
      return id;
    },
    remove: async (id) => {
      await api.removeLog(id);
      await mutate();
    },
  };
}

export type LogChange = Partial<Log> | ((log: Log) => Partial<Log>);

/** One log, with what it says; both are fetched anew when readings come. */
export function useLog(jobId: string | null, id: string) {
  const { mutate: mutateAny } = useSWRConfig();
  const { data: log, error, mutate } = useSWR(['log', id], () => api.readLog(id), ONCE);
  const { data: report, error: reportError } = useSWR(
    log ? ['log-report', id, log.version, log.readings] : null,
    () => api.readReport(id),
    { ...ONCE, keepPreviousData: true },
  );
  const refresh = async () => {
    await mutate();
    await mutateAny(['logs', jobId]);
  };
  const latest = useRef<StoredLog | undefined>(undefined);
  if (log && log.version >= (latest.current?.version ?? 0)) latest.current = log;
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  /**
   * Changes the document, one change after the other, each made to what is there by then; whoever has changed it
   * meanwhile is not overwritten: theirs is fetched and the change made to it.
   */
  const change = (part: LogChange): Promise<void> => {
    const turn = queue.current.then(async () => {
      for (let now = latest.current; now; ) {
        try {
          const saved = await api.saveLog(now, { ...now.log, ...(typeof part === 'function' ? part(now.log) : part) });
          latest.current = saved;
          await mutate((open) => open && { ...open, ...saved }, { revalidate: false });
          await mutateAny(['logs', jobId]);
          return;
        } catch (failure) {
          if (!(failure instanceof ApiError && failure.problem.code === 'version-conflict')) throw failure;
          now = await api.readLog(id);
        }
      }
    });
    queue.current = turn.catch(() => undefined);
    return turn;
  };
  return {
    log,
    report: report as LogReport | undefined,
    problem: (error ?? reportError)?.message ?? null,
    refresh,
    change,
  };
}

/** Points of a chart of what meters put down, between two times. */
export function useLogChart(
  log: OpenLog,
  of: Quantity,
  [from, to]: readonly [number, number],
  points: number,
): readonly ChartPoint[] | undefined {
  const { data } = useSWR(
    log.rows > 0 ? ['log-chart', log.id, log.readings, of, from, to, points] : null,
    () => api.readChart(log.id, of, from, to, points),
    { ...ONCE, keepPreviousData: true },
  );
  return data;
}

/** The simulated instruments of a log, and what they record as it comes: `onReadings` at most once a second. */
export function useInstruments(
  logId: string,
  onReadings: () => void,
): { readonly instruments: readonly LogInstrument[]; readonly mutate: () => Promise<unknown> } {
  const { data, mutate } = useSWR(['log-instruments', logId], () => api.listInstruments(logId), ONCE);
  const isRunning = data?.some(({ stopped }) => !stopped) ?? false;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a log that is recorded into is watched once.
  useEffect(() => {
    if (!isRunning) return;
    return watchLog(logId, () => {
      onReadings();
      void mutate();
    });
  }, [logId, isRunning]);
  return { instruments: data ?? [], mutate };
}
