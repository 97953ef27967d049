import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { epwLines } from '../core/src/test/weatherFiles.ts';
import { answered } from './command.ts';
import { run as runWeather } from './weather.ts';

const directory = mkdtempSync(join(tmpdir(), 'joulemetric-weather-'));
afterAll(() => rmSync(directory, { recursive: true }));

const weather = (...args: string[]) => answered(runWeather, args);
const written = (name: string, text: string): string => {
  const file = join(directory, name);
  writeFileSync(file, text);
  return file;
};

describe('weather files from the command line', () => {
  it('prints the months of a file', async () => {
    const { code, stdout } = await weather(written('whole.epw', epwLines().join('\n')));
    expect(code).toBe(0);
    const { format, latitudeDeg, months } = JSON.parse(stdout);
    expect([format, latitudeDeg, months.length]).toEqual(['EPW', 47.5, 12]);
    expect(months[5].sunHours).toBeCloseTo(1.65, 9);
  });

  it.each([
    ['cut short', () => [written('cut.epw', epwLines().slice(0, 3000).join('\n'))], /May has .* whole days/],
    ['no such file', () => [join(directory, 'nowhere')], /ENOENT/],
    ['nothing named', () => [], /usage/],
    ['forty megabytes', () => [written('large.epw', 'x'.repeat(41 * 1_048_576))], /20 MB/],
  ])('%s: exit code 2 and the reason', async (_, args, reason) => {
    const { code, stdout, stderr } = await weather(...args());
    expect([code, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(reason);
  });
});
