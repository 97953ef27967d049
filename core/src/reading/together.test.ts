import { describe, expect, it } from 'vitest';
import type { Load } from '../job/schema.ts';
import { buildDay } from '../test/dayEnergy.ts';
import { proposeLoad } from './propose.ts';

const total = ({ uses }: Load) => uses.reduce((sum, { minutes }) => sum + minutes, 0);
const about = (a: number, b: number) => Math.abs(a - b) <= 0.11 * Math.max(1, Math.abs(b));
const each = ({ uses }: Load, minutes: number) => uses.every((use) => about(use.minutes, minutes));
const starts = ({ uses }: Load, from: number, to: number) =>
  uses.every(({ startMin }) => (from < to ? startMin >= from && startMin < to : startMin >= from || startMin < to));
const offOn = ({ variants }: Load, on: string) =>
  variants.some((variant) => variant.on === on && variant.uses.length === 0);

/** What a line may say, and what is then so of its load whatever else it says; by hand. */
const SAYS: Record<string, [says: string, isSo: (load: Load, has: (what: string) => boolean) => boolean]> = {
  long: ['2 h', (load, has) => each(load, 120) || about(total(load), 120) || (has('every') && about(total(load), 20))],
  often: ['3x a day', ({ uses }) => uses.length === 3],
  every: ['10 min every hour', (load) => each(load, 10)],
  clock: [
    'from 8 to 18',
    (load, has) =>
      load.uses.every(({ startMin, minutes }) => startMin >= 479.9 && startMin + minutes <= 1080.1) &&
      (has('every') || has('often') || has('twice') || about(total(load), 600)),
  ],
  night: ['at night', (load) => starts(load, 17 * 60, 8 * 60)],
  begins: ['at 6pm', ({ uses }) => uses.length === 1 && uses[0]?.startMin === 1080],
  daily: ['300 Wh/day', (load) => about(buildDay(load), 300)],
  charge: ['5 Ah/day', (load) => about(buildDay(load), 60)],
  perUse: ['50 Wh per use', (load) => about(buildDay(load), 50 * load.uses.length)],
  days: ['2 days a week', ({ daysPerWeek }) => daysPerWeek === 2],
  weekdays: ['on weekdays', (load) => load.daysPerWeek === 5 && offOn(load, 'weekend')],
  weekends: ['weekends', (load) => load.daysPerWeek === 2 && offOn(load, 'weekday')],
  winter: ['in winter', (load) => offOn(load, 'summer')],
  duty: ['50% duty', ({ draw }) => draw.kind === 'thermostatic' && draw.duty === 0.5],
  weekly: ['90 min a week', (load) => load.daysPerWeek === 1 && about(total(load), 90)],
  // Every night, or every morning, all of it is said so too.
  always: [
    '24/7',
    (load, has) =>
      about(total(load), 1440) || has('night') || has('mornings') || (has('every') && about(total(load), 240)),
  ],
  twice: [
    'morning and evening',
    // At night as well it is one of three.
    ({ uses }, has) =>
      uses.length === (has('night') ? 3 : 2) &&
      uses.some(({ startMin }) => startMin < 720) &&
      uses.some(({ startMin }) => startMin >= 900),
  ],
  // Beside another time it is one of two.
  mornings: [
    'mornings',
    (load, has) =>
      starts(load, 240, 720) ||
      (['night', 'twice', 'begins'].some(has) && load.uses.some(({ startMin }) => startMin >= 240 && startMin < 720)),
  ],
  total: ['2 h total', (load, has) => about(total(load), has('every') ? 20 : 120)],
  minutes: ['5 min each', (load) => each(load, 5)],
};
const KEYS = Object.keys(SAYS);

function* some(count: number, from = 0): Generator<string[]> {
  if (count === 0) yield [];
  else
    for (let i = from; i < KEYS.length; i++)
      for (const rest of some(count - 1, i + 1)) yield [KEYS[i] as string, ...rest];
}

/** Of "2 h 5 min each" and "5 min each 2 h" the words say something else together. */
const MERGED = /2 h(?: total)? 5 min each|5 min each 2 [hd]|24\/7 2 h|24\/7 5 min/;

/** Lines that are read, and of which something that they say is not so. */
function wrong(thing: string, count: number): string[] {
  const found: string[] = [];
  for (const chosen of some(count))
    for (const order of [chosen, chosen.toReversed()]) {
      const line = `${thing} ${order.map((key) => SAYS[key]?.[0]).join(' ')}`;
      if (MERGED.test(line)) continue;
      const { load, questions } = proposeLoad(line, () => 'x');
      if (!load || questions.length > 0) continue;
      const not = chosen.filter((key) => !SAYS[key]?.[1](load, (other) => chosen.includes(other)));
      if (not.length > 0) found.push(`${line}: not ${not.join(', ')}`);
    }
  return found;
}

describe('whatever a line says together is so of its load, or is asked', () => {
  it.each(['plonker 60 W', 'kettle', 'washing machine', 'diesel heater', 'wifi router 9W', 'tv'])(
    '%s: two',
    (thing) => {
      expect(wrong(thing, 2)).toEqual([]);
    },
  );
  it.each(['plonker 60 W', 'washing machine', 'wifi router 9W'])('%s: three', (thing) => {
    expect(wrong(thing, 3)).toEqual([]);
  });

  it('and what is read is read: pairs that go together stay without a question', () => {
    const read = [...some(2)].filter(
      (chosen) =>
        proposeLoad(`plonker 60 W ${chosen.map((key) => SAYS[key]?.[0]).join(' ')}`, () => 'x').questions.length === 0,
    );
    expect(read.length).toBeGreaterThan(60);
  });
});

describe('the last look', () => {
  const asks = (line: string) => proposeLoad(line, () => 'x').questions.map(({ found }) => found);

  it.each([
    ['thing 60 W from 8 to 18 at night', ['at night']],
    ['diesel heater at lunch', ['at lunch']],
    ['wifi router 9W mornings', ['mornings']],
  ])('%s', (line, places) => {
    expect(asks(line)).toEqual(places);
  });

  it.each([
    'fridge on all day and night 45 W',
    'tv 3 nights a week 2 h',
    'fan 8W 20 min mornings and evenings',
    'light 5 W dusk till dawn',
    'cpap 8 h a night',
    'tyre inflator 120W 5min pm',
    'kettle breakfast and dinner 4 min',
  ])('lets pass: %s', (line) => {
    expect(asks(line)).toEqual([]);
  });

  it('goes on for two hours in one stretch, in the part of the day that is named', () => {
    const { load } = proposeLoad('pump 60 W 10 min every hour 2 h at night', () => 'x');
    expect(load?.uses.map(({ startMin, minutes }) => [startMin, minutes])).toEqual([
      [60, 10],
      [120, 10],
    ]);
  });

  it('spreads what goes on by day and night over the day and the night', () => {
    const { load } = proposeLoad('pump 60 W 1 min every 30 min 24/7', () => 'x');
    expect(load?.uses).toHaveLength(48);
    expect(load?.uses.at(-1)?.startMin).toBe(1410);
  });
});
