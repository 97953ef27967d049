import type { OneDiode } from '../panels/oneDiode.ts';

/** A general circuit simulator, compiled for this runtime, as the other opinion. */
interface Spice {
  setNetList(net: string): void;
  runSim(): Promise<{ readonly data: readonly { readonly name: string; readonly values: readonly number[] }[] }>;
  getError(): readonly string[];
}

let started: Promise<Spice> | undefined;

const spice = (): Promise<Spice> => {
  started ??= import('eecircuit-engine').then(async ({ Simulation }) => {
    const simulation = new Simulation();
    await simulation.start();
    return simulation as unknown as Spice;
  });
  return started;
};

/** Runs a netlist, its first line the title, and returns each vector by its name. */
export async function simulate(lines: readonly string[]): Promise<ReadonlyMap<string, readonly number[]>> {
  const simulation = await spice();
  simulation.setNetList(['joulemetric', ...lines, '.end'].join('\n'));
  const { data } = await simulation.runSim();
  const errors = simulation.getError().filter((line) => /error|singular/i.test(line));
  if (errors.length > 0) throw new Error(errors.join('\n'));
  return new Map(data.map(({ name, values }) => [name.toLowerCase(), values]));
}

/** V of the diode at SPICE's 27 °C. */
const THERMAL_V = (1.380649e-23 * 300.15) / 1.602176634e-19;

/** Like panels as a subcircuit between two nodes: each lumped, with bypass diodes (three in a row, 1.5 V at 8 A) where asked. */
export function panelNet(
  name: string,
  { panel, series, parallel }: { readonly panel: OneDiode; readonly series: number; readonly parallel: number },
  [plus, minus]: readonly [string, string],
  bypass = false,
): string[] {
  const lines = [
    `.model D${name} D(IS=${panel.saturationA} N=${panel.idealityV / THERMAL_V})`,
    ...(bypass ? [`.model DB${name} D(IS=3.3e-8 N=3)`] : []),
  ];
  for (let p = 0; p < parallel; p++)
    for (let s = 0; s < series; s++) {
      const [top, low] = [s === 0 ? plus : `${name}${p}x${s}`, s === series - 1 ? minus : `${name}${p}x${s + 1}`];
      const inside = `${name}${p}i${s}`;
      lines.push(
        `I${name}${p}${s} ${low} ${inside} ${panel.lightA}`,
        `D${name}${p}${s} ${inside} ${low} D${name}`,
        `Rp${name}${p}${s} ${inside} ${low} ${1 / panel.shuntS}`,
        `Rs${name}${p}${s} ${inside} ${top} ${panel.seriesOhm}`,
      );
      if (bypass) lines.push(`Db${name}${p}${s} ${low} ${top} DB${name}`);
    }
  return lines;
}
