import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../assess/assess.ts';
import { validateJob } from '../job/validate.ts';
import { aJob, aLoad } from '../test/jobs.ts';
import { flowOf } from './flow.ts';

const DEMO = new URL('../../../demo/', import.meta.url);
const flow = (job: Parameters<typeof evaluate>[0], optionId?: string) => {
  const { profiles, option, bus, assessment } = evaluate(job, optionId);
  return { ...flowOf(profiles, option.system.devices, bus.devices, assessment.ledger), assessment };
};

describe('the flow of the day', () => {
  it('lets out of every place what goes in, and starts with the need, in every option of the demo jobs', () => {
    for (const name of readdirSync(DEMO)) {
      const checked = validateJob(JSON.parse(readFileSync(new URL(name, DEMO), 'utf8')));
      if (!checked.ok) throw new Error(name);
      for (const { id } of checked.job.options) {
        const { nodes, links, assessment } = flow(checked.job, id);
        const sum = (key: 'from' | 'to', node: string) =>
          links.reduce((total, link) => total + (link[key] === node ? link.wh : 0), 0);
        const needWh = assessment.figures['demand.battery'].value;
        expect(Math.abs(sum('from', 'store') - needWh)).toBeLessThan(1e-9 * needWh);
        for (const node of nodes) {
          if (node.kind === 'device') expect(sum('to', node.id)).toBeCloseTo(sum('from', node.id), 6);
          if (node.kind !== 'load') continue;
          const useful = assessment.ledger.loads.find(({ loadId }) => loadId === node.loadId)?.usefulWh ?? 0;
          expect(sum('to', node.id) - sum('from', node.id)).toBeCloseTo(useful, 6);
        }
      }
    }
  });

  it('has no place for what takes nothing, and none of it for an empty job', () => {
    expect(flow(aJob([])).links).toEqual([]);
    const off = flow(aJob([aLoad({ path: 'supply-only' }), aLoad({ uses: [] })]));
    expect(off.nodes.map(({ kind }) => kind)).toEqual(['store']);
  });
});
