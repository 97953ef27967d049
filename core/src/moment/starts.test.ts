import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import type { Load } from '../job/schema.ts';
import { APPLIANCES, loadFrom } from '../reference/appliances.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { startExtraAt, startExtraW, startSteps } from './starts.ts';

const washer = aLoad({
  name: 'Washer',
  path: 'inverter',
  startRatio: 5,
  draw: {
    kind: 'cycle',
    phases: [
      { label: 'heat', powerW: 2000, minutes: 15, startRatio: 1 },
      { label: 'wash', powerW: 150, minutes: 50, startRatio: null },
      { label: 'spin', powerW: 500, minutes: 8, startRatio: null },
    ],
  },
  uses: [{ startMin: 600, minutes: 73 }],
});
const of = (load: Load, runningW = 2000) => ({ load, runningW });
const typeOf = (id: string): Load => {
  const appliance = APPLIANCES.find((one) => one.id === id);
  if (!appliance) throw new Error(`no type ${id}`);
  return loadFrom(appliance, id);
};

/** W of the worst start that its inverter must hold. */
const surgeOf = (loads: readonly Load[], coincide: 'any-time' | 'by-lanes') => {
  const job = withSystem(aJob(loads), { inverter: { ratingW: 3000 } });
  return assess({ ...job, rules: { ...job.rules, coincide } }).figures['peak.surge'].value;
};

describe('what starts in a phase', () => {
  it('starts as that phase does: a drum of 500 W reaches 2,500 W, its heater nothing more than it takes', () => {
    expect(startSteps(of(washer))).toEqual([
      { runningW: 2000, extraW: 500 },
      { runningW: 150, extraW: 600 },
      { runningW: 500, extraW: 2000 },
    ]);
    expect(startExtraW(of(washer))).toBe(500);
    expect(startExtraAt(of(washer), 500)).toBe(2000);
    expect(startExtraAt(of(washer), 75)).toBe(0);
  });

  it('by lanes meets what runs beside that phase', () => {
    // Drum: 10:15 to 11:05 at 150 W, then 8 min at 500 W.
    const beside = aLoad({ name: 'Toaster', path: 'inverter', watts: 800, uses: [{ startMin: 668, minutes: 4 }] });
    expect(surgeOf([washer], 'any-time')).toBeCloseTo(2500, 6);
    expect(surgeOf([washer], 'by-lanes')).toBeCloseTo(2500, 6);
    expect(surgeOf([washer, beside], 'by-lanes')).toBeCloseTo(2500 + 800, 6);
    expect(surgeOf([washer, beside], 'any-time')).toBeCloseTo(2500 + 800, 6);
    const early = aLoad({ name: 'Toaster', path: 'inverter', watts: 800, uses: [{ startMin: 602, minutes: 4 }] });
    // While it heats both come to 2,800 W, and its drum starting beneath the heater reaches 500 W more.
    expect(surgeOf([washer, early], 'by-lanes')).toBeCloseTo(2000 + 500 + 800, 6);
  });

  it('is what every phase starts where none says its own', () => {
    const { draw } = washer;
    const phases = draw.kind === 'cycle' ? draw.phases.map((phase) => ({ ...phase, startRatio: null })) : [];
    expect(startExtraW(of({ ...washer, draw: { kind: 'cycle', phases } }))).toBe(8000);
  });

  it('is held down by a soft starter, phase by phase', () => {
    expect(startExtraW(of({ ...washer, softStart: true }))).toBe(0);
  });
});

it('of several pieces one starts at a time, in the battery’s currents as well: 2 × 100 W, one of which reaches 400 W', () => {
  const pumps = aLoad({ path: 'direct', watts: 100, quantity: 2, startRatio: 4 });
  const { figures } = assess(withSystem(aJob([pumps]), { store: { capacityAh: 200 } }));
  expect(figures['peak.start'].value).toBeCloseTo((200 + 300) / 12.8, 6);
});

describe('types of appliances', () => {
  it('start as their motor does, not as their heater', () => {
    // By hand: a drum of 400 W five times is the heater's 2,000 W; a dryer's drum of 250 W adds 1,000 W to 2,400 W.
    expect(surgeOf([typeOf('washing-machine')], 'any-time')).toBeCloseTo(2000, 6);
    expect(surgeOf([typeOf('tumble-dryer')], 'any-time')).toBeCloseTo(2400 * 1.4, 6);
    expect(surgeOf([typeOf('dishwasher-small')], 'any-time')).toBeCloseTo(1100, 6);
  });
  it('of air conditioners by their compressor: on or off four times, inverter-driven hardly', () => {
    const ratios = ['aircon-window', 'aircon-portable', 'aircon-rooftop', 'aircon-split'].map((id) => typeOf(id));
    expect(ratios.map(({ startRatio }) => startRatio)).toEqual([4, 4, 4, 1.2]);
  });
});
