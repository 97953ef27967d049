import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Holder, Sender } from './sent.ts';

/** What a worker's answer is on the other side: a copy. */
const posted = <T>(value: T): T => structuredClone(value);

describe('answers of which only what changed is sent', () => {
  it('property: what arrives is what was sent, also when workers end and answers are asked for anew', () => {
    const step = fc.record({ value: fc.jsonValue(), isNewWorker: fc.boolean(), forgets: fc.boolean() });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 8 }), (steps) => {
        let sender = new Sender<unknown>();
        let holder = new Holder<unknown>();
        for (const { value, isNewWorker, forgets } of steps) {
          if (isNewWorker) sender = new Sender();
          if (forgets) holder = new Holder();
          expect(holder.take(posted(sender.send(value, holder.held)))).toEqual(value);
        }
      }),
    );
  });

  it('sends the second answer as what is new in it, and shares the rest', () => {
    const [sender, holder] = [new Sender<{ a: number; b: { c: number } }>(), new Holder<{ a: number; b: object }>()];
    const first = holder.take(posted(sender.send({ a: 1, b: { c: 2 } }, holder.held)));
    const sent = posted(sender.send({ a: 5, b: { c: 2 } }, holder.held));
    expect(JSON.stringify(sent)).not.toContain('"c"');
    const second = holder.take(sent);
    expect(second).toEqual({ a: 5, b: { c: 2 } });
    expect(second.b).toBe(first.b);
  });

  it('a new worker answers in full, and what did not change is shared all the same', () => {
    const holder = new Holder<{ a: number; b: object }>();
    const first = holder.take(posted(new Sender<typeof first>().send({ a: 1, b: { c: 2 } }, holder.held)));
    const sent = posted(new Sender<typeof first>().send({ a: 5, b: { c: 2 } }, holder.held));
    expect(sent.since).toBe(null);
    expect(holder.take(sent).b).toBe(first.b);
  });

  it('changes to another answer are refused, and the next one comes whole', () => {
    const [sender, holder] = [new Sender<number[]>(), new Holder<number[]>()];
    holder.take(sender.send([1], null));
    const lost = sender.send([1, 2], holder.held);
    const after = sender.send([1, 2, 3], lost.id);
    expect(() => holder.take(after)).toThrow('not held');
    expect(holder.take(posted(sender.send([4], holder.held)))).toEqual([4]);
  });
});
