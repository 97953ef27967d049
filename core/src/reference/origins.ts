import type { Origin } from '../quantity/figure.ts';

/** The sources that figures and defaults name. One entry each, so that the working and the docs agree. */
export const ORIGIN = {
  si: { label: 'P', source: 'SI definitions' },
  computed: { label: 'computed', source: 'from the figures below' },
  job: { label: 'job', source: 'entered in this job' },
  practice: { label: 'T', source: 'common practice' },
  memory: { label: 'M', source: 'from memory' },
  practiceRecalled: { label: 'M', source: 'common practice, figure from memory' },
  schmidtSauer: { label: 'P', source: 'quadratic loss model, Schmidt & Sauer 1996' },
  peukert: { label: 'P', source: 'Peukert 1897' },
  ieee1013: { label: 'P·M', source: 'sizing method after IEEE 1013' },
  duffieBeckman: { label: 'P·M', source: 'Duffie & Beckman, Solar Engineering of Thermal Processes' },
  klein: { label: 'P·M', source: 'mean day of each month, Klein 1977' },
  collaresPereira: { label: 'P', source: 'hourly shape, Collares-Pereira & Rabl 1979' },
  iec60898: { label: 'P·M', source: 'breaker characteristics, IEC 60898-1' },
  cables: { label: 'P·M', source: 'conductor resistance, IEC 60228 class 5 and ASTM B258' },
  abyc: { label: 'P·M', source: 'ABYC E-11' },
  noct: { label: 'P·M', source: 'cell temperature from NOCT, IEC 61215' },
} as const satisfies Record<string, Origin>;
