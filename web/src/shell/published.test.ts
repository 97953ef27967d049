import { describe, expect, it } from 'vitest';
import { Published } from './published.ts';

describe('a value that is published', () => {
  it('tells of a new one, and of the same one nothing', () => {
    const published = new Published({ need: 1 });
    const seen: number[] = [];
    published.subscribe(() => seen.push(published.get().need));
    const next = { need: 2 };
    published.publish(next);
    published.publish(next);
    expect(seen).toEqual([2]);
    expect(published.get()).toBe(next);
  });

  it('tells nobody who has left', () => {
    const published = new Published(1);
    let told = 0;
    const leave = published.subscribe(() => told++);
    published.publish(2);
    leave();
    published.publish(3);
    expect(told).toBe(1);
  });
});
