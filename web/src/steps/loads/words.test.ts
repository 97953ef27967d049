import { DAY_KINDS, type DayKind, proposeLoad, type Question } from '@joulemetric/core';
import { describe, expect, it } from 'vitest';
import { LABELS } from '../../../../core/src/test/labelCorpus.ts';
import { LINES } from '../../../../core/src/test/lineCorpus.ts';
import { DAY_KIND_WORDS, dayOf, dayWords } from './dayWords.ts';
import { KIND_CHOICES, usesOfKind } from './kinds.ts';
import { questionWords } from './questionWords.ts';

const textsOf = (corpus: string): string[] =>
  corpus
    .trim()
    .split('\n')
    .map((line) => line.split(' ⇒ ')[0] ?? '');
const load = (text: string) => {
  const { load: made } = proposeLoad(text, () => 'it');
  if (!made) throw new Error(text);
  return made;
};

describe('what is asked about a typed line', () => {
  const asked: Question[] = [...textsOf(LINES), ...textsOf(LABELS)].flatMap((text) => [
    ...proposeLoad(text, () => 'it').questions,
  ]);

  it('is a sentence of its own that names what was typed, for every line and label of the corpus', () => {
    expect(asked.length).toBeGreaterThan(60);
    for (const question of asked) {
      const words = questionWords(question);
      expect(words).toMatch(/^[“A-ZÄÖÜ0-9].*[.?]$/u);
      expect(words).not.toMatch(/undefined|null|\[object/);
      // Two say what stands there without it: what is meant is all of the line.
      if (question.code !== 'battery' && question.code !== 'several-outputs') expect(words).toContain(question.found);
    }
  });

  it('covers most kinds of question, so that none is tried in vain', () => {
    expect(new Set(asked.map(({ code }) => code)).size).toBeGreaterThan(15);
  });
});

describe('a kind of day in words', () => {
  it.each([
    [{ season: 'usual', week: 'usual', motion: 'usual' }, 'a usual day'],
    [{ season: 'usual', week: 'usual', motion: 'parked' }, 'a parked day'],
    [{ season: 'winter', week: 'usual', motion: 'usual' }, 'a winter day'],
    [{ season: 'usual', week: 'weekend', motion: 'usual' }, 'a weekend'],
    [{ season: 'winter', week: 'weekend', motion: 'parked' }, 'a winter weekend, parked'],
    [{ season: 'summer', week: 'usual', motion: 'driving' }, 'a summer day, driving'],
  ] as const)('%j is “%s”', (day, words) => {
    expect(dayWords(day)).toBe(words);
  });

  it('each kind has its word, and stands in one place of a day alone', () => {
    for (const kind of DAY_KINDS as readonly DayKind[]) {
      expect(DAY_KIND_WORDS[kind]).toMatch(/^[a-z ]+$/);
      const parts = Object.values(dayOf(kind)).filter((part) => part !== 'usual');
      expect(parts).toEqual([kind]);
    }
  });
});

describe('another kind of load', () => {
  it('what never rests runs all day; others keep their hours, or get one in the evening', () => {
    const lamp = load('lamp 10W 4h');
    const allDay = [{ startMin: 0, minutes: 1440 }];
    expect(usesOfKind('thermostatic', lamp)).toEqual(allDay);
    expect(usesOfKind('standby', lamp)).toEqual(allDay);
    expect(usesOfKind('cycle', lamp)).toEqual(lamp.uses);
    expect(usesOfKind('steady', { ...lamp, uses: [] })).toEqual([{ startMin: 1080, minutes: 60 }]);
    expect(new Set(KIND_CHOICES.map(({ label }) => label)).size).toBe(KIND_CHOICES.length);
  });
});
