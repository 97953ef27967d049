import { type DcSide, dcSide, LOW_12V } from '../moment/inverterCable.ts';
import { efficiencyAt } from '../paths/curve.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { COPPER_KG_PER_MM2_M, FUSE_FACTOR, FUSES_A } from '../reference/conductors.ts';
import { exceeding } from '../reference/currents.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { GUIDE_W, nextSize } from '../reference/sizes.ts';
import type { RunRow } from '../runs/laid.ts';
import type { Finding, Rule } from './finding.ts';

export const lowVoltageHighCurrent: Rule = ({ busPeak, nominalV, option }) => {
  const busV = option.system.busVoltageV;
  // What the bus carries in all, not the main inverter alone.
  const worstW = busPeak.weight;
  if (worstW <= GUIDE_W[busV]) return [];
  return [
    {
      code: 'low-voltage-high-current',
      severity: 'caution',
      where: { step: 'store', figure: 'peak.current' },
      values: { busV, worstW, amps: worstW / nominalV, guideW: GUIDE_W[busV] },
    },
  ];
};

/** Whether a run that carries more than any one fuse is sold for has fuses all the same. */
const hasWhatItNeeds = ({ fuse, run }: RunRow): boolean =>
  run.protection === 'none' || (fuse.ratingA !== null && fuse.ratingA >= fuse.neededA - 1e-9);

/** No fuse is sold for the worst moment: a main cable without one is no way to build it, laid or only proposed. */
export const fuseNone: Rule = ({ busPeak, option, ledger, inverters, runs, job }) => {
  const busV = option.system.busVoltageV;
  // Its cable is made for what an inverter may take, whatever runs.
  const invertersW = inverters.reduce(
    (sum, { feed, ratingW }) => sum + (feed ? ratingW / efficiencyAt(feed.curve, 1) : 0),
    0,
  );
  const worstW = Math.max(busPeak.weight, invertersW);
  const now = dcSide(worstW, busV);
  if (now.fuseA !== null || ledger.total.batteryWh === 0) return [];
  // Laid so that each conductor has its own it is as good.
  if (option.system.runs !== null && runs?.rows.every(hasWhatItNeeds)) return [];
  const { store } = option.system;
  const { copperPerKg } = job.brief.prices;
  const kgOf = ({ areaMm2, parallel }: DcSide) =>
    areaMm2 * parallel * 2 * (store.leadM ?? DEFAULT.leadM.value) * COPPER_KG_PER_MM2_M;
  const largestA = FUSES_A.at(-1) as number;
  const neededA = now.amps * FUSE_FACTOR;
  const ways = Math.ceil(neededA / largestA);
  const higher = ([24, 48] as const)
    .map((volts) => dcSide(worstW, volts))
    .find((side) => side.busV > busV && side.fuseA !== null);
  return [
    {
      code: 'fuse-none',
      severity: 'stop',
      where: { step: 'store', figure: 'peak.current' },
      values: {
        amps: now.amps,
        neededA,
        largestA,
        ways,
        eachA: nextSize(FUSES_A, neededA / ways) ?? largestA,
        higherV: higher?.busV ?? 0,
        higherA: higher?.amps ?? 0,
        higherFuseA: higher?.fuseA ?? 0,
        leadKg: kgOf(now),
        higherKg: higher ? kgOf(higher) : 0,
        copperPerKg: copperPerKg ?? 0,
        currency: job.brief.region.currency,
        mostW: (largestA / FUSE_FACTOR) * ((LOW_12V * busV) / 12),
      },
    },
  ];
};

/** What runs and what starts must stay within what the battery gives for that long. */
export const storeCurrent: Rule = ({ store, currents, ledger }) => {
  const [most] = exceeding(currents, store.discharge);
  if (!most || most.times <= 1 || ledger.total.batteryWh === 0) return [];
  const { kind, amps, limitA } = most;
  const limitC = store.ah > 0 ? limitA / store.ah : 0;
  const sagV = amps * store.resistanceOhm;
  return [
    {
      code: 'store-current',
      severity: 'stop',
      where: { step: 'store', figure: 'peak.current' },
      values: {
        amps,
        limitA,
        limitC,
        neededAh: limitC > 0 ? amps / limitC : 0,
        kind,
        shortS: store.discharge.shortS,
        sagV,
        leavesV: store.restV - sagV,
      },
    },
  ];
};

export const storeShort: Rule = ({ store }) => {
  const { capacityWh } = store;
  const { requiredWh } = store.need;
  if (capacityWh >= requiredWh - 1e-6) return [];
  return [
    {
      code: 'store-short',
      severity: 'caution',
      where: { step: 'store', figure: 'store.capacity' },
      values: { capacityWh, requiredWh, days: store.old.days },
    },
  ];
};

/** A string whose units do not make the voltage of the bus. */
export const bankVoltage: Rule = ({ store }) =>
  (store.bank?.strings ?? [])
    .filter(({ isOfBus }) => !isOfBus)
    .map(({ name, series, unitV }) => ({
      code: 'bank-voltage',
      severity: 'stop',
      where: { step: 'store', figure: 'store.capacity' },
      values: { name, series, unitV, makesV: series * unitV, busV: store.factors.nominalV },
    }));

/** Strings that share the current otherwise than their limits ask: old ones and new, small and large. */
export const bankUneven: Rule = ({ store }) => {
  const { bank } = store;
  if (!bank || bank.lostA <= UNEVEN * (bank.dischargeA + bank.lostA)) return [];
  const first = [...bank.strings].sort((a, b) => b.share / b.dischargeA - a.share / a.dischargeA)[0];
  if (!first) return [];
  return [
    {
      code: 'bank-uneven',
      severity: 'caution',
      where: { step: 'store', figure: 'store.capacity' },
      values: {
        name: first.name,
        share: first.share,
        ofAh: first.ah / bank.ah,
        atA: bank.dischargeA,
        insteadA: bank.dischargeA + bank.lostA,
      },
    },
  ];
};

/** Share by which strings hold unlike amounts before it is worth a word. From memory. */
const MIXED = 0.1;

/** Old and new, large and small, in one bank: an estimate of what it comes to. */
export const bankMixed: Rule = ({ store }) => {
  const { bank } = store;
  const byAh = [...(bank?.strings ?? [])].sort((a, b) => a.ah / a.parallel - b.ah / b.parallel);
  const [weak, strong] = [byAh[0], byAh.at(-1)];
  if (!bank || !weak || !strong) return [];
  const [weakAh, strongAh] = [weak.ah / weak.parallel, strong.ah / strong.parallel];
  if (weakAh >= strongAh * (1 - MIXED)) return [];
  const values = {
    strong: strong.name,
    weak: weak.name,
    strongAh,
    weakAh,
    ah: bank.ah,
    firstEmptyAh: bank.firstEmptyAh,
  };
  return [{ code: 'bank-mixed', severity: 'caution', where: { step: 'store', figure: 'store.capacity' }, values }];
};

/** V of a cell, and share by which a label may round it. */
const CELL_V = { lfp: 3.2, agm: 2, gel: 2, flooded: 2, starter: 2 } as const;
const ROUNDED = 0.02;
/** What batteries are called by, whatever they have. */
const CALLED_V = [6, 12, 24, 36, 48];

/** A unit whose volts are no whole number of cells of its chemistry. */
export const unitDoubtful: Rule = ({ option }) => {
  const { strings, chemistry } = option.system.store;
  const cellV = CELL_V[chemistry];
  return (strings ?? []).flatMap(({ name, unitV }): Finding[] => {
    if (unitV === null || (CALLED_V.includes(unitV) && (chemistry !== 'lfp' || unitV >= 12))) return [];
    const cells = Math.max(1, Math.round(unitV / cellV));
    if (Math.abs(unitV / (cells * cellV) - 1) <= ROUNDED) return [];
    const values = { name, unitV, chemistry: CHEMISTRY[chemistry].name, cellV };
    return [{ code: 'unit-doubtful', severity: 'caution', where: { step: 'store', figure: 'store.capacity' }, values }];
  });
};

/** Share of what the strings could give together that is worth a word when it is lost. From memory. */
const UNEVEN = 0.1;

/** LFP must not be charged below 0 °C. */
export const storeCold: Rule = ({ option, store, heater }) => {
  const { coldestC, heaterW } = option.system.store;
  const { isLocked, holdW, holdC, warmUpH } = store.heating;
  if (!isLocked) return [];
  const where = { step: 'store', figure: 'store.capacity' } as const;
  if (heaterW !== null && warmUpH !== null)
    return [
      {
        code: 'store-heated',
        severity: 'note',
        where,
        values: { coldestC, holdC, holdW, warmUpH, heaterWh: heater.wh },
      },
    ];
  return [{ code: 'store-cold', severity: 'stop', where, values: { coldestC, heaterW: heaterW ?? 0, holdW } }];
};

export const payloadExceeded: Rule = ({ brief, kit: { kg: kitKg } }) => {
  if (brief.payloadKg === null || brief.payloadKg >= kitKg) return [];
  return [
    {
      code: 'payload-exceeded',
      severity: 'stop',
      where: { step: 'result', figure: 'mass.kit' },
      values: { overKg: kitKg - brief.payloadKg, kitKg },
    },
  ];
};
