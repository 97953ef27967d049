import type { Log } from '@joulemetric/core';
import type { LogChange } from '../../edges/useLogs.ts';
import { useJob, useOption } from '../../shell/JobContext.tsx';
import { Choice } from '../../ui/Field.tsx';

/** What of the job a log is of. */
export function AboutField({ log, change }: { log: Log; change: (part: LogChange) => void }) {
  const { job, optionId } = useJob();
  const { system } = useOption();
  const options = [
    { value: '', label: 'nothing of the job' },
    { value: 'store', label: 'the store' },
    ...system.devices.map(({ id, name }) => ({ value: `device ${id}`, label: name })),
    ...job.loads.map(({ id, name }) => ({ value: `load ${id}`, label: name })),
  ];
  const put = (value: string) => {
    const [kind, id] = value.split(' ');
    if (value === '') return change({ about: undefined } as Partial<Log>);
    if (kind === 'store') return change({ about: { kind: 'store', optionId } });
    change({ about: kind === 'device' ? { kind, id, optionId } : { kind: 'load', id } } as Partial<Log>);
  };
  const value = log.about ? `${log.about.kind} ${log.about.id ?? ''}`.trim() : '';
  return <Choice label="Of the job" value={value} options={options} onChange={put} />;
}
