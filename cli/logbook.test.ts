import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { answered } from './command.ts';
import { run as runLogbook } from './logbook.ts';

const directory = mkdtempSync(join(tmpdir(), 'joulemetric-logbook-'));
afterAll(() => rmSync(directory, { recursive: true }));

const logbook = (...args: string[]) => answered(runLogbook, args);
const written = (name: string, content: string | object): string => {
  const file = join(directory, name);
  writeFileSync(file, typeof content === 'string' ? content : JSON.stringify(content));
  return file;
};
const LOG = { format: 'joulemetric-log', version: 1 };
const CSV = 'Time,Battery,Power\n2026-06-01 10:00,100 %,60\n2026-06-01 15:00,95 %,60\n2026-06-01 20:00,90 %,60\n';

describe('the logbook from the command line', () => {
  it('says what a log file says', async () => {
    const readings = [
      { at: '2026-06-01T10:00Z', soc: 100 },
      { at: '2026-06-02T10:00Z', soc: 76 },
    ];
    const { code, stdout } = await logbook(
      written('log.json', { ...LOG, readings, capacity: { ah: 100, chemistry: 'lfp' } }),
    );
    expect(code).toBe(0);
    const said = JSON.parse(stdout);
    expect(said.energy.soc.wh).toBeCloseTo(307.2, 6);
    expect(said.forecast.toReserveH.value).toBeCloseTo(56, 6);
    expect(said.start).toBe('2026-06-01T10:00:00.000Z');
  });

  it('reads a table beside a log file, and a table alone with flags: both say the same', async () => {
    const table = written('meter.csv', CSV);
    const map = { soc: 'Battery:%' };
    const beside = await logbook(
      written('beside.json', {
        ...LOG,
        csv: { file: 'meter.csv', map },
        zone: 'Europe/Paris',
        capacity: { ah: 200, chemistry: 'lfp' },
        targetH: 48,
        timers: [{ everyH: 12 }],
        reserve: 30,
      }),
    );
    const flags = [
      '--zone',
      'Europe/Paris',
      '--map',
      'soc=Battery:%',
      '--capacity-ah',
      '200',
      '--chemistry',
      'lfp',
      '--reserve',
      '30',
      '--target-h',
      '48',
      '--timer-h',
      '12',
    ];
    const alone = await logbook(table, ...flags);
    expect([beside.code, alone.code]).toEqual([0, 0]);
    expect(JSON.parse(alone.stdout)).toEqual(JSON.parse(beside.stdout));
    const said = JSON.parse(alone.stdout);
    expect(said.start).toBe('2026-06-01T08:00:00.000Z');
    // 10 % of 2,560 Wh against 60 W × 10 h.
    expect(said.energy.soc.wh).toBeCloseTo(256, 6);
    expect(said.energy.power.wh).toBeCloseTo(600, 6);
    expect(said.contradictions.map(({ code }: { code: string }) => code)).toContain('ways-disagree');
    expect(said.target.met).toBe('yes');
  });

  it('takes the good rows alone when it is told to', async () => {
    const table = written('bad.csv', `${CSV}2026-06-01 21:00,190 %,60\n`);
    const refused = await logbook(table, '--map', 'soc=Battery:%');
    expect(refused.code).toBe(2);
    expect(refused.stderr).toMatch(/bad\.csv:5: Battery: above 100 %/);
    expect(refused.stderr).toMatch(/3 of 4 rows are good/);
    const { code, stdout } = await logbook(table, '--map', 'soc=Battery:%', '--good-rows');
    expect([code, JSON.parse(stdout).readings, JSON.parse(stdout).faultCount]).toEqual([0, 3, 1]);
  });

  it.each([
    ['nothing named', () => [], /usage/],
    ['no such file', () => [join(directory, 'nowhere.json')], /ENOENT/],
    ['no such table', () => [join(directory, 'nowhere.csv')], /ENOENT/],
    ['not JSON', () => [written('torn.json', '{"format"')], /not JSON/],
    [
      'another file',
      () => [written('job.json', { format: 'joulemetric-job' })],
      /\/format: expected "joulemetric-log"/,
    ],
    [
      'a log that is wrong',
      () => [written('wrong.json', { ...LOG, reserve: 200 })],
      /\/reserve: expected .*at most 95/,
    ],
    [
      'a table that is asked about',
      () => [written('asked.csv', 'Time,Energy\n2026-06-01 10:00,5\n')],
      /asked\.csv:1: .*Wh or kWh/,
    ],
    ['a spreadsheet', () => [written('sheet.csv', 'PK\u0003\u0004')], /spreadsheet/],
    ['no zone', () => [written('zone.csv', CSV), '--zone', 'Mars'], /\/zone: expected a time zone/],
    ['no number', () => [written('number.csv', CSV), '--reserve', 'half'], /--reserve must be a number/],
    ['a flag that is none', () => [written('flag.csv', CSV), '--speed', '5'], /speed.*usage/s],
  ])('%s: exit code 2 and the reason', async (_, args, reason) => {
    const { code, stdout, stderr } = await logbook(...args());
    expect([code, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(reason);
  });
});
