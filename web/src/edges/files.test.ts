import { blankJob, type FirmAppliance, type Load, PARTS, proposeLoad, SCHEMA_VERSION } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { download, downloadJob, downloadLoads, downloadText } from './files.ts';
import { downloadMeasured, downloadParts, readMeasured, readParts } from './listFiles.ts';

/** What was handed to the browser's downloads. */
let saved: { name: string; text: () => Promise<string>; type: string }[] = [];

beforeEach(() => {
  saved = [];
  let blob: Blob | null = null;
  vi.stubGlobal('URL', {
    createObjectURL: (of: Blob) => {
      blob = of;
      return 'blob:1';
    },
    revokeObjectURL: () => undefined,
  });
  vi.stubGlobal('document', {
    createElement: () => ({
      href: '',
      download: '',
      click(this: { download: string }) {
        const of = blob as Blob;
        saved.push({ name: this.download, text: () => of.text(), type: of.type });
      },
    }),
  });
});
afterEach(() => vi.unstubAllGlobals());

const lastText = async (): Promise<string> => (await saved.at(-1)?.text()) ?? '';
const loadOf = (text: string): Load => {
  const { load } = proposeLoad(text, () => 'it');
  if (!load) throw new Error(text);
  return load;
};
const fileOf = (text: string, name = 'list.csv') => new File([text], name, { type: 'text/csv' });

describe('the name of a file', () => {
  it.each([
    ['Bookbinder’s camper', 'bookbinder-s-camper.json'],
    ['  ../../etc/passwd ', 'etc-passwd.json'],
    ['Größe 12 V / 24 V', 'größe-12-v-24-v.json'],
    ['…', 'job.json'],
    ['', 'job.json'],
  ])('of %j is %s', (title, name) => {
    download({ title }, 'x', 'application/json', '.json');
    expect(saved[0]?.name).toBe(name);
  });

  it('a text that could not be read goes out as it is', async () => {
    downloadText({ title: 'Torn' }, '{"half":', '.txt');
    expect([saved[0]?.name, saved[0]?.type, await lastText()]).toEqual(['torn.txt', 'text/plain', '{"half":']);
  });

  it('a job file is one that comes in again, the same', async () => {
    const job = { ...blankJob('Round trip'), loads: [loadOf('lamp 12W 4h')] };
    downloadJob(job);
    expect(validateJob(JSON.parse(await lastText()))).toEqual({ ok: true, job });
  });
});

describe('a table of loads', () => {
  it('has its columns first, a row a load, and nothing that a spreadsheet would reckon', async () => {
    await downloadLoads({ ...blankJob('Table'), loads: [{ ...loadOf('lamp 12W 4h'), name: '=HYPERLINK("x")' }] });
    const [head, row, end] = (await lastText()).split('\r\n');
    expect(head?.startsWith('name,')).toBe(true);
    expect(row).toContain(`'=HYPERLINK`);
    expect(end).toBe('');
    expect(saved[0]?.name).toBe('table-loads.csv');
  });
});

describe('the firm’s parts as a table', () => {
  it('go out and come in again, each figure the same', async () => {
    await downloadParts(PARTS);
    const { parts, faults } = await readParts(fileOf(await lastText()));
    expect(faults).toEqual([]);
    expect(parts).toEqual(PARTS);
  });

  it('columns in capitals, with a mark of the byte order or blanks are the same columns', async () => {
    await downloadParts(PARTS.slice(0, 1));
    const [head = '', ...rest] = (await lastText()).split('\r\n');
    const table = [`\ufeff${head.toUpperCase().replaceAll(',', ' , ')}`, ...rest].join('\r\n');
    expect((await readParts(fileOf(table))).parts).toEqual(PARTS.slice(0, 1));
  });

  it('a name that was escaped for a spreadsheet loses its mark again', async () => {
    const [part] = PARTS;
    if (!part) throw new Error('no part');
    await downloadParts([{ ...part, name: '-20 °C cell' }]);
    expect(await lastText()).toContain(`'-20 °C cell`);
    expect((await readParts(fileOf(await lastText()))).parts[0]).toMatchObject({ name: '-20 °C cell' });
  });

  it.each([
    ['', /must name the columns, at least kind, name: kind, name are missing/],
    ['kind,volts\nbattery,12', /name is missing/],
  ])('%j is refused in one sentence', async (text, reason) => {
    await expect(readParts(fileOf(text))).rejects.toThrow(reason);
  });

  it('one of more than 2 MB is not even read', async () => {
    await expect(readParts(fileOf(`kind,name\n${'x'.repeat(2 * 1_048_576)}`))).rejects.toThrow(/larger than 2 MB/);
  });
});

describe('measured units as a table', () => {
  const entry: FirmAppliance = {
    schemaVersion: SCHEMA_VERSION,
    name: 'Cool box',
    words: '',
    load: loadOf('fridge 45W'),
    measured: [
      { value: 41.5, unit: 'W', on: '2026-05-31', of: 'a van' },
      { value: 44, unit: 'W', on: '2026-06-02', of: '' },
    ],
  };

  it('go out a row a unit, and come in again', async () => {
    await downloadMeasured([entry]);
    const text = await lastText();
    expect(text.trim().split('\r\n')).toHaveLength(3);
    const { entries, faults } = await readMeasured(fileOf(text), []);
    expect(faults).toEqual([]);
    expect(entries[0]?.measured.map(({ value, on, of }) => [value, on, of])).toEqual([
      [41.5, '2026-05-31', 'a van'],
      [44, '2026-06-02', ''],
    ]);
  });

  it('names what lacks in its head', async () => {
    await expect(readMeasured(fileOf('name,value\nx,1'), [])).rejects.toThrow(/on, unit are missing/);
  });
});
