import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { validateJob } from '../job/validate.ts';
import { APPLIANCES, loadFrom } from '../reference/appliances.ts';
import { aJob } from '../test/jobs.ts';
import { CSV_COLUMNS, type CsvRow, loadsFromRows, loadToRow } from './csv.ts';

const DEMO = new URL('../../../demo/', import.meta.url);

describe('loads as CSV rows', () => {
  it('come back as they went out, for every demo load and every catalogue type', () => {
    const demo = readdirSync(DEMO).flatMap((name) => JSON.parse(readFileSync(new URL(name, DEMO), 'utf8')).loads);
    for (const original of [...demo, ...APPLIANCES.map((appliance) => loadFrom(appliance, 'x'))]) {
      const { loads, faults } = loadsFromRows([loadToRow(original)], []);
      expect(faults).toEqual([]);
      expect({ ...loads[0], id: original.id }).toEqual(original);
    }
  });

  it('need no more than a name and watts', () => {
    expect(loadsFromRows([{ name: 'Lamp', power_w: '12,5', hours: '2' }], [])).toMatchObject({
      faults: [],
      loads: [
        {
          id: 'lamp',
          quantity: 1,
          draw: { kind: 'steady', powerW: 12.5 },
          path: 'direct',
          evidence: 'guess',
          uses: [{ minutes: 120 }],
        },
      ],
    });
  });

  it('of an older file, which called the uses runs, are read alike', () => {
    const read = (row: object) => loadsFromRows([{ name: 'Pump', power_w: '40', ...row } as CsvRow], []).loads[0]?.uses;
    expect(read({ runs: '06:40+4; 18:50+4' })).toEqual([
      { startMin: 400, minutes: 4 },
      { startMin: 1130, minutes: 4 },
    ]);
    expect(read({ runs: '06:40+4' })).toEqual(read({ uses: '06:40+4' }));
  });

  it('report every fault of every row at once, with line and column, and keep the good rows apart', () => {
    const rows: CsvRow[] = [
      { name: 'Good', power_w: '10' },
      { name: '', power_w: '-5', path: 'teleport' },
      { name: 'Runs', power_w: '10', uses: '25:00+5; 08:00+1' },
      { name: 'Overlap', power_w: '10', uses: '08:00+90; 09:00+5' },
      { name: 'Phases', kind: 'cycle', phases: 'brew|hot|6' },
      { name: 'Fridge', kind: 'thermostatic', power_w: '40', duty_percent: '140' },
      { name: 'Good', power_w: '20' },
    ];
    const { loads, faults } = loadsFromRows(rows, []);
    expect(loads.map(({ id }) => id)).toEqual(['good', 'good-2']);
    expect(faults.map(({ line, column }) => `${line} ${column}`)).toEqual([
      '3 name',
      '3 power_w',
      '3 path',
      '4 uses',
      '5 uses',
      '6 phases',
      '7 duty_percent',
    ]);
    for (const { expected } of faults) expect(expected.length).toBeGreaterThan(5);
  });

  it('never throw, and what is taken is a valid job, whatever stands in the cells', () => {
    const cell = fc.oneof(
      fc.string(),
      fc.constantFrom('', '5', '-1', '1e9', 'cycle', '08:00+5', 'a|1|2', '*', 'yes', 'NaN'),
    );
    const row = fc.dictionary(fc.constantFrom(...CSV_COLUMNS), cell) as fc.Arbitrary<CsvRow>;
    fc.assert(
      fc.property(fc.array(row, { maxLength: 8 }), (rows) => {
        const { loads } = loadsFromRows(rows, []);
        const checked = validateJob({ ...aJob([]), loads });
        expect(checked.ok ? [] : checked.faults).toEqual([]);
      }),
      { numRuns: 500 },
    );
  });

  it('have their columns explained in docs/loads-csv.md', () => {
    const docs = readFileSync(new URL('../../../docs/loads-csv.md', import.meta.url), 'utf8');
    for (const column of CSV_COLUMNS) expect(docs).toContain(`\`${column}\``);
  });
});
