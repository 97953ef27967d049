import { describe, expect, it } from 'vitest';
import type { Draw } from '../job/schema.ts';
import { proposeLoad } from '../reading/propose.ts';
import { poweredDraw } from './powered.ts';

const cycle = (...phases: [label: string, powerW: number, minutes: number | null][]): Draw => ({
  kind: 'cycle',
  phases: phases.map(([label, powerW, minutes]) => ({ label, powerW, minutes, startRatio: null })),
});
const watts = (draw: Draw) => (draw.kind === 'cycle' ? draw.phases.map(({ powerW }) => powerW) : []);

describe('watts that are said of what runs in phases', () => {
  const heater = cycle(['glow', 100, 4], ['run', 22, null], ['stop', 85, 3]);
  const bath = cycle(['heat', 1000, 15], ['hold', 150, null]);

  it('are of its running where that is what such a thing is sold by', () => {
    // Sold by up to 40 W: what glows is above that.
    expect(watts(poweredDraw(heater, { powerW: 30, coolingW: null }, 40))).toEqual([30, 30, 30]);
    expect(watts(poweredDraw(heater, { powerW: 18, coolingW: null }, 40))).toEqual([18, 18, 18]);
  });

  it('are of its strongest phase otherwise, and no other is above it', () => {
    expect(watts(poweredDraw(bath, { powerW: 1200, coolingW: null }, 1500))).toEqual([1200, 150]);
    expect(watts(poweredDraw(bath, { powerW: 120, coolingW: null }, 1500))).toEqual([120, 120]);
    expect(watts(poweredDraw(heater, { powerW: 30, coolingW: null }, null))).toEqual([30, 22, 30]);
  });

  it('25 W of a diesel heater for eight hours are 200 Wh', () => {
    const { load } = proposeLoad('diesel heater 12V 25W 8h', (name) => name);
    expect(load && watts(load.draw)).toEqual([25, 25, 25]);
  });
});
