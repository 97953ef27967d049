import fc from 'fast-check';
import highs from 'highs';
import { describe, expect, it } from 'vitest';
import type { Together } from '../job/schema.ts';
import { Coincidence } from './coincidence.ts';
import { Effort } from './effort.ts';
import { heaviestFirst } from './nextSets.ts';

const solver = await highs();

interface Instance {
  readonly weights: ReadonlyMap<string, number>;
  readonly together: Together;
}

/** Loads with watts, pairs and groups of which only so many run, and some that run only together. */
const instances = (most: number) =>
  fc
    .integer({ min: 1, max: most })
    .chain((n) => {
      const member = fc.nat({ max: n - 1 }).map((i) => `l${i}`);
      const group = (size: number) =>
        fc.uniqueArray(member, { minLength: Math.min(2, n), maxLength: Math.min(size, n) });
      return fc.record({
        watts: fc.array(fc.integer({ min: 0, max: 3000 }), { minLength: n, maxLength: n }),
        pairs: fc.array(group(2), { maxLength: Math.ceil(n * 1.5) }),
        groups: fc.array(fc.tuple(group(7), fc.integer({ min: 1, max: 3 })), { maxLength: Math.ceil(n / 4) }),
        always: fc.array(group(3), { maxLength: Math.floor(n / 12) }),
      });
    })
    .map(
      ({ watts, pairs, groups, always }): Instance => ({
        weights: new Map(watts.map((w, i) => [`l${i}`, w])),
        together: {
          atMost: [
            ...pairs.filter((pair) => pair.length === 2).map((loads) => ({ loads, most: 1 })),
            ...groups.filter(([loads, k]) => loads.length > k).map(([loads, k]) => ({ loads, most: k })),
          ],
          always: always.filter((group) => group.length > 1),
        },
      }),
    );

/** The same question as a mixed-integer program, one binary a load, written without our grouping. */
function bySolver({ weights, together: { atMost, always } }: Instance): number {
  const ids = [...weights.keys()];
  const rows = [
    ...atMost.map(({ loads, most }) => `${loads.join(' + ')} <= ${most}`),
    ...always.flatMap((group) => group.slice(1).map((id) => `${group[0]} - ${id} = 0`)),
  ];
  const objective = ids.map((id) => `${weights.get(id)} ${id}`).join(' + ');
  const text = [
    'Maximize',
    ` obj: ${objective}`,
    'Subject To',
    ...(rows.length > 0 ? rows : [`${ids[0]} <= 1`]).map((row, i) => ` c${i}: ${row}`),
    'Binary',
    ` ${ids.join(' ')}`,
    'End',
  ].join('\n');
  const solved = solver.solve(text, { mip_rel_gap: 0, threads: 1, random_seed: 1 });
  expect(solved.Status).toBe('Optimal');
  return Math.round(solved.ObjectiveValue);
}

const isAllowed = (ids: ReadonlySet<string>, { atMost, always }: Together): boolean =>
  atMost.every(({ loads, most }) => loads.filter((id) => ids.has(id)).length <= most) &&
  always.every((group) => group.every((id) => ids.has(id)) || group.every((id) => !ids.has(id)));

const sum = (ids: Iterable<string>, weights: ReadonlyMap<string, number>): number =>
  [...ids].reduce((total, id) => total + (weights.get(id) ?? 0), 0);

/** What contradicts itself is another question: see the test of contradictions. */
const sound = ({ together }: Instance): boolean => new Coincidence(together).contradictions.length === 0;

describe('the heaviest set that may run at once', () => {
  it('equals a mixed-integer solver on 500 random instances of up to 60 loads', () => {
    fc.assert(
      fc.property(instances(60).filter(sound), (instance) => {
        const found = new Coincidence(instance.together).heaviest(instance.weights);
        expect(found?.weight).toBe(bySolver(instance));
        expect(sum(found?.ids ?? [], instance.weights)).toBe(found?.weight);
        const positive = [...instance.weights].filter(([, w]) => w > 0).map(([id]) => id);
        const chosen = new Set(found?.ids);
        expect(
          instance.together.atMost.every(
            ({ loads, most }) => loads.filter((id) => chosen.has(id) && positive.includes(id)).length <= most,
          ),
        ).toBe(true);
      }),
      { numRuns: 500 },
    );
  });

  it('with a load that must run equals every subset tried; without a way to run it, there is none', () => {
    fc.assert(
      fc.property(instances(9).filter(sound), fc.nat(), ({ weights, together }, pick) => {
        const ids = [...weights.keys()];
        const forced = ids[pick % ids.length] as string;
        let best: number | null = null;
        for (let mask = 0; mask < 2 ** ids.length; mask++) {
          const set = new Set(ids.filter((_, i) => mask & (1 << i)));
          if (set.has(forced) && isAllowed(set, together)) best = Math.max(best ?? 0, sum(set, weights));
        }
        expect(new Coincidence(together).heaviest(weights, [forced])?.weight ?? null).toBe(best);
      }),
      { numRuns: 300 },
    );
  });

  it('cut short says what no set is above and a set that may run; with enough effort it is proved and the same', () => {
    let cut = 0;
    fc.assert(
      fc.property(instances(40).filter(sound), fc.integer({ min: 1, max: 60 }), (instance, units) => {
        const exact = bySolver(instance);
        const rules = new Coincidence(instance.together);
        const found = rules.within(new Effort(units)).heaviest(instance.weights);
        if (!found) throw new Error('nothing was found');
        expect(found.weight).toBeGreaterThanOrEqual(exact - 1e-6);
        expect(sum(found.ids, instance.weights)).toBeLessThanOrEqual(exact);
        expect(rules.allows(found.ids.filter((id) => (instance.weights.get(id) ?? 0) > 0))).toBe(true);
        if (found.isProved) expect(found.weight).toBe(exact);
        else cut += 1;
        expect(rules.bound(instance.weights)).toBeGreaterThanOrEqual(exact - 1e-6);
        expect(rules.within(new Effort(1e9)).heaviest(instance.weights)).toMatchObject({
          weight: exact,
          isProved: true,
        });
      }),
      { numRuns: 150 },
    );
    expect(cut).toBeGreaterThan(5);
  });

  it('refuses weights that are none', () => {
    const free = new Coincidence({ atMost: [], always: [] });
    expect(() => free.heaviest(new Map([['a', Number.NaN]]))).toThrow(/weight of a/);
  });

  it('tells of loads that must run together and must not, and counts each by itself', () => {
    const both = new Coincidence({ atMost: [{ loads: ['a', 'b'], most: 1 }], always: [['a', 'b']] });
    expect(both.contradictions).toEqual([['a', 'b']]);
    const weights = new Map([
      ['a', 3],
      ['b', 5],
    ]);
    expect(both.heaviest(weights)).toMatchObject({ ids: ['b'], weight: 5 });
  });

  it('counts what runs only with another: excluding one excludes both', () => {
    // The pump runs with the washer; the dryer never with the pump.
    const rule = new Coincidence({ atMost: [{ loads: ['dryer', 'pump'], most: 1 }], always: [['washer', 'pump']] });
    const watts = new Map([
      ['washer', 2000],
      ['pump', 100],
      ['dryer', 2050],
    ]);
    expect(rule.heaviest(watts)?.weight).toBe(2100);
    expect(rule.allows(['washer', 'dryer'])).toBe(false);
  });
});

describe('loads that run only together', () => {
  it('are one through a shared member: what excludes the first excludes the last', () => {
    const chained = new Coincidence({
      atMost: [{ loads: ['a', 'd'], most: 1 }],
      always: [
        ['a', 'b'],
        ['b', 'c'],
      ],
    });
    expect([...chained.runsWith('c')].sort()).toEqual(['a', 'b', 'c']);
    expect(chained.allows(['c', 'd'])).toBe(false);
    const weights = new Map(['a', 'b', 'c', 'd'].map((id) => [id, id === 'd' ? 250 : 100]));
    expect(chained.heaviest(weights)?.weight).toBe(300);
    expect(chained.heaviest(weights, ['d'])?.weight).toBe(250);
  });
});

describe('the next heaviest sets', () => {
  it('are all sets to which nothing more may be added, in order of weight (every subset tried)', () => {
    fc.assert(
      fc.property(instances(8).filter(sound), ({ weights, together }) => {
        const ids = [...weights.keys()].filter((id) => (weights.get(id) ?? 0) > 0);
        const positive = new Map(ids.map((id) => [id, weights.get(id) ?? 0]));
        // Loads of no weight are left out of both; a group that runs only together runs as far as it weighs.
        const allowed = (set: ReadonlySet<string>) => {
          const { atMost, always } = together;
          const full = new Set(set);
          for (const group of [...always, ...always])
            if (group.some((id) => full.has(id))) for (const id of group) full.add(id);
          const grown = [...full].filter((id) => positive.has(id));
          return (
            grown.every((id) => set.has(id)) &&
            atMost.every(({ loads, most }) => loads.filter((id) => full.has(id)).length <= most)
          );
        };
        const sets = Array.from(
          { length: 2 ** ids.length },
          (_, mask) => new Set(ids.filter((_id, i) => mask & (1 << i))),
        ).filter(allowed);
        const maximal = sets.filter(
          (set) => !sets.some((other) => other.size > set.size && [...set].every((id) => other.has(id))),
        );
        const expected = maximal
          .map((set) => sum(set, weights))
          .sort((a, b) => b - a)
          .slice(0, 5);
        const found = heaviestFirst(new Coincidence(together), positive, 5);
        expect(found.map(({ weight }) => weight)).toEqual(expected);
        expect(new Set(found.map(({ ids: set }) => [...set].sort().join())).size).toBe(found.length);
      }),
      { numRuns: 300 },
    );
  });
});
