import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';

describe('how good the list is (spreads by hand)', () => {
  const job = withSystem(
    aJob([
      aLoad({ id: 'guess', watts: 100, hours: 3, evidence: 'guess' }),
      aLoad({ id: 'plate', watts: 100, hours: 5, evidence: 'nameplate' }),
      aLoad({ id: 'meter', watts: 100, hours: 2, evidence: 'measured' }),
    ]),
    { store: { roundTripEfficiency: 1 } },
  );
  const { evidence, figures } = assess(job);

  it('shares the energy by what it rests on', () => {
    expect(evidence.shares).toEqual({ guess: 0.3, nameplate: 0.5, measured: 0.2, typical: 0, 'data-sheet': 0 });
  });

  it('bounds the day: 120 + 250 + 190 to 480 + 550 + 210 Wh', () => {
    expect(figures['demand.low'].value).toBeCloseTo(560, 9);
    expect(figures['demand.high'].value).toBeCloseTo(1240, 9);
  });

  it('ranks what to measure first by how far it moves the day', () => {
    expect(evidence.ranked.map(({ loadId }) => loadId)).toEqual(['guess-0', 'plate-1', 'meter-2']);
  });

  it('lists them in that order in the working of the bounds', () => {
    const labels = figures['demand.high'].working.inputs.map(({ label }) => label).slice(0, 3);
    expect(labels).toEqual(['1. Load', '2. Load', '3. Load']);
    expect(figures['demand.high'].working.inputs[0]?.value).toBeCloseTo(480, 9);
  });

  it('is all zero for loads that take nothing', () => {
    const { shares } = assess(aJob([aLoad({ watts: 0 }), aLoad({ watts: 0, evidence: 'guess' })])).evidence;
    expect(Object.values(shares)).toEqual([0, 0, 0, 0, 0]);
  });

  it('is all zero for an empty job', () => {
    const empty = assess(aJob([]));
    expect(Object.values(empty.evidence.shares)).toEqual([0, 0, 0, 0, 0]);
    expect(empty.figures['demand.high'].value).toBe(0);
  });
});

it('an inverter idles whatever the watts of what runs on it: only those are uncertain', () => {
  // 100 W for 10 h that are a guess, on an inverter whose 10 W of idle are known: 100 Wh of idle at either end.
  const load = aLoad({ watts: 100, hours: 10, path: 'inverter', evidence: 'guess' });
  const job = withSystem(aJob([load]), {
    inverter: { ratingW: 1000, idleW: 10, policy: 'with-loads' },
    store: { roundTripEfficiency: 1 },
  });
  const { evidence, ledger } = assess(job);
  const restWh = ledger.total.batteryWh - 100;
  expect(ledger.loads[0]?.idleWh).toBeCloseTo(100, 6);
  expect(evidence.lowWh).toBeCloseTo(100 + restWh * 0.4, 6);
  expect(evidence.highWh).toBeCloseTo(100 + restWh * 1.6, 6);
});
