import { restVoltageV } from '../battery/rest.ts';
import { type Appliance, appliancesOn, drawnBy, heaviestWith } from './appliances.ts';
import { type BusNet, busNet, type Copper } from './busNet.ts';
import type { Cabled, Fitted } from './fitted.ts';
import type { Charged } from './laid.ts';
import { zoneDrops } from './outputs.ts';
import { propose } from './propose.ts';
import { type SizedRun, sizedRuns } from './sized.ts';

/** V below which a constant power is taken as a constant current, so that a simulator finds its way down. */
const FLOOR_V = 1;

/**
 * The network as a netlist that general circuit simulators read: the bank as its volts at rest behind what is inside
 * it, each run as one resistance there and back, constant power as a behavioural current P ÷ V with a floor, the volts
 * it starts from at the upper of its two solutions. All that may run at once runs; what charges stands there as comments.
 */
export function netlistOf(
  fitted: Cabled,
  { charged, copper }: { readonly charged: Charged; readonly copper: Copper },
): string {
  const { option, job, bank } = fitted;
  const { store, busVoltageV, runs } = option.system;
  const sized = sizedRuns(runs ?? propose(fitted), fitted);
  const net = busNet(sized, bank.resistanceOhm);
  const appliances = appliancesOn(fitted, sized, net);
  const soc = { full: 1, typical: (1 + bank.reserveSoc) / 2, low: bank.reserveSoc }[charged];
  const restV = restVoltageV(store.chemistry, busVoltageV, soc);
  const set = heaviestSet(fitted, appliances);
  const drawn = drawnBy(net, fitted, appliances, (id) => set.has(id));
  const { parent, ohm } = net.network[copper];
  const name = (node: number): string => `n${node}`;
  const lines = [
    `* ${asciiOnly(job.title)}, ${asciiOnly(option.name)}: ${charged} store, ${copper} copper`,
    `* bank at ${(soc * 100).toFixed(0)} % of charge`,
    `Vbank rest 0 ${exact(restV)}`,
    `Rinside rest ${name(0)} ${exact(Math.max(ohm[0] as number, LEAST_OHM))}`,
  ];
  for (let node = 1; node < parent.length; node++) {
    const run = net.runAt[node] as SizedRun;
    lines.push(`* ${asciiOnly(run.run.name)}: ${run.lengthM} m, ${run.areaMm2.toFixed(2)} mm2`);
    lines.push(
      `R${node} ${name(parent[node] as number)} ${name(node)} ${exact(Math.max(ohm[node] as number, LEAST_OHM))}`,
    );
  }
  for (let node = 0; node < parent.length; node++) {
    const [w, siemens] = [drawn.powerW[node] as number, drawn.siemens[node] as number];
    if (w > 0) lines.push(`B${node} ${name(node)} 0 I=${exact(w)}/max(V(${name(node)}),${FLOOR_V})`);
    if (siemens > 0) lines.push(`Rload${node} ${name(node)} 0 ${exact(1 / siemens)}`);
  }
  lines.push(...outputs(fitted, sized, copper), ...charging(fitted, sized, net));
  lines.push(
    `.nodeset ${[...Array.from(parent, (_, node) => `V(${name(node)})=${exact(restV)}`), ...outputsAt(fitted, sized)].join(' ')}`,
    // A stock simulator stops at a thousandth of a volt: what draws constant power needs it closer.
    '.options reltol=1e-6 vntol=1e-7 abstol=1e-9',
    '.op',
    '.end',
  );
  return `${lines.join('\n')}\n`;
}

const LEAST_OHM = 1e-7;

const heaviestSet = (fitted: Fitted, appliances: readonly Appliance[]): ReadonlySet<string> => {
  const [first] = appliances;
  return first ? heaviestWith(fitted, appliances)(first.load.id) : new Set();
};

/** What charges at most, A into the end of its lead: without its star it gives, up to where the bank's volts would be too high. */
const charging = ({ sources }: Fitted, sized: readonly SizedRun[], net: BusNet): string[] =>
  sized.flatMap(({ run }, i) => {
    const source = sources.find(({ kind, id }) => kind === run.end && id === run.part);
    const node = net.nodeOf[i] as number;
    return source && node >= 0
      ? [`* ${asciiOnly(source.name)} gives at most:`, `*I${node} 0 n${node} ${exact(source.amps)}`]
      : [];
  });

/** What converters and ports give, each a source of its own. */
function outputs(fitted: Fitted, sized: readonly SizedRun[], copper: Copper): string[] {
  return zoneDrops(fitted, sized).flatMap(({ device, ways }) => [
    `* ${asciiOnly(device.name)} gives ${device.outputV} V`,
    `V${spice(device.id)} o${spice(device.id)} 0 ${device.outputV}`,
    ...ways.flatMap(({ index, parent, watts }) => {
      const run = sized[index] as SizedRun;
      const from = parent < 0 ? `o${spice(device.id)}` : `r${parent}`;
      return [
        `Ro${index} ${from} r${index} ${exact(Math.max(copper === 'cold' ? run.coldOhm : run.hotOhm, LEAST_OHM))}`,
        ...(watts > 0 ? [`Bo${index} r${index} 0 I=${exact(watts)}/max(V(r${index}),${FLOOR_V})`] : []),
      ];
    }),
  ]);
}

/** Where the search begins behind converters: at what they give. */
const outputsAt = (fitted: Fitted, sized: readonly SizedRun[]): string[] =>
  zoneDrops(fitted, sized).flatMap(({ device, ways }) => [
    `V(o${spice(device.id)})=${device.outputV}`,
    ...ways.map(({ index }) => `V(r${index})=${device.outputV}`),
  ]);

const exact = (value: number): string => Number(value.toPrecision(12)).toString();
const spice = (id: string): string => id.replaceAll('-', '_');
/** Some readers of netlists know no others. */
const asciiOnly = (text: string): string => text.normalize('NFKD').replace(/[^\x20-\x7e]/g, '');
