/**
 * `npm run -s netlist -- FILE.json [--option ID] [--charged full|typical|low] [--copper cold|hot]`: prints the network of
 * cables of one option as a SPICE netlist, all that may run at once running; a low store and hot copper when left out.
 */
import { parseArgs } from 'node:util';
import { asCabled, netlistOf, settle } from '@joulemetric/core';
import { oneFile, parsed, refuse } from './command.ts';
import { optionOf, readJob } from './readJob.ts';

const USAGE = 'usage: npm run -s netlist -- FILE.json [--option ID] [--charged full|typical|low] [--copper cold|hot]';
const CHARGED = ['full', 'typical', 'low'] as const;
const COPPER = ['cold', 'hot'] as const;

const oneOf = <const T extends readonly string[]>(name: string, value: string, known: T): T[number] =>
  known.find((one) => one === value) ?? refuse(`--${name}: one of ${known.join(', ')}, not "${value}"`, USAGE);

export async function run(args: readonly string[]): Promise<string> {
  const { values, positionals } = parsed(
    () =>
      parseArgs({
        args: [...args],
        allowPositionals: true,
        options: {
          option: { type: 'string' },
          charged: { type: 'string', default: 'low' },
          copper: { type: 'string', default: 'hot' },
        },
      }),
    USAGE,
  );
  const file = oneFile(positionals, USAGE);
  const charged = oneOf('charged', values.charged, CHARGED);
  const copper = oneOf('copper', values.copper, COPPER);
  const job = await readJob(file);
  return netlistOf(asCabled(settle(job, optionOf(job, values.option, file))), { charged, copper });
}
