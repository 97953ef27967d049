import { CHEMISTRY } from '../reference/chemistries.ts';
import type { Rule } from './finding.ts';

/** Guide, common practice: up to 3,000 W at 12 V, 3,000 to 6,000 W at 24 V, 48 V above. */
const GUIDE_W = { 12: 3000, 24: 6000, 48: Number.POSITIVE_INFINITY } as const;

export const lowVoltageHighCurrent: Rule = ({ busPeak, nominalV, option }) => {
  const busV = option.system.busVoltageV;
  // What the bus carries in all, not the main inverter alone.
  const worstW = busPeak.weight;
  if (worstW <= GUIDE_W[busV]) return [];
  return [
    {
      code: 'low-voltage-high-current',
      severity: 'caution',
      where: { step: 'result', figure: 'peak.current' },
      values: { busV, worstW, amps: worstW / nominalV, guideW: GUIDE_W[busV] },
    },
  ];
};

/** The worst moment must stay within the discharge limit of the store. */
export const storeCurrent: Rule = ({ store, busPeak, nominalV, ledger, option }) => {
  const data = CHEMISTRY[option.system.store.chemistry];
  const limitA = store.ah * data.dischargeLimitC;
  const amps = busPeak.weight / nominalV;
  if (amps <= limitA || ledger.total.batteryWh === 0) return [];
  return [
    {
      code: 'store-current',
      severity: 'stop',
      where: { step: 'result', figure: 'peak.current' },
      values: { amps, limitA, limitC: data.dischargeLimitC, neededAh: amps / data.dischargeLimitC },
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
      where: { step: 'result', figure: 'store.capacity' },
      values: { capacityWh, requiredWh, days: store.old.days },
    },
  ];
};

/** LFP must not be charged below 0 °C. */
export const storeCold: Rule = ({ option }) => {
  const { chemistry, coldestC } = option.system.store;
  if (coldestC >= CHEMISTRY[chemistry].minChargeC) return [];
  return [
    { code: 'store-cold', severity: 'stop', where: { step: 'result', figure: 'store.capacity' }, values: { coldestC } },
  ];
};

export const payloadExceeded: Rule = ({ brief, kitKg }) => {
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
