import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { blankArray, blankLink, blankPanels, blankString } from '../job/blank.ts';
import type { Part, PartOf } from '../job/partFields.ts';
import { validateJob, validatePart } from '../job/validate.ts';
import { PARTS } from '../reference/parts.ts';
import { aJob, aLoad } from '../test/jobs.ts';
import {
  banksOfList,
  controllerOf,
  groupOf,
  linkOf,
  partsOf,
  smallestBank,
  smallestController,
  smallestInverter,
  smallestLink,
  smallestPanels,
  stringOf,
} from './choose.ts';
import { partsFromRows, partToRow } from './csv.ts';

/** What runs asks for as long as it runs, and nothing starts. */
const steady = (amps: number) => ({ longA: amps, worstA: amps, startA: amps });

describe('the parts that ship', () => {
  it('are valid, each under a name of its own', () => {
    for (const part of PARTS) expect(validatePart(part), part.name).toMatchObject({ ok: true });
    expect(new Set(PARTS.map(({ name }) => name)).size).toBe(PARTS.length);
  });

  it('panels have volts × amps near their watts, and a curve through their figures', () => {
    for (const { ratingW, vmpV, impA, name } of partsOf(PARTS, 'panel'))
      expect(Math.abs(((vmpV ?? 0) * (impA ?? 0)) / ratingW - 1), name).toBeLessThan(0.02);
    const array = {
      ...blankArray('a', 'A', 0),
      ratingW: null,
      panels: partsOf(PARTS, 'panel').map((part, i) => groupOf(part, blankPanels(`p${i}`, 'P', 1))),
    };
    const job = aJob([aLoad()]);
    const [option] = job.options;
    if (!option) throw new Error('no option');
    const { findings } = assess({ ...job, options: [{ ...option, system: { ...option.system, arrays: [array] } }] });
    expect(findings.map(({ code }) => code)).not.toContain('panel-doubtful');
  });

  it('copied into a job they make a valid job', () => {
    const job = aJob([aLoad()]);
    const [option] = job.options;
    if (!option) throw new Error('no option');
    const [battery, panel] = [partsOf(PARTS, 'battery')[0], partsOf(PARTS, 'panel')[0]];
    const [controller, link] = [partsOf(PARTS, 'controller')[0], partsOf(PARTS, 'dc-dc')[0]];
    if (!battery || !panel || !controller || !link) throw new Error('a kind is missing');
    const system = {
      ...option.system,
      store: { ...option.system.store, strings: [stringOf(battery, blankString('s', 'S', 1))] },
      driving: [linkOf(link, blankLink('d', 'D', 1))],
      arrays: [
        {
          ...blankArray('a', 'A', 0),
          ratingW: null,
          panels: [groupOf(panel, { ...blankPanels('p', 'P', 1), series: 2 })],
          controller: controllerOf(controller),
        },
      ],
    };
    const checked = validateJob({ ...job, options: [{ ...option, system }] });
    expect(checked.ok).toBe(true);
    expect(system.arrays[0]?.panels[0]).toMatchObject({ id: 'p', ratingW: 100, series: 2, vocV: 21.6 });
    expect(system.store.strings[0]).toMatchObject({ id: 's', capacityAh: 50, kg: 6, price: 260 });
  });
});

describe('the smallest that will do', () => {
  it.each([
    [12, 40, ['LFP 12.8 V 50 Ah', 1, 1]],
    [12, 100, ['LFP 12.8 V 100 Ah', 1, 1]],
    [12, 120, ['LFP 12.8 V 50 Ah', 1, 3]],
    [12, 260, ['LFP 12.8 V 100 Ah', 1, 3]],
    [12, 700, ['LFP 12.8 V 200 Ah', 1, 4]],
    [24, 90, ['LFP 25.6 V 100 Ah', 1, 1]],
    [48, 150, ['LFP 12.8 V 50 Ah', 4, 3]],
  ] as const)('at %d V %d Ah are %j', (busV, ah, [name, series, parallel]) => {
    const asks = { requiredWh: ah * (busV / 12) * 12.8, currents: steady(0) };
    expect(smallestBank(PARTS, 'lfp', busV, asks)).toMatchObject({ part: { name }, series, parallel });
  });

  it('two flooded units of 6 V make a string of 12 V; what no four strings reach is none', () => {
    expect(smallestBank(PARTS, 'flooded', 12, { requiredWh: 2400, currents: steady(0) })).toMatchObject({
      series: 2,
      parallel: 1,
    });
    expect(smallestBank(PARTS, 'lfp', 12, { requiredWh: 11_520, currents: steady(0) })).toBeNull();
    expect(smallestBank([], 'lfp', 12, { requiredWh: 1, currents: steady(0) })).toBeNull();
  });

  it('a bank gives the worst moment too, by the BMS of its units or the usual of its chemistry', () => {
    // 160 A are more than one BMS of 150 A gives: two of 100 Ah give 200 A, and hold no more than one of 200 Ah.
    expect(smallestBank(PARTS, 'lfp', 12, { requiredWh: 2048, currents: steady(160) })).toMatchObject({
      part: { name: 'LFP 12.8 V 100 Ah' },
      parallel: 2,
    });
    // A quarter of 100 Ah is what lead gives where nothing is said: 60 A are three of them.
    const plain = {
      ...(partsOf(PARTS, 'battery')[0] as PartOf<'battery'>),
      chemistry: 'agm',
      unitV: 12,
      capacityAh: 100,
    };
    const unsaid: Part = { ...plain, chemistry: 'agm', dischargeA: null };
    expect(smallestBank([unsaid], 'agm', 12, { requiredWh: 600, currents: steady(60) })?.parallel).toBe(3);
    // By energy and not by Ah: units of 12.0 V hold less.
    const low: Part = { ...plain, chemistry: 'lfp', dischargeA: 500 };
    expect(smallestBank([low], 'lfp', 12, { requiredWh: 1280, currents: steady(0) })?.parallel).toBe(2);
  });

  it('banks of the list: of units of the bus, and of units in a row', () => {
    // 3,000 Wh at 24 V: two of 25.6 V 100 Ah; in a row two of 12.8 V, 1,280 Wh each, 2,560 Wh a string.
    const { native, inRow } = banksOfList(PARTS, 'lfp', 24, { requiredWh: 3000, currents: steady(0) });
    expect(native).toMatchObject({ part: { name: 'LFP 25.6 V 100 Ah' }, series: 1, parallel: 2 });
    expect(inRow).toMatchObject({ part: { name: 'LFP 12.8 V 50 Ah' }, series: 2, parallel: 3 });
    expect(banksOfList(PARTS, 'agm', 24, { requiredWh: 2000, currents: steady(0) })).toMatchObject({
      native: null,
      inRow: { series: 2 },
    });
  });

  it('panels with the least over, of equal ones the fewest', () => {
    const any = () => true;
    expect(smallestPanels(PARTS, 320, any)).toMatchObject({ part: { ratingW: 320 }, series: 1, parallel: 1 });
    expect(smallestPanels(PARTS, 400, any)).toMatchObject({ part: { ratingW: 200 }, series: 1, parallel: 2 });
    expect(smallestPanels(PARTS, 0, any)).toMatchObject({ part: { ratingW: 100 }, series: 1, parallel: 1 });
    expect(smallestPanels(PARTS, 9000, any)).toBeNull();
    expect(smallestPanels(PARTS, 100, () => false)).toBeNull();
    // Rows of two come to four panels where three would do.
    const pairs = (_: unknown, series: number) => series === 2;
    expect(smallestPanels(PARTS, 290, pairs)).toMatchObject({ part: { ratingW: 175 }, series: 2, parallel: 1 });
  });

  it('a controller bears the amps and the cold volts; a charger stays within what feeds it', () => {
    const brought = { watts: 200, amps: 14, coldV: 60, shortA: null, hotV: null };
    const name = (part: object) => smallestController(PARTS, { ...brought, ...part })?.name;
    expect(name({})).toBe('MPPT 75 V 15 A');
    expect(name({ coldV: 80 })).toBe('MPPT 100 V 20 A');
    expect(name({ amps: 60, coldV: null })).toBe('MPPT 150 V 70 A');
    expect(name({ amps: 71, coldV: null })).toBeUndefined();
    // What is said of its input counts too: amps short-circuited, W, and volts from which it works.
    const small = {
      ...(partsOf(PARTS, 'controller')[0] as PartOf<'controller'>),
      type: 'mppt' as const,
      maxA: 20,
      maxV: 100,
    };
    const takes = (limits: Partial<PartOf<'controller'>>, part: object) =>
      smallestController([{ ...small, ...limits }], { ...brought, ...part }) !== null;
    expect([takes({ maxInputA: 15 }, { shortA: 14 }), takes({ maxInputA: 15 }, { shortA: 16 })]).toEqual([true, false]);
    expect([takes({ maxW: 200 }, {}), takes({ maxW: 190 }, {})]).toEqual([true, false]);
    expect([takes({ minV: 60 }, { hotV: 61 }), takes({ minV: 60 }, { hotV: 59 })]).toEqual([true, false]);
    expect(smallestLink(PARTS, 25, 100)?.ratingA).toBe(30);
    expect(smallestLink(PARTS, 55, 45)?.ratingA).toBe(40);
    expect(smallestLink(PARTS, 5, 10)).toBeNull();
    expect(smallestInverter(PARTS, 1400)?.ratingW).toBe(1500);
    expect(smallestInverter(PARTS, 5001)).toBeNull();
  });
});

describe('the list as a table', () => {
  it('comes back as it went out', () => {
    const { parts, faults } = partsFromRows(PARTS.map(partToRow));
    expect(faults).toEqual([]);
    expect(parts).toEqual(PARTS);
  });

  it.each([
    [{ kind: 'lamp', name: 'x' }, /kind: expected one of/],
    [{ kind: 'panel', name: 'x', ratingW: 'much' }, /ratingW: “much” is no number/],
    [{ kind: 'panel', name: 'x', ratingW: '100', capacityAh: '5' }, /capacityAh: a solar panel has no such figure/],
  ])('%j is refused by its line', (row, problem) => {
    const { parts, faults } = partsFromRows([row]);
    expect([parts, faults]).toEqual([[], [{ line: 2, problem: expect.stringMatching(problem) }]]);
  });

  it('property: whatever stands in the cells, nothing is thrown and nothing is lost', () => {
    const cell = fc.oneof(fc.string({ maxLength: 8 }), fc.constantFrom('', '12', '1,5', '-3', 'panel', 'battery'));
    fc.assert(
      fc.property(fc.array(fc.record({ kind: cell, name: cell, ratingW: cell, price: cell })), (rows) => {
        const { parts, faults } = partsFromRows(rows);
        expect(parts.length + faults.length).toBe(rows.length);
      }),
    );
  });
});

describe('the door for parts', () => {
  const [battery, panel] = [partsOf(PARTS, 'battery')[0] as Part, partsOf(PARTS, 'panel')[0] as Part];
  it.each([
    [{ ...battery, capacityAh: 0 }, '/capacityAh'],
    [{ ...battery, chemistry: 'magic' }, '/chemistry'],
    [{ ...battery, extra: 1 }, '/extra'],
    [{ ...panel, impA: 0 }, '/impA'],
    [{ ...panel, name: '' }, '/name'],
    [{ kind: 'lamp' }, '/kind'],
    [null, '/'],
  ])('%j is refused, with the place', (document, path) => {
    const checked = validatePart(document);
    expect(checked.ok).toBe(false);
    if (!checked.ok) expect(checked.faults[0]?.path).toBe(path);
  });
});
