import { dataSheetOf, panelsOf, unlikeOf } from '../panels/panels.ts';
import { roofPlan } from '../panels/roof.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { throughBox } from '../sources/allInOne.ts';
import { alternatorVoltage } from '../sources/alternator.ts';
import { unstarvedMm2 } from '../sources/link.ts';
import { heldBack, shareOutputs, sharingOf } from '../sources/shared.ts';
import { offeredWh, peakW, type Source } from '../sources/source.ts';
import { designMonth } from '../sun/day.ts';
import { monthlyExtraterrestrialKwh } from '../sun/geometry.ts';
import { monthName } from '../sun/months.ts';
import type { Finding, Rule } from './finding.ts';

export const noSun: Rule = ({ sun }) =>
  sun.sunHours > 0.05
    ? []
    : [
        {
          code: 'no-sun',
          severity: 'caution',
          where: { step: 'sources', figure: 'sun.hours' },
          values: { rises: sun.extraterrestrialKwh > 0 ? 1 : 0 },
        },
      ];

/** The clearest skies: above this share of what falls above the air a figure is asked about. Common practice. */
const CLEAREST = 0.8;

/** Typed sun hours against what the sky can give, in the months they are of. */
export const sunHoursDoubtful: Rule = ({ job }) => {
  const { place } = job.brief;
  const table = place.monthly.peakSunHours;
  const typed = table
    ? table.map((hours, i) => ({ hours, month: i + 1 }))
    : place.peakSunHours === null
      ? []
      : [{ hours: place.peakSunHours, month: designMonth(job.brief) }];
  const doubtful = typed.flatMap(({ hours, month }) => {
    const above = monthlyExtraterrestrialKwh(place.latitudeDeg, month);
    if (hours <= CLEAREST * above + 1e-9) return [];
    return [{ hours, share: above > 0 ? hours / above : Number.MAX_VALUE, month: monthName(month) }];
  });
  const [worst] = [...doubtful].sort((a, b) => b.share - a.share);
  if (!worst) return [];
  return [
    {
      code: 'sun-hours-doubtful',
      severity: worst.share > 1 ? 'stop' : 'caution',
      where: { step: 'brief', figure: 'sun.hours' },
      values: { ...worst, others: doubtful.length - 1 },
    },
  ];
};

/**
 * The usual day spends more than comes in: the store runs down even without a cloudy spell. Counted by the day as it
 * goes, in which what the sun feeds directly does not pass through the store.
 */
export const balanceShort: Rule = ({ store, job, income }) => {
  const net = income.balanceWh;
  if (net >= -0.5) return [];
  return [
    {
      code: 'balance-short',
      severity: 'caution',
      where: { step: 'result', figure: 'balance.net' },
      values: { shortWh: -net, days: store.usableWh / -net, nights: job.brief.nightsOffGrid },
    },
  ];
};

/** The DC-DC charger wants more than the alternator should give. */
export const dcdcLimited: Rule = ({ driving }) => {
  const { ratingA } = driving;
  const limitA = driving.limit.outputA;
  if (ratingA <= limitA + 1e-9) return [];
  return [
    {
      code: 'dcdc-limited',
      severity: 'caution',
      where: { step: 'sources', figure: 'dcdc.rating' },
      values: { ratingA, limitA },
    },
  ];
};

/** Share of the nominal volts that may be lost in the cable from the alternator. Common practice: chargers 3 %. */
const MOST_DROP = 0.03;

export const drivingDrop: Rule = ({ driving, brief }) => {
  const nominalV = brief.alternator.systemV;
  const emptyV = alternatorVoltage(brief.alternator);
  return driving.links.flatMap(({ link, farV, areaMm2, cableM }): Finding[] => {
    const dropShare = (emptyV - farV) / nominalV;
    if (link.kind !== 'dc-dc' || cableM === 0 || dropShare <= MOST_DROP) return [];
    const values = { name: link.name, dropShare, farV, areaMm2 };
    return [{ code: 'driving-drop', severity: 'caution', where: { step: 'sources', figure: 'dcdc.rating' }, values }];
  });
};

/** A charger whose cable leaves it less than it needs gives nothing. */
export const dcdcStarved: Rule = ({ driving, brief, option }) =>
  driving.links.flatMap((flow): Finding[] => {
    const { link, starvedV, minInputV, areaMm2 } = flow;
    if (starvedV === null) return [];
    const neededMm2 = unstarvedMm2(flow, brief.alternator, chargingVoltageV(option.system));
    const values = { name: link.name, ratingA: link.ratingA, farV: starvedV, minInputV, areaMm2, neededMm2 };
    return [{ code: 'dcdc-starved', severity: 'stop', where: { step: 'sources', figure: 'dcdc.rating' }, values }];
  });

/** Amps beyond the limit of a battery that are worth a word. Common practice. */
const OVER_LIMIT = 1.05;

/** What may charge at the same time, against what the battery or its BMS takes. */
export const chargeLimit: Rule = ({ store, driving, sources, option, ledger }) => {
  if (store.ah === 0 || ledger.total.batteryWh === 0) return [];
  const { chargers } = option.system;
  const volts = chargingVoltageV(option.system);
  const sunA = sources.reduce((sum, source) => sum + (source.kind === 'sun' ? peakW(source) / volts : 0), 0);
  const chargersA = chargers.reduce((sum, { ratingA }) => sum + ratingA, 0);
  // While driving nothing is plugged in.
  const byOthersA = Math.max(driving.drives ? driving.usedA : 0, chargersA);
  const amps = option.system.store.inputs === 'one' ? Math.max(sunA, byOthersA) : sunA + byOthersA;
  const limitA = store.chargeLimitA;
  if (amps <= limitA * OVER_LIMIT) return [];
  const isGiven = option.system.store.strings?.some(({ chargeA }) => chargeA !== null) ?? false;
  return [
    {
      code: 'charge-limit',
      severity: 'caution',
      where: { step: 'store', figure: 'store.capacity' },
      values: { amps, limitA, sunA, byOthersA, isPlugged: chargersA >= byOthersA ? 1 : 0, isGiven: isGiven ? 1 : 0 },
    },
  ];
};

/** A relay holds only where the vehicle's voltage is steady, and that of the store. */
export const relays: Rule = ({ driving, brief, option }) => {
  const { systemV, voltage } = brief.alternator;
  const busV = option.system.busVoltageV;
  const where = { step: 'sources', figure: 'dcdc.rating' } as const;
  return driving.links
    .filter(({ link }) => link.kind === 'relay')
    .flatMap(({ link: { name } }): Finding[] => {
      if (systemV !== busV) return [{ code: 'relay-volts', severity: 'stop', where, values: { name, systemV, busV } }];
      return voltage === 'smart' ? [{ code: 'relay-smart', severity: 'caution', where, values: { name } }] : [];
    });
};

const atArrays = { step: 'sources', figure: 'array.rating' } as const;

/** What the panels bring against what their controller bears, at both ends of the year. */
export const arrayWindow: Rule = ({ windows }) =>
  windows.flatMap(({ name, kind, coldC, hotC, coldVoc, hotVmp, inputA, outputA, watts }): Finding[] => {
    const found: Finding[] = [];
    if (coldVoc?.limit && coldVoc.value > coldVoc.limit) {
      const values = { name, coldV: coldVoc.value, coldC, limitV: coldVoc.limit };
      found.push({ code: 'array-volts', severity: 'stop', where: atArrays, values });
    }
    // A controller that is described has a highest voltage; of one of which nothing is said nothing is asked yet.
    const isDescribed = coldVoc !== null || outputA.limit !== null || watts.limit !== null;
    if (isDescribed && (coldVoc?.limit ?? null) === null && kind === 'mppt')
      found.push({
        code: 'array-window-unknown',
        severity: 'note',
        where: atArrays,
        values: { name, coldV: coldVoc?.value ?? 0 },
      });
    if (hotVmp?.limit && hotVmp.value < hotVmp.limit) {
      const values = { name, hotV: hotVmp.value, hotC, neededV: hotVmp.limit };
      found.push({ code: 'array-low', severity: 'caution', where: atArrays, values });
    }
    if (inputA?.limit && inputA.value > inputA.limit) {
      const values = { name, shortA: inputA.value, limitA: inputA.limit };
      found.push({ code: 'array-input', severity: 'stop', where: atArrays, values });
    }
    return found;
  });

/** Less held back on a day of the design month is not worth a word. From memory. */
const CLIPS = 0.02;

export const arrayClips: Rule = ({ solar }) =>
  solar.sources.flatMap(({ name, chain, limitW, watts }): Finding[] => {
    const givenWh = watts.reduce((sum, w) => sum + w, 0) / 60;
    const share = chain.clippedWh / (givenWh + chain.clippedWh || 1);
    if (limitW === null || share < CLIPS) return [];
    const values = { name, clippedWh: chain.clippedWh, share, limitW };
    return [{ code: 'array-clips', severity: 'note', where: atArrays, values }];
  });

/** What an all-in-one unit itself holds back of the sun, after what its arrays share their outputs with. */
export const boxClips: Rule = ({ option: { system }, solar, driving }) => {
  const sunOf = (all: readonly Source[], arrays: readonly string[]) =>
    all.filter(({ kind, id }) => kind === 'sun' && arrays.includes(id));
  const clippedIn = (all: readonly Source[]) => all.reduce((wh, { clippedWh }) => wh + clippedWh, 0);
  const sharing = sharingOf(system);
  const inOrder = heldBack([...solar.sources, ...driving.sources], (flows) => shareOutputs(flows, sharing));
  return sharing.boxes.flatMap((box): Finding[] => {
    const { name, arrays, chargeA } = box.unit;
    const after = heldBack(inOrder, (flows) => throughBox(flows, box));
    const clippedWh = clippedIn(sunOf(after, arrays)) - clippedIn(sunOf(inOrder, arrays));
    const offeredByArrays = sunOf(inOrder, arrays).reduce((wh, one) => wh + offeredWh(one), 0);
    const share = clippedWh / (offeredByArrays || 1);
    if (chargeA === null || share < CLIPS) return [];
    return [{ code: 'box-clips', severity: 'note', where: atArrays, values: { name, chargeA, clippedWh, share } }];
  });
};

/** Share that unlike panels lose on one controller before it is worth two. From memory. */
const UNLIKE = 0.03;

export const arrayUnlike: Rule = ({ solar }) =>
  solar.arrays.flatMap(({ name, panels, wiring }): Finding[] => {
    const unlike = unlikeOf(panels, wiring);
    if (!unlike || 1 - unlike.factor <= UNLIKE) return [];
    const { togetherW, apartW, factor } = unlike;
    const values = { name, togetherW, apartW, lostShare: 1 - factor };
    return [{ code: 'array-unlike', severity: 'caution', where: atArrays, values }];
  });

/** Share by which volts × amps of a label may miss its watts: rounding, and what is guaranteed. Common practice. */
const LABEL_OFF = 0.05;

export const panelDoubtful: Rule = ({ solar }) =>
  solar.arrays.flatMap(({ panels }) =>
    panels.flatMap((group): Finding[] => {
      const sheet = dataSheetOf(group);
      if (!sheet) return [];
      const productW = sheet.vmpV * sheet.impA;
      const agrees = Math.abs(productW / group.ratingW - 1) <= LABEL_OFF;
      if (agrees && panelsOf(group).fit) return [];
      const values = { name: group.name, ratingW: group.ratingW, productW, agrees: agrees ? 1 : 0 };
      // A best point outside its ends is of no panel at all.
      const isNone = sheet.vmpV >= sheet.vocV || sheet.impA >= sheet.iscA;
      return [{ code: 'panel-doubtful', severity: isNone ? 'stop' : 'caution', where: atArrays, values }];
    }),
  );

/** Share of what reaches a controller that joins panels straight to the store, lost before it is worth a word. From memory. */
const PWM_LOSES = 0.1;

export const pwmLoses: Rule = ({ solar }) =>
  solar.sources.flatMap(({ id, name, chain, watts }): Finding[] => {
    const array = solar.arrays.find((one) => one.id === id);
    const givenWh = watts.reduce((sum, w) => sum + w, 0) / 60;
    const share = chain.controllerWh / (givenWh + chain.clippedWh + chain.controllerWh || 1);
    if (array?.controller.kind !== 'pwm' || share <= PWM_LOSES) return [];
    return [
      { code: 'pwm-loses', severity: 'note', where: atArrays, values: { name, lostWh: chain.controllerWh, share } },
    ];
  });

/** Plugged in, and nothing charges from it. */
export const chargerNone: Rule = ({ brief, option, profiles }) => {
  const [supply] = brief.supplies;
  const charges =
    option.system.chargers.some(({ ratingA }) => ratingA > 0) || profiles.some(({ load }) => load.chargesStore);
  if (!supply || charges) return [];
  return [
    {
      code: 'charger-none',
      severity: 'note',
      where: { step: 'sources', figure: 'store.capacity' },
      values: { supply: supply.name },
    },
  ];
};

/** The plan of the roof, where it is drawn. */
export const roofFits: Rule = ({ brief, option }) => {
  const { roof } = brief;
  if (!roof) return [];
  const { lying, panelsM2, roofM2 } = roofPlan(roof, option.system);
  const where = { step: 'sources', figure: 'array.rating' } as const;
  const taken = roof.obstacles.reduce((sum, { lengthM, widthM }) => sum + lengthM * widthM, 0);
  const found: Finding[] = [];
  for (const { name, overlaps, edgeM } of lying) {
    if (overlaps.length > 0)
      found.push({ code: 'roof-overlap', severity: 'caution', where, values: { name, others: overlaps.join(', ') } });
    if (edgeM > 0) found.push({ code: 'roof-overhang', severity: 'caution', where, values: { name, edgeM } });
  }
  const freeM2 = Math.max(0, roofM2 - taken);
  if (panelsM2 > freeM2 + 1e-9)
    found.push({ code: 'roof-full', severity: 'caution', where, values: { panelsM2, roofM2: freeM2 } });
  return found;
};
