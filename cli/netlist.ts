/**
 * `npm run -s netlist -- FILE.json [--option ID] [--charged full|typical|low] [--copper cold|hot]`: prints the network of
 * cables of one option as a SPICE netlist, all that may run at once running; a low store and hot copper when left out.
 */
import { parseArgs } from 'node:util';
import { asCabled, netlistOf, settle } from '@joulemetric/core';
import { optionOf, readJob, refuse } from './readJob.ts';

const USAGE = 'usage: npm run -s netlist -- FILE.json [--option ID] [--charged full|typical|low] [--copper cold|hot]';
const CHARGED = ['full', 'typical', 'low'] as const;
const COPPER = ['cold', 'hot'] as const;

function readArguments() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        option: { type: 'string' },
        charged: { type: 'string', default: 'low' },
        copper: { type: 'string', default: 'hot' },
      },
    });
  } catch (error) {
    refuse((error as Error).message, USAGE);
  }
}

const oneOf = <const T extends readonly string[]>(name: string, value: string, known: T): T[number] =>
  known.find((one) => one === value) ?? refuse(`--${name}: one of ${known.join(', ')}, not "${value}"`, USAGE);

const { values, positionals } = readArguments();
const [file] = positionals;
if (file === undefined || positionals.length > 1) refuse(USAGE);
const charged = oneOf('charged', values.charged, CHARGED);
const copper = oneOf('copper', values.copper, COPPER);
const job = await readJob(file);
const optionId = optionOf(job, values.option, file);
process.stdout.write(netlistOf(asCabled(settle(job, optionId)), { charged, copper }));
