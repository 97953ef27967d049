import { describe, expect, it } from 'vitest';
import { readMonths } from './readMonths.ts';

const YEAR = [1.2, 2, 3, 4, 5, 5.5, 5, 4.5, 3.5, 2.5, 1.5, 1];

describe('twelve figures of a table', () => {
  it.each([
    ['blanks', '1.2 2 3 4 5 5.5 5 4.5 3.5 2.5 1.5 1'],
    ['tabs, as a spreadsheet copies them', '1.2\t2\t3\t4\t5\t5.5\t5\t4.5\t3.5\t2.5\t1.5\t1\n'],
    ['semicolons and decimal commas', '1,2; 2; 3; 4; 5; 5,5; 5; 4,5; 3,5; 2,5; 1,5; 1'],
    ['commas with a blank', '1.2, 2, 3, 4, 5, 5.5, 5, 4.5, 3.5, 2.5, 1.5, 1'],
    ['lines', YEAR.join('\n')],
  ])('are read apart by %s', (_name, text) => {
    expect(readMonths(text, 0, 12)).toEqual({ months: YEAR });
  });

  it('may be below zero', () => {
    const cold = '-12 −10 -4 0 5 9 12 11 6 1 -5 -9';
    expect(readMonths(cold, -50, 50)).toEqual({ months: [-12, -10, -4, 0, 5, 9, 12, 11, 6, 1, -5, -9] });
  });

  it.each([
    ['1 2 3', /these are 3/],
    ['1 2 3 4 5 6 7 8 9 10 11 12 13', /these are 13/],
    ['1 2 drei 4 5 6 7 8 9 10 11 12', /March: “drei” is no number/],
    ['1 2 3 4 5 6 7 8 9 10 11 40', /December: 40 is not between 0 and 12/],
  ])('%s is asked about, naming the month', (text, problem) => {
    const read = readMonths(text, 0, 12);
    expect('problem' in read && read.problem).toMatch(problem);
  });
});
