import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changesBetween, keeping, withChanges } from './changes.ts';

describe('what changed between two values', () => {
  // What every object has something for may be the name of a load; the schema takes no "__proto__".
  const key = fc.oneof(
    fc.string({ maxLength: 8 }).filter((name) => name !== '__proto__'),
    fc.constantFrom('constructor', 'valueOf', 'toString', 'hasOwnProperty'),
  );
  const documents = fc.object({ withTypedArray: true, maxDepth: 3, key });

  it('property: the answer says what the new one says, whatever was before', () => {
    fc.assert(
      fc.property(documents, documents, (before, next) => {
        const [wasBefore, wasNext] = [structuredClone(before), structuredClone(next)];
        const sent = structuredClone(changesBetween(before, next));
        expect(withChanges(before, sent)).toEqual(wasNext);
        expect([before, next]).toEqual([wasBefore, wasNext]);
      }),
    );
  });

  it('property: a copy is the object it was copied from', () => {
    // Only plain documents, as they come from a worker.
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(keeping(value, structuredClone(value))).toBe(value);
      }),
    );
  });

  it('only the way to a change is new', () => {
    const before = { a: { x: [1, 2] }, b: { y: Float64Array.of(1, 2) }, c: [{ id: 1 }, { id: 2 }] };
    const next = structuredClone(before);
    (next.c[1] as { id: number }).id = 3;
    const kept = keeping(before, next);
    expect(kept).toEqual(next);
    expect(kept).not.toBe(before);
    expect([kept.a === before.a, kept.b === before.b, kept.c[0] === before.c[0], kept.c[1] === before.c[1]]).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });

  it.each([
    [{ a: 1 }, { a: 1, b: undefined }],
    [{ a: undefined }, {}],
    [[1, 2], [1]],
    [[1], [1, 2]],
    [Float64Array.of(1), Float64Array.of(1, 2)],
    [Float64Array.of(1), Float32Array.of(1)],
    [Float64Array.of(Number.NaN), Float64Array.of(1)],
    [{ 0: 1 }, [1]],
    [null, {}],
  ] as [unknown, unknown][])('%j before %j: the new one stands', (before, next) => {
    const kept = keeping(before, next);
    expect(kept).toStrictEqual(next);
    expect(kept).not.toBe(before);
  });

  it('says nothing of what is the same, and names what is not', () => {
    const before = { a: [1, 2, 3], b: { c: 'x', d: 5 }, e: Float64Array.of(1, 2) };
    expect(changesBetween(before, structuredClone(before))).toBe(null);
    expect(changesBetween(before, { ...before, b: { c: 'y' } })).toEqual({
      parts: [['b', { parts: [['c', { is: 'y' }]], gone: ['d'], length: null }]],
      gone: [],
      length: null,
    });
    expect(changesBetween(before.a, [1, 5])).toEqual({ parts: [[1, { is: 5 }]], gone: [], length: 2 });
  });
});
