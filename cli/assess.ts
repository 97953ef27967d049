/**
 * `npm run -s assess -- FILE.json [--option ID] [--moves]`: prints the assessment of one option as JSON, or with
 * --moves what could be done to lose less, ranked, and the best order.
 */
import { readFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { assess, bestSequence, prepareMoves, rankMoves } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';

const USAGE = 'usage: npm run -s assess -- FILE.json [--option ID] [--moves]';

/** Bad input: the reasons on standard error, exit code 2. */
function refuse(...reasons: string[]): never {
  process.stderr.write(`${reasons.join('\n')}\n`);
  process.exit(2);
}

function readArguments() {
  try {
    return parseArgs({ allowPositionals: true, options: { option: { type: 'string' }, moves: { type: 'boolean' } } });
  } catch (error) {
    refuse((error as Error).message, USAGE);
  }
}

async function readDocument(file: string): Promise<unknown> {
  try {
    return JSON.parse(await readFile(file, 'utf8'));
  } catch (error) {
    refuse(`${file}: ${error instanceof SyntaxError ? `not JSON: ${error.message}` : (error as Error).message}`);
  }
}

const { values, positionals } = readArguments();
const [file] = positionals;
if (file === undefined || positionals.length > 1) refuse(USAGE);

const checked = validateJob(await readDocument(file));
if (!checked.ok) {
  refuse(
    ...checked.faults.map(
      ({ path, expected, found }) =>
        `${file}: ${path}: expected ${expected}${found === undefined ? '' : `, found ${found}`}`,
    ),
  );
}
const { job } = checked;
if (values.option !== undefined && !job.options.some(({ id }) => id === values.option)) {
  refuse(`${file}: no option "${values.option}"; it has ${job.options.map(({ id }) => id).join(', ')}`);
}
const optionId = values.option ?? job.options[0]?.id ?? '';
process.stdout.write(`${JSON.stringify(values.moves ? movesOf() : assess(job, optionId), null, 2)}\n`);

function movesOf(): object {
  const prepared = prepareMoves(job, optionId);
  return { optionId, ...rankMoves(prepared, []), sequence: bestSequence(prepared).steps };
}
