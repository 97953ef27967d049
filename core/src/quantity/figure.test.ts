import { describe, expect, it } from 'vitest';
import { bind, type Draft, family, familyOf, refer } from './figure.ts';

const draft = (value: number, ...inputs: Draft['working']['inputs']): Draft => ({
  value,
  unit: 'Wh',
  label: `worth ${value}`,
  basis: { label: 'P', source: 'a book' },
  working: { formula: '{a}', inputs },
});

describe('figures bound to one another', () => {
  it('take value, unit, label and basis of what they refer to, wherever it is explained', () => {
    const bound = bind({
      ...family('loss', { total: draft(5, refer('need', 'demand.bus')) }),
      ...family('demand', { bus: draft(7) }),
    });
    expect(bound['loss.total']?.working.inputs).toEqual([
      {
        symbol: 'need',
        label: 'worth 7',
        value: 7,
        unit: 'Wh',
        origin: { label: 'P', source: 'a book' },
        figure: 'demand.bus',
      },
    ]);
  });

  it('may refer to each other both ways, and to one of several', () => {
    const bound = bind({
      ...family('a', { x: draft(1, refer('other', 'b[one].y')) }),
      ...familyOf('b', [
        { id: 'one', members: { y: draft(2, refer('first', 'a.x')) } },
        { id: 'two', members: { y: draft(3) } },
      ]),
    });
    expect(Object.keys(bound)).toEqual(['a.x', 'b[one].y', 'b[two].y']);
    expect(bound['a.x']?.working.inputs[0]).toMatchObject({ value: 2, figure: 'b[one].y' });
    expect(bound['b[one].y']?.working.inputs[0]).toMatchObject({ value: 1, figure: 'a.x' });
  });

  it('a reference to nothing names who refers to what', () => {
    expect(() => bind(family('loss', { total: draft(5, refer('need', 'demand.buss')) }))).toThrow(
      'loss.total refers to demand.buss',
    );
  });

  it.each([Number.NaN, Number.POSITIVE_INFINITY])('%d is no figure', (value) => {
    expect(() => bind(family('a', { x: draft(value) }))).toThrow('a.x is not a finite number');
  });

  it('no figure is −0, nor what refers to it', () => {
    const bound = bind({ ...family('a', { x: draft(-0) }), ...family('b', { y: draft(1, refer('x', 'a.x')) }) });
    expect(Object.is(bound['a.x']?.value, 0)).toBe(true);
    expect(Object.is(bound['b.y']?.working.inputs[0]?.value, 0)).toBe(true);
  });
});
