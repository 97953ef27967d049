import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { run as runAssess } from './assess.ts';
import { answered } from './command.ts';
import { flatId } from './flatIds.ts';
import { run as runNetlist } from './netlist.ts';

const directory = mkdtempSync(join(tmpdir(), 'joulemetric-cli-'));
afterAll(() => rmSync(directory, { recursive: true }));

const assess = (...args: string[]) => answered(runAssess, args);

describe('the command line', () => {
  it('prints the assessment of the option asked for', async () => {
    const { stdout } = await assess('demo/river-survey-4wd.json', '--option', 'b');
    const { optionId, figures } = JSON.parse(stdout);
    expect(optionId).toBe('b');
    expect(figures['demand.battery'].value).toBe(figures['demand.useful'].value + figures['loss.total'].value);
  });

  it('prints ids without brackets, also where one figure refers to another', async () => {
    const { stdout } = await assess('demo/bookbinders-camper.json');
    expect(stdout).not.toMatch(/\w\[/);
    const { figures } = JSON.parse(stdout);
    const full = Object.entries(figures).find(([id]) => id.startsWith('supply.full.')) as [string, never];
    const { inputs } = (full[1] as { working: { inputs: { symbol: string; figure?: string }[] } }).working;
    const worst = inputs.find(({ symbol }) => symbol === 'worst')?.figure ?? '';
    expect(worst).toBe(full[0].replace('full', 'worst'));
    expect(figures[worst].value).toBeGreaterThan(0);
  });

  it('--runs prints each run, what decided it, each appliance’s volts and where it drops out', async () => {
    const { stdout } = await assess('demo/river-survey-4wd.json', '--runs');
    const { isLaid, lines, appliances, copper, findings } = JSON.parse(stdout);
    expect(isLaid).toBe(true);
    const lead = lines.find(({ run: { id } }: { run: { id: string } }) => id === 'to-fridge');
    // 5.5 m of 4 mm²: 4.95 Ω/km there and back, with four joints of 0.1 mΩ, at 20 °C.
    expect(lead.coldMohm).toBeCloseTo(2 * 5.5 * 4.95 + 0.4, 6);
    expect(lead).toMatchObject({ decidedBy: 'given', size: '4 mm²', thicker: { size: '6 mm²' } });
    const freezer = appliances.find(({ loadId }: { loadId: string }) => loadId === 'sample-freezer');
    expect(freezer.cutOffV).toBe(11.8);
    expect(freezer.volts.full.cold).toBeGreaterThan(freezer.volts.low.hot);
    expect(freezer.dropOut.soc).toBeGreaterThan(0);
    expect(copper.map(({ busV }: { busV: number }) => busV)).toEqual([12, 24]);
    expect(findings.map(({ code }: { code: string }) => code)).toContain('run-drop');
  });

  it('netlist prints a deck whose bank, runs and loads are those of the job; a wrong flag is refused', async () => {
    const netlist = (...args: string[]) => answered(runNetlist, args);
    const { stdout } = await netlist('demo/river-survey-4wd.json', '--charged', 'full', '--copper', 'cold');
    expect(stdout).toContain('Vbank rest 0 13.6');
    expect(stdout.match(/^R\d+ /gm)?.length).toBeGreaterThan(10);
    expect(stdout.trimEnd().endsWith('.end')).toBe(true);
    const bad = await netlist('demo/river-survey-4wd.json', '--charged', 'half');
    expect([bad.code, bad.stderr]).toEqual([2, expect.stringContaining('--charged: one of full, typical, low')]);
  });

  it.each([
    ['inverter[kitchen].rating', 'device.rating.kitchen'],
    ['supply[shore-2].assist-battery', 'supply.assist-battery.shore-2'],
    ['array[roof].yield', 'array.yield.roof'],
    ['store.required', 'store.required'],
  ])('%s is printed as %s', (id, flat) => expect(flatId(id)).toBe(flat));

  it('prints the moves, the best first, and the order to make them in', async () => {
    const { stdout } = await assess('demo/river-survey-4wd.json', '--moves');
    const { optionId, moves, sequence, needWh } = JSON.parse(stdout);
    expect(optionId).toBe('a');
    const saved = moves.map(({ savedWh }: { savedWh: number }) => savedWh);
    expect(saved).toEqual([...saved].sort((a, b) => b - a));
    expect(sequence[0].id).toBe(moves[0].move.id);
    expect(sequence[0].needWh).toBeCloseTo(needWh - saved[0], 9);
  });

  it('prints the worst moment: sets in order, and on each supply the order that peaks lowest', async () => {
    const { stdout } = await assess('demo/bookbinders-camper.json', '--moment');
    const { inverters, orders, bus } = JSON.parse(stdout);
    const weights = inverters[0].sets.map(({ weight }: { weight: number }) => weight);
    expect(weights).toEqual([...weights].sort((a, b) => b - a));
    expect(bus.weight).toBeGreaterThan(weights[0]);
    expect(orders[0].peak).toBeLessThanOrEqual(orders[0].worstOrder);
  });

  it('prints the bank, what fills it, and the job at three voltages', async () => {
    const { stdout } = await assess('demo/river-survey-4wd.json', '--store');
    const { bank, fillings, voltages, schools, gauge, advised } = JSON.parse(stdout);
    expect(bank.capacityWh).toBeCloseTo(bank.ah * bank.nominalV, 9);
    expect(bank.strings).toHaveLength(1);
    expect(fillings.at(-1).kind).toBe('all');
    expect(voltages.map(({ busV }: { busV: number }) => busV)).toEqual([12, 24, 48]);
    expect(voltages.map(({ isChosen }: { isChosen: boolean }) => isChosen)).toEqual([true, false, false]);
    expect([12, 24, 48]).toContain(advised);
    expect(schools.some(({ isChosen }: { isChosen: boolean }) => isChosen)).toBe(true);
    expect(gauge[0].soc).toBe(1);
  });

  it('prints twelve months by kinds of day, ledgers that add up, windows and unlike panels', async () => {
    const { stdout } = await assess('demo/river-survey-4wd.json', '--sources');
    const { kinds, cells, ledgers, windows, unlike, links, supplies, met, oneBox } = JSON.parse(stdout);
    expect(kinds.map(({ kind }: { kind: string }) => kind)).toEqual(['bright', 'dull', 'driving', 'outlet']);
    expect(cells).toHaveLength(48);
    expect(met.map(({ conversions }: { conversions: number }) => conversions)).toEqual([0, 1, 2]);
    const [asItIs, ...others] = oneBox.columns;
    expect([asItIs.what, ...others.map(({ what }: { what: string }) => what)]).toEqual([
      'as it is',
      'separate',
      'one box',
    ]);
    expect(oneBox.columns.every((column: object) => !('system' in column))).toBe(true);
    for (const { netWh, sparedWh, sunWh, drivingWh, supplyWh, needWh } of cells)
      expect(netWh).toBeCloseTo(sunWh + drivingWh + supplyWh - needWh + sparedWh, 6);
    for (const { baseWh, taken, usedWh } of ledgers)
      expect((Object.values(taken) as number[]).reduce((left, wh) => left - wh, baseWh)).toBeCloseTo(usedWh, 6);
    // One of 24.1 V at 11 °C by night, 1 °C at its coldest.
    expect(windows[0].coldVoc.value).toBeCloseTo(24.1 * (1 + 0.0029 * 24), 6);
    expect(unlike[0].atLabel.apartW).toBeCloseTo(19.8 * 8.84 + 17.9 * 5.6, 1);
    expect(unlike[0].atLabel.together.watts).toBeLessThan(unlike[0].atLabel.apartW);
    expect(unlike[0].curve).toBeUndefined();
    expect(links[0].farV).toBeLessThan(13.5);
    expect(supplies[0].packKwh).toBeCloseTo(78 * 0.6, 9);
  });

  it.each([
    [['demo/river-survey-4wd.json', '--option', 'z'], /no option "z"; it has a, b/],
    [['nowhere.json'], /nowhere\.json/],
    [[], /usage/],
    [['a.json', 'b.json'], /usage/],
    [['--wrong'], /Unknown option/],
  ])('refuses %j with exit code 2 and the reason', async (args, reason) => {
    const { code, stdout, stderr } = await assess(...args);
    expect([code, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(reason);
  });

  it('names the place of every fault in a bad file', async () => {
    const file = join(directory, 'bad.json');
    writeFileSync(file, '{"format":"joulemetric-job","schemaVersion":1,"title":""}');
    expect(await assess(file)).toMatchObject({
      code: 2,
      stderr: expect.stringMatching(/\/brief: expected .*\n(?:.*\n)*.*\/title: expected at least 1 characters/),
    });
    writeFileSync(file, '{broken');
    expect(await assess(file)).toMatchObject({ code: 2, stderr: expect.stringContaining('not JSON') });
  });
});
