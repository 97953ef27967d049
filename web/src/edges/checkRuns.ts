import { type Job, type Run, runFaults } from '@joulemetric/core';

/** What a job would be refused for with these runs in an option, by the line of their table. */
export function runsProblem(job: Job, optionId: string, runs: readonly Run[]): string[] {
  const system = job.options.find(({ id }) => id === optionId)?.system;
  if (!system) return [];
  return [...runFaults({ ...system, runs: [...runs] }, job.loads, '')].map(({ path, expected, found }) => {
    const [, line, field] = /^\/(\d+)\/?(.*)$/.exec(path) ?? [];
    const where = `Line ${Number(line) + 2}${field ? `, ${field}` : ''}`;
    return `${where}: expected ${expected}${found === undefined ? '' : `; found “${found}”`}.`;
  });
}
