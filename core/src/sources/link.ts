import type { Brief, DrivingLink } from '../job/schema.ts';
import { dcSide } from '../moment/inverterCable.ts';
import { ohmPerM } from '../reference/conductors.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { alternatorVoltage } from './alternator.ts';

/** What flows from the alternator through one link while driving. */
export interface LinkFlow {
  readonly link: DrivingLink;
  /** A drawn from the alternator. */
  readonly inputA: number;
  /** V at the far end of its cable. */
  readonly farV: number;
  /** mm² of the cable, as given or as its amps need; m one way, 0 where it is not known. */
  readonly areaMm2: number;
  readonly cableM: number;
  /** W that it gives; less its own lead to the store once that is laid. */
  readonly outputW: number;
  /** Out ÷ in, cable apart. */
  readonly efficiency: number;
  /** V below which it gives nothing; and what its cable would leave where that is less: it gives nothing then. */
  readonly minInputV: number;
  readonly starvedV: number | null;
}

/** What it feeds: the store's volts while it is charged, and at rest, and the Ω inside it. */
interface Joined {
  readonly chargingV: number;
  readonly restV: number;
  readonly resistanceOhm: number;
}

/** The same on fewer amps of the alternator: they cost its cable fewer volts. @param share of what it asks, 0…1 */
export function heldTo(flow: LinkFlow, share: number, alternator: Brief['alternator']): LinkFlow {
  if (share === 1) return flow;
  const inputA = flow.inputA * share;
  const farV = flow.farV + (alternatorVoltage(alternator) - flow.farV) * (1 - share);
  return { ...flow, inputA, farV, outputW: inputA * farV * flow.efficiency };
}

/**
 * A DC-DC charger gives its rating: I_in = P_out ÷ (η·V_far), V_far what the cable leaves; below its least input volts
 * it gives nothing. A relay passes what the voltages push: I = (V_alternator − V_store) ÷ (R_cable + R_store), at most
 * what it carries, and nothing lasting where the vehicle turns its alternator down. Common practice.
 */
export function linkFlow(
  link: DrivingLink,
  alternator: Brief['alternator'],
  busVoltageV: number,
  joined: Joined,
): LinkFlow {
  const { systemV, voltage } = alternator;
  const alternatorV = alternatorVoltage(alternator);
  const efficiency = link.kind === 'relay' ? 1 : (link.efficiency ?? DEFAULT.dcdcEfficiency.value);
  // Of a charger whose cable is not known nothing is lost in it; a relay's lives by its cable.
  const cableM = link.cableM ?? (link.kind === 'relay' ? DEFAULT.alternatorCableM.value : 0);
  const outW = link.ratingA * joined.chargingV;
  const askedW = link.kind === 'relay' ? link.ratingA * alternatorV : outW / efficiency;
  const areaMm2 = link.cableMm2 ?? dcSide(askedW, systemV).areaMm2;
  const cableOhm = ohmPerM(areaMm2) * 2 * cableM;
  const minInputV = link.kind === 'relay' ? 0 : (link.minInputV ?? (DEFAULT.dcdcLeastInput12V.value * systemV) / 12);
  const shared = { link, areaMm2, cableM, efficiency, minInputV };
  if (link.kind === 'relay') {
    // Joined straight, a store of another voltage takes nothing that it should.
    const joins = systemV === busVoltageV && voltage === 'steady';
    const pushed = joins ? (alternatorV - joined.restV) / (cableOhm + joined.resistanceOhm) : 0;
    const inputA = Math.max(0, Math.min(link.ratingA, pushed));
    const farV = alternatorV - inputA * cableOhm;
    return { ...shared, inputA, farV, outputW: inputA * farV, starvedV: null };
  }
  // P = V·I with V = V_a − I·R: the upper of the two voltages at which a charger draws its power.
  const root = alternatorV ** 2 - 4 * cableOhm * askedW;
  const farV = root >= 0 ? (alternatorV + Math.sqrt(root)) / 2 : alternatorV / 2;
  if (farV < minInputV) return { ...shared, inputA: 0, farV: alternatorV, outputW: 0, starvedV: farV };
  return { ...shared, inputA: askedW / farV, farV, outputW: outW, starvedV: null };
}

/** mm² of the cable with which a charger keeps its least input volts at its rating: R = (V_a − V_min)·V_min ÷ P. */
export function unstarvedMm2(
  { link, cableM, efficiency, minInputV }: LinkFlow,
  alternator: Brief['alternator'],
  chargingV: number,
): number {
  const watts = (link.ratingA * chargingV) / efficiency;
  const mostOhm = ((alternatorVoltage(alternator) - minInputV) * minInputV) / watts;
  return mostOhm > 0 ? (ohmPerM(1) * 2 * cableM) / mostOhm : Number.POSITIVE_INFINITY;
}
