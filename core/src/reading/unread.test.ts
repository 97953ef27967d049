import { describe, expect, it } from 'vitest';
import { proposeLoad } from './propose.ts';

const asked = (line: string): [string, string[]][] =>
  proposeLoad(line, () => 'x').questions.flatMap(({ code, found, choices }): [string, string[]][] =>
    code === 'unread-rest' ? [[found, [...choices]]] : [],
  );

describe('words behind the figures that nothing has read', () => {
  it('are asked about where they stand, to be put in brackets or left out', () => {
    const line = 'gizmo 45 W 10 min by request';
    const [question] = proposeLoad(line, () => 'x').questions;
    expect(question).toMatchObject({ code: 'unread-rest', found: 'request', choices: ['(request)', ''] });
    expect(line.slice(question?.start, question?.end)).toBe('request');
  });

  it('each run of them is one question', () => {
    expect(asked('gizmo 45 W fully open 10 min, Sunday Fondue')).toEqual([
      ['fully open', ['(fully open)', '']],
      ['Fondue', ['(Fondue)', '']],
    ]);
  });

  it('in brackets belong to the name and ask nothing', () => {
    const { load, questions } = proposeLoad('gizmo 45 W 10 min (by request)', () => 'x');
    expect(questions).toEqual([]);
    expect(load?.name).toBe('Gizmo (by request)');
  });

  it.each([
    'gizmo by request 45 W 10 min',
    '45 W gizmo by request 10 min',
    '10 min gizmo by request 45 W',
    '2 h TV',
    '45 W 10 min gizmo by request',
    'gizmo 45 W',
  ])('before the figures they are the name: %s', (line) => {
    expect(asked(line)).toEqual([]);
  });

  it.each([
    ['parts of the day and small words', 'gizmo 45 W about 10 min each in the morning'],
    ['places', 'lamp 5 W 2 h in the kitchen'],
    ['words of its own type', 'laptop 65 W 3 h on its charger'],
    ['words of its name', 'gizmo pump 45 W 10 min each pump'],
    ['a letter alone', 'gizmo 45 W 10 min B'],
    ['units that no figure needs', 'fridge 600 Wh/24h at 30 °C'],
  ])('nothing is asked for %s', (_what, line) => {
    expect(asked(line)).toEqual([]);
  });

  it('what another question covers is not asked twice', () => {
    const { questions } = proposeLoad('gizmo 45 W 2 h when needed', () => 'x');
    expect(questions.map(({ code }) => code)).toEqual(['unread-word']);
  });
});
