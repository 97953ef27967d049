import { LOG_VERSION } from '@joulemetric/core';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import useSWR from 'swr';
import type { OpenLog } from '../../edges/answers.ts';
import { api } from '../../edges/api.ts';
import { useLogs } from '../../edges/useLogs.ts';
import { Choice } from '../../ui/Field.tsx';
import { SidePage } from '../../ui/SidePage.tsx';
import { LogShelf } from './LogShelf.tsx';
import { OpenedLog } from './OpenedLog.tsx';

/** Logs of no job yet: measured first, and given to a job when there is one. */
export function LogsPage() {
  const { logs, problem, add, remove } = useLogs(null);
  const [params, setParams] = useSearchParams();
  const [failed, setFailed] = useState<string | null>(null);
  const chosen = params.get('log');
  const open = logs?.find(({ id }) => id === chosen) ?? (chosen === 'none' ? undefined : logs?.[0]);
  const choose = (id: string) => setParams({ log: id });
  const begin = async () => {
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
    try {
      setFailed(null);
      choose(await add({ format: 'joulemetric-log', version: LOG_VERSION, name: 'A log', purpose: 'watch', zone }));
    } catch (error) {
      setFailed((error as Error).message);
    }
  };
  return (
    <SidePage
      isWide
      question="What was measured, before there was a job?"
      about={
        logs?.length === 0
          ? 'Nothing yet. What is measured in a vehicle that has no job is kept here until it has one.'
          : 'Each says what it says; given to a job it stands in that job’s logbook.'
      }
      problem={failed ?? problem}
    >
      <div data-logs={logs ? 'ready' : 'waiting'}>
        <LogShelf logs={logs} openId={open?.id ?? null} onOpen={choose} onBegin={() => void begin()}>
          {open && (
            <OpenedLog
              key={open.id}
              jobId={null}
              logId={open.id}
              design={null}
              about={(_log, _put, stored) => <GiveToJob stored={stored} />}
              onRemove={() => void remove(open.id).then(() => choose('none'))}
            />
          )}
        </LogShelf>
      </div>
    </SidePage>
  );
}

/** The job that a log should stand in from now on. */
function GiveToJob({ stored }: { stored: OpenLog }) {
  const { data: jobs } = useSWR('jobs', api.listJobs);
  const navigate = useNavigate();
  const [failed, setFailed] = useState<string | null>(null);
  const give = async (jobId: string) => {
    try {
      // What was typed meanwhile has made another version of it.
      const { version, log } = await api.readLog(stored.id);
      await api.saveLog({ ...stored, version, jobId }, log);
      navigate(`/jobs/${jobId}/logbook?log=${stored.id}`);
    } catch (error) {
      setFailed((error as Error).message);
    }
  };
  return (
    <div>
      <Choice
        label="Give it to a job"
        value=""
        options={[
          { value: '', label: 'none yet' },
          ...(jobs ?? []).map(({ id, title }) => ({ value: id, label: title })),
        ]}
        onChange={(jobId) => jobId !== '' && void give(jobId)}
      />
      {failed && (
        <p role="alert" className="text-copper">
          {failed}
        </p>
      )}
    </div>
  );
}
