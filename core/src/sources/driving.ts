import { passageOf } from '../battery/passage.ts';
import { blankLink } from '../job/blank.ts';
import { driveHours } from '../job/day.ts';
import type { Brief, DrivingLink, System, Use } from '../job/schema.ts';
import type { Leads } from '../paths/cables.ts';
import { intoLead, lostIn, togetherOhm } from '../paths/lead.ts';
import { eachMinute } from '../quantity/minutes.ts';
import { remembering } from '../quantity/remember.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { type AlternatorLimit, alternatorLimit, standardDcdc } from './alternator.ts';
import { heldTo, type LinkFlow, linkFlow } from './link.ts';
import type { Source } from './source.ts';

/** Less driving than a minute is none. */
const SHORTEST_DRIVE_H = 1 / 60;

/** What charges from the alternator: what the day asks of it and what is fitted. */
export interface DrivingSize {
  readonly limit: AlternatorLimit;
  /** A that the store may be charged with. */
  readonly chargeLimitA: number;
  readonly hours: number;
  readonly drives: boolean;
  /** A of charger that would cover the day alone, and how many of them its lead loses. */
  readonly requiredA: number;
  readonly requiredLeadA: number;
  readonly ratingA: number;
  readonly isChosen: boolean;
  /** A at charging volts that are counted on: what each gives, all held to what the alternator can feed. */
  readonly usedA: number;
  readonly yieldWh: number;
  /** Share of it that counts against the need: amps are counted as amps. */
  readonly countsShare: number;
  /** As each flows while driving, held so. */
  readonly links: readonly LinkFlow[];
  /** One for each link, before any shares its output with the sun. */
  readonly sources: readonly Source[];
}

/** What the links work on. */
interface Store {
  /** A that it may be charged with. */
  readonly chargeLimitA: number;
  /** V of it at rest, half used, and Ω inside it. */
  readonly restV: number;
  readonly resistanceOhm: number;
}

/** @param needWh of the day, at the store; `leads` of the links where they are laid: what they lose does not reach it */
export function sizeDriving(
  { alternator, drives: plan }: Pick<Brief, 'alternator' | 'drives'>,
  system: System,
  needWh: number,
  store: Store,
  leads: Pick<Leads, 'ofLink'> | null = null,
): DrivingSize {
  const { driving, busVoltageV } = system;
  const { chargeLimitA } = store;
  const chargingV = chargingVoltageV(system);
  const limit = alternatorLimit(alternator, chargingV);
  const { inByAmps, inBySun } = passageOf(system);
  const countsShare = inByAmps / inBySun;
  const hours = driveHours({ drives: plan });
  const drives = hours >= SHORTEST_DRIVE_H;
  const neededW = drives ? needWh / (hours * countsShare) : 0;
  const requiredA = intoLead(neededW, leadOhm(driving, leads), chargingV) / chargingV;
  const isChosen = driving !== null;
  const suggestedA = standardDcdc(requiredA, Math.min(limit.outputA, chargeLimitA));
  const fitted: readonly DrivingLink[] =
    driving ?? (suggestedA > 0 ? [blankLink(SUGGESTED_ID, 'DC-DC charger', suggestedA)] : []);
  const asked = fitted.map((link) => linkFlow(link, alternator, busVoltageV, { ...store, chargingV }));
  const askedA = asked.reduce((sum, { inputA }) => sum + inputA, 0);
  // What the alternator can feed is shared by what each asks.
  const held = askedA > limit.inputA ? limit.inputA / askedA : 1;
  const links = asked.map((one) => {
    const flow = heldTo(one, held, alternator);
    const lostW = lostIn(flow.outputW, leads?.ofLink.get(flow.link.id) ?? 0, chargingV);
    return { ...flow, outputW: flow.outputW - lostW };
  });
  const outputW = links.reduce((sum, flow) => sum + flow.outputW, 0);
  return {
    limit,
    chargeLimitA,
    hours,
    drives,
    requiredA,
    requiredLeadA: requiredA - neededW / chargingV,
    ratingA: fitted.reduce((sum, one) => sum + one.ratingA, 0),
    isChosen,
    usedA: outputW / chargingV,
    yieldWh: outputW * hours,
    countsShare,
    links,
    sources: links.map(
      ({ link, outputW: watts, efficiency }): Source => ({
        id: link.id,
        name: link.name,
        kind: 'driving',
        priority: 1,
        watts: rememberedDrive(plan, [watts], () => driveProfile(plan, watts)),
        limitW: link.ratingA * chargingV,
        clippedWh: 0,
        efficiency,
      }),
    ),
  };
}

/** The link that is suggested where none is chosen. */
const SUGGESTED_ID = 'dcdc';

/** Ω of one lead in place of those of all links. */
function leadOhm(driving: System['driving'], leads: Pick<Leads, 'ofLink'> | null): number {
  if (leads === null) return 0;
  const links = driving ?? [{ id: SUGGESTED_ID, ratingA: 1 }];
  const allA = links.reduce((sum, { ratingA }) => sum + ratingA, 0);
  return togetherOhm(
    links.map(({ id, ratingA }) => ({ ohm: leads.ofLink.get(id) ?? 0, share: allA > 0 ? ratingA / allA : 0 })),
  );
}

/** Days kept of one plan, by what comes while driving. */
const KEPT_PLANS = 8;

const rememberedDrive = remembering<readonly Use[], Float64Array>(KEPT_PLANS);

/** W from the alternator in each minute of a day. @param watts while driving */
export function driveProfile(plan: readonly Use[], watts: number): Float64Array {
  const profile = new Float64Array(MINUTES_PER_DAY);
  for (const { startMin, minutes } of plan)
    eachMinute(startMin, minutes, (m, share) => {
      profile[m] = (profile[m] as number) + watts * share;
    });
  return profile;
}
