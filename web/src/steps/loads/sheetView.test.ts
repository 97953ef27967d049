import { blankJob, loadsOfTemplate, TEMPLATES } from '@joulemetric/core';
import { describe, expect, it } from 'vitest';
import {
  addLoads,
  changeLoads,
  changeUses,
  duplicateLoads,
  moveLoadTo,
  removeLoads,
  setVariant,
} from '../../commands/loads.ts';
import { sheetItems } from './sheetView.ts';

const template = TEMPLATES[0];
if (!template) throw new Error('no template');
const job = addLoads(loadsOfTemplate(template, []))(blankJob('Sheet'));
const [fridge, lights, phones] = job.loads.map(({ id }) => id) as [string, string, string];
const ids = (items: ReturnType<typeof sheetItems>) =>
  items.map((item) => (item.kind === 'load' ? item.load.id : `# ${item.name} ${item.loads} ${item.batteryWh}`));

describe('the sheet of loads', () => {
  it('shows the list as it is, or what contains every typed word', () => {
    expect(ids(sheetItems(job.loads, () => 1, 'none', ''))).toEqual(job.loads.map(({ id }) => id));
    expect(ids(sheetItems(job.loads, () => 1, 'none', 'FRIDGE'))).toEqual([fridge]);
    expect(ids(sheetItems(job.loads, () => 1, 'none', 'fridge inverter'))).toEqual([]);
  });

  it('groups by room with a sum for each, what has no room last', () => {
    const roomed = changeLoads(new Set([lights, phones]), { room: 'cabin' }, 'a')(job);
    const items = ids(sheetItems(roomed.loads, (index) => index, 'room', ''));
    expect(items.slice(0, 3)).toEqual(['# cabin 2 3', lights, phones]);
    expect(items[3]).toBe(`#  ${job.loads.length - 2} ${0 + 3 + 4 + 5 + 6}`);
  });
});

describe('edits of several loads', () => {
  it('copy and remove what is chosen, and nothing else', () => {
    const two = new Set([fridge, phones]);
    expect(duplicateLoads(two)(job).loads).toHaveLength(job.loads.length + 2);
    expect(removeLoads(two)(job).loads.map(({ id }) => id)).toEqual(
      job.loads.map(({ id }) => id).filter((id) => !two.has(id)),
    );
  });

  it('drop a load before another, in a room, or at the end', () => {
    const moved = moveLoadTo(phones, fridge, { room: 'galley' })(job).loads;
    expect(moved.slice(0, 3).map(({ id }) => id)).toEqual([phones, fridge, lights]);
    expect(moved[0]?.room).toBe('galley');
    expect(moveLoadTo(fridge, null)(job).loads.at(-1)?.id).toBe(fridge);
    expect(moveLoadTo(fridge, fridge)(job)).toBe(job);
  });

  it('on a winter day change the winter runs alone, and give them back', () => {
    const day = { season: 'winter', week: 'usual', motion: 'usual' } as const;
    const evening = [{ startMin: 1000, minutes: 300 }];
    const changed = changeUses(lights, day, evening)(job);
    const find = (from: typeof job) => from.loads.find(({ id }) => id === lights);
    expect(find(changed)?.uses).toEqual(find(job)?.uses);
    expect(find(changed)?.variants).toEqual([{ on: 'winter', uses: evening }]);
    expect(find(setVariant(lights, 'winter', null)(changed))?.variants).toEqual([]);
    expect(find(changeUses(lights, { ...day, season: 'usual' }, evening)(job))?.uses).toEqual(evening);
  });
});
