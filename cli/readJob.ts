import { readFile } from 'node:fs/promises';
import { formFault, type Job } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { refuse } from './command.ts';

async function readDocument(file: string): Promise<unknown> {
  try {
    return JSON.parse(await readFile(file, 'utf8'));
  } catch (error) {
    return refuse(`${file}: ${error instanceof SyntaxError ? `not JSON: ${error.message}` : (error as Error).message}`);
  }
}

/** The job of a file, or every fault of it with its place. */
export async function readJob(file: string): Promise<Job> {
  const document = await readDocument(file);
  const checked = validateJob(document);
  if (checked.ok) return checked.job;
  const sentence = formFault(document, checked.faults);
  return refuse(
    ...(sentence.startsWith('/') ? [] : [`${file}: ${sentence}`]),
    ...checked.faults.map(
      ({ path, expected, found }) =>
        `${file}: ${path}: expected ${expected}${found === undefined ? '' : `, found ${found}`}`,
    ),
  );
}

/** The option asked for, or the job's first. */
export function optionOf({ options }: Job, asked: string | undefined, file: string): string {
  if (asked !== undefined && !options.some(({ id }) => id === asked))
    refuse(`${file}: no option "${asked}"; it has ${options.map(({ id }) => id).join(', ')}`);
  return asked ?? options[0]?.id ?? '';
}
