import type { Job, Run } from '@joulemetric/core';

/** What a job would be refused for with these runs in an option; the checker is fetched when it is first needed. */
export async function runsProblem(job: Job, optionId: string, runs: readonly Run[]): Promise<string[]> {
  const { validateJob } = await import('@joulemetric/core/validate');
  const options = job.options.map((option) =>
    option.id === optionId ? { ...option, system: { ...option.system, runs: [...runs] } } : option,
  );
  const checked = validateJob({ ...job, options });
  if (checked.ok) return [];
  return checked.faults.map(({ path, expected, found }) => {
    const row = /\/runs\/(\d+)\/?(.*)$/.exec(path);
    const where = row ? `Line ${Number(row[1]) + 2}${row[2] ? `, ${row[2]}` : ''}` : path;
    return `${where}: expected ${expected}${found === undefined ? '' : `; found “${found}”`}.`;
  });
}
