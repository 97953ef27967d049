import type { Brief, DrivingLink } from '../job/schema.ts';
import { dcSide } from '../moment/inverterCable.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { ohmPerM } from '../reference/conductors.ts';
import { DEFAULT } from '../reference/defaults.ts';

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
}

/** What a relay joins to: the store's volts at rest and the Ω inside it. */
interface Joined {
  readonly restV: number;
  readonly resistanceOhm: number;
}

/** V of an alternator of a vehicle of 12 or 24 V. */
const alternatorVoltage = (systemV: number): number => (DEFAULT.alternatorVoltage12V.value * systemV) / 12;

/** The same on fewer amps of the alternator: they cost its cable fewer volts. @param share of what it asks, 0…1 */
export function heldTo(flow: LinkFlow, share: number, { systemV }: Brief['alternator']): LinkFlow {
  if (share === 1) return flow;
  const inputA = flow.inputA * share;
  const farV = flow.farV + (alternatorVoltage(systemV) - flow.farV) * (1 - share);
  return { ...flow, inputA, farV, outputW: inputA * farV * flow.efficiency };
}

/**
 * A DC-DC charger gives its rating: I_in = P_out ÷ (η·V_far), V_far what the cable leaves. A relay passes what the
 * voltages push: I = (V_alternator − V_store) ÷ (R_cable + R_store), at most what it carries. Common practice.
 */
export function linkFlow(
  link: DrivingLink,
  { systemV }: Brief['alternator'],
  busVoltageV: number,
  joined: Joined,
): LinkFlow {
  const alternatorV = alternatorVoltage(systemV);
  // Of a charger whose cable is not known nothing is lost in it; a relay's lives by its cable.
  const cableM = link.cableM ?? (link.kind === 'relay' ? DEFAULT.alternatorCableM.value : 0);
  const outW = link.ratingA * chargingVoltageV(busVoltageV);
  const askedW = link.kind === 'relay' ? link.ratingA * alternatorV : outW / DEFAULT.dcdcEfficiency.value;
  const areaMm2 = link.cableMm2 ?? dcSide(askedW, systemV).areaMm2;
  const cableOhm = ohmPerM(areaMm2) * 2 * cableM;
  const shared = { link, areaMm2, cableM };
  if (link.kind === 'relay') {
    // Joined straight, a store of another voltage takes nothing that it should.
    const pushed = systemV === busVoltageV ? (alternatorV - joined.restV) / (cableOhm + joined.resistanceOhm) : 0;
    const inputA = Math.max(0, Math.min(link.ratingA, pushed));
    const farV = alternatorV - inputA * cableOhm;
    return { ...shared, inputA, farV, outputW: inputA * farV, efficiency: 1 };
  }
  // P = V·I with V = V_a − I·R: the upper of the two voltages at which a charger draws its power.
  if (cableM === 0) {
    const inputA = askedW / alternatorV;
    return { ...shared, inputA, farV: alternatorV, outputW: outW, efficiency: DEFAULT.dcdcEfficiency.value };
  }
  const root = alternatorV ** 2 - 4 * cableOhm * askedW;
  const farV = root >= 0 ? (alternatorV + Math.sqrt(root)) / 2 : alternatorV / 2;
  const powerW = root >= 0 ? askedW : farV ** 2 / cableOhm;
  return {
    ...shared,
    inputA: powerW / farV,
    farV,
    outputW: powerW * DEFAULT.dcdcEfficiency.value,
    efficiency: DEFAULT.dcdcEfficiency.value,
  };
}
