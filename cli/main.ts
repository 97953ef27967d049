/** `npm run -s COMMAND -- …`: runs the command named first with what follows it; see docs/cli.md. */
import { answered, type Run } from './command.ts';

const COMMANDS: Readonly<Record<string, () => Promise<{ readonly run: Run }>>> = {
  assess: () => import('./assess.ts'),
  simulate: () => import('./simulate.ts'),
  weather: () => import('./weather.ts'),
  logbook: () => import('./logbook.ts'),
  netlist: () => import('./netlist.ts'),
};

const [name = '', ...args] = process.argv.slice(2);
const load = COMMANDS[name];
if (!load) throw new Error(`no command "${name}"; there are ${Object.keys(COMMANDS).join(', ')}`);
const { code, stdout, stderr } = await answered((await load()).run, args);
process.stdout.write(stdout);
process.stderr.write(stderr);
process.exitCode = code;
