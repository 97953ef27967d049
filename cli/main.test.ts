import { execFile } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { promisify } from 'node:util';
import { describe, expect, it } from 'vitest';

const scripts: Readonly<Record<string, string>> = JSON.parse(readFileSync('package.json', 'utf8')).scripts;
const COMMANDS = Object.entries(scripts).flatMap(([name, script]) => (script.includes('cli/main.ts') ? [name] : []));

/** As npm runs it. */
const asProcess = (command: string, ...args: string[]) =>
  promisify(execFile)(process.execPath, [...(scripts[command] ?? '').split(' ').slice(1), ...args]).then(
    ({ stdout, stderr }) => ({ code: 0, stdout, stderr }),
    (error: { code: number; stdout: string; stderr: string }) => error,
  );

describe('a command as a process', () => {
  it('prints its answer alone and ends with 0', async () => {
    const { code, stdout, stderr } = await asProcess('assess', 'demo/river-survey-4wd.json', '--option', 'b');
    expect([code, stderr, JSON.parse(stdout).optionId]).toEqual([0, '', 'b']);
  });

  it.each(COMMANDS)('%s without a file says how it is used, prints nothing and ends with 2', async (command) => {
    const { code, stdout, stderr } = await asProcess(command);
    expect([code, stdout]).toEqual([2, '']);
    expect(stderr).toBe(`usage: npm run -s ${command} -- ${stderr.split(' -- ')[1]}`);
  });
});
