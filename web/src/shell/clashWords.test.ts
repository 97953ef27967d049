import { blankJob, type Job, mergeParts, proposeLoad } from '@joulemetric/core';
import { expect, it } from 'vitest';
import { clashWords } from './clashWords.ts';

const { load: lamp } = proposeLoad('lamp 10W 1h', () => 'lamp');
if (!lamp) throw new Error('no lamp');
const base: Job = { ...blankJob('Van'), loads: [lamp] };
const edit = (part: object, draw: object = {}): Job => ({
  ...base,
  loads: base.loads.map((load) => ({ ...load, ...part, draw: { ...load.draw, ...draw } }) as typeof load),
});
const wordsOf = (mine: Job, theirs: Job) =>
  mergeParts(base, mine, theirs, 'mine').clashes.map((clash) => clashWords(clash, [mine, theirs]));

it('a part that two people changed is named as a person would, with what each made of it', () => {
  expect(wordsOf(edit({}, { powerW: 12 }), edit({}, { powerW: 8 }))).toEqual([
    { part: 'Lamp · power, W', mine: '12', theirs: '8' },
  ]);
  expect(wordsOf(edit({ critical: true, room: 'cab' }), edit({ critical: false, room: 'hold' }))).toEqual([
    { part: 'Lamp · room', mine: 'cab', theirs: 'hold' },
  ]);
  expect(wordsOf({ ...base, loads: [] }, edit({ quantity: 2 }))).toEqual([
    { part: 'Lamp', mine: 'removed', theirs: 'changed: quantity' },
  ]);
  expect(wordsOf({ ...base, client: 'A' }, { ...base, client: 'B' })).toEqual([
    { part: 'Client', mine: 'A', theirs: 'B' },
  ]);
});
