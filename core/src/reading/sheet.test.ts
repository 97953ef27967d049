import { describe, expect, it } from 'vitest';
import { readSheet } from './sheet.ts';

/** Plates written for this test, with what each of their figures is. */
describe('a plate fills the fields of its step', () => {
  it.each([
    [
      'panel',
      'Solar module\nPmax 175W\nVmp 18.6V\nImp 9.41A\nVoc 22.4V\nIsc 9.98A\nNOCT 45°C',
      { ratingW: 175, vmpV: 18.6, impA: 9.41, vocV: 22.4, iscA: 9.98, noctC: 45 },
    ],
    [
      'panel',
      'Maximum Power (Pmax) 410 W\nVoltage at Pmax (Vmp) 31.4 V\nCurrent at Pmax (Imp) 13.06 A\nOpen-circuit voltage (Voc) 37.3 V\nShort-circuit current (Isc) 13.9 A\nTemperature coefficient of Pmax -0.34 %/°C\nTemperature coefficient of Voc -0.27 %/°C\nTemperature coefficient of Isc 0.048 %/°C\nWeight 21.5 kg',
      {
        ratingW: 410,
        vmpV: 31.4,
        impA: 13.06,
        vocV: 37.3,
        iscA: 13.9,
        powerPerK: -0.0034,
        vocPerK: -0.0027,
        iscPerK: 0.00048,
        kg: 21.5,
      },
    ],
    [
      'panel',
      'Open circuit voltage: 24,3 V; short circuit current: 5,32 A; rated power 100 W',
      { ratingW: 100, vocV: 24.3, iscA: 5.32 },
    ],
    [
      'battery',
      'LiFePO4 battery\n12.8V 200Ah\nMax continuous discharge 100A\nMax charge current 100A\n24 kg',
      { unitV: 12.8, capacityAh: 200, dischargeA: 100, chargeA: 100, kg: 24 },
    ],
    ['battery', 'Deep cycle AGM 12V 105Ah\n31 kg', { unitV: 12, capacityAh: 105, kg: 31 }],
    [
      'inverter',
      'Pure sine inverter\nContinuous power 2000W\nSurge power 4000W\nNo-load draw 12W\nEfficiency 92%',
      { ratingW: 2000, surgeW: 4000, idleW: 12, peakEfficiency: 0.92 },
    ],
    ['inverter', 'Rated power 2500 VA\nOutput 2000 W\nPeak 5000 W', { ratingVa: 2500, ratingW: 2000, surgeW: 5000 }],
    [
      'controller',
      'MPPT solar charge controller\nRated charge current 40A\nMax PV voltage 100V',
      { maxA: 40, maxV: 100 },
    ],
    ['dc-dc', 'DC-DC battery charger\nInput 12V 36A\nOutput 14.4V 30A', { ratingA: 30 }],
    ['charger', 'AC IN 230V 2.5A\nDC OUT 14.4V 25A', { ratingA: 25 }],
  ] as const)('%s: %j', (kind, text, fields) => {
    expect(readSheet(kind, text).fields).toEqual(fields);
  });

  it('and hands back what no field is for', () => {
    const { left } = readSheet('panel', 'Pmax 175W\nMax system voltage 600V\nSeries fuse 15A');
    expect(left).toEqual(['Max system voltage 600V', 'Series fuse 15A']);
  });

  it('takes nothing out of range', () => {
    expect(readSheet('panel', 'Pmax 90 kW').fields).toEqual({});
  });
});
