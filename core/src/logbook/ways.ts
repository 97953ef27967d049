import type { LogCapacity } from './capacity.ts';
import type { Counted } from './energy.ts';
import type { Log } from './logSchema.ts';
import { hoursOutside } from './offTime.ts';
import type { Stretch } from './open.ts';
import type { Contradiction } from './stated.ts';

export interface Energy {
  readonly soc: EnergyOf | null;
  readonly counter: EnergyOf | null;
  readonly power: EnergyOf | null;
  /** The one that counts: as chosen, else the counter, the power, the state of charge; null where they contradict. */
  readonly counts: 'soc' | 'counter' | 'power' | null;
  readonly disagreements: readonly {
    readonly of: readonly [string, string];
    readonly wh: number;
    readonly sigmas: number;
  }[];
  /** What the store gave beyond what was metered, and what it may be. */
  readonly unexplained: { readonly wh: number; readonly w: number; readonly candidates: readonly string[] } | null;
  /** The energy as Ah at both volts that are called nominal. */
  readonly ahAt: { readonly v12_0: number; readonly v12_8: number } | null;
}

export interface EnergyOf {
  readonly wh: number;
  readonly low: number;
  readonly high: number;
  readonly meanW: number | null;
  readonly hours: number;
  /** Wh by which the whole is off if the capacity is; stands apart from the band. */
  readonly capacityDoubtWh: number | null;
}

/** Further apart than chance brings. */
const SIGMAS = 3;
const UNEXPLAINED_SIGMAS = 2;
/** Meters of power and energy are good to 1 % beside their step, from memory. */
const METER_DOUBT = 0.01;

type Way = Energy['counts'] & string;

const WAYS = ['counter', 'power', 'soc'] as const;
/** Share by which two doubts may differ and are still alike. From memory. */
const ALIKE = 0.005;

export function energyOf(
  log: Log,
  t: Float64Array,
  ways: Readonly<Record<Way, Counted | null>>,
  off: readonly Stretch[],
  poweredH: number,
  capacity: LogCapacity | null,
  contradictions: Contradiction[],
): Energy {
  const hoursOf = (way: Counted): number => (way.by === 'power' ? way.hours : hoursOutside(way.from, way.to, off));
  const of = (way: Counted | null): EnergyOf | null => {
    if (way === null) return null;
    const [{ value, low, high }, hours] = [way.wh, hoursOf(way)];
    const capacityDoubtWh = way.by === 'soc' ? Math.abs(value) * (capacity?.doubt ?? 0) : null;
    return { wh: value, low, high, meanW: hours > 0 ? value / hours : null, hours, capacityDoubtWh };
  };
  const doubt = (way: Counted | null): number =>
    way === null ? Number.POSITIVE_INFINITY : Math.floor(doubtShareOf(way, capacity?.doubt ?? 0) / ALIKE);
  const all = [ways.soc, ways.counter, ways.power].filter((way) => way !== null);
  const disagreements = all.flatMap((one, i) => all.slice(i + 1).map((other) => apart(t, one, other)));
  const clash = disagreements.find(
    ({ of: [one, other], sigmas }) => sigmas > SIGMAS && one === 'counter' && other === 'power',
  );
  if (clash && log.chosen === undefined)
    contradictions.push({
      code: 'ways-disagree',
      where: 'energy',
      says: `the counter and W × time differ by ${Math.abs(clash.wh).toFixed(1)} Wh, ${clash.sigmas.toFixed(1)} times what their steps and 1 % explain: neither counts until one is chosen`,
      offer: null,
      refused: true,
    });
  const less = disagreements.find(({ of: [one], sigmas, wh }) => one === 'soc' && sigmas > SIGMAS && wh < 0);
  if (less)
    contradictions.push({
      code: 'ways-disagree',
      where: 'energy',
      says: `the ${less.of[1]} shows ${Math.abs(less.wh).toFixed(1)} Wh more than the state of charge × the capacity gave, ${less.sigmas.toFixed(1)} times what rounding and the capacity’s doubt explain: something charged the store, its capacity is above its label, or a sign is the wrong way round`,
      offer: null,
      refused: false,
    });
  // What is known best counts; of equals the one that is metered.
  const [usual] = clash ? [] : WAYS.filter((way) => ways[way] !== null).sort((a, b) => doubt(ways[a]) - doubt(ways[b]));
  const counts = log.chosen && ways[log.chosen] ? log.chosen : (usual ?? null);
  tooMuch(log, ways, hoursOf, contradictions);
  const more = disagreements.find(
    ({ of: [one], sigmas, wh }) => one === 'soc' && sigmas > UNEXPLAINED_SIGMAS && wh > 0,
  );
  const wh = counts === null ? null : (ways[counts]?.wh.value ?? null);
  return {
    soc: of(ways.soc),
    counter: of(ways.counter),
    power: of(ways.power),
    counts,
    disagreements,
    unexplained: more
      ? { wh: more.wh, w: poweredH > 0 ? more.wh / poweredH : 0, candidates: candidates(capacity) }
      : null,
    ahAt: wh === null ? null : { v12_0: wh / 12, v12_8: wh / 12.8 },
  };
}

/** What took energy out of the store that no meter saw. */
const candidates = (capacity: LogCapacity | null): string[] => [
  'an inverter or converter between the store and the meter, and its idle draw',
  'loads that are not behind the meter',
  'the store’s own drain',
  capacity?.measured ? 'the display’s drift' : 'a capacity below its label, or a display that was not reset at full',
];

/** Share of a way's energy by which it may be off: its band, and of a meter its own doubt, of a charge its capacity's. */
function doubtShareOf(way: Counted, capacityDoubt: number): number {
  const { value, low, high } = way.wh;
  const own = way.by === 'soc' ? capacityDoubt : METER_DOUBT;
  return value === 0 ? Number.POSITIVE_INFINITY : Math.hypot((high - low) / 2 / Math.abs(value), own);
}

/**
 * How far apart two ways are over the time that both cover: from the later of their first readings to the earlier of
 * their last ones, and what one counted in the other's gaps left out.
 */
function apart(t: Float64Array, one: Counted, other: Counted): Energy['disagreements'][number] {
  const [from, to] = [Math.max(one.from, other.from), Math.min(one.to, other.to)];
  // Before its first reading a way has counted nothing.
  const upTo = ({ upTo: counted }: Counted, at: number): number => counted[t.indexOf(at)] || 0;
  const within = (way: Counted, gaps: Counted['gaps']): number =>
    gaps.reduce((wh, gap) => wh - (upTo(way, gap.to) - upTo(way, gap.from)), upTo(way, to) - upTo(way, from));
  const whOne = within(one, other.by === 'power' ? other.gaps : []);
  const whOther = within(other, one.by === 'power' ? one.gaps : []);
  const doubtOf = ({ by, sigmaWh }: Counted, wh: number): number =>
    by === 'soc' ? sigmaWh : Math.hypot(sigmaWh, (Math.abs(wh) * METER_DOUBT) / Math.sqrt(3));
  const sigma = Math.hypot(doubtOf(one, whOne), doubtOf(other, whOther));
  const wh = whOne - whOther;
  return { of: [one.by, other.by], wh, sigmas: sigma > 0 ? Math.abs(wh) / sigma : 0 };
}

/** More than the load can draw all the time: a slip of a unit or a decimal. */
function tooMuch(
  { maxW }: Log,
  ways: Readonly<Record<Way, Counted | null>>,
  hoursOf: (way: Counted) => number,
  contradictions: Contradiction[],
): void {
  if (maxW == null) return;
  for (const way of [ways.counter, ways.power, ways.soc]) {
    const most = way === null ? 0 : maxW * hoursOf(way);
    if (way === null || way.wh.low <= most) continue;
    const tenth = way.wh.value / 10;
    contradictions.push({
      code: 'above-most',
      where: way.by,
      says: `${way.wh.value.toFixed(1)} Wh in ${hoursOf(way).toFixed(2)} h is more than ${maxW} W can take: at most ${most.toFixed(1)} Wh`,
      offer: tenth <= most && tenth >= most / 20 ? tenth : null,
      refused: true,
    });
  }
}
