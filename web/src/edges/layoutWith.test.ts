import { readFileSync } from 'node:fs';
import { type Diagram, diagramOf, type Job, runsDetail } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import Elk from 'elkjs/lib/elk.bundled.js';
import { describe, expect, it } from 'vitest';
import { inPlacesOf, layoutWith, type PlacedDiagram, type PlacedNode, shapeOf } from './layoutWith.ts';

const elk = new Elk();
const demo = (name: string): Job => {
  const checked = validateJob(JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')));
  if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
  return checked.job;
};
const diagramFor = (job: Job, optionId: string): Diagram => diagramOf(runsDetail(job, optionId), job, optionId);
const overlap = (a: PlacedNode, b: PlacedNode): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
const at = (placed: PlacedDiagram, id: string): PlacedNode => {
  const found = placed.nodes.find(({ node }) => node.id === id);
  if (!found) throw new Error(id);
  return found;
};

describe('a diagram laid out', () => {
  it.each([
    ['puppet-theatre-truck', 'a'],
    ['river-survey-4wd', 'a'],
    ['bookbinders-camper', 'a'],
  ])('%s: nothing lies on anything, all is joined, from the bank to the right', async (name, optionId) => {
    const job = demo(name);
    const diagram = diagramFor(job, optionId);
    const placed = await layoutWith(elk, diagram);
    expect(placed.nodes).toHaveLength(diagram.nodes.length);
    for (const [i, a] of placed.nodes.entries())
      for (const b of placed.nodes.slice(i + 1)) expect(overlap(a, b), `${a.node.name} on ${b.node.name}`).toBe(false);
    for (const { edge, points } of placed.edges) {
      expect(points.length, edge.id).toBeGreaterThan(1);
      expect(at(placed, edge.to).x, edge.id).toBeGreaterThan(at(placed, edge.from).x);
    }
    // What a run carries on it stands beside it: length, size, volts.
    const words = placed.edges.filter(({ edge }) => edge.runId !== null);
    expect(words.every(({ label, edge }) => label !== null && /m, .*(mm²|AWG)/.test(edge.lines[0] ?? ''))).toBe(true);
  });

  it('another length redraws it without moving anything', async () => {
    const job = demo('river-survey-4wd');
    const before = await layoutWith(elk, diagramFor(job, 'a'));
    const { proposed } = runsDetail(job, 'a');
    const longer = proposed.map((run) => (run.end === 'loads' ? { ...run, lengthM: 6 } : run));
    const changed = {
      ...job,
      options: job.options.map((one) => (one.id === 'a' ? { ...one, system: { ...one.system, runs: longer } } : one)),
    };
    const after = await layoutWith(elk, diagramFor(changed, 'a'));
    for (const { node, x, y } of before.nodes) expect([at(after, node.id).x, at(after, node.id).y]).toEqual([x, y]);
    // So the places need not be sought again: they are the same with the words of the other.
    expect(shapeOf(diagramFor(changed, 'a'))).toBe(shapeOf(diagramFor(job, 'a')));
    expect(inPlacesOf(before, diagramFor(changed, 'a'))).toEqual(after);
    const other = diagramFor(demo('bookbinders-camper'), 'a');
    expect(shapeOf(other)).not.toBe(shapeOf(diagramFor(job, 'a')));
  });
});
