import { describe, expect, it } from 'vitest';
import type { Job } from '../job/schema.ts';
import { aHookup, aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';
import { diagramOf } from './diagram.ts';
import { runsDetail } from './runsDetail.ts';

const diagram = (job: Job) => diagramOf(runsDetail(job, 'a'), job, 'a');
const job = aJob([
  aLoad({ name: 'Cabin lamp', watts: 12 }),
  aLoad({ name: 'Water pump', watts: 60, startRatio: 2.5 }),
  aLoad({ name: 'Router', watts: 12 }),
  aLoad({ name: 'Kettle', watts: 1200, path: 'inverter' }),
]);

describe('the diagram of a job', () => {
  it('has the bank, a part for the end of each run, and a line for each run', () => {
    const { nodes, edges } = diagram(job);
    const { lines } = runsDetail(job, 'a');
    expect(nodes[0]).toMatchObject({ id: 'bank', kind: 'battery', runId: null });
    for (const { run } of lines) {
      expect(nodes.filter(({ runId }) => runId === run.id)).toHaveLength(1);
      expect(edges.find(({ runId }) => runId === run.id)).toMatchObject({ from: run.from ?? 'bank', to: run.id });
    }
    const known = new Set(nodes.map(({ id }) => id));
    for (const { from, to } of edges) expect([known.has(from), known.has(to)]).toEqual([true, true]);
  });

  it('draws a lamp as a lamp, a motor as a motor, anything else as a load', () => {
    const kinds = new Map(diagram(job).nodes.map(({ name, kind }) => [name, kind]));
    expect([kinds.get('Cabin lamp'), kinds.get('Water pump'), kinds.get('Router')]).toEqual(['lamp', 'motor', 'load']);
    expect(kinds.get('Inverter')).toBe('inverter');
  });

  it('says on each run its length, size and volts, and its fuse', () => {
    const lamp = diagram(job).edges.find(({ to }) => to === 'to-cabin-lamp');
    expect(lamp?.lines[0]).toBe('4\u2009m, 1.5 mm²');
    const region = { ...job.brief.region, units: 'imperial' as const };
    const inFeet = diagram({ ...job, brief: { ...job.brief, region } }).edges.find(({ to }) => to === 'to-cabin-lamp');
    // The same 4 m.
    expect(inFeet?.lines[0]).toMatch(/^13\.1\sft, /);
    // An LFP bank rests at 12.9 V at its reserve.
    expect(lamp?.lines[1]).toMatch(/^1[12](\.\d)? V low$/);
    expect(lamp?.fuse).toMatch(/^\d+ A$/);
    expect(diagram(job).edges.find(({ to }) => to === 'main')?.hasIsolator).toBe(true);
  });

  it('the mains side is blocks: an inlet only where there is a supply, a changeover only where the inverter has one', () => {
    const blocks = (one: Job) =>
      diagram(one)
        .nodes.filter(({ isMains }) => isMains)
        .map(({ name }) => name);
    expect(blocks(job)).toEqual(['Mains circuits']);
    expect(blocks(withSupplies(job, aHookup(16, 230)))).toEqual(['Inlet', 'Residual-current device', 'Mains circuits']);
    const transfer = withSystem(withSupplies(job, aHookup(16, 230)), { inverter: { form: 'transfer' } });
    expect(blocks(transfer)).toContain('Changeover');
    expect(diagram(job).nodes.every(({ isMains, runId }) => !isMains || runId === null)).toBe(true);
  });

  it('of a job without anything is empty', () => {
    expect(diagram(aJob([]))).toEqual({ nodes: [], edges: [] });
  });
});
