import { describe, expect, it } from 'vitest';
import { dcSide } from '../moment/inverterCable.ts';
import { AREAS_MM2, CONDUCTORS, FUSE_FACTOR, FUSES_A } from './conductors.ts';

const byAwg = (awg: string) => CONDUCTORS.find((conductor) => conductor.awg === awg);

describe('conductors', () => {
  // ASTM B258, published areas, mm².
  it.each([
    ['16', 1.309],
    ['14', 2.081],
    ['12', 3.309],
    ['10', 5.261],
    ['8', 8.366],
    ['6', 13.3],
    ['4', 21.15],
    ['2', 33.62],
    ['1', 42.41],
    ['1/0', 53.49],
    ['2/0', 67.43],
    ['3/0', 85.01],
    ['4/0', 107.2],
  ])('%s AWG is %f mm²', (awg, areaMm2) => {
    expect((byAwg(awg)?.areaMm2 ?? 0) / areaMm2).toBeCloseTo(1, 3);
  });

  it('carry more the thicker they are, in the table and in what is chosen', () => {
    for (const [i, conductor] of CONDUCTORS.entries()) {
      const thinner = CONDUCTORS[i - 1];
      if (!thinner) continue;
      expect(conductor.ampacityA).toBeGreaterThan(thinner.ampacityA);
      expect(conductor.areaMm2).toBeGreaterThan(thinner.areaMm2);
    }
    for (const list of [AREAS_MM2, FUSES_A]) expect([...list]).toEqual([...list].sort((a, b) => a - b));
  });
});

describe('the battery side of an inverter', () => {
  const sizes = [150, 300, 600, 1000, 1500, 2000, 3000, 5000];
  const sides = sizes.flatMap((watts) => ([12, 24, 48] as const).map((busV) => ({ watts, side: dcSide(watts, busV) })));

  it.each(sides)('$watts W: the fuse carries the current for hours, the cable bears the fuse', ({ watts, side }) => {
    // 11 V on a 12 V bus that is nearly empty.
    expect(side.amps).toBeCloseTo(watts / ((11 * side.busV) / 12), 9);
    const fuseA = side.fuseA ?? side.amps * FUSE_FACTOR;
    expect(fuseA).toBeGreaterThanOrEqual(side.amps * FUSE_FACTOR - 1e-9);
    const ampacity = (byAwg(side.awg)?.ampacityA ?? 0) * side.parallel;
    expect(ampacity).toBeGreaterThanOrEqual(fuseA - 1e-9);
    // No thinner cable would do.
    const thinner = CONDUCTORS[CONDUCTORS.findIndex(({ awg }) => awg === side.awg) - 1];
    if (thinner) expect(thinner.ampacityA * side.parallel).toBeLessThan(fuseA);
  });

  it('asks half the current of 24 V and a quarter of 48 V', () => {
    for (const watts of sizes) {
      expect(dcSide(watts, 24).amps).toBeCloseTo(dcSide(watts, 12).amps / 2, 9);
      expect(dcSide(watts, 48).amps).toBeCloseTo(dcSide(watts, 12).amps / 4, 9);
    }
  });
});
