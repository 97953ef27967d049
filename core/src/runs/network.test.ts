import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { simulate } from '../test/spice.ts';
import { currentInto, type Drawn, type Network, nothingDrawn, solveNetwork } from './network.ts';

const net = (parent: number[], ohm: number[]): Network => ({
  parent: Int32Array.from(parent),
  ohm: Float64Array.from(ohm),
});
const power = (watts: number[]): Drawn => ({ ...nothingDrawn(watts.length), powerW: Float64Array.from(watts) });

describe('a network of cables', () => {
  it('one constant power behind one resistance: the upper root of V² − E·V + P·R = 0', () => {
    // 12 V, 0.1 Ω, 60 W: (12 + √(144 − 24)) ÷ 2 = 11.47723 V.
    const solved = solveNetwork(net([-1], [0.1]), 12, power([60]));
    expect(solved.collapse).toBeNull();
    expect(solved.volts[0]).toBeCloseTo((12 + Math.sqrt(120)) / 2, 9);
  });

  it('holds to the very end and not beyond: E² ÷ 4R is the most that comes through', () => {
    // 12 V behind 0.1 Ω gives 360 W at 6 V.
    expect(solveNetwork(net([-1], [0.1]), 12, power([359.9])).collapse).toBeNull();
    expect(solveNetwork(net([-1], [0.1]), 12, power([360.1])).collapse).toBe(0);
  });

  it('names the way that loses most where it falls', () => {
    // The thin lead of the second of three nodes is what a heater of 200 W at the end cannot draw through.
    const thin = net([-1, 0, 1, 0], [0.004, 0.3, 0.01, 0.01]);
    expect(solveNetwork(thin, 12.8, power([0, 0, 200, 100])).collapse).toBe(1);
    // A thin last lead behind a good way, at whatever step it falls: by power that is far too much, and by a start's amps.
    const end = net([-1, 0, 1, 2], [0.002, 0.002, 0.008, 0.6]);
    for (const watts of [90, 500, 5000])
      expect(solveNetwork(end, 12.8, power([0, 0, 0, watts])).collapse, `${watts} W`).toBe(3);
    const start = { ...power([0, 0, 0, 0]), currentA: Float64Array.of(0, 0, 0, 25) };
    expect(solveNetwork(end, 12.8, start).collapse).toBe(3);
  });

  it('constant current and resistance by Ohm alone', () => {
    const drawn = { ...nothingDrawn(2), currentA: Float64Array.of(5, 0), siemens: Float64Array.of(0, 0.5) };
    // Node 1: a divider of 0.1 and 2 Ω below node 0.
    const { volts } = solveNetwork(net([-1, 0], [0.02, 0.1]), 12, drawn);
    const v0 = (12 / 0.02 - 5) / (1 / 0.02 + 1 / 2.1);
    expect(volts[0]).toBeCloseTo(v0, 9);
    expect(volts[1]).toBeCloseTo((v0 * 2) / 2.1, 9);
    expect(currentInto(net([-1, 0], [0.02, 0.1]), 12, volts, 0)).toBeCloseTo(5 + v0 / 2.1, 6);
  });

  it('a source behind a lead lifts its own node', () => {
    const { volts } = solveNetwork(net([-1, 0], [0.004, 0.02]), 12.8, {
      ...nothingDrawn(2),
      currentA: Float64Array.of(0, -30),
    });
    expect(volts[0]).toBeCloseTo(12.8 + 30 * 0.004, 9);
    expect(volts[1]).toBeCloseTo(12.8 + 30 * 0.024, 9);
  });

  it('200 random trees within 1 mV of a general circuit simulator', { timeout: 120_000 }, async () => {
    const cases = fc.sample(
      fc.record({
        sourceV: fc.double({ min: 10, max: 54, noNaN: true }),
        nodes: fc.array(
          fc.record({
            up: fc.double({ min: 0, max: 0.999, noNaN: true }),
            ohm: fc.double({ min: 0.0005, max: 0.05, noNaN: true }),
            watts: fc.oneof(fc.constant(0), fc.double({ min: 0.5, max: 40, noNaN: true })),
            amps: fc.oneof(fc.constant(0), fc.double({ min: -8, max: 5, noNaN: true })),
            siemens: fc.oneof(fc.constant(0), fc.double({ min: 0.01, max: 0.4, noNaN: true })),
          }),
          { minLength: 1, maxLength: 24 },
        ),
      }),
      { numRuns: 200, seed: 16 },
    );
    let held = 0;
    let nodesCompared = 0;
    for (const { sourceV, nodes } of cases) {
      const parent = nodes.map(({ up }, k) => (k === 0 ? -1 : Math.floor(up * k)));
      const network = net(
        parent,
        nodes.map(({ ohm }) => ohm),
      );
      const solved = solveNetwork(network, sourceV, {
        powerW: Float64Array.from(nodes, ({ watts }) => watts),
        currentA: Float64Array.from(nodes, ({ amps }) => amps),
        siemens: Float64Array.from(nodes, ({ siemens }) => siemens),
      });
      if (solved.collapse !== null) continue;
      held += 1;
      const lines = nodes.flatMap(({ ohm, watts, amps, siemens }, k) => [
        `R${k} ${k === 0 ? 'src' : `n${parent[k]}`} n${k} ${ohm}`,
        ...(watts > 0 ? [`B${k} n${k} 0 I=${watts}/max(V(n${k}),1)`] : []),
        ...(amps !== 0 ? [`I${k} n${k} 0 ${amps}`] : []),
        ...(siemens > 0 ? [`G${k} n${k} 0 ${1 / siemens}`.replace('G', 'RL')] : []),
      ]);
      const nodeset = nodes.map((_, k) => `V(n${k})=${sourceV}`).join(' ');
      const vectors = await simulate([`V1 src 0 ${sourceV}`, ...lines, `.nodeset ${nodeset}`, '.op']);
      for (let k = 0; k < nodes.length; k++) {
        const there = vectors.get(`v(n${k})`)?.[0] ?? Number.NaN;
        expect(Math.abs(there - (solved.volts[k] as number)), `node ${k} of ${nodes.length}`).toBeLessThan(1e-3);
        nodesCompared += 1;
      }
    }
    expect(held).toBeGreaterThan(150);
    expect(nodesCompared).toBeGreaterThan(1000);
  });
});
